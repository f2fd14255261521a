import { useEffect } from 'react';
import {
    keepPreviousData,
    QueryClient,
    useMutation,
    useQueries,
    useQuery,
    useQueryClient,
    type UseQueryOptions,
    type UseQueryResult,
} from '@tanstack/react-query';
import { api, ApiError, keepToken } from './client';
import type {
    BoardCopper,
    BoardCurrents,
    Evidence,
    Grade,
    GridReport,
    Impedance,
    Influence,
    Finish,
    Material,
    MaterialsOfProject,
    ProbeValue,
    Project,
    Result,
    ResultLimit,
    ResultPart,
    Revision,
    RevisionEntry,
    Run,
    RunReadings,
    SavedView,
    Session,
    Study,
    StudyPlan,
    StudyPoint,
    Variant,
    WhatIf,
} from './types';

export const queryClient = new QueryClient({
    defaultOptions: { queries: { staleTime: 5_000, retry: (count, error) => count < 2 && !(error instanceof ApiError && error.status >= 400) } },
});

export const isActive = (run: Run | undefined): boolean => run?.state === 'queued' || run?.state === 'running';

export const useSession = () =>
    useQuery({ queryKey: ['session'], queryFn: async () => keepToken(await api.get<Session>('/api/session')), staleTime: Infinity });

export function useSignIn(onSignedIn?: () => void) {
    const client = useQueryClient();
    return useMutation({
        mutationFn: async (credentials: { email: string; password: string } | 'demo') =>
            keepToken(await (credentials === 'demo' ? api.post<Session>('/api/session/demo') : api.post<Session>('/api/session', credentials))),
        onSuccess: (session) => {
            client.setQueryData(['session'], session);
            onSignedIn?.();
        },
    });
}

export function useSignOut() {
    const client = useQueryClient();
    return useMutation({
        mutationFn: async () => keepToken(await api.delete<Session>('/api/session')),
        onSuccess: (session) => {
            client.clear();
            client.setQueryData(['session'], session);
        },
    });
}

export const useProjects = () => useQuery({ queryKey: ['projects'], queryFn: () => api.get<Project[]>('/api/projects') });

/** Projects that were deleted and can still be restored. */
export const useDeletedProjects = () => useQuery({ queryKey: ['projects', 'deleted'], queryFn: () => api.get<Project[]>('/api/projects?deleted=1') });

/** Renames, deletes and restores projects. */
export function useProjectChange() {
    const client = useQueryClient();
    return useMutation({
        mutationFn: (change: { rename: Project; name: string } | { remove: Project } | { restore: Project }): Promise<unknown> => {
            if ('rename' in change) return api.patch(`/api/projects/${change.rename.id}`, { name: change.name, summary: change.rename.summary });
            if ('remove' in change) return api.delete(`/api/projects/${change.remove.id}`);
            return api.post(`/api/projects/${change.restore.id}/restore`);
        },
        onSuccess: () => client.invalidateQueries({ queryKey: ['projects'] }),
    });
}

const projectQuery = (id: number) => ({ queryKey: ['project', id], queryFn: () => api.get<Project>(`/api/projects/${id}`) });

export const useProject = (id: number) => useQuery(projectQuery(id));

export function useImportProject() {
    const client = useQueryClient();
    return useMutation({
        mutationFn: (model: string | Blob) => api.post<Project>(model instanceof Blob ? '/api/projects/archive' : '/api/projects', model),
        onSuccess: () => client.invalidateQueries({ queryKey: ['projects'] }),
    });
}

const deletedVariantsKey = (project: number) => ['project', project, 'deleted variants'];

/** Variants of a project that were deleted and can still be restored. */
export const useDeletedVariants = (project: number) =>
    useQuery({ queryKey: deletedVariantsKey(project), queryFn: () => api.get<Variant[]>(`/api/projects/${project}/variants/deleted`) });

export type VariantChange =
    | { clone: number; revision: number; name: string }
    | { change: number; by: { name?: string; note?: string; before?: number | null } }
    | { remove: number }
    | { restore: number };

/** The list of the variants of a project has changed. */
const variantsChanged = (client: QueryClient, project: number) =>
    Promise.all([client.invalidateQueries({ queryKey: ['project', project] }), client.invalidateQueries({ queryKey: ['projects'] })]);

/** Clones, renames, moves, deletes and restores variants; resolves with the variant that it made or changed. */
export function useVariantChange(project: number) {
    const client = useQueryClient();
    return useMutation({
        mutationFn: async (change: VariantChange): Promise<Variant | null> => {
            if ('clone' in change) return api.post<Variant>(`/api/variants/${change.clone}/clone`, { name: change.name, revision: change.revision });
            if ('change' in change) return api.patch<Variant>(`/api/variants/${change.change}`, change.by);
            if ('restore' in change) return api.post<Variant>(`/api/variants/${change.restore}/restore`);
            await api.delete(`/api/variants/${change.remove}`);
            return null;
        },
        // Whoever waits for it finds the list as it is then.
        onSuccess: () => variantsChanged(client, project),
    });
}

/** Makes a variant that differs from a revision in one edit, and starts its run. */
export function useBesideVariant(project: number) {
    const client = useQueryClient();
    return useMutation({
        mutationFn: async (asked: { of: Revision; name: string; step: string; document: unknown; grade: Grade }): Promise<Variant> => {
            const made = await api.post<Variant>(`/api/variants/${asked.of.variant.id}/clone`, { name: asked.name, revision: asked.of.number });
            const clone = await api.get<Revision>(`/api/variants/${made.id}`);
            await api.put<Revision>(`/api/variants/${made.id}/model`, { document: asked.document, base: clone.number, step: asked.step });
            await api.post<Run>(`/api/variants/${made.id}/runs`, { grade: asked.grade, keepFlow: false });
            return made;
        },
        onSettled: () => variantsChanged(client, project),
    });
}

/** Makes a variant with one part alone heated, and starts its run. */
export function useImpedanceVariant(project: number) {
    const client = useQueryClient();
    return useMutation({
        mutationFn: async (asked: { of: number; revision: number; source: string; end: number; grade: Grade }): Promise<Variant> => {
            const made = await api.post<Variant>(`/api/variants/${asked.of}/impedance`, { revision: asked.revision, source: asked.source, end: asked.end });
            await api.post<Run>(`/api/variants/${made.id}/runs`, { grade: asked.grade, keepFlow: false });
            return made;
        },
        onSettled: () => variantsChanged(client, project),
    });
}

/** The thermal impedance to a limit or watch, read from the course of a run. */
export const useImpedance = (run: number, watch: string) =>
    useQuery({
        queryKey: ['impedance', run, watch],
        queryFn: () => api.get<Impedance>(`/api/runs/${run}/impedance?watch=${encodeURIComponent(watch)}`),
        enabled: watch !== '',
        staleTime: Infinity,
        retry: false,
    });

/** The newest revisions of a variant, or those before a number. */
export const useRevisions = (variant: number, before: number | null) =>
    useQuery({
        queryKey: ['revisions', variant, before],
        queryFn: () => api.get<RevisionEntry[]>(`/api/variants/${variant}/revisions${before === null ? '' : `?before=${before}`}`),
        staleTime: 0,
    });

/** A variant as it is saved now, or as it was in a revision. */
export const useModelOf = (variant: number | null, revision: number | null) =>
    useQuery({
        queryKey: ['model', variant, revision],
        queryFn: () => api.get<Revision>(`/api/variants/${variant}${revision === null ? '' : `/revisions/${revision}`}`),
        enabled: variant !== null,
        staleTime: revision === null ? 0 : Infinity,
    });

const studiesKey = (project: number) => ['studies', project];

export const useStudies = (project: number, enabled = true) =>
    useQuery({ queryKey: studiesKey(project), queryFn: () => api.get<Study[]>(`/api/projects/${project}/studies`), enabled, staleTime: 0 });

/** What is asked for a study with, besides its name. */
export interface PlannedStudy {
    revision: number;
    grade: Grade;
    plan: StudyPlan;
}

/** What a plan would come to; asked anew when it changes. Refused in words where it cannot be. */
export const usePlanCheck = (variant: number, planned: PlannedStudy | null) =>
    useQuery({
        queryKey: ['plan', variant, planned],
        queryFn: () => api.post<{ count: number; names: string[]; examples: string[][] }>(`/api/variants/${variant}/studies/check`, planned),
        enabled: planned !== null,
        staleTime: Infinity,
        gcTime: 10_000,
    });

export function useStartStudy(variant: number, project: number) {
    const client = useQueryClient();
    return useMutation({
        mutationFn: (asked: PlannedStudy & { name: string }) => api.post<Study>(`/api/variants/${variant}/studies`, asked),
        onSuccess: () => client.invalidateQueries({ queryKey: studiesKey(project) }),
    });
}

/** Whether a study has points that are not over. */
export const isOpen = ({ counts, growing, paused }: Study): boolean => counts.waiting + counts.queued + counts.running > 0 || (growing && !paused);

interface Points {
    now: string;
    points: StudyPoint[];
    /** Of a search the numbers of the points that no other one beats. */
    best: number[];
}

/** A study with the points that are known, followed while it goes on: only what has changed comes again. */
export function useStudy(id: number) {
    const client = useQueryClient();
    const refetchInterval = 1500;
    const study = useQuery({
        queryKey: ['study', id],
        queryFn: () => api.get<Study>(`/api/studies/${id}`),
        refetchInterval: ({ state }) => (state.data && isOpen(state.data) ? refetchInterval : false),
    });
    const open = study.data !== undefined && isOpen(study.data);
    const points = useQuery({
        // Once more when the last point has ended.
        queryKey: ['points', id],
        queryFn: async () => {
            const known = client.getQueryData<Points>(['points', id]);
            const news = await api.get<Points>(`/api/studies/${id}/points${known ? `?since=${encodeURIComponent(known.now)}` : ''}`);
            if (!known) return news;
            if (news.points.length === 0) return { ...known, now: news.now };
            const changed = new Map(news.points.map((point) => [point.number, point]));
            const had = new Set(known.points.map(({ number }) => number));
            const added = news.points.filter(({ number }) => !had.has(number));
            return { ...news, points: [...known.points.map((point) => changed.get(point.number) ?? point), ...added] };
        },
        refetchInterval: open ? refetchInterval : false,
    });
    const { refetch } = points;
    const over = study.data !== undefined && !open;
    useEffect(() => {
        if (over) void refetch();
    }, [over, refetch]);
    return { study, points: points.data?.points, best: points.data?.best };
}

export function useStudyChange(study: number, project: number) {
    const client = useQueryClient();
    return useMutation({
        mutationFn: async (change: { paused: boolean } | { retry: true } | { name: string } | 'delete'): Promise<Study | null> => {
            if (change !== 'delete') return api.patch<Study>(`/api/studies/${study}`, change);
            await api.remove(`/api/studies/${study}`);
            return null;
        },
        onSuccess: async (changed) => {
            if (changed) client.setQueryData(['study', study], changed);
            await client.invalidateQueries({ queryKey: studiesKey(project) });
            await client.invalidateQueries({ queryKey: ['points', study] });
        },
    });
}

/** Makes a point of a study a variant of the project. */
export function useAdoptPoint(study: number, project: number) {
    const client = useQueryClient();
    return useMutation({
        mutationFn: ({ number, name }: { number: number; name: string }) => api.post<Variant>(`/api/studies/${study}/points/${number}/variant`, { name }),
        onSuccess: () => client.invalidateQueries({ queryKey: ['project', project] }),
    });
}

const viewsKey = (project: number) => ['views', project];

export const useSavedViews = (project: number) =>
    useQuery({ queryKey: viewsKey(project), queryFn: () => api.get<SavedView[]>(`/api/projects/${project}/views`), enabled: project > 0 });

/** Keeps, changes, moves and deletes saved views; resolves with the view it made. */
export function useViewChange(project: number) {
    const client = useQueryClient();
    return useMutation({
        mutationFn: async (
            change: { add: Omit<SavedView, 'id'> } | { change: number; by: Partial<Omit<SavedView, 'id'>> & { before?: number | null } } | { remove: number },
        ): Promise<SavedView | null> => {
            if ('add' in change) return api.post<SavedView>(`/api/projects/${project}/views`, change.add);
            if ('change' in change) return api.patch<SavedView>(`/api/views/${change.change}`, change.by);
            await api.remove(`/api/views/${change.remove}`);
            return null;
        },
        onSuccess: () => client.invalidateQueries({ queryKey: viewsKey(project) }),
    });
}

export const useMaterials = () => useQuery({ queryKey: ['materials'], queryFn: () => api.get<Material[]>('/api/materials'), staleTime: Infinity });

export const useFinishes = () => useQuery({ queryKey: ['finishes'], queryFn: () => api.get<Finish[]>('/api/finishes'), staleTime: Infinity });

export const useMaterialsOfProjects = (enabled: boolean) =>
    useQuery({ queryKey: ['materials of projects'], queryFn: () => api.get<MaterialsOfProject[]>('/api/materials/of-projects'), enabled, staleTime: 0 });

export const revisionKey = (variant: number) => ['revision', variant];

export const useRevision = (variant: number) =>
    useQuery({ queryKey: revisionKey(variant), queryFn: () => api.get<Revision>(`/api/variants/${variant}`), staleTime: Infinity });

export const useGridReport = (variant: number, revision: number, grade: Grade, enabled: boolean) =>
    useQuery({
        queryKey: ['grid', variant, revision, grade],
        queryFn: () => api.get<GridReport>(`/api/variants/${variant}/grid?grade=${grade}`),
        staleTime: Infinity,
        enabled,
    });

/** The verification cases beside what the saved model of a variant uses. */
export const useEvidence = (variant: number) =>
    useQuery({ queryKey: ['evidence', variant], queryFn: () => api.get<Evidence>(`/api/variants/${variant}/evidence`), staleTime: 60_000 });

/** The last runs of a variant; asked for often while one is active. */
export const useRuns = (variant: number | undefined) =>
    useQuery({ queryKey: ['runs', variant], queryFn: () => api.get<Run[]>(`/api/variants/${variant}/runs`), enabled: variant !== undefined });

/** A newer state of a run with its whole curve; the server sends only what came after the samples that are known. */
export const withSamples = (known: Run | undefined, newer: Run): Run => (known ? { ...newer, samples: [...known.samples, ...newer.samples] } : newer);

/** What limits and watches read in every solved run of a project. */
export const useReadings = (project: number) =>
    useQuery({ queryKey: ['readings', project], queryFn: () => api.get<RunReadings[]>(`/api/projects/${project}/readings`), staleTime: 0 });

/** One run, followed while it is active. */
export function useFollowedRun(id: number | undefined) {
    const client = useQueryClient();
    return useQuery({
        queryKey: ['run', id],
        queryFn: async () => {
            const known = client.getQueryData<Run>(['run', id]);
            const after = known?.samples.at(-1)?.id ?? 0;
            const newer = await api.get<Run>(`/api/runs/${id}?after=${after}`);
            // An attempt that began anew has removed the curve of the one before.
            const anew = known !== undefined && newer.attempts !== known.attempts;
            return anew ? api.get<Run>(`/api/runs/${id}?after=0`) : withSamples(known, newer);
        },
        enabled: id !== undefined,
        refetchInterval: (query) => (isActive(query.state.data) ? 300 : false),
    });
}

export function useStartRun(variant: number) {
    const client = useQueryClient();
    return useMutation({
        mutationFn: (given: { grade: Grade; keepFlow: boolean }) => api.post<Run>(`/api/variants/${variant}/runs`, given),
        onSuccess: (run) => {
            client.setQueryData(['run', run.id], run);
            return client.invalidateQueries({ queryKey: ['runs', variant] });
        },
    });
}

export function useDeleteRun(variant: number) {
    const client = useQueryClient();
    return useMutation({
        mutationFn: (id: number) => api.remove(`/api/runs/${id}`),
        onSuccess: (_nothing, id) => {
            client.removeQueries({ queryKey: ['run', id] });
            void client.invalidateQueries({ queryKey: ['projects'] });
            void client.invalidateQueries({ queryKey: ['project'] });
            return client.invalidateQueries({ queryKey: ['runs', variant] });
        },
    });
}

export function useStopRun() {
    const client = useQueryClient();
    return useMutation({
        mutationFn: (id: number) => api.post<Run>(`/api/runs/${id}/stop`),
        onSuccess: (run) => client.setQueryData<Run>(['run', run.id], (known) => withSamples(known, run)),
    });
}

/** A result from before its fields were named, interfaces had temperatures, and limits could be undecided. */
type OldResult = Omit<Result, 'fields' | 'limits' | 'parts'> & {
    fields?: string[];
    parts: (Omit<ResultPart, 'interfaces'> & { interfaces?: ResultPart['interfaces'] })[];
    limits: (Omit<ResultLimit, 'verdict'> & { met?: boolean; verdict?: ResultLimit['verdict'] })[];
};

const undecided = ({ margin, plusMinus }: OldResult['limits'][number]): boolean => margin !== null && plusMinus !== null && Math.abs(margin) < plusMinus;

const asOfToday = (result: Result | OldResult): Result => {
    const limits = result.limits.map((limit) => ({
        ...limit,
        verdict: limit.verdict ?? (undecided(limit) ? ('undecided' as const) : 'met' in limit && limit.met ? ('met' as const) : ('missed' as const)),
    }));
    const count = (verdict: ResultLimit['verdict']) => limits.filter((limit) => limit.verdict === verdict).length;
    return {
        ...result,
        fields: result.fields ?? ['temperature', ...(result.flow ? ['velocity'] : [])],
        parts: result.parts.map((part) => ({ ...part, interfaces: part.interfaces ?? {} })),
        limits,
        verdict: { ...result.verdict, missed: count('missed'), undecided: count('undecided') },
    };
};

/** The result of a run; while it goes on it has one picture after the other, and the last stays until the next is there. */
export const useResult = (run: number | undefined, picture: number) =>
    useQuery({
        queryKey: ['result', run, picture],
        queryFn: async () => asOfToday(await api.get<Result | OldResult>(`/api/runs/${run}/pictures/${picture}/result`)),
        enabled: run !== undefined && picture > 0,
        staleTime: Infinity,
        placeholderData: (last, query) => (query?.queryKey[1] === run ? last : undefined),
    });

const fieldQuery = (run: number | undefined, picture: number, name: string): UseQueryOptions<ArrayBuffer> => ({
    queryKey: ['field', run, picture, name],
    queryFn: () => api.bytes(`/api/runs/${run}/pictures/${picture}/fields/${name}`),
    enabled: run !== undefined && picture > 0,
    staleTime: Infinity,
    gcTime: 10_000,
    placeholderData: (last, query) => (query?.queryKey[1] === run && query?.queryKey[3] === name ? last : undefined),
});

/** The newest picture of every variant of a project: the bytes of some of its fields, in the order asked for; variants without one, or without such a field, are left out. */
export function useFieldsOfVariants(project: number) {
    const client = useQueryClient();
    return useMutation({
        mutationFn: async (names: readonly string[]): Promise<ArrayBuffer[][]> => {
            const { variants } = await client.ensureQueryData(projectQuery(project));
            const read = async (variant: number): Promise<ArrayBuffer[][]> => {
                const run = (await api.get<Run[]>(`/api/variants/${variant}/runs`)).find(({ picture }) => picture > 0);
                const files = run && names.map((name) => client.fetchQuery(fieldQuery(run.id, run.picture, name)));
                return files
                    ? Promise.all(files).then(
                          (bytes) => [bytes],
                          () => [],
                      )
                    : [];
            };
            return (await Promise.all(variants.map(({ id }) => read(id)))).flat();
        },
    });
}

/** How much warmer a picture is than another run, K per cell; nothing while no other run is named. */
export const useDifferenceBytes = (run: number | undefined, picture: number, base: number | null): ArrayBuffer | undefined =>
    useQuery({
        queryKey: ['difference', run, picture, base],
        queryFn: () => api.bytes(`/api/runs/${run}/pictures/${picture}/difference?base=${base}`),
        enabled: run !== undefined && picture > 0 && base !== null,
        staleTime: Infinity,
        gcTime: 30_000,
    }).data;

/** Currents in the copper of a board at temperatures in degC that all of it has, one after the other. */
export const useCornerCurrents = (variant: number, part: string, revision: number, temperatures: readonly number[]) =>
    useQuery({
        queryKey: ['corner currents', variant, part, revision, temperatures],
        queryFn: async () => {
            const found: BoardCurrents[] = [];
            for (const at of temperatures)
                found.push(await api.get<BoardCurrents>(`/api/variants/${variant}/copper/${encodeURIComponent(part)}/currents?at=${at}`));
            return found;
        },
        staleTime: Infinity,
    });

/** The copper of a board as it will be computed; drawn anew for every revision, the last one stays until then. */
export const useBoardCopper = (variant: number, part: string, revision: number) =>
    useQuery({
        queryKey: ['copper', variant, part, revision],
        queryFn: () => api.get<BoardCopper>(`/api/variants/${variant}/copper/${encodeURIComponent(part)}`),
        staleTime: Infinity,
        placeholderData: keepPreviousData,
    });

const dataOf = (found: { data: ArrayBuffer | undefined }[]): (ArrayBuffer | undefined)[] => found.map((query) => query.data);

/** The bytes of fields of a picture, as far as they have come; the last ones of a run stay until the next are there. The same list as long as nothing new comes. */
export const useFieldBytes = (run: number | undefined, picture: number, names: readonly string[]): (ArrayBuffer | undefined)[] =>
    useQueries({ queries: names.map((name) => fieldQuery(run, picture, name)), combine: dataOf });

const influenceKey = (run: number | undefined) => ['influence', run];

/** Where the influence of a run stands, followed while it is computed. */
export const useInfluence = (run: number | undefined) =>
    useQuery({
        queryKey: influenceKey(run),
        queryFn: () => api.get<Influence>(`/api/runs/${run}/influence`),
        enabled: run !== undefined,
        refetchInterval: ({ state }) => (state.data?.state === 'queued' || state.data?.state === 'running' ? 700 : false),
    });

/** Asks for the influence of a run, or gives it up. */
export function useInfluenceChange(run: number | undefined) {
    const client = useQueryClient();
    return useMutation({
        mutationFn: async (wanted: boolean): Promise<Influence> => {
            if (wanted) return api.post<Influence>(`/api/runs/${run}/influence`);
            await api.remove(`/api/runs/${run}/influence`);
            return { id: null, state: 'none', progress: 0, message: null };
        },
        onSuccess: (influence) => client.setQueryData(influenceKey(run), influence),
    });
}

/** Where the influence of a run stands, and what was found once it is there. */
export function useFoundWhatIf(run: number | undefined): { influence: Influence | undefined; whatIf: WhatIf | undefined } {
    const influence = useInfluence(run).data;
    const whatIf = useWhatIfDocument(run, influence?.state === 'solved' ? influence.id : null).data;
    return { influence, whatIf };
}

/** The influence of a run, once it is there; its number changes when it was computed anew. */
export const useWhatIfDocument = (run: number | undefined, influence: number | null | undefined) =>
    useQuery({
        queryKey: ['what if', run, influence],
        queryFn: () => api.get<WhatIf>(`/api/runs/${run}/influence/document`),
        enabled: run !== undefined && influence != null,
        staleTime: Infinity,
    });

/** What a watt of each of these sources does to every cell, K/W, as far as it has come. */
export const useInfluenceBytes = (run: number | undefined, influence: number | null, sources: readonly number[]): (ArrayBuffer | undefined)[] =>
    useQueries({
        queries: sources.map((source) => ({
            queryKey: ['influence field', run, influence, source],
            queryFn: () => api.bytes(`/api/runs/${run}/influence/fields/${source}`),
            staleTime: Infinity,
            gcTime: 30_000,
        })),
        combine: dataOf,
    });

const traced = { staleTime: Infinity, gcTime: 30_000 };

/** Streamlines through points, m (see readStreams). */
export const streamlinesQuery = (
    run: number | undefined,
    picture: number,
    seeds: readonly (readonly number[])[],
    back: boolean,
): UseQueryOptions<ArrayBuffer> => ({
    queryKey: ['streamlines', run, picture, seeds, back],
    queryFn: () => api.postForBytes(`/api/runs/${run}/pictures/${picture}/streamlines`, { seeds, back }),
    enabled: run !== undefined && picture > 0 && seeds.length > 0,
    placeholderData: (last, query) => (query?.queryKey[1] === run ? last : undefined),
    ...traced,
});

/** Triangles on which a stored field has a value, SI. */
export const isosurfaceQuery = (
    run: number | undefined,
    picture: number,
    field: string,
    value: number,
    body: 'solid' | 'fluid' | 'all',
): UseQueryOptions<ArrayBuffer> => ({
    queryKey: ['isosurface', run, picture, field, value, body],
    queryFn: () => api.bytes(`/api/runs/${run}/pictures/${picture}/isosurface?field=${field}&value=${value}&in=${body}`),
    enabled: run !== undefined && picture > 0,
    placeholderData: (last, query) => (query?.queryKey[1] === run && query?.queryKey[3] === field ? last : undefined),
    ...traced,
});

/** The same function every time, so that the list stays the same while its values do. */
const temperaturesOf = (found: readonly UseQueryResult<ProbeValue>[]): (number | null | undefined)[] => found.map((query) => query.data?.temperature);

/** Temperatures at points of a picture, K: undefined while they are read, null where nothing is computed. */
export const usePins = (run: number | undefined, picture: number, points: readonly (readonly number[])[]): (number | null | undefined)[] =>
    useQueries({
        queries: points.map(([x, y, z]) => ({
            queryKey: ['probe', run, picture, x, y, z],
            queryFn: () => api.get<ProbeValue>(`/api/runs/${run}/probe?x=${x}&y=${y}&z=${z}&picture=${picture}`),
            enabled: run !== undefined && picture > 0,
            staleTime: Infinity,
        })),
        combine: temperaturesOf,
    });
