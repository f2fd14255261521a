import type { OutlinePart } from '../api/types';

/** The model document as the screen needs it; everything else in it is kept untouched. */
export interface PartEntry {
    id: string;
    name?: string;
    material?: string;
    power?: string | number;
    shape: { kind: string };
    [field: string]: unknown;
}

export interface LimitEntry {
    id: string;
    name?: string;
    of: { part?: string; node?: string; face?: string; side?: string };
    atMost?: string | number;
    atLeast?: string | number;
    derating?: string | number;
    [field: string]: unknown;
}

export interface ModelDocument {
    parts?: PartEntry[];
    limits?: LimitEntry[];
    [field: string]: unknown;
}

export const partEntry = (document: ModelDocument, id: string): PartEntry | undefined => document.parts?.find((part) => part.id === id);

export const limitEntry = (document: ModelDocument, part: string): LimitEntry | undefined => document.limits?.find((limit) => limit.of.part === part && limit.atLeast === undefined);

/** Sets or, with undefined, removes fields of the given parts. */
export function withPartFields(document: ModelDocument, ids: readonly string[], fields: Partial<PartEntry>): ModelDocument {
    return {
        ...document,
        parts: document.parts?.map((part) => {
            if (!ids.includes(part.id)) return part;
            const changed: PartEntry = { ...part, ...fields };
            for (const key of Object.keys(fields)) if (fields[key] === undefined) delete changed[key];
            return changed;
        }),
    };
}

/** The upper limit of a part: of its junction when it is a package, else of its hottest place. */
export function upperLimit(part: Pick<OutlinePart, 'id' | 'name' | 'kind'>, atMost: string): LimitEntry {
    const isPackage = part.kind === 'package';
    return {
        id: `limit-${part.id}`,
        name: isPackage ? `${part.name} junction` : part.name,
        of: isPackage ? { part: part.id, node: 'junction' } : { part: part.id },
        quantity: 'temperature',
        reduce: 'max',
        atMost,
    };
}

/** Sets the upper limit of a part (of its junction when it is a package), the first where it has several; an empty text removes that. */
export function withLimit(document: ModelDocument, part: Pick<OutlinePart, 'id' | 'name' | 'kind'>, text: string): ModelDocument {
    const limits = document.limits ?? [];
    const known = limitEntry(document, part.id);
    if (text === '') return { ...document, limits: limits.filter((limit) => limit !== known) };
    if (known) return { ...document, limits: limits.map((limit) => (limit === known ? { ...limit, atMost: text } : limit)) };
    return { ...document, limits: [...limits, upperLimit(part, text)] };
}
