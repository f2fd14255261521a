import type { OutlinePart } from '../api/types';
import { freeEntryId, originOf, ownName, type LimitEntry, type ModelDocument } from './document';
import { facesOfKind } from './partKinds';

/** What of a part a limit bounds or a watch follows, as one choice of the screen. */
export type What = string;

export interface WatchEntry {
    id: string;
    name?: string;
    of: { part?: string; node?: string; face?: string; side?: string };
    quantity?: string;
    reduce?: string;
    [field: string]: unknown;
}

/** The choices for a kind of part, with their words. */
export function whatsOf(kind: string, withHeat: boolean): Record<What, string> {
    if (kind === 'fan') return { flow: 'Flow through it' };
    const own = facesOfKind(kind);
    const inside: Record<What, string> = kind === 'package' ? { junction: 'Junction', case: 'Case', board: 'Board side' } : { max: 'Hottest place', mean: 'Mean', min: 'Coldest place' };
    return {
        ...inside,
        ...Object.fromEntries(own.map((face) => [`touch ${face}`, `Hottest of face ${face}`])),
        ...(withHeat ? Object.fromEntries(own.map((face) => [`heat ${face}`, `Heat out of face ${face}`])) : {}),
    };
}

export function whatOf(entry: { of: { node?: string; face?: string }; quantity?: unknown; reduce?: unknown }, kind: string): What {
    if (entry.of.face) return `${entry.quantity === 'heat' ? 'heat' : 'touch'} ${entry.of.face}`;
    if (kind === 'fan') return 'flow';
    if (kind === 'package') return entry.of.node ?? 'junction';
    return String(entry.reduce ?? 'max');
}

/** The fields that say so in the model document. */
function fieldsOf(what: What, part: string): { of: LimitEntry['of']; quantity: string; reduce: string } {
    const [kind, face] = what.split(' ');
    if (kind === 'flow') return { of: { part }, quantity: 'volumeFlow', reduce: 'mean' };
    if (face) return { of: { part, face }, quantity: kind === 'heat' ? 'heat' : 'temperature', reduce: kind === 'heat' ? 'total' : 'max' };
    if (['junction', 'case', 'board'].includes(what)) return { of: { part, node: what }, quantity: 'temperature', reduce: 'max' };
    return { of: { part }, quantity: 'temperature', reduce: what };
}

const nameOf = (part: OutlinePart, what: What): string => {
    const word = whatsOf(part.kind, true)[what] ?? what;
    const name = ownName(part);
    return what === 'max' ? name : `${name}, ${word.toLowerCase()}`;
};

const watchesOf = (document: ModelDocument): WatchEntry[] => (document.watches as WatchEntry[] | undefined) ?? [];

export const limitsOfPart = (document: ModelDocument, part: string): LimitEntry[] => (document.limits ?? []).filter((limit) => limit.of.part === originOf(part));

export const watchesOfPart = (document: ModelDocument, part: string): WatchEntry[] => watchesOf(document).filter((watch) => watch.of.part === originOf(part));

/** A bound on a temperature from above, on a flow from below. */
export function withNewLimit(document: ModelDocument, part: OutlinePart, what: What, bound: string): ModelDocument {
    const id = originOf(part.id);
    const entry: LimitEntry = { id: freeEntryId(document, `limit-${id}`), name: nameOf(part, what), ...fieldsOf(what, id), [what === 'flow' ? 'atLeast' : 'atMost']: bound };
    return { ...document, limits: [...(document.limits ?? []), entry] };
}

export function withNewWatch(document: ModelDocument, part: OutlinePart, what: What): ModelDocument {
    const id = originOf(part.id);
    const entry: WatchEntry = { id: freeEntryId(document, `watch-${id}`), name: nameOf(part, what), ...fieldsOf(what, id) };
    return { ...document, watches: [...watchesOf(document), entry] };
}

/** A limit or watch looks at something else of its part. */
export const withWhat = <T extends LimitEntry | WatchEntry>(entry: T, part: OutlinePart, what: What): T => ({ ...entry, name: nameOf(part, what), ...fieldsOf(what, originOf(part.id)) });

/** Changes the limit or watch of an id; null removes it. */
export function withEntry(document: ModelDocument, list: 'limits' | 'watches', id: string, change: (entry: LimitEntry & WatchEntry) => object | null): ModelDocument {
    const entries = (document[list] as (LimitEntry & WatchEntry)[] | undefined) ?? [];
    return { ...document, [list]: entries.flatMap((entry) => (entry.id === id ? (change(entry) ?? []) : [entry])) };
}
