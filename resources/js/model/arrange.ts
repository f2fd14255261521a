import type { OutlinePart } from '../api/types';
import { fromBase64 } from './base64';
import { partEntry, withPartFields, type ModelDocument } from './document';
import { millimetres, newShape, placeOf, shifted, withShift } from './parts';

/** Places of several parts against each other, and one total over them. The last one selected stays where it is. */

export const alignments = { min: 'lower ends', middle: 'middles', max: 'upper ends' } as const;
export type Alignment = keyof typeof alignments;

const place = (part: OutlinePart, axis: number, alignment: Alignment): number =>
    alignment === 'middle' ? (part.min[axis]! + part.max[axis]!) / 2 : part[alignment][axis]!;

const along = (axis: number, by: number): number[] => [0, 1, 2].map((n) => (n === axis ? by : 0));

/** Brings the parts in line with one of them along an axis. */
export function withAligned(document: ModelDocument, parts: readonly OutlinePart[], to: OutlinePart, axis: number, alignment: Alignment): ModelDocument {
    return parts
        .filter((part) => part.id !== to.id)
        .reduce((d, part) => withShift(d, [part], along(axis, place(to, axis, alignment) - place(part, axis, alignment))), document);
}

/** Mirrors where the parts stand at the middle of a box (metres), as they are: their own shape stays. */
export function withMirrored(
    document: ModelDocument,
    parts: readonly OutlinePart[],
    room: { min: readonly number[]; max: readonly number[] },
    axis: number,
): ModelDocument {
    return parts.reduce((d, part) => withShift(d, [part], along(axis, room.min[axis]! + room.max[axis]! - part.min[axis]! - part.max[axis]!)), document);
}

/** Blocks and packages get the size of one of them, each about its own middle. */
export function withSizeOf(document: ModelDocument, parts: readonly OutlinePart[], like: OutlinePart): ModelDocument {
    const size = [0, 1, 2].map((n) => like.max[n]! - like.min[n]!);
    return parts
        .filter((part) => part.id !== like.id && mayMatch(part))
        .reduce((d, part) => {
            const entry = partEntry(d, part.id);
            if (!entry) return d;
            const at = placeOf(entry).map((text, n) => shifted(text, (part.max[n]! - part.min[n]! - size[n]!) / 2));
            return withPartFields(d, [part.id], { shape: { ...entry.shape, size: size.map(millimetres) } as never, at });
        }, document);
}

/** Signed volume under the triangles of a closed surface, m3. */
function enclosed(vertices: Float32Array, triangles: Uint32Array): number {
    let six = 0;
    for (let t = 0; t < triangles.length; t += 3) {
        const [a, b, c] = [0, 1, 2].map((k) => 3 * triangles[t + k]!) as [number, number, number];
        const [x, y, z] = [vertices.subarray(a, a + 3), vertices.subarray(b, b + 3), vertices.subarray(c, c + 3)];
        six += x[0]! * (y[1]! * z[2]! - y[2]! * z[1]!) - x[1]! * (y[0]! * z[2]! - y[2]! * z[0]!) + x[2]! * (y[0]! * z[1]! - y[1]! * z[0]!);
    }
    return Math.abs(six) / 6;
}

/** An imported body with the axes of the space becomes a block of the same footprint, standing where it stood, as high as its volume needs. */
export function withBlockInstead(document: ModelDocument, body: OutlinePart): ModelDocument {
    const [drawing] = body.drawing;
    if (drawing?.kind !== 'mesh') return document;
    const volumeOfBody = enclosed(new Float32Array(fromBase64(drawing.vertices!)), new Uint32Array(fromBase64(drawing.triangles!)));
    const size = [...body.size];
    size[2] = Math.min(size[2]!, volumeOfBody / (size[0]! * size[1]!));
    return withPartFields(document, [body.id], { shape: { kind: 'block', size: size.map(millimetres) } as never, at: body.min.map(millimetres) });
}

/** Sizes are taken over along the axes of the space. */
/** Bodies that can be something simpler: what an imported body or a block stands for. */
export const mayReplace = (part: OutlinePart): boolean => (part.kind === 'mesh' || part.kind === 'block') && part.axes === null;

/** A body becomes a package of its size with resistances to start from; its watts and limits stay. */
export const withPackageInstead = (document: ModelDocument, body: OutlinePart): ModelDocument =>
    withPartFields(document, [body.id], {
        shape: { ...newShape('package'), size: body.size.map(millimetres) } as never,
        at: body.min.map(millimetres),
        material: undefined,
        turn: undefined,
        faces: undefined,
        source: undefined,
    });

/** A body becomes a fan in its middle, across its shortest side, as wide as it is. */
export function withFanInstead(document: ModelDocument, body: OutlinePart): ModelDocument {
    const sizes = [0, 1, 2].map((n) => body.max[n]! - body.min[n]!);
    const axis = sizes.indexOf(Math.min(...sizes));
    const diameter = Math.min(...sizes.filter((_size, n) => n !== axis));
    const at = sizes.map((size, n) => body.min[n]! + (size - (n === axis ? 0 : diameter)) / 2);
    return withPartFields(document, [body.id], {
        shape: { ...newShape('fan'), direction: `${'xyz'[axis]}+`, diameter: millimetres(diameter) } as never,
        at: at.map(millimetres),
        material: undefined,
        turn: undefined,
        faces: undefined,
        source: undefined,
        power: undefined,
        surface: undefined,
    });
}

export const mayMatch = (part: OutlinePart): boolean => (part.kind === 'block' || part.kind === 'package') && part.axes === null;

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
