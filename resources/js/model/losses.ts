import type { ModelDocument, PartEntry } from './document';
import { facesWithTerminals } from './current';
import { typed } from '../units/units';

/** Watts of a part beside its power: against its own temperature, or a current at a terminal of any part. */
export interface LossesEntry {
    against?: 'temperature' | 'current';
    table?: unknown[];
    of?: { part: string; face: string };
}

export const lossKinds = { none: 'None', temperature: 'Against its temperature', current: 'Against a current' } as const;
export type LossKind = keyof typeof lossKinds;

/** What can be chosen: a current only where one enters or leaves a part. */
export const lossChoices = (document: ModelDocument): Record<string, string> => {
    const { current, ...others } = lossKinds;
    return Object.keys(terminalsOfModel(document)).length > 0 ? { ...others, current } : others;
};

export const lossesOf = (part: PartEntry): LossesEntry | undefined => part.losses as LossesEntry | undefined;

export const kindOfLosses = (part: PartEntry): LossKind => {
    const losses = lossesOf(part);
    return losses ? (losses.against ?? 'temperature') : 'none';
};

/** Terminals of the model by "part face", with words. */
export const terminalsOfModel = (document: ModelDocument): Record<string, string> =>
    Object.fromEntries(
        (document.parts ?? []).flatMap((part) =>
            facesWithTerminals(part).map((face) => [`${part.id} ${face}`, `${typeof part.name === 'string' ? part.name : part.id}, face ${face}`]),
        ),
    );

/** What losses begin as; against a current only where there is one. */
export function lossesOfKind(kind: LossKind, document: ModelDocument): LossesEntry | undefined {
    if (kind === 'none') return undefined;
    if (kind === 'temperature')
        return {
            table: [
                ['25 degC', '1 W'],
                ['125 degC', '1.5 W'],
            ],
        };
    const [part = '', face = ''] = (Object.keys(terminalsOfModel(document))[0] ?? '').split(' ');
    return {
        against: 'current',
        table: [
            ['0 A', '0 W'],
            ['10 A', '1 W'],
        ],
        of: { part, face },
    };
}

/** A table as it is typed: "25 degC: 1 W; 125 degC: 1.5 W". */
export const tableText = (table: unknown): string =>
    Array.isArray(table) ? table.map((row) => (Array.isArray(row) ? row.map(String).join(': ') : String(row))).join('; ') : '';

/** The other way round; bare numbers get their units. What is no pair the core refuses in words. */
export const tableFrom = (text: string, unit: string, of = 'W'): string[][] =>
    text
        .split(/[;\n]/)
        .filter((row) => row.trim() !== '')
        .map((row) => row.split(':').map((cell, n) => typed(cell.trim(), n === 0 ? unit : of)));
