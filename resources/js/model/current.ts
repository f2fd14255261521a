import type { ModelDocument, PartEntry, Place } from './document';
import { facesOf, withFace } from './heat';
import { facesOfKind } from './partKinds';

/** Where current enters or leaves at a face of a part, or at a rectangle of it from the lower corner of the part; or what it meets there. */
export interface TerminalEntry {
    kind?: TerminalKind;
    min?: Place;
    max?: Place;
    [field: string]: unknown;
}

export const terminalKinds = {
    current: 'Given current',
    voltage: 'Given voltage',
    ground: 'Ground',
    power: 'Load, power at a voltage',
    resistance: 'Load, resistor to ground',
    contact: 'Contact resistance',
} as const;
export type TerminalKind = keyof typeof terminalKinds;

/** What each kind is stated by: field, label, unit of a bare number, and what it starts from. */
export const terminalValues: Record<TerminalKind, [field: string, label: string, unit: string, start: string][]> = {
    current: [['current', 'Current in', 'A', '10 A']],
    voltage: [['voltage', 'Voltage', 'V', '0.1 V']],
    ground: [],
    power: [
        ['power', 'Power', 'W', '12 W'],
        ['voltage', 'At a voltage of', 'V', '12 V'],
    ],
    resistance: [['resistance', 'Resistance', 'ohm', '1 ohm']],
    contact: [['resistance', 'Resistance times area', 'ohm*m^2', '1e-9 ohm*m^2']],
};

/** The fields of a kind, as they start. */
export const startsOf = (values: (typeof terminalValues)[TerminalKind]): Record<string, string> =>
    Object.fromEntries(values.map(([field, , , start]) => [field, start]));

export const terminalOfKind = (kind: TerminalKind): TerminalEntry => ({ kind, ...startsOf(terminalValues[kind]) });

const atFace = (part: PartEntry, face: string): TerminalEntry[] => {
    const electric = facesOf(part)[face]?.electric as TerminalEntry | TerminalEntry[] | undefined;
    return Array.isArray(electric) ? electric : electric ? [electric] : [];
};

/** The terminals of a part with their faces, and which of its face each is. */
export const terminalsOf = (part: PartEntry): [face: string, terminal: TerminalEntry, n: number][] =>
    Object.keys(facesOf(part)).flatMap((face) => atFace(part, face).map((terminal, n): [string, TerminalEntry, number] => [face, terminal, n]));

/** Faces at which current enters or leaves. */
export const facesWithTerminals = (part: PartEntry): string[] => [
    ...new Set(terminalsOf(part).flatMap(([face, { kind }]) => (kind === 'contact' ? [] : [face]))),
];

/** Sets the nth terminal of a face, or one more; without one it is removed. */
export function withTerminal(part: PartEntry, face: string, terminal: TerminalEntry | undefined, n = 0): Partial<PartEntry> {
    const present = atFace(part, face);
    const all = terminal ? [...present.slice(0, n), terminal, ...present.slice(n + 1)] : present.filter((_t, i) => i !== n);
    return withFace(part, face, 'electric', all.length > 1 ? all : all[0]);
}

/** On a rectangle of its face, to begin with its lower left quarter; or on all of it. */
export function withRectangle({ min, max, ...terminal }: TerminalEntry, on: boolean): TerminalEntry {
    return on ? { ...terminal, min: min ?? ['0 mm', '0 mm'], max: max ?? ['5 mm', '5 mm'] } : terminal;
}

/** What one more terminal is: a current first, then what takes it back. */
export function nextTerminal(document: ModelDocument): TerminalEntry {
    const kinds = (document.parts ?? []).flatMap((part) => terminalsOf(part)).map(([, terminal]) => terminal.kind);
    return terminalOfKind(kinds.includes('current') && !kinds.includes('ground') && !kinds.includes('voltage') ? 'ground' : 'current');
}

/** Faces of a part that may have one. */
export const terminalFaces = (part: PartEntry): string[] => facesOfKind(part.shape.kind).filter((face) => facesOf(part)[face]?.electric === undefined);
