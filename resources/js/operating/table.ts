import type { OperatingPoint, Reading, Result } from '../api/types';
import { marginOf, readingOf } from '../units/quantities';
import type { UnitSet } from '../units/units';

type Verdict = NonNullable<Reading['verdict']>;

/** What one limit or watch reads in one column; empty where it has no value there. */
interface Cell {
    text: string;
    margin: string;
    verdict: Verdict | null;
}

export interface Row {
    id: string;
    name: string;
    cells: Cell[];
}

type Read = Pick<Reading, 'id' | 'name' | 'quantity' | 'reduce' | 'value' | 'margin' | 'verdict'>;

const EMPTY: Cell = { text: '', margin: '', verdict: null };

const cellOf = (reading: Read | undefined, units: UnitSet): Cell =>
    reading?.value == null
        ? EMPTY
        : {
              text: readingOf({ ...reading, value: reading.value }, units),
              margin: reading.margin == null ? '' : marginOf(reading.quantity, reading.margin, units),
              verdict: reading.verdict ?? null,
          };

/** What differs at an operating point, in words: "load 15 A". */
export const valuesOf = ({ values }: Pick<OperatingPoint, 'values'>): string[] =>
    Object.entries(values).map(([of, value]) => `${of.replace(/^(parts|surroundings)\//, '').replaceAll('/', ' ')} ${value}`);

/** Limits and watches, one row each: of the model as it stands, then of its operating points. */
export function pointsTable(base: Result, points: readonly OperatingPoint[], units: UnitSet): Row[] {
    const own: Read[] = [
        ...base.limits.map((limit) => ({ ...limit, quantity: limit.quantity ?? 'temperature', reduce: 'max' })),
        ...base.watches.map((watch) => ({ ...watch, margin: null, verdict: null })),
    ];
    return own.map((reading) => ({
        id: reading.id,
        name: reading.name,
        cells: [
            cellOf(reading, units),
            ...points.map((point) =>
                cellOf(
                    point.readings.find(({ id }) => id === reading.id),
                    units,
                ),
            ),
        ],
    }));
}

/** The same for a spreadsheet. */
export const cellsOf = (rows: readonly Row[], points: readonly OperatingPoint[]): string[][] => [
    ['Limit or watch', ...['As it stands', ...points.map(({ name }) => name)].flatMap((name) => [name, `${name}, margin`])],
    ...rows.map(({ name, cells }) => [name, ...cells.flatMap(({ text, margin }) => [text, margin])]),
];
