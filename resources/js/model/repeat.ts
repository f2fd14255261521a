import type { Outline } from '../api/types';
import { originOf, originsOf, partEntry, withPartFields, type ModelDocument, type PartEntry } from './document';
import { withCopies } from './parts';

/** One direction in which a part stands several times: how many with itself, and the step from one to the next. */
export interface Direction {
    count: number | string;
    step: (number | string)[];
}

export const MOST_DIRECTIONS = 3;

export const repeatOf = (part: PartEntry): Direction[] => (part.repeat as Direction[] | undefined) ?? [];

export const orNone = (directions: Direction[]): Direction[] | undefined => (directions.length > 0 ? directions : undefined);

/** Parts with linked copies; without a direction they stand once. */
export const withRepeat = (document: ModelDocument, ids: readonly string[], directions: Direction[]): ModelDocument =>
    withPartFields(document, ids, { repeat: orNone(directions) });

/** The linked copies become parts of their own, where they stand; in an assembly that itself stands several times those of each. */
export function withIndependentCopies(document: ModelDocument, outline: Outline, id: string): ModelDocument {
    const origin = originOf(id);
    const original = outline.parts.find((part) => part.id === origin);
    if (!original || !partEntry(document, origin)) return document;
    const copies = outline.parts.filter((part) => part.copyOf === origin);
    const own = (copies.length + 1) / (outline.assemblies[original.group ?? '']?.copies.length ?? 1) - 1;
    const offsets = copies.slice(0, own).map((copy) => [0, 1, 2].map((n) => copy.min[n]! - original.min[n]!));
    return withCopies(withRepeat(document, [origin], []), [original], offsets).document;
}

/** One of each original: what is done to a linked copy is done to all of them together. */
export const withoutCopies = <T extends { id: string }>(parts: readonly T[]): T[] =>
    originsOf(parts.map((part) => part.id)).map((origin) => parts.find((part) => originOf(part.id) === origin)!);
