/** What a column of a comparison shows: a variant as it is, or one of its runs. */
export interface ColumnSpec {
    variant: number;
    /** Null: its last run that has something to show. */
    run: number | null;
}

export const MOST_COLUMNS = 4;

export const columnKey = ({ variant, run }: ColumnSpec): string => (run === null ? String(variant) : `${variant}.${run}`);

/** The columns and the base in the words of the address: ?of=3&of=4.21&base=1. */
export function addressOf(columns: readonly ColumnSpec[], base: number): string {
    return new URLSearchParams([...columns.map((column) => ['of', columnKey(column)]), ['base', String(base)]]).toString();
}

/** What an address asks for, as far as it is understood: two to four different columns of variants that there are. */
export function fromAddress(params: URLSearchParams, variants: readonly number[]): { columns: ColumnSpec[]; base: number } {
    const asked = params.getAll('of').map((text): ColumnSpec => {
        const [variant, run] = text.split('.').map(Number);
        return { variant: variant!, run: run !== undefined && Number.isInteger(run) ? run : null };
    });
    const known = asked.filter(({ variant }) => variants.includes(variant));
    const columns = known.filter((column, n) => known.findIndex((other) => columnKey(other) === columnKey(column)) === n).slice(0, MOST_COLUMNS);
    for (const variant of variants) {
        if (columns.length >= 2) break;
        if (!columns.some((column) => columnKey(column) === String(variant))) columns.push({ variant, run: null });
    }
    const base = Number(params.get('base') ?? 0);
    return { columns, base: Number.isInteger(base) && base >= 0 && base < columns.length ? base : 0 };
}
