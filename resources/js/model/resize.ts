import type { OutlinePart } from '../api/types';
import { originOf, partEntry, withPartFields, type ModelDocument, type PartEntry } from './document';
import { across, placeOf, shifted, type Axis } from './parts';
import { textOf } from './text';

/** Sizes of parts changed by dragging one of their faces. */

/** A face of a box, by where it looks. */
export interface Face {
    axis: 0 | 1 | 2;
    upper: boolean;
}

type Length = string | number;

/** Which size of its shape reaches from face to face along an axis: a field, or one of a list. */
interface Size {
    field: string;
    place?: number;
}

export const everyFace: readonly Face[] = ([0, 1, 2] as const).flatMap((axis) => [
    { axis, upper: false },
    { axis, upper: true },
]);

/** The place of an axis among the two across another one. */
const placeAcross = (normal: string, axis: number): number | null => {
    const place = across[normal]?.indexOf('xyz'[axis] as Axis) ?? -1;
    return place < 0 ? null : place;
};

function sizeOf(shape: Record<string, unknown>, { axis, upper }: Face): Size | null {
    const listed = (place: number | null): Size | null => (place === null ? null : { field: 'size', place });
    const name = 'xyz'[axis]!;
    switch (shape.kind) {
        case 'block':
        case 'package':
        case 'shell':
            return { field: 'size', place: axis };
        case 'board':
        case 'vias':
            return listed(placeAcross(textOf(shape.normal, 'z'), axis));
        case 'screen':
            return shape.size === undefined ? null : listed(placeAcross(textOf(shape.normal, 'x'), axis));
        case 'plateFins':
        case 'pinFins': {
            const up = textOf(shape.up, 'z+');
            if (up[0] !== name) return listed(placeAcross(up[0]!, axis));
            return upper === (up[1] === '+') ? { field: 'height' } : null;
        }
        case 'cylinder':
            return textOf(shape.axis, 'z') === name ? { field: 'length' } : null;
        case 'profile':
            return textOf(shape.axis, 'z') === name ? { field: 'length' } : null;
        default:
            return null;
    }
}

/** The faces of a part that may be dragged; none where it or its assembly is turned. */
export const draggableFaces = (part: PartEntry, axes: readonly number[] | null): Face[] =>
    part.turn === undefined && axes === null ? everyFace.filter((face) => sizeOf(part.shape as Record<string, unknown>, face) !== null) : [];

/** Moves a face outwards by metres; the opposite one stays. */
export function withFaceMoved(document: ModelDocument, part: OutlinePart, face: Face, by: number): ModelDocument {
    const entry = partEntry(document, part.id);
    const size = entry && sizeOf(entry.shape, face);
    if (!entry || !size) return document;
    const present = (entry.shape as unknown as Record<string, Length | Length[]>)[size.field]!;
    const longer = Array.isArray(present) ? present.map((length, n) => (n === size.place ? shifted(length, by) : length)) : shifted(present, by);
    // The height of hanging fins grows downwards from a base that stays: its place is the lowest corner too.
    const at = face.upper ? placeOf(entry) : placeOf(entry).map((place, n) => (n === face.axis ? shifted(place, -by) : place));
    return withPartFields(document, [originOf(part.id)], { shape: { ...entry.shape, [size.field]: longer }, at });
}
