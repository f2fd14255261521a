import type { ModelDocument } from '../model/document';

/** One step into a document: a field, or the member of a list that has an id. */
export type Step = string | { id: string };

export interface Difference {
    /** Where it is; the same place in both documents. */
    path: Step[];
    /** The part, limit or the like it belongs to, as it is called. */
    subject: string;
    /** The part it belongs to; null where it is of no part. */
    part: string | null;
    property: string;
    /** As it is written; null where there is nothing. */
    from: string | null;
    to: string | null;
}

type Members = Record<string, unknown>;

const isObject = (value: unknown): value is Members => typeof value === 'object' && value !== null && !Array.isArray(value);
const hasIds = (value: unknown): value is { id: string }[] =>
    Array.isArray(value) && value.length > 0 && value.every((one) => isObject(one) && typeof one.id === 'string');
const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

/** Objects whose fields mean something only together: another kind is another thing. */
const changesKind = (a: Members, b: Members): boolean => 'kind' in a && 'kind' in b && a.kind !== b.kind;

/** What one document says otherwise than another: field by field, members of lists by their ids. Nothing of how it is written down. */
export function differences(from: ModelDocument, to: ModelDocument): Difference[] {
    const found: Difference[] = [];
    const compare = (a: unknown, b: unknown, path: Step[]): void => {
        if (same(a, b)) return;
        if (isObject(a) && isObject(b) && !changesKind(a, b)) {
            for (const key of new Set([...Object.keys(a), ...Object.keys(b)])) compare(a[key], b[key], [...path, key]);
        } else if ((hasIds(a) || hasIds(b)) && listOrNothing(a) && listOrNothing(b)) {
            const [before, after] = [byId(a), byId(b)];
            for (const id of new Set([...before.keys(), ...after.keys()])) compare(before.get(id), after.get(id), [...path, { id }]);
        } else {
            found.push({ path, ...described(path, [from, to]), from: text(a), to: text(b) });
        }
    };
    compare(withoutForm(from), withoutForm(to), []);
    return found;
}

const listOrNothing = (value: unknown): value is { id: string }[] | undefined =>
    value === undefined || (Array.isArray(value) && (value.length === 0 || hasIds(value)));
const byId = (list: { id: string }[] | undefined): Map<string, unknown> => new Map((list ?? []).map((one) => [one.id, one]));
const withoutForm = ({ format: _format, version: _version, ...document }: ModelDocument): ModelDocument => document;

/** Parts that a list of differences speaks of. */
export const partsIn = (list: readonly Difference[]): string[] => [...new Set(list.flatMap(({ part }) => part ?? []))];

/** A document with what another one says at the places of some differences. */
export function taking(document: ModelDocument, source: ModelDocument, taken: readonly Difference[]): ModelDocument {
    return taken.reduce((next, { path }) => put(next, path, valueAt(source, path)) as ModelDocument, document);
}

function valueAt(tree: unknown, path: readonly Step[]): unknown {
    return path.reduce<unknown>((at, step) => {
        if (typeof step === 'string') return isObject(at) ? at[step] : undefined;
        return hasIds(at) ? at.find((one) => one.id === step.id) : undefined;
    }, tree);
}

function put(tree: unknown, [step, ...rest]: readonly Step[], value: unknown): unknown {
    if (step === undefined) return value;
    if (typeof step === 'string') {
        const members = isObject(tree) ? tree : {};
        const { [step]: known, ...others } = members;
        const next = put(known, rest, value);
        if (next === undefined) return others;
        // A field keeps its place among the others.
        return step in members ? { ...members, [step]: next } : { ...others, [step]: next };
    }
    const list = hasIds(tree) ? tree : [];
    const known = list.find((one) => one.id === step.id);
    const next = put(known, rest, value) as { id: string } | undefined;
    if (next === undefined) return list.filter((one) => one !== known);
    return known ? list.map((one) => (one === known ? next : one)) : [...list, next];
}

const lists: Record<string, string> = { parts: 'Part', limits: 'Limit', watches: 'Watch' };

const sections: Record<string, string> = {
    name: 'Model',
    parameters: 'Parameters',
    materials: 'Material',
    surroundings: 'Surroundings',
    physics: 'What is computed',
    space: 'Space',
    assemblies: 'Assembly',
    analysis: 'Grid and solver',
};

/** What single fields are called on screen, where their name in the document is not the word. */
const words: Record<string, string> = {
    at: 'Position',
    power: 'Watts',
    atMost: 'At most',
    atLeast: 'At least',
    film: 'Convection',
    faces: 'Face',
    turn: 'Turned by',
    group: 'Assembly',
    cells: 'Cells',
    sides: 'Side',
    terminals: 'Terminals',
    of: 'Of',
};

const word = (key: string): string => words[key] ?? key.replace(/([a-z])([A-Z])/g, '$1 $2').replace(/^./, (letter) => letter.toUpperCase());

/** Whose a place is, and what it is called there. */
function described(path: readonly Step[], documents: readonly ModelDocument[]): Pick<Difference, 'subject' | 'part' | 'property'> {
    const [first, second, ...rest] = path;
    const section = typeof first === 'string' ? first : '';
    if (section in lists && typeof second === 'object') {
        const entry = documents.map((one) => valueAt(one, path.slice(0, 2))).find(isObject);
        const name = typeof entry?.name === 'string' ? entry.name : second.id;
        return {
            subject: section === 'parts' ? name : `${lists[section]}: ${name}`,
            part: section === 'parts' ? second.id : null,
            property: rest.length === 0 ? lists[section]! : property(rest),
        };
    }
    const subject = sections[section] ?? word(section);
    if (section === 'parameters' && typeof second === 'string')
        return { subject, part: null, property: property([second, ...rest.filter((step) => step !== 'value')], false) };
    if ((section === 'materials' || section === 'assemblies') && typeof second === 'string')
        return { subject: `${subject}: ${second}`, part: null, property: property(rest) };
    return { subject, part: null, property: property(path.slice(1)) || 'Name' };
}

const property = (steps: readonly Step[], asWords = true): string =>
    steps
        .filter((step) => step !== 'shape' && step !== 'heat')
        .map((step) => (typeof step === 'object' ? step.id : asWords ? word(step) : step))
        .join(' · ') || (steps.includes('shape') ? 'Shape' : steps.includes('heat') ? 'Heat' : '');

/** A value as it is read: numbers with their units as written, the members of what is nested one after the other. */
function text(value: unknown): string | null {
    if (value === undefined || value === null) return null;
    if (typeof value === 'string' || typeof value === 'number') return String(value);
    if (typeof value === 'boolean') return value ? 'yes' : 'no';
    if (Array.isArray(value)) return value.map((one) => text(one) ?? 'none').join(', ');
    const { kind, name, id: _id, ...rest } = value as Members;
    const inner = Object.entries(rest).map(([key, one]) => `${word(key).toLowerCase()} ${text(one) ?? 'none'}`);
    return [text(name), text(kind), ...inner].filter(Boolean).join(', ');
}
