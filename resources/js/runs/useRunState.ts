import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useMemo } from 'react';
import { isActive, useFollowedRun, useResult, useRuns } from '../api/queries';
import type { OperatingPoint, Result, Run } from '../api/types';
import { useScreen } from '../state/screen';

export interface RunState {
    /** The newest run, followed while it is active. */
    latest: Run | undefined;
    /** The run that was opened, else the newest that has something to show, and its result: solved, or so far, or as it was stopped. */
    shown: Run | undefined;
    result: Result | undefined;
    /** The result is of another model than the one on screen. */
    stale: boolean;
    /** The operating point whose result it is; null: the model as it stands. */
    point: OperatingPoint | null;
    /** The picture of the model as it stands, whatever is shown. */
    base: number;
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
    const ofModel = runs.data?.find((run) => run.id === opened && run.id !== latest?.id && run.picture > 0) ?? newestShown;
    const asked = useScreen((s) => s.point);
    const point = ofModel?.points.find(({ name, picture }) => name === asked && picture !== null) ?? null;
    const picture = point?.picture ?? ofModel?.picture ?? 0;
    const shown = useMemo(() => (ofModel && ofModel.picture !== picture ? { ...ofModel, picture } : ofModel), [ofModel, picture]);
    const result = useResult(shown?.id, picture);
    return {
        latest,
        shown,
        result: result.data,
        stale: shown !== undefined && model !== undefined && shown.model !== model,
        point,
        base: ofModel?.picture ?? 0,
    };
}
