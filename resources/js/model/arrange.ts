import type { OutlinePart } from '../api/types';
import { partEntry, withPartFields, type ModelDocument } from './document';
import { millimetres, placeOf, shifted, withShift } from './parts';

/** Places of several parts against each other, and one total over them. The last one selected stays where it is. */

export const alignments = { min: 'lower ends', middle: 'middles', max: 'upper ends' } as const;
export type Alignment = keyof typeof alignments;

const place = (part: OutlinePart, axis: number, alignment: Alignment): number =>
    alignment === 'middle' ? (part.min[axis]! + part.max[axis]!) / 2 : part[alignment][axis]!;

const along = (axis: number, by: number): number[] => [0, 1, 2].map((n) => (n === axis ? by : 0));

/** Brings the parts in line with one of them along an axis. */
export function withAligned(document: ModelDocument, parts: readonly OutlinePart[], to: OutlinePart, axis: number, alignment: Alignment): ModelDocument {
    return parts.filter((part) => part.id !== to.id).reduce((d, part) => withShift(d, [part.id], along(axis, place(to, axis, alignment) - place(part, axis, alignment))), document);
}

/** Mirrors where the parts stand at the middle of a box (metres), as they are: their own shape stays. */
export function withMirrored(document: ModelDocument, parts: readonly OutlinePart[], room: { min: readonly number[]; max: readonly number[] }, axis: number): ModelDocument {
    return parts.reduce((d, part) => withShift(d, [part.id], along(axis, room.min[axis]! + room.max[axis]! - part.min[axis]! - part.max[axis]!)), document);
}

/** Blocks and packages get the size of one of them, each about its own middle. */
export function withSizeOf(document: ModelDocument, parts: readonly OutlinePart[], like: OutlinePart): ModelDocument {
    const size = [0, 1, 2].map((n) => like.max[n]! - like.min[n]!);
    return parts.filter((part) => part.id !== like.id && mayMatch(part)).reduce((d, part) => {
        const entry = partEntry(d, part.id);
        if (!entry) return d;
        const at = placeOf(entry).map((text, n) => shifted(text, (part.max[n]! - part.min[n]! - size[n]!) / 2));
        return withPartFields(d, [part.id], { shape: { ...entry.shape, size: size.map(millimetres) } as never, at });
    }, document);
}

export const mayMatch = (part: OutlinePart): boolean => part.kind === 'block' || part.kind === 'package';

const volume = (part: OutlinePart): number => [0, 1, 2].reduce((product, n) => product * (part.max[n]! - part.min[n]!), 1);

export const shareKinds = { volume: 'by the volume of their boxes', equal: 'equally' } as const;
export type ShareKind = keyof typeof shareKinds;

/**
 * One total over several parts: it becomes a parameter, so that changing it changes all of them.
 *
 * @param total as typed, with its unit
 */
export function withSharedWatts(document: ModelDocument, parts: readonly OutlinePart[], total: string, kind: ShareKind): ModelDocument {
    const parameters = (document.parameters ?? {}) as Record<string, unknown>;
    let number = 1;
    while (`total_${number}` in parameters) number++;
    const name = `total_${number}`;
    const weights = parts.map((part) => (kind === 'volume' ? volume(part) : 1));
    const sum = weights.reduce((a, b) => a + b, 0);
    const shared = parts.reduce((d, part, n) => withPartFields(d, [part.id], { power: `${name} * ${Number((weights[n]! / sum).toPrecision(8))}` }), document);
    return { ...shared, parameters: { ...parameters, [name]: { value: total, note: `watts of ${parts.length} parts together, ${shareKinds[kind]}` } } };
}
