import { useMemo } from 'react';
import { useInfluence, useWhatIfDocument } from '../api/queries';
import type { Result, WhatIf } from '../api/types';
import { useTried } from './store';
import { changesOf, resultAt, type TriedWatts } from './whatIf';

/** Watts that are tried on a run, and what they do. */
export interface Trial {
    influence: number;
    whatIf: WhatIf;
    tried: TriedWatts;
    /** W by source, against the run. */
    changes: number[];
    result: Result;
}

/** The trial on a run that is on; null while its watts are those of the run. */
export function useTrial(run: number | undefined, result: Result | undefined): Trial | null {
    const varied = useTried((s) => s.run);
    const tried = useTried((s) => s.tried);
    const wanted = run !== undefined && varied === run ? run : undefined;
    const influence = useInfluence(wanted).data?.id ?? null;
    const whatIf = useWhatIfDocument(wanted, influence).data;
    return useMemo(() => {
        if (wanted === undefined || !whatIf || !result || influence === null) return null;
        const changes = changesOf(whatIf, tried);
        return changes.every((change) => change === 0) ? null : { influence, whatIf, tried, changes, result: resultAt(result, whatIf, tried) };
    }, [wanted, whatIf, influence, result, tried]);
}
