import type { Result } from '../api/types';
import { nameOfRoute } from '../routes/heatRoutes';
import { amountOf, distanceOf, readingOf } from '../units/quantities';
import { volumeFlow, watts, type UnitSet } from '../units/units';

export type Section = 'Limits' | 'Watches' | 'Air' | 'Heat out' | 'Heat routes';
export const sections: readonly Section[] = ['Limits', 'Watches', 'Air', 'Heat out', 'Heat routes'];

export interface Cell {
    /** SI. */
    value: number;
    text: string;
    /** Against the column that all are held against; none in that column, and where it has no value. */
    delta: { text: string; good: boolean | null } | null;
    best: boolean;
    verdict: 'met' | 'missed' | 'undecided' | null;
}

export interface Row {
    id: string;
    name: string;
    /** What is asked for, as of a limit. */
    bound: string;
    /** One for each column; null where it has no such thing. */
    cells: (Cell | null)[];
    /** How bad the worst column is, for sorting: the least margin of a limit in its spread, else the greatest change. */
    worst: number;
}

interface Reading {
    id: string;
    name: string;
    bound: string;
    value: number;
    text: string;
    /** Whether less is better (-1), more (1), or neither (0). */
    better: -1 | 0 | 1;
    distance: (by: number) => string;
    verdict?: Cell['verdict'];
    margin?: number | null;
}

/** What the results have in a section, one row for each thing that any of them has; deltas are against the column `base`. */
export function rowsOf(section: Section, results: readonly (Result | undefined)[], base: number, units: UnitSet): Row[] {
    const read = results.map((result) => (result ? readings[section](result, units) : []));
    const ids = [...new Set(read.flatMap((list) => list.map(({ id }) => id)))];
    return ids.map((id) => {
        const found = read.map((list) => list.find((reading) => reading.id === id));
        const first = found.find((reading) => reading !== undefined)!;
        const held = found[base];
        const values = found.flatMap((reading) => reading?.value ?? []);
        const best = first.better === -1 ? Math.min(...values) : first.better === 1 ? Math.max(...values) : NaN;
        const differs = values.length > 1 && Math.max(...values) - Math.min(...values) > 1e-9 * Math.max(...values.map((value) => Math.abs(value)));
        return {
            id,
            name: first.name,
            bound: first.bound,
            cells: found.map((reading, n): Cell | null => {
                if (!reading) return null;
                const by = held && n !== base ? reading.value - held.value : null;
                const text = by === null ? '' : reading.distance(by);
                // What does not show in the digits is no difference.
                const zero = !/[1-9]/.test(text);
                return {
                    value: reading.value,
                    text: reading.text,
                    delta:
                        by === null
                            ? null
                            : { text: zero ? 'same' : `${by > 0 ? '+' : '−'}${text}`, good: zero || reading.better === 0 ? null : by * reading.better > 0 },
                    best: differs && reading.value === best,
                    verdict: reading.verdict ?? null,
                };
            }),
            worst: Math.min(...found.flatMap((reading) => reading?.margin ?? []), Infinity),
        };
    });
}

/** Whether the columns of a row read differently, or some have no such thing. */
export const differs = ({ cells }: Row): boolean => cells.some((cell) => cell === null || cell.text !== cells[0]?.text);

/** The worst margin first; where there are none, in the order that they have. */
export const byWorst = (rows: readonly Row[]): Row[] => [...rows].sort((a, b) => (a.worst === b.worst ? 0 : a.worst - b.worst));

const isNumber = (value: number | null | undefined): value is number => value !== null && value !== undefined;

/** Of all heat, below which a way is not listed. */
const LEAST = 0.01;

const heat = (id: string, name: string, value: number): Reading => ({
    id,
    name,
    bound: '',
    value,
    text: `${watts(value)} W`,
    better: 0,
    distance: (by) => `${watts(Math.abs(by))} W`,
});

const readings: Record<Section, (result: Result, units: UnitSet) => Reading[]> = {
    Limits: ({ limits }, units) =>
        limits.flatMap(({ id, name, quantity, value, atMost, atLeast, verdict, margin }): Reading[] =>
            isNumber(value)
                ? [
                      {
                          id,
                          name,
                          bound: isNumber(atMost)
                              ? `≤ ${amountOf(quantity, atMost, units)}`
                              : isNumber(atLeast)
                                ? `≥ ${amountOf(quantity, atLeast, units)}`
                                : '',
                          value,
                          text: amountOf(quantity, value, units),
                          better: isNumber(atMost) ? -1 : 1,
                          distance: (by) => distanceOf(quantity, by, units),
                          verdict,
                          margin,
                      },
                  ]
                : [],
        ),
    Watches: ({ watches }, units) =>
        watches.flatMap(({ id, name, quantity, reduce, value }): Reading[] =>
            isNumber(value)
                ? [
                      {
                          id,
                          name,
                          bound: '',
                          value,
                          text: readingOf({ quantity, reduce, value }, units),
                          better: quantity === 'temperature' && !reduce.endsWith('At') ? -1 : 0,
                          distance: (by) =>
                              reduce.endsWith('At') ? readingOf({ quantity, reduce, value: Math.abs(by) }, units) : distanceOf(quantity, by, units),
                      },
                  ]
                : [],
        ),
    Air: ({ flow }, units) => {
        const volume = (id: string, name: string, value: number, better: Reading['better'] = 0): Reading => ({
            id,
            name,
            bound: '',
            value,
            text: volumeFlow(value, units),
            better,
            distance: (by) => volumeFlow(Math.abs(by), units),
        });
        return [
            ...(flow?.fans ?? []).map((fan) => volume(`fan ${fan.part}`, `${fan.name}, flow`, fan.flow)),
            ...(flow?.fans ?? []).map((fan): Reading => ({
                id: `rise ${fan.part}`,
                name: `${fan.name}, pressure rise`,
                bound: '',
                value: fan.rise,
                text: amountOf('pressure', fan.rise, units),
                better: 0,
                distance: (by) => amountOf('pressure', Math.abs(by), units),
            })),
            ...(flow?.sinks ?? []).flatMap((sink) => [
                volume(`through ${sink.part}`, `${sink.name}, through its gaps`, sink.through, 1),
                volume(`beside ${sink.part}`, `${sink.name}, bypass`, sink.beside, -1),
            ]),
            ...(flow?.openings ?? []).map((opening) => volume(`opening ${opening.name}`, `${opening.name}, out of the space`, opening.volume ?? 0)),
        ];
    },
    'Heat out': (result) => [
        ...Object.entries(result.sides).flatMap(([side, sum]) => (sum ? [heat(`side ${side}`, `Side ${side}`, sum.heat)] : [])),
        ...(result.flow?.openings ?? []).map((opening) => heat(`opening ${opening.name}`, opening.name, opening.heat)),
        heat('all', 'All heat in', result.balance.in),
    ],
    'Heat routes': (result) =>
        result.parts.flatMap((part) =>
            Object.entries(part.routes)
                // Between two parts, the one that gives the heat lists it.
                .filter(([, value]) => value > LEAST * result.balance.in)
                .sort((a, b) => b[1] - a[1])
                .map(([to, value]) => heat(`${part.id} to ${to}`, `${part.name} → ${nameOfRoute(to, result)}`, value)),
        ),
};
