import type { OutlinePart } from '../api/types';

const inside = (outer: OutlinePart, inner: OutlinePart): boolean =>
    [0, 1, 2].every((n) => inner.min[n]! >= outer.min[n]! && inner.max[n]! <= outer.max[n]!) &&
    [0, 1, 2].some((n) => inner.min[n]! > outer.min[n]! && inner.max[n]! < outer.max[n]!);

/** Parts whose walls are seen through: shells, and imported bodies that something else lies inside of. */
export const housings = (parts: readonly OutlinePart[]): Set<string> =>
    new Set(
        parts
            .filter((part) => part.kind === 'shell' || (part.kind === 'mesh' && parts.some((other) => other !== part && inside(part, other))))
            .map((part) => part.id),
    );
