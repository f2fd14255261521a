import type { OutlinePart } from '../api/types';
import type { ModelDocument } from './document';
import type { Length } from './parts';
import type { Direction } from './repeat';

/** Groups of parts with axes of their own: where they stand, how they are turned, how often. */
export interface AssemblyEntry {
    at?: Length[];
    turn?: Length[];
    repeat?: Direction[];
}

export const membersOf = (document: ModelDocument, name: string) => document.parts?.filter((part) => part.group === name) ?? [];

/** What a part of the screen is called by when it moves: its id, and the axes in which its place is written. */
export type Placed = Pick<OutlinePart, 'id'> & { axes?: readonly number[] | null };

/** A step along the axes of the space, along those in which a part's place is written. */
export const intoAxes = (axes: readonly number[] | null | undefined, by: readonly number[]): number[] =>
    axes ? [0, 1, 2].map((n) => axes[n]! * by[0]! + axes[3 + n]! * by[1]! + axes[6 + n]! * by[2]!) : [...by];

/** Assemblies with axes of which every part is among the given ones: these move as a whole. */
export const wholeAssemblies = (document: ModelDocument, ids: readonly string[]): string[] =>
    Object.keys(document.assemblies ?? {}).filter((name) => {
        const members = membersOf(document, name);
        return members.length > 0 && members.every((part) => ids.includes(part.id));
    });
