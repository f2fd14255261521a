import { isActive, useFollowedRun, useModelOf, useResult, useRuns } from '../api/queries';
import type { Project, Result, Revision, Run, Variant } from '../api/types';
import type { ColumnSpec } from './columns';

export interface Column {
    spec: ColumnSpec;
    variant: Variant;
    /** The runs of the variant that have something to show, newest first. */
    runs: readonly Run[];
    run: Run | undefined;
    result: Result | undefined;
    /** The model that was computed. */
    model: Revision | undefined;
    /** The model of the variant has changed since. */
    stale: boolean;
    /** Whether it is still being asked for. */
    loading: boolean;
    error: Error | null;
}

/** Everything that a column of a comparison shows, as far as it has come; null where there is no such column. */
export function useColumn(spec: ColumnSpec | undefined, project: Project | undefined): Column | null {
    const variant = project?.variants.find(({ id }) => id === spec?.variant);
    const runs = useRuns(variant?.id);
    const shown = (runs.data ?? []).filter((run) => run.picture > 0);
    const chosen = spec?.run == null ? shown[0] : shown.find(({ id }) => id === spec.run);
    const followed = useFollowedRun(chosen && isActive(chosen) ? chosen.id : undefined);
    const run = followed.data ?? chosen;
    const result = useResult(run?.id, run?.picture ?? 0);
    // Without a run the variant as it is saved.
    const model = useModelOf(variant && !runs.isPending ? variant.id : null, run?.revision ?? null);
    // Where it has been saved since: an edit that was undone is the same model again.
    const head = useModelOf(variant && run && run.revision !== variant.revision ? variant.id : null, null);
    if (!spec || !variant) return null;
    return {
        spec,
        variant,
        runs: shown,
        run,
        result: run ? result.data : undefined,
        model: model.data,
        stale: run !== undefined && head.data !== undefined && head.data.hash !== run.model,
        loading: runs.isPending || (run !== undefined && (result.isPending || model.isPending)),
        error: runs.error ?? result.error ?? model.error,
    };
}
