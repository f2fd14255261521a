import type { Evidence } from '../api/types';

export type EvidenceCase = Evidence['cases'][number];
type Row = EvidenceCase['stated'][number];
type GradedRow = NonNullable<EvidenceCase['working']>[number];

export const within = ({ reference, computed, tolerance }: Row): boolean => Math.abs(computed - reference) <= tolerance;

/** Whether the reference lies within the value and its ±; null where there is no ±. A millionth of the tolerance is no error that could be told. */
export const covered = (row: GradedRow): boolean | null =>
    row.plusMinus === null ? null : Math.abs(row.computed - row.reference) <= row.plusMinus + 1e-6 * row.tolerance;

export interface Tally {
    values: number;
    within: number;
    /** With a ±, and how many of these have the reference in it. */
    claimed: number;
    covered: number;
}

/** How many values of cases are within their tolerance: on the grids that the cases state, and on those of the product. */
export function tally(cases: readonly EvidenceCase[]): { stated: Tally; working: Tally } {
    const stated = cases.flatMap((one) => one.stated);
    const working = cases.flatMap((one) => one.working ?? []);
    const claims = working.map(covered);
    return {
        stated: { values: stated.length, within: stated.filter(within).length, claimed: 0, covered: 0 },
        working: {
            values: working.length,
            within: working.filter(within).length,
            claimed: claims.filter((claim) => claim !== null).length,
            covered: claims.filter((claim) => claim === true).length,
        },
    };
}

export interface EvidenceLine {
    quantity: string;
    unit: string;
    reference: number;
    tolerance: number;
    /** Computed minus reference, on both grids; null where there is none. */
    stated: number | null;
    working: number | null;
    plusMinus: number | null;
    cells: number | null;
}

/** The quantities of a case, with their errors on both kinds of grid side by side. */
export function linesOf({ stated, working }: EvidenceCase): EvidenceLine[] {
    const quantities = [...new Set([...stated, ...(working ?? [])].map((row) => row.quantity))];
    return quantities.map((quantity) => {
        const here = stated.find((row) => row.quantity === quantity);
        const there = working?.find((row) => row.quantity === quantity);
        const { unit, reference, tolerance } = (here ?? there)!;
        return {
            quantity,
            unit,
            reference,
            tolerance,
            stated: here ? here.computed - here.reference : null,
            working: there ? there.computed - there.reference : null,
            plusMinus: there?.plusMinus ?? null,
            cells: there?.cells ?? null,
        };
    });
}
