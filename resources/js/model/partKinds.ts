import type { Outline } from '../api/types';

/** The words of the screen for the shape kinds of the model document, where they differ. */
export const partKinds: Record<string, string> = { plateFins: 'heat sink', shell: 'box', pinFins: 'pin sink', mesh: 'body', vias: 'via field', path: 'path' };

/** Names of the faces of a kind of part. */
export const facesOfKind = (kind: string): readonly string[] =>
    ['cylinder', 'profile', 'path'].includes(kind) ? ['side', 'start', 'end'] : ['x-', 'x+', 'y-', 'y+', 'z-', 'z+'];

/** Whether a kind of part lies in a plane and moves air or holds it back, without a body. */
export const isDevice = (kind: string): boolean => kind === 'fan' || kind === 'screen';

/** A part with a body: where a sensor may stand. */
export interface Body {
    name: string;
    kind: string;
}

/** The parts with a body by their ids. */
export const bodiesOf = (outline: Outline | undefined): Record<string, Body> =>
    Object.fromEntries((outline?.parts ?? []).filter(({ kind }) => !isDevice(kind)).map(({ id, name, kind }) => [id, { name, kind }]));

/** Their names by their ids. */
export const namesOf = (bodies: Readonly<Record<string, Body>>): Record<string, string> =>
    Object.fromEntries(Object.entries(bodies).map(([id, { name }]) => [id, name]));

/** Whether a kind of part brings what it is made of along. */
export const hasOwnMaterial = (kind: string): boolean => ['package', 'board', 'vias'].includes(kind);
