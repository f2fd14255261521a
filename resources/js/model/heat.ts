import type { PartEntry } from './document';
import { facesOfKind } from './partKinds';

/** What a wall, a patch or a face of a part is to heat. */
export interface HeatEntry {
    kind?: HeatKind;
    [field: string]: unknown;
}

export const heatKinds = {
    adiabatic: 'Adiabatic',
    film: 'Convection to ambient',
    temperature: 'Given temperature',
    flux: 'Given heat flux',
    power: 'Given watts',
    contact: 'Contact resistance',
} as const;
export type HeatKind = keyof typeof heatKinds;

/** What each kind is stated by: field, label, unit of a bare number, and what it starts from. */
export const heatValues: Record<HeatKind, [field: string, label: string, unit: string, start: string][]> = {
    adiabatic: [],
    film: [
        ['coefficient', 'Convection coefficient', 'W/m^2/K', '8 W/m^2/K'],
        ['temperature', 'Ambient', '', ''],
    ],
    temperature: [['temperature', 'Temperature', '', '40 degC']],
    flux: [['flux', 'Heat flux in', 'W/m^2', '100 W/m^2']],
    power: [['power', 'Watts in', 'W', '1 W']],
    contact: [['resistance', 'Contact resistance (area-specific)', 'm^2*K/W', '2e-5 m^2*K/W']],
};

/** Another kind, with values to start from. */
export const heatOfKind = (kind: HeatKind): HeatEntry | undefined =>
    kind === 'adiabatic'
        ? undefined
        : { kind, ...Object.fromEntries(heatValues[kind].filter(([, , , start]) => start !== '').map(([field, , , start]) => [field, start])) };

/** Which faces a part has, by its kind; "bare" stands for all that nothing touches. */
export const faceNames = (part: PartEntry): string[] => ['bare', ...facesOfKind(part.shape.kind)];

/** Where current enters or leaves a part. */
export const terminalTitle = ({ face, joint }: { face: string; joint?: string }): string => faceTitle(face) + (joint === undefined ? '' : `, joint ${joint}`);

export const faceTitle = (face: string): string => (face === 'bare' ? 'All bare faces' : face.length === 2 ? `Face ${face}` : `Face at its ${face}`);

type Faces = Record<string, { heat?: HeatEntry; [field: string]: unknown }>;

export const facesOf = (part: PartEntry): Faces => (part.faces as Faces | undefined) ?? {};

/** Whether a face is left out of what holds for all bare ones. */
export const isLeftOut = (heat: HeatEntry | undefined): boolean => heat?.kind === 'adiabatic';

/** Leaves a face out of what holds for all bare ones, or lets it take part again. */
export const withFaceLeftOut = (part: PartEntry, face: string, out: boolean): Partial<PartEntry> =>
    withFaceHeat(part, face, out ? { kind: 'adiabatic' } : undefined);

/** Sets what a face of a part is to heat; undefined takes the condition away. */
export const withFaceHeat = (part: PartEntry, face: string, heat: HeatEntry | undefined): Partial<PartEntry> => withFace(part, face, 'heat', heat);

/** Sets what a face of a part is to heat, to current or to radiation; undefined takes that away and leaves the rest. */
export function withFace(part: PartEntry, face: string, key: 'heat' | 'electric' | 'surface', value: object | undefined): Partial<PartEntry> {
    const { [face]: before, ...others } = facesOf(part);
    const { [key]: _before, ...rest } = before ?? {};
    const entry = value === undefined ? rest : { ...rest, [key]: value };
    const faces: Faces = Object.keys(entry).length > 0 ? { ...others, [face]: entry } : others;
    return { faces: Object.keys(faces).length > 0 ? faces : undefined };
}
