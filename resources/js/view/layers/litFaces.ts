import type { Outline, Result } from '../../api/types';
import { cornersOf, ROW, type Elements } from './surfaces';

/** A band of the heat routes, whose faces are lit up: names as result documents have them. */
export interface Band {
    from: string;
    to: string;
}

const sideOf = (name: string): number | null => {
    const [, axis, end] = /^side ([xyz])([-+])$/.exec(name) ?? [];
    return axis === undefined ? null : 2 * 'xyz'.indexOf(axis) + (end === '+' ? 1 : 0);
};

/** Corners of a rectangle of a side as two triangles, m. */
function rectangle(min: readonly number[], max: readonly number[]): number[] {
    const axis = min.findIndex((m, n) => m === max[n]);
    const [a, b] = [0, 1, 2].filter((n) => n !== axis) as [number, number];
    const corner = (p: boolean, q: boolean): number[] => min.map((m, n) => (n === a ? (p ? max[n]! : m) : n === b ? (q ? max[n]! : m) : m));
    return [corner(false, false), corner(true, false), corner(true, true), corner(false, false), corner(true, true), corner(false, true)].flat();
}

/**
 * The faces that heat passes between two places of the routes, as triangles in m: where two parts touch, where a part lies open to air or
 * to what it radiates to, where part or air meet a side, or an opening.
 */
export function facesOfBand({ from, to }: Band, elements: Elements, { parts }: Pick<Result, 'parts'>, { openings }: Pick<Outline, 'openings'>): Float32Array {
    const opening = openings.find(({ name }) => `opening ${name}` === from || `opening ${name}` === to);
    if (opening) return new Float32Array(rectangle(opening.min, opening.max));
    const numbers = [from, to].map((name) => parts.findIndex((part) => part.id === name) + 1);
    const owners = numbers.filter((number) => number > 0);
    const side = sideOf(from) ?? sideOf(to);
    const { rows } = elements;
    const pick = (counts: (direction: number, part: number, beyond: number) => boolean): number[] => {
        const found: number[] = [];
        for (let n = 0; n < rows.length / ROW; n++)
            if (counts(rows[ROW * n + 1]!, rows[ROW * n + 2]!, rows[ROW * n + 3]!)) found.push(...cornersOf(elements, n));
        return found;
    };
    const open = (_direction: number, part: number, beyond: number) => beyond === 0 && owners.includes(part);
    if (side !== null) return new Float32Array(pick((direction, part, beyond) => direction === side && beyond === 0 && part === (owners[0] ?? 0)));
    if (owners.length < 2) return new Float32Array(pick(open));
    const touching = pick((_direction, part, beyond) => part !== beyond && owners.includes(part) && owners.includes(beyond));
    // Parts that do not touch see each other.
    return new Float32Array(touching.length > 0 ? touching : pick(open));
}
