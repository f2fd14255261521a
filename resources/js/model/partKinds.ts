import type { Outline } from '../api/types';

/** The words of the screen for the shape kinds of the model document, where they differ. */
export const partKinds: Record<string, string> = { plateFins: 'heat sink', shell: 'box', pinFins: 'pin sink', mesh: 'body', vias: 'via field', path: 'path' };

/** Names of the faces of a kind of part. */
export const facesOfKind = (kind: string): readonly string[] =>
    ['cylinder', 'profile', 'path'].includes(kind) ? ['side', 'start', 'end'] : ['x-', 'x+', 'y-', 'y+', 'z-', 'z+'];

/** Whether a kind of part lies in a plane and moves air or holds it back, without a body. */
export const isDevice = (kind: string): boolean => kind === 'fan' || kind === 'screen';

/** Names of the parts with a body by their ids: where a sensor may stand. */
export const bodiesOf = (outline: Outline | undefined): Record<string, string> =>
    Object.fromEntries((outline?.parts ?? []).filter(({ kind }) => !isDevice(kind)).map(({ id, name }) => [id, name]));

/** Whether a kind of part brings what it is made of along. */
export const hasOwnMaterial = (kind: string): boolean => ['package', 'board', 'vias'].includes(kind);
