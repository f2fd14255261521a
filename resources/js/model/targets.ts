import type { OutlinePart } from '../api/types';
import { freeEntryId, originOf, ownName, type LimitEntry, type ModelDocument } from './document';
import { facesOfKind } from './partKinds';
import { isOpening, sideNames, sideOf, withSide, type SideName } from './space';
import { textOf } from './text';

/** What a limit bounds or a watch follows of its subject, as one choice of the screen. */
export type What = string;

type Of = LimitEntry['of'];

export interface WatchEntry {
    id: string;
    name?: string;
    of: Of;
    quantity?: string;
    reduce?: string;
    [field: string]: unknown;
}

/** What limits and watches are set on: a part (and its linked copies), a side of the space, an opening in one. */
export interface Subject {
    id: string;
    name: string;
    /** The kind of the part, or what the side is. */
    kind: string;
    of: Of;
    /** Faces of a part at which current enters or leaves it; none where no currents are computed. */
    terminals?: readonly string[] | undefined;
    /** Whether it is a board with artwork that carries current. */
    isCopper?: boolean | undefined;
    /** Whether a network tells of a junction in it. */
    hasJunction?: boolean | undefined;
}

export const partSubject = (part: OutlinePart, terminals?: readonly string[], isCopper?: boolean, hasJunction?: boolean): Subject => ({
    id: originOf(part.id),
    name: ownName(part),
    kind: part.kind,
    of: { part: originOf(part.id) },
    terminals,
    isCopper,
    hasJunction,
});

/** The openings of the space, then its walls. */
export function spaceSubjects(document: ModelDocument, moving: boolean): Subject[] {
    const openings: Subject[] = [];
    const walls: Subject[] = [];
    for (const side of sideNames) {
        const entry = sideOf(document, side);
        const open = moving && isOpening(entry.kind);
        (open ? openings : walls).push({ id: side, name: `Side ${side}`, kind: open ? 'opening' : 'wall', of: { side } });
        (entry.patches ?? []).forEach((patch, n) => {
            if (moving && isOpening(patch.kind))
                openings.push({ id: `${side}-${n + 1}`, name: `Opening ${n + 1} in ${side}`, kind: 'opening', of: { side, patch: n } });
        });
    }
    return [...openings, ...walls];
}

/** What a fluid does at a wall. */
const atWalls = { convectionCoefficient: 'Convection coefficient', nusselt: 'Nusselt number', wallShear: 'Wall shear stress' } as const;

/** Quantities of currents: in a part, and at its terminals. */
export const electricQuantities = ['currentDensity', 'current', 'voltage', 'viaCurrent', 'voltageDrop'] as const;

export const isElectric = (quantity: unknown): quantity is (typeof electricQuantities)[number] => electricQuantities.some((one) => one === quantity);

/** What currents do in a part, and at its terminals. */
const ofCurrents = (terminals: readonly string[]): Record<What, string> => ({
    currentDensity: 'Current density',
    ...Object.fromEntries(terminals.map((face) => [`current ${face}`, `Current into face ${face}`])),
    ...Object.fromEntries(terminals.map((face) => [`voltage ${face}`, `Voltage of face ${face}`])),
});

/** What currents do in the copper of a board. */
const ofCopper: Record<What, string> = {
    viaCurrent: 'Current per via',
    voltageDrop: 'Voltage drop on a net',
    'currentDensity outer': 'Current density, outer layers',
    'currentDensity inner': 'Current density, inner layers',
    'currentDensity barrels': 'Current density, hole barrels',
};

/** The choices for a subject, with their words. */
export function whatsOf(
    { kind, terminals, isCopper, hasJunction }: Pick<Subject, 'kind' | 'terminals' | 'isCopper' | 'hasJunction'>,
    withHeat: boolean,
): Record<What, string> {
    if (kind === 'fan') return { flow: 'Flow through it' };
    if (kind === 'opening') return { leaving: 'Temperature leaving', flow: 'Flow out of it' };
    if (kind === 'wall') return { max: 'Hottest place', mean: 'Mean', ...(withHeat ? { heat: 'Heat through it', ...atWalls } : {}) };
    const own = facesOfKind(kind);
    const inside: Record<What, string> =
        kind === 'package' ? { junction: 'Junction', case: 'Case', board: 'Board side' } : { max: 'Hottest place', mean: 'Mean', min: 'Coldest place' };
    return {
        ...inside,
        ...(hasJunction ? { junction: 'Junction, by its network' } : {}),
        ...Object.fromEntries(own.map((face) => [`touch ${face}`, `Hottest of face ${face}`])),
        ...(withHeat ? Object.fromEntries(own.map((face) => [`heat ${face}`, `Heat out of face ${face}`])) : {}),
        ...(withHeat ? Object.fromEntries(own.map((face) => [`convectionCoefficient ${face}`, `Convection coefficient of face ${face}`])) : {}),
        ...(isCopper ? ofCopper : terminals && kind !== 'package' ? ofCurrents(terminals) : {}),
    };
}

export function whatOf(entry: { of: { node?: string; face?: string; copper?: string }; quantity?: unknown; reduce?: unknown }, kind: string): What {
    const quantity = textOf(entry.quantity);
    if (entry.of.face) return `${quantity === '' || quantity === 'temperature' ? 'touch' : quantity} ${entry.of.face}`;
    if (quantity === 'currentDensity') return entry.of.copper ? `${quantity} ${entry.of.copper}` : quantity;
    if (quantity in ofCopper) return quantity;
    if (quantity in atWalls) return quantity;
    if (entry.quantity === 'volumeFlow') return 'flow';
    if (entry.quantity === 'outflowTemperature') return 'leaving';
    if (entry.quantity === 'heat') return 'heat';
    if (kind === 'package' || entry.of.node) return entry.of.node ?? 'junction';
    return textOf(entry.reduce, 'max');
}

/** The fields that say so in the model document. */
function fieldsOf(what: What, of: Of): { of: Of; quantity: string; reduce: string } {
    const [kind, face] = what.split(' ');
    if (kind === 'flow') return { of, quantity: 'volumeFlow', reduce: 'mean' };
    if (kind === 'leaving') return { of, quantity: 'outflowTemperature', reduce: 'mean' };
    if (kind === 'currentDensity') return { of: face ? { ...of, copper: face } : of, quantity: kind, reduce: 'max' };
    if (kind === 'voltageDrop') return { of: { ...of, net: 'Net 1' }, quantity: kind, reduce: 'max' };
    if (kind !== undefined && (kind in atWalls || isElectric(kind))) return { of: face ? { ...of, face } : of, quantity: kind, reduce: 'mean' };
    if (kind === 'heat') return { of: face ? { ...of, face } : of, quantity: 'heat', reduce: 'total' };
    if (face) return { of: { ...of, face }, quantity: 'temperature', reduce: 'max' };
    if (['junction', 'case', 'board'].includes(what)) return { of: { ...of, node: what }, quantity: 'temperature', reduce: 'max' };
    return { of, quantity: 'temperature', reduce: what };
}

const nameOf = (subject: Subject, what: What): string => {
    const word = whatsOf(subject, true)[what] ?? what;
    return what === 'max' ? subject.name : `${subject.name}, ${word.toLowerCase()}`;
};

export const watchesOf = (document: ModelDocument): WatchEntry[] => (document.watches as WatchEntry[] | undefined) ?? [];

const isOn = (entry: { of: Of }, { of }: Subject): boolean => entry.of.part === of.part && entry.of.side === of.side && entry.of.patch === of.patch;

export const limitsOn = (document: ModelDocument, subject: Subject): LimitEntry[] => (document.limits ?? []).filter((limit) => isOn(limit, subject));

export const watchesOn = (document: ModelDocument, subject: Subject): WatchEntry[] => watchesOf(document).filter((watch) => isOn(watch, subject));

/** The quantity of a choice, as bounds are typed. */
export const measuredAs = (what: What): 'flow' | 'temperature' | (typeof electricQuantities)[number] => {
    const [kind] = what.split(' ');
    return kind === 'flow' || isElectric(kind) ? kind : 'temperature';
};

/** Air is limited from below, all else from above. */
export const boundedBy = (what: What): 'atLeast' | 'atMost' => (what === 'flow' ? 'atLeast' : 'atMost');

/** A limit where there was none. */
export function withNewLimit(document: ModelDocument, subject: Subject, what: What, bound: string): ModelDocument {
    const entry: LimitEntry = {
        id: freeEntryId(document, `limit-${subject.id}`),
        name: nameOf(subject, what),
        ...fieldsOf(what, subject.of),
        ...(what === 'viaCurrent' ? { vias: [['0.3 mm', bound]] } : { [boundedBy(what)]: bound }),
    };
    return { ...document, limits: [...(document.limits ?? []), entry] };
}

export function withNewWatch(document: ModelDocument, subject: Subject, what: What): ModelDocument {
    const entry: WatchEntry = { id: freeEntryId(document, `watch-${subject.id}`), name: nameOf(subject, what), ...fieldsOf(what, subject.of) };
    return { ...document, watches: [...watchesOf(document), entry] };
}

/** Whether an entry bounds what it is on: a limit, not a watch. */
const isBounded = (entry: object): boolean => 'atMost' in entry || 'atLeast' in entry;

/** A limit or watch looks at something else of its subject. A Nusselt number starts from a length to be mended. */
export function withWhat<T extends LimitEntry | WatchEntry>({ length, reference, vias, ...entry }: T, subject: Subject, what: What): T {
    const fields = fieldsOf(what, subject.of);
    return {
        ...entry,
        name: nameOf(subject, what),
        ...fields,
        ...(fields.quantity === 'viaCurrent' && isBounded(entry) ? { vias: vias ?? [['0.3 mm', '2 A']], atMost: undefined, atLeast: undefined } : {}),
        ...(fields.quantity === 'nusselt' ? { length: length ?? '10 mm' } : {}),
        ...(isAgainstReference(fields.quantity) && reference !== undefined ? { reference } : {}),
    } as T;
}

/** Whether a quantity is counted against a temperature of the fluid. */
export const isAgainstReference = (quantity: unknown): boolean => quantity === 'convectionCoefficient' || quantity === 'nusselt';

/** Changes the limit or watch of an id; null removes it. */
export function withEntry(
    document: ModelDocument,
    list: 'limits' | 'watches',
    id: string,
    change: (entry: LimitEntry & WatchEntry) => object | null,
): ModelDocument {
    const entries = (document[list] as (LimitEntry & WatchEntry)[] | undefined) ?? [];
    return { ...document, [list]: entries.flatMap((entry) => (entry.id === id ? (change(entry) ?? []) : [entry])) };
}

/** Without an opening: what was limited and watched there goes with it, the later openings of the side move up. */
export function withoutOpening(document: ModelDocument, side: SideName, index: number): ModelDocument {
    const moved = <T extends { of: Of }>(entries: T[]): T[] =>
        entries.flatMap((entry) => {
            const { patch } = entry.of;
            if (entry.of.side !== side || patch === undefined || patch < index) return [entry];
            return patch === index ? [] : [{ ...entry, of: { ...entry.of, patch: patch - 1 } }];
        });
    return {
        ...withSide(document, side, (entry) => ({ ...entry, patches: entry.patches?.filter((_patch, n) => n !== index) })),
        ...(document.limits ? { limits: moved(document.limits) } : {}),
        ...(document.watches ? { watches: moved(watchesOf(document)) } : {}),
    };
}
