import { originsOf, originOf, type ModelDocument } from './document';

/** Cells of a wanted size in a part, on one of its faces, or in a box. */
export interface Refinement {
    part?: string;
    face?: string;
    box?: { min: (string | number)[]; max: (string | number)[] };
    size: string | number;
}

/** What is asked of the grid by hand, beside the grade. */
export interface GridEntry {
    refine?: Refinement[];
    largest?: string | number;
    growth?: number;
    across?: number;
    maxCells?: number;
    [field: string]: unknown;
}

export const gridOf = (document: ModelDocument): GridEntry => (document.analysis as { grid?: GridEntry } | undefined)?.grid ?? {};

export const refinementsOf = (document: ModelDocument): Refinement[] => gridOf(document).refine ?? [];

/** Sets or, with undefined, removes fields of one part of the analysis. */
function withAnalysis(document: ModelDocument, part: 'grid' | 'convergence', before: object, fields: object): ModelDocument {
    const entry = Object.fromEntries(Object.entries({ ...before, ...fields }).filter(([, value]) => value !== undefined));
    return { ...document, analysis: { ...(document.analysis as object | undefined), [part]: entry } };
}

/** Sets or, with undefined, removes what is asked of the grid. */
export const withGrid = (document: ModelDocument, fields: Partial<GridEntry>): ModelDocument => withAnalysis(document, 'grid', gridOf(document), fields);

/** What is asked of convergence beside what is asked anyway. */
export interface ConvergenceEntry {
    residual?: number;
    change?: number;
    iterations?: number;
    [field: string]: unknown;
}

export const convergenceOf = (document: ModelDocument): ConvergenceEntry =>
    (document.analysis as { convergence?: ConvergenceEntry } | undefined)?.convergence ?? {};

/** Sets or, with undefined, removes what is asked of convergence. */
export const withConvergence = (document: ModelDocument, fields: Partial<ConvergenceEntry>): ModelDocument =>
    withAnalysis(document, 'convergence', convergenceOf(document), fields);

const withRefinements = (document: ModelDocument, refine: Refinement[]): ModelDocument =>
    withGrid(document, { refine: refine.length > 0 ? refine : undefined });

/** Size of the cells throughout a part, as written; undefined where it is left to the grade. */
export const cellSizeOf = (document: ModelDocument, part: string): string | number | undefined =>
    refinementsOf(document).find((entry) => entry.part === originOf(part) && entry.face === undefined)?.size;

/** The parts get cells of that size throughout; with an empty one that is left to the grade again. */
export function withCellSize(document: ModelDocument, parts: readonly string[], size: string): ModelDocument {
    const ids = originsOf(parts);
    const others = refinementsOf(document).filter((entry) => entry.face !== undefined || entry.part === undefined || !ids.includes(entry.part));
    return withRefinements(document, size === '' ? others : [...others, ...ids.map((part) => ({ part, size }))]);
}

export const withRefinement = (document: ModelDocument, entry: Refinement): ModelDocument => withRefinements(document, [...refinementsOf(document), entry]);

/** Changes the nth refinement; null removes it. */
export const withRefinementAt = (document: ModelDocument, n: number, change: (entry: Refinement) => Refinement | null): ModelDocument =>
    withRefinements(
        document,
        refinementsOf(document).flatMap((entry, at) => (at === n ? (change(entry) ?? []) : [entry])),
    );

/** Another size for the nth refinement; with an empty one it is removed. */
export const withSize = (document: ModelDocument, n: number, size: string): ModelDocument =>
    withRefinementAt(document, n, (entry) => (size === '' ? null : { ...entry, size }));

/** Without what is asked of parts that are gone. */
export function withoutRefinementsOf(document: ModelDocument, parts: readonly string[]): ModelDocument {
    const left = refinementsOf(document).filter((entry) => entry.part === undefined || !parts.includes(entry.part));
    return left.length === refinementsOf(document).length ? document : withRefinements(document, left);
}
