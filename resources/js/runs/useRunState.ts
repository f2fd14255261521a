import { useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { isActive, useFollowedRun, useResult, useRuns } from '../api/queries';
import type { Result, Run } from '../api/types';
import { useScreen } from '../state/screen';

export interface RunState {
    /** The newest run, followed while it is active. */
    latest: Run | undefined;
    /** The run that was opened, else the newest that has something to show, and its result: solved, or so far, or as it was stopped. */
    shown: Run | undefined;
    result: Result | undefined;
    /** The result is of another model than the one on screen. */
    stale: boolean;
}

/** @param model hash of the model on screen; one that no run has while an edit is being saved */
export function useRunState(variant: number, model: string | undefined): RunState {
    const client = useQueryClient();
    const runs = useRuns(variant);
    const newest = runs.data?.[0];
    const followed = useFollowedRun(newest?.id);
    const latest = followed.data ?? newest;
    const ended = latest !== undefined && !isActive(latest) && isActive(newest);
    useEffect(() => {
        if (ended) {
            void client.invalidateQueries({ queryKey: ['runs', variant] });
            void client.invalidateQueries({ queryKey: ['projects'] });
            void client.invalidateQueries({ queryKey: ['project'] });
        }
    }, [client, ended, variant]);
    const opened = useScreen((s) => s.openRun);
    const newestShown = latest && latest.picture > 0 ? latest : runs.data?.find((run) => run.picture > 0);
    const shown = runs.data?.find((run) => run.id === opened && run.id !== latest?.id && run.picture > 0) ?? newestShown;
    const result = useResult(shown?.id, shown?.picture ?? 0);
    return { latest, shown, result: result.data, stale: shown !== undefined && model !== undefined && shown.model !== model };
}
