import type { ModelDocument, PartEntry } from '../model/document';
import { parametersOf, withParameter } from '../model/parameters';

/** A number that is written into a part, and could be a parameter. */
export interface Variable {
    /** Steps into the part: fields and places in lists. */
    path: (string | number)[];
    title: string;
    formula: string;
}

/** A number with its unit or without, as "2e-5 m^2*K/W". */
const PLAIN = /^\s*([-+]?(?:\d+\.?\d*|\.\d+)(?:e[-+]?\d+)?)\s*((?:[a-z%]+(?:\^-?\d+)?(?:[*/][a-z]+(?:\^-?\d+)?)*)?)\s*$/i;

/** What an axis of a list of three is called. */
const AXES = ['x', 'y', 'z'];

/** Fields that are words or are of the document. */
const SKIPPED = new Set([
    'id',
    'name',
    'group',
    'kind',
    'material',
    'colour',
    'node',
    'face',
    'note',
    'vertices',
    'triangles',
    'locked',
    'axis',
    'curve',
    'layers',
]);

const titles: Record<string, string> = { at: 'position', power: 'watts', size: 'size', shape: '', turn: 'turned by', heat: '', faces: 'face' };

/** Every number of a part that is written as such, with its unit or without; formulas of parameters are varied by these already. */
export function variablesOf(part: PartEntry): Variable[] {
    const found: Variable[] = [];
    const visit = (value: unknown, path: (string | number)[]) => {
        if (typeof value === 'number' || (typeof value === 'string' && PLAIN.test(value))) {
            const words = path.map((step) => (typeof step === 'number' ? (AXES[step] ?? String(step + 1)) : (titles[step] ?? spaced(step))));
            const title = words.filter(Boolean).join(' ');
            found.push({ path, title: title[0] === undefined ? '' : title[0].toUpperCase() + title.slice(1), formula: String(value) });
        } else if (Array.isArray(value)) {
            value.forEach((one, n) => visit(one, [...path, n]));
        } else if (typeof value === 'object' && value !== null) {
            for (const [key, one] of Object.entries(value)) if (!SKIPPED.has(key)) visit(one, [...path, key]);
        }
    };
    visit(part, []);
    return found;
}

const spaced = (key: string): string => key.replace(/([a-z])([A-Z])/g, '$1 $2').toLowerCase();

/** A name for a parameter that nothing has yet, from what it is. */
export function nameFor(part: string, title: string, document: ModelDocument): string {
    const taken = parametersOf(document);
    const stem =
        `${part} ${title}`
            .toLowerCase()
            .replace(/[^a-z0-9]+/g, '_')
            .replace(/^[^a-z]+|_+$/g, '')
            .slice(0, 40) || 'value';
    if (!(stem in taken)) return stem;
    for (let n = 2; ; n++) if (!(`${stem}_${n}` in taken)) return `${stem}_${n}`;
}

/** The document with a number of a part as a parameter, which the part then uses. */
export function withVariable(document: ModelDocument, part: string, { path, formula }: Variable, name: string): ModelDocument {
    const put = (value: unknown, [step, ...rest]: (string | number)[]): unknown => {
        if (step === undefined) return name;
        if (Array.isArray(value)) return value.map((one: unknown, n) => (n === step ? put(one, rest) : one));
        return { ...(value as object), [step]: put((value as Record<string, unknown>)[step], rest) };
    };
    const parts = document.parts?.map((entry) => (entry.id === part ? (put(entry, path) as PartEntry) : entry));
    return { ...withParameter(document, name, formula), ...(parts && { parts }) };
}

/** A range around a value: a fifth down and up in five steps; of what is no plain number there is none to suggest. */
export function suggestedRange(formula: string): string {
    const plain = PLAIN.exec(formula);
    if (!plain) return formula;
    const value = Number(plain[1]);
    const [low, high] = value === 0 ? [0, 1] : [0.8 * value, 1.2 * value];
    const written = (number: number) => `${Number(number.toPrecision(4))} ${plain[2]}`.trim();
    return `${written(low)} .. ${written(high)} : 5`;
}
