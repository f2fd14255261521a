import { useEffect, useMemo } from 'react';
import { useModelOf } from '../api/queries';
import type { ModelDocument } from '../model/document';
import { useScreen } from '../state/screen';
import { differences, partsIn, type Difference } from './differences';

export interface Against {
    /** The other model. */
    document: ModelDocument | undefined;
    list: Difference[] | null;
    error: Error | null;
}

/** What the model on screen says otherwise than the one it is held against; null while that is not known. */
export function useAgainst(document: ModelDocument | undefined): Against {
    const against = useScreen((s) => s.against);
    const other = useModelOf(against?.variant ?? null, against?.revision ?? null);
    const theirs = against ? other.data?.document : undefined;
    const list = useMemo(() => (theirs && document ? differences(theirs, document) : null), [theirs, document]);
    return { document: theirs, list, error: other.error };
}

/** Marks in ledger and view the parts that differ, as long as the model is held against another. */
export function useMarks(document: ModelDocument | undefined): void {
    const { list } = useAgainst(document);
    const set = useScreen((s) => s.set);
    useEffect(() => set({ marked: list ? partsIn(list) : [] }), [list, set]);
}
