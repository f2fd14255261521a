import type { ModelDocument, PartEntry } from './document';
import { facesOf, withFace } from './heat';
import { facesOfKind } from './partKinds';

/** Where current enters or leaves at a face of a part. */
export interface TerminalEntry {
    kind?: TerminalKind;
    [field: string]: unknown;
}

export const terminalKinds = { current: 'Given current', voltage: 'Given voltage', ground: 'Ground' } as const;
export type TerminalKind = keyof typeof terminalKinds;

/** What each kind is stated by: field, label, unit of a bare number, and what it starts from. */
export const terminalValues: Record<TerminalKind, [field: string, label: string, unit: string, start: string][]> = {
    current: [['current', 'Current in', 'A', '10 A']],
    voltage: [['voltage', 'Voltage', 'V', '0.1 V']],
    ground: [],
};

export const terminalOfKind = (kind: TerminalKind): TerminalEntry => ({
    kind,
    ...Object.fromEntries(terminalValues[kind].map(([field, , , start]) => [field, start])),
});

export const terminalsOf = (part: PartEntry): [face: string, terminal: TerminalEntry][] =>
    Object.entries(facesOf(part)).flatMap(([face, { electric }]) => (electric ? [[face, electric as TerminalEntry] as [string, TerminalEntry]] : []));

export const withTerminal = (part: PartEntry, face: string, terminal: TerminalEntry | undefined): Partial<PartEntry> =>
    withFace(part, face, 'electric', terminal);

/** What one more terminal is: a current first, then what takes it back. */
export function nextTerminal(document: ModelDocument): TerminalEntry {
    const kinds = (document.parts ?? []).flatMap(terminalsOf).map(([, terminal]) => terminal.kind);
    return terminalOfKind(kinds.includes('current') && !kinds.includes('ground') && !kinds.includes('voltage') ? 'ground' : 'current');
}

/** Faces of a part that may have one. */
export const terminalFaces = (part: PartEntry): string[] => facesOfKind(part.shape.kind).filter((face) => facesOf(part)[face]?.electric === undefined);
