import type { Outline, OutlinePart } from '../api/types';
import { useScreen } from '../state/screen';
import { boxAround } from './box';
import { isLocked, originsOf, partEntry, withPartFields, type ModelDocument } from './document';
import type { Placed } from './axes';
import { alignments, withAligned, withBlockInstead, withFanInstead, withMirrored, withPackageInstead, withSizeOf, type Alignment } from './arrange';
import { millimetres, partChoices, satOn, withCopies, withNewPart, withOrder, withoutParts, withShift, type PartChoice } from './parts';
import { withIndependentCopies, withRepeat, type Direction } from './repeat';
import { withFaceMoved, type Face } from './resize';
import { sunOf, withSideMoved, withSun, withSurroundings } from './space';
import type { ModelEditor } from './useModelEditor';

/** Commands on parts as the screen offers them: an edit with a name, and what is selected after it. A refusal is shown by the editor. */

const namesOf = (document: ModelDocument, ids: readonly string[]): string =>
    originsOf(ids).length === 1 ? (partEntry(document, ids[0]!)?.name ?? ids[0]!) : `${originsOf(ids).length} parts`;

const present = (editor: ModelEditor): ModelDocument => editor.revision?.document ?? {};

/** Parts as they move: with the axes in which their places are written. */
const placed = (editor: ModelEditor, ids: readonly string[]): Placed[] => editor.revision?.outline.parts.filter((part) => ids.includes(part.id)) ?? [];

const nameOfFace = (face: Face): string => `${'xyz'[face.axis]}${face.upper ? '+' : '−'}`;

const select = (selection: string[]) => useScreen.getState().set({ selection });

/** An edit of which nobody waits for the end. */
export const quietly = (edit: Promise<unknown>): void => void edit.catch(() => undefined);

export function addPart(editor: ModelEditor, outline: Outline, choice: PartChoice, under?: OutlinePart): void {
    let added = '';
    const edit = editor.edit(`Add ${partChoices[choice].toLowerCase()}`, (d) => {
        const { document, id } = withNewPart(d, outline, choice, under);
        added = id;
        return document;
    });
    quietly(edit.then(() => select([added])));
}

export function removeParts(editor: ModelEditor, ids: readonly string[]): void {
    const free = ids.filter((id) => !isLocked(present(editor), id));
    if (free.length > 0) quietly(editor.edit(`Remove ${namesOf(present(editor), free)}`, (d) => withoutParts(d, free)).then(() => select([])));
}

/** Copies beside the originals, by their own width along x; the copies are selected. */
export function duplicateParts(editor: ModelEditor, ids: readonly string[]): void {
    const parts = editor.revision?.outline.parts.filter((part) => ids.includes(part.id)) ?? [];
    const around = boxAround(parts);
    const [from, to] = [around.min[0]!, around.max[0]!];
    const room = editor.revision?.outline.space;
    // Towards the side where they still fit.
    const by = room && 2 * to - from <= room.max[0]! ? to - from : from - to;
    copyParts(editor, ids, [[room && Math.min(from, to) + by < room.min[0]! ? 0 : by, 0, 0]]);
}

/** Linked copies: the parts themselves, at more places. */
export function repeatParts(editor: ModelEditor, ids: readonly string[], directions: Direction[]): void {
    const count = directions.reduce((product, direction) => product * Number(direction.count), 1);
    quietly(editor.edit(`${namesOf(present(editor), ids)}: ${count} linked together`, (d) => withRepeat(d, ids, directions)));
}

export function unlinkCopies(editor: ModelEditor, id: string): void {
    const outline = editor.revision?.outline;
    if (outline) quietly(editor.edit(`${namesOf(present(editor), [id])}: copies made independent`, (d) => withIndependentCopies(d, outline, id)));
}

export function copyParts(editor: ModelEditor, ids: readonly string[], offsets: readonly (readonly number[])[]): void {
    let added: string[] = [];
    const edit = editor.edit(`${offsets.length > 1 ? `${offsets.length} copies of` : 'Duplicate'} ${namesOf(present(editor), ids)}`, (d) => {
        const copies = withCopies(d, placed(editor, ids), offsets);
        added = copies.ids;
        return copies.document;
    });
    quietly(edit.then(() => select(added)));
}

/** Moves parts by metres; rejects when the model refuses it. */
export function moveParts(editor: ModelEditor, ids: readonly string[], by: readonly number[]): Promise<unknown> {
    const way = by
        .map((b, n) => (b === 0 ? '' : `${b > 0 ? '+' : '−'}${millimetres(Math.abs(b))} along ${'xyz'[n]}`))
        .filter(Boolean)
        .join(', ');
    return editor.edit(`Move ${namesOf(present(editor), ids)} ${way}`, (d) => withShift(d, placed(editor, ids), by));
}

/** A face of a part moved outwards by metres; rejects when the model refuses it. */
export function dragFace(editor: ModelEditor, part: OutlinePart, face: Face, by: number): Promise<unknown> {
    return editor.edit(`${part.name}: ${millimetres(Math.abs(by))} ${by < 0 ? 'shorter' : 'longer'} at ${nameOfFace(face)}`, (d) =>
        withFaceMoved(d, part, face, by),
    );
}

/** A side of the space moved outwards by metres. */
export function dragSide(editor: ModelEditor, side: Face, by: number): Promise<unknown> {
    return editor.edit(`Space: ${millimetres(Math.abs(by))} ${by < 0 ? 'less' : 'more'} at ${nameOfFace(side)}`, (d) => withSideMoved(d, side, by));
}

export function turnGravity(editor: ModelEditor, gravity: readonly number[]): Promise<unknown> {
    return editor.edit('Gravity turned', (d) => withSurroundings(d, { gravity: [...gravity] }));
}

/** Lets the sun stand in another direction. */
export function turnSun(editor: ModelEditor, direction: readonly number[]): Promise<unknown> {
    const rounded = direction.map((part) => Number(part.toFixed(3)));
    return editor.edit('Turn the sun', (document) => withSun(document, { ...sunOf(document), direction: rounded }));
}

export function lockParts(editor: ModelEditor, ids: readonly string[], locked: boolean): void {
    quietly(
        editor.edit(`${namesOf(present(editor), ids)} ${locked ? 'locked in place' : 'unlocked'}`, (d) =>
            withPartFields(d, ids, { locked: locked || undefined }),
        ),
    );
}

export function alignParts(editor: ModelEditor, parts: readonly OutlinePart[], to: OutlinePart, axis: number, alignment: Alignment): void {
    quietly(editor.edit(`${alignments[alignment]} along ${'xyz'[axis]} in line with ${to.name}`, (d) => withAligned(d, parts, to, axis, alignment)));
}

export function mirrorParts(editor: ModelEditor, parts: readonly OutlinePart[], room: Outline['space'], axis: number): void {
    quietly(
        editor.edit(`Mirror ${parts.length === 1 ? parts[0]!.name : `${parts.length} parts`} along ${'xyz'[axis]}`, (d) => withMirrored(d, parts, room, axis)),
    );
}

export function matchSize(editor: ModelEditor, parts: readonly OutlinePart[], like: OutlinePart): void {
    quietly(editor.edit(`As large as ${like.name}`, (d) => withSizeOf(d, parts, like)));
}

export function replaceByBlock(editor: ModelEditor, body: OutlinePart): void {
    quietly(editor.edit(`${body.name}: a block of the same volume`, (d) => withBlockInstead(d, body)));
}

export function replaceByPackage(editor: ModelEditor, body: OutlinePart): void {
    quietly(editor.edit(`${body.name}: a package of its size`, (d) => withPackageInstead(d, body)));
}

export function replaceByFan(editor: ModelEditor, body: OutlinePart): void {
    quietly(editor.edit(`${body.name}: a fan of its size`, (d) => withFanInstead(d, body)));
}

export function reorderPart(editor: ModelEditor, part: OutlinePart, by: -1 | 1): void {
    quietly(editor.edit(`${part.name}: ${by < 0 ? 'lower' : 'higher'} overlap priority`, (d) => withOrder(d, part.id, by)));
}

export function sitPart(editor: ModelEditor, part: OutlinePart, below: OutlinePart): void {
    quietly(editor.edit(`${part.name} sits on ${below.name}`, (d) => satOn(d, part, below)));
}
