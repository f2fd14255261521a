import { useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { isActive, useFollowedRun, useResult, useRuns } from '../api/queries';
import type { Result, Run } from '../api/types';

export interface RunState {
    /** The newest run, followed while it is active. */
    latest: Run | undefined;
    /** The newest solved run and its result. */
    solved: Run | undefined;
    result: Result | undefined;
    /** The result belongs to an older revision than the one on screen. */
    stale: boolean;
}

export function useRunState(variant: number, revision: number | undefined): RunState {
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
        }
    }, [client, ended, variant]);
    const solved = latest?.state === 'solved' ? latest : runs.data?.find((run) => run.state === 'solved');
    const result = useResult(solved?.id);
    return { latest, solved, result: result.data, stale: solved !== undefined && revision !== undefined && solved.revision !== revision };
}
