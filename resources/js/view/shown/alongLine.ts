import { DEAD, ownerAt, sample, type Field } from '../fields/field';
import type { Triple } from './shown';

const STEPS = 400;

/** A field over the way from one place to another, m and SI, as it is painted; null where nothing is computed. */
export function alongLine(field: Field, from: Triple, to: Triple): { x: number; y: number | null }[] {
    const length = Math.hypot(...from.map((x, axis) => to[axis]! - x));
    return Array.from({ length: STEPS + 1 }, (_, n) => {
        const at = from.map((x, axis) => x + ((to[axis]! - x) * n) / STEPS) as Triple;
        const owner = ownerAt(field, at);
        return { x: (length * n) / STEPS, y: owner === DEAD ? null : sample(field, at, owner) };
    });
}
