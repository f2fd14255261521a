import type { Load } from './loads';
import type { OutlinePart } from '../api/types';
import type { AssemblyEntry } from './axes';

/** The model document as the screen needs it; everything else in it is kept untouched. */
export interface PartEntry {
    id: string;
    name?: string;
    material?: string;
    power?: Load;
    shape: { kind: string };
    [field: string]: unknown;
}

/** Coordinates as they are written. */
export type Place = (string | number)[];

/** A plane across an axis, whole or a rectangle of it along the two others. */
export interface SectionPlace {
    axis: 'x' | 'y' | 'z';
    at: string | number;
    min?: Place;
    max?: Place;
}

export interface LimitEntry {
    id: string;
    name?: string;
    of: {
        part?: string;
        node?: string;
        face?: string;
        /** Class of the copper of a board. */
        copper?: string;
        net?: string;
        side?: string;
        patch?: number;
        point?: Place;
        line?: { from: Place; to: Place };
        section?: SectionPlace;
    };
    atMost?: string | number;
    atLeast?: string | number;
    derating?: string | number;
    timeBeyond?: string | number;
    quantity?: string;
    [field: string]: unknown;
}

export interface ModelDocument {
    parts?: PartEntry[];
    limits?: LimitEntry[];
    assemblies?: Record<string, AssemblyEntry>;
    [field: string]: unknown;
}

/** Id in the document of a part, or of the part whose linked copy it is: the core numbers copies behind a "#". */
export const originOf = (id: string): string => id.split('#')[0]!;

type Named = Pick<OutlinePart, 'id' | 'name' | 'kind'> & { copyOf?: string | null };

/** Name of a part, or of the part whose linked copy it is. */
export const ownName = (part: Named): string => (part.copyOf ? part.name.replace(/ \d+$/, '') : part.name);

export const originsOf = (ids: readonly string[]): string[] => [...new Set(ids.map(originOf))];

/** The entry of a part; that of its original for a linked copy. */
export const partEntry = (document: ModelDocument, id: string): PartEntry | undefined => document.parts?.find((part) => part.id === originOf(id));

export const limitEntry = (document: ModelDocument, part: string): LimitEntry | undefined =>
    document.limits?.find((limit) => limit.of.part === originOf(part) && limit.atLeast === undefined && isOfTemperature(limit));

export const isOfTemperature = (limit: { quantity?: string | undefined }): boolean => (limit.quantity ?? 'temperature') === 'temperature';

/** Whether a part keeps its shape and place. */
export const isLocked = (document: ModelDocument, id: string): boolean => partEntry(document, id)?.locked === true;

/** Sets or, with undefined, removes fields of the given parts. */
export function withPartFields(document: ModelDocument, ids: readonly string[], fields: Partial<PartEntry>): ModelDocument {
    const wanted = originsOf(ids);
    return {
        ...document,
        parts: document.parts?.map((part) => {
            if (!wanted.includes(part.id)) return part;
            const changed: PartEntry = { ...part, ...fields };
            for (const key of Object.keys(fields)) if (fields[key] === undefined) delete changed[key];
            return changed;
        }),
    };
}

/** An id that no limit and no watch has yet. */
export function freeEntryId(document: ModelDocument, wanted: string): string {
    const watches = (document.watches as { id: string }[] | undefined) ?? [];
    const taken = new Set([...(document.limits ?? []), ...watches].map((entry) => entry.id));
    let id = wanted;
    for (let n = 2; taken.has(id); n++) id = `${wanted}-${n}`;
    return id;
}

/** The upper limit of a part: of its junction when it is a package, else of its hottest place. */
export function upperLimit(part: Named, atMost: string): LimitEntry {
    const isPackage = part.kind === 'package';
    const id = originOf(part.id);
    return {
        id: `limit-${id}`,
        name: isPackage ? `${ownName(part)} junction` : ownName(part),
        of: isPackage ? { part: id, node: 'junction' } : { part: id },
        quantity: 'temperature',
        reduce: 'max',
        atMost,
    };
}

/** Sets the upper limit of a part (of its junction when it is a package), the first where it has several; an empty text removes that. */
export function withLimit(document: ModelDocument, part: Named, text: string): ModelDocument {
    const limits = document.limits ?? [];
    const known = limitEntry(document, part.id);
    if (text === '') return { ...document, limits: limits.filter((limit) => limit !== known) };
    if (known) return { ...document, limits: limits.map((limit) => (limit === known ? { ...limit, atMost: text } : limit)) };
    const limit = upperLimit(part, text);
    // A lower limit of the part may have the name already.
    return { ...document, limits: [...limits, { ...limit, id: freeEntryId(document, limit.id) }] };
}
