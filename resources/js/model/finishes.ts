import type { Finish } from '../api/types';
import { partEntry, withPartFields, type ModelDocument, type PartEntry } from './document';
import { facesOf, withFace } from './heat';
import { numberOrText } from './text';

/** What a surface is for radiation, as the document has it: of a part, a face, or a wall of the space. */
export interface SurfaceEntry {
    finish?: string;
    emissivity?: string | number;
    absorptivity?: string | number;
    radiates?: boolean;
}

/** What may be chosen beside the finishes of the library. */
export const MATERIAL = 'material';
export const OWN = 'own';
export const OFF = 'off';

/** An emissivity to begin with where it is given and not chosen. */
const BEGIN = 0.8;

export const surfaceOf = (part: PartEntry, face: string | null = null): SurfaceEntry | undefined =>
    (face === null ? part.surface : facesOf(part)[face]?.surface) as SurfaceEntry | undefined;

/** Which choice a surface is. */
export function finishOf(surface: SurfaceEntry | undefined): string {
    if (surface?.radiates === false) return OFF;
    if (surface?.finish !== undefined) return surface.finish;
    return surface?.emissivity !== undefined || surface?.absorptivity !== undefined ? OWN : MATERIAL;
}

/** The surface that a choice makes of another one; its own begins at what that was. */
export function chosen(choice: string, before: SurfaceEntry | undefined, library: readonly Finish[]): SurfaceEntry | undefined {
    if (choice === MATERIAL) return undefined;
    if (choice === OFF) return { radiates: false };
    if (choice !== OWN) return { finish: choice };
    const finish = library.find((one) => one.id === before?.finish);
    return finish ? { emissivity: finish.emissivity, absorptivity: finish.absorptivity } : { emissivity: BEGIN };
}

/** A surface with another value; an empty one is taken out, and a number is kept as one. */
export function withValue(surface: SurfaceEntry | undefined, key: 'emissivity' | 'absorptivity', text: string): SurfaceEntry | undefined {
    const { [key]: _before, ...rest } = surface ?? {};
    const value = text.trim() === '' ? rest : { ...rest, [key]: numberOrText(text) };
    return Object.keys(value).length > 0 ? value : undefined;
}

/** Gives parts, or a face of one, a surface; undefined is that of the material, or of the part, again. */
export function withSurface(document: ModelDocument, ids: readonly string[], face: string | null, surface: SurfaceEntry | undefined): ModelDocument {
    if (face === null) return withPartFields(document, ids, { surface });
    const part = partEntry(document, ids[0]!);
    return part ? withPartFields(document, ids, withFace(part, face, 'surface', surface)) : document;
}

/** What a choice is called, with its numbers. */
export const titleOf = (finish: Finish): string => `${finish.title} (ε ${finish.emissivity}, sun ${finish.absorptivity})`;
