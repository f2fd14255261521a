import { pointsOf, withRenamedInPoints } from '../operating/points';
import type { ModelDocument } from './document';

/** Fields that hold words, never formulas. */
const WORDS = new Set([
    'id',
    'name',
    'title',
    'group',
    'source',
    'kind',
    'material',
    'fluid',
    'note',
    'vertices',
    'triangles',
    'part',
    'face',
    'side',
    'node',
    'quantity',
    'reduce',
    'format',
    'distribution',
]);

type Formula = string | number;

/** A formula, or one with words about it. */
type Entry = Formula | { value: Formula; [word: string]: unknown };

const entriesOf = (document: ModelDocument): Record<string, Entry> => (document.parameters as Record<string, Entry> | undefined) ?? {};

/** Formulas by name. */
export const parametersOf = (document: ModelDocument): Record<string, string> =>
    Object.fromEntries(Object.entries(entriesOf(document)).map(([name, entry]) => [name, String(typeof entry === 'object' ? entry.value : entry)]));

/** A name in a formula, not a piece of a longer one; a unit behind a number ("3 mm") is never a parameter, for those may not be called like units. */
const named = (name: string): RegExp => new RegExp(`(?<![A-Za-z0-9_])${name}(?![A-Za-z0-9_])`, 'g');

/** The document with every formula changed; names, ids and other words stay. */
function mapped<T>(value: T, change: (formula: string) => string, key = ''): T {
    // What a tolerance is of is a parameter, or a path.
    if (typeof value === 'string') return (WORDS.has(key) || (key === 'of' && value.includes('/')) ? value : change(value)) as T;
    if (Array.isArray(value)) return value.map((item: unknown) => mapped(item, change, key)) as T;
    if (value !== null && typeof value === 'object') return Object.fromEntries(Object.entries(value).map(([k, v]) => [k, mapped<unknown>(v, change, k)])) as T;
    return value;
}

/** How many formulas use a parameter, and operating points give it another value. */
export function uses(document: ModelDocument, name: string): number {
    let count = pointsOf(document).filter(({ values }) => name in values).length;
    mapped(document, (formula) => {
        if (named(name).test(formula)) count++;
        return formula;
    });
    return count;
}

/** The parameters a formula of one of them leads back to itself through, as a circle of names; null where there is none. */
export function circle(parameters: Readonly<Record<string, string>>, from: string, path: readonly string[] = []): string[] | null {
    if (path.includes(from)) return from === path[0] ? [...path, from] : null;
    for (const other of Object.keys(parameters)) {
        if (!named(other).test(parameters[from]!)) continue;
        const found = circle(parameters, other, [...path, from]);
        if (found) return found;
    }
    return null;
}

export function withParameter(document: ModelDocument, name: string, formula: string): ModelDocument {
    const before = entriesOf(document)[name];
    return { ...document, parameters: { ...entriesOf(document), [name]: typeof before === 'object' ? { ...before, value: formula } : formula } };
}

export function withoutParameter(document: ModelDocument, name: string): ModelDocument {
    const { [name]: _gone, ...rest } = entriesOf(document);
    return { ...document, parameters: rest };
}

/** The parameter under another name, in its place, and in every formula that uses it. */
export function withRenamed(document: ModelDocument, from: string, to: string): ModelDocument {
    const changed = withRenamedInPoints(
        mapped(document, (formula) => formula.replace(named(from), to)),
        from,
        to,
    );
    return { ...changed, parameters: Object.fromEntries(Object.entries(entriesOf(changed)).map(([name, entry]) => [name === from ? to : name, entry])) };
}

/** A name that no parameter has yet. */
export function freeParameter(document: ModelDocument): string {
    const taken = entriesOf(document);
    let n = 1;
    while (`length_${n}` in taken) n++;
    return `length_${n}`;
}
