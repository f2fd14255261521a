import type { SearchAim, StudyPoint } from '../api/types';
import { measureOf } from '../units/quantities';
import { differenceNumber, differenceUnit, type UnitSet } from '../units/units';

/** Something that every point has a number of: a varied parameter, the worst margin, or what a limit or watch reads. */
export interface Axis {
    id: string;
    title: string;
    /** Of a parameter as it is written; else that of the user. */
    unit: string;
    /** In that unit; null where the point has none. */
    of: (point: StudyPoint) => number | null;
    isParameter: boolean;
    /** Whether less is better (-1), more (1), or neither (0). */
    better: -1 | 0 | 1;
}

const NUMBER = /^\s*([-+]?(?:\d+\.?\d*|\.\d+)(?:e[-+]?\d+)?)\s*(.*?)\s*$/i;

/** A parameter by its name, a field of a part by the id of the part and what it is. */
export const nameOf = (name: string): string =>
    name === 'surroundings/temperature'
        ? 'ambient temperature'
        : name
              .split('/')
              .filter((step, n) => !(name.includes('/') && n === 0) && step !== 'shape')
              .map((step, n) => (n > 1 ? ('xyz'[Number(step)] ?? step) : step))
              .join(' ');

/** The axes of a study: its parameters, then all that its points read, what is aimed at first. */
export function axesOf(
    names: readonly string[],
    points: readonly StudyPoint[],
    units: UnitSet,
    aims: readonly SearchAim[] = [],
): { parameters: Axis[]; results: Axis[]; aimed: Axis[] } {
    const parameters = names.map((name, n): Axis => {
        // Written with one unit everywhere, its numbers are those that were written; else SI ones.
        const written = points.map(({ texts }) => NUMBER.exec(texts[n] ?? ''));
        const unit = written[0]?.[2] ?? '';
        const plain = written.every((one) => one?.[2] === unit);
        return {
            id: `parameter ${name}`,
            title: nameOf(name),
            unit: plain ? unit : 'SI',
            of: plain ? ({ texts }) => Number(NUMBER.exec(texts[n] ?? '')?.[1] ?? NaN) : ({ numbers }) => numbers[n] ?? null,
            isParameter: true,
            better: 0,
        };
    });
    const found = new Map(points.flatMap(({ readings }) => readings).map((reading) => [reading.id, reading]));
    const results = [...found.values()].map(({ id, name, quantity, verdict }): Axis => {
        const { unit, number } = measureOf(quantity, units);
        return {
            id: `reading ${id}`,
            title: name,
            unit,
            of: ({ readings }) => {
                const value = readings.find((reading) => reading.id === id)?.value;
                return value == null ? null : number(value);
            },
            isParameter: false,
            better: verdict !== null && quantity === 'temperature' ? -1 : 0,
        };
    });
    const margin: Axis = {
        id: 'margin',
        title: 'Worst margin',
        unit: differenceUnit(units),
        of: ({ worstMargin }) => (worstMargin === null ? null : differenceNumber(worstMargin, units)),
        isParameter: false,
        better: 1,
    };
    const formulas = aims.flatMap((aim, n): Axis[] =>
        aim.kind !== 'formula'
            ? []
            : [
                  {
                      id: `aim ${n}`,
                      title: aim.of,
                      unit: (aim.unit ?? '').replace(/\^2/g, '²').replace(/\^3/g, '³').replace(/\*/g, '·'),
                      of: (point) => point.aims[n] ?? null,
                      isParameter: false,
                      better: 0,
                  },
              ],
    );
    const all = [margin, ...formulas, ...results];
    const ids = aims.map((aim, n) => (aim.kind === 'margin' ? 'margin' : aim.kind === 'reading' ? `reading ${aim.of}` : `aim ${n}`));
    const aimed = ids.flatMap((id) => all.filter((axis) => axis.id === id));
    return { parameters, results: [...aimed, ...all.filter((axis) => !aimed.includes(axis))], aimed };
}

export type Sorting = { axis: string; descending: boolean } | null;

/** Points with a value in the order of an axis, those without behind them; in the order of their numbers where none is given. */
export function sortedBy(points: readonly StudyPoint[], axis: Axis | undefined, descending: boolean): StudyPoint[] {
    if (!axis) return [...points];
    const sign = descending ? -1 : 1;
    return [...points].sort((a, b) => {
        const [x, y] = [axis.of(a), axis.of(b)];
        return x === null || y === null ? Number(x === null) - Number(y === null) : sign * (x - y) || a.number - b.number;
    });
}

/** Of the solved points with limits how many meet them all. */
export function builtOf(points: readonly StudyPoint[]): { met: number; of: number } {
    const solved = points.filter(({ state, worstMargin }) => state === 'solved' && worstMargin !== null);
    return { met: solved.filter(({ worstMargin }) => worstMargin! >= 0).length, of: solved.length };
}

/** The point with the best worst margin among those that are solved. */
export function bestOf(points: readonly StudyPoint[]): StudyPoint | null {
    const solved = points.filter(({ state, worstMargin }) => state === 'solved' && worstMargin !== null);
    return solved.reduce<StudyPoint | null>((best, point) => (best === null || point.worstMargin! > best.worstMargin! ? point : best), null);
}
