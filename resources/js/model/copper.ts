import type { ModelDocument, Place, PartEntry } from './document';
import type { OutlinePart } from '../api/types';
import { startsOf, terminalKinds, terminalValues, type TerminalEntry, type TerminalKind } from './current';
import { millimetres } from './parts';
import { textOf } from './text';
import { withCurrents } from './space';
import { typed } from '../units/units';

/** A layer of a board as the model has it, from below; one of copper has artwork or copper drawn by hand. */
export interface LayerEntry {
    name?: string;
    thickness: string | number;
    copper?: string | number;
    artwork?: string;
    drawn?: unknown[];
    [field: string]: unknown;
}

/** Where current enters or leaves the copper of a board. */
export interface CopperTerminal {
    name: string;
    layer: string;
    at: Place;
    /** Further pads of the same size that share its current. */
    pads?: Place[];
    size?: Place;
    diameter?: string | number;
    electric: Omit<TerminalEntry, 'kind'> & { kind?: CopperTerminalKind };
}

const { contact: _contact, ...atFaces } = terminalKinds;

/** At a joint, current passes on into a part that touches the board there. */
export const copperTerminalKinds = { ...atFaces, joint: 'Joint with a part' } as const;
export type CopperTerminalKind = keyof typeof copperTerminalKinds;

/** What each kind is stated by, as at faces; of a joint beside the part. */
export const copperTerminalValues: Record<CopperTerminalKind, (typeof terminalValues)[TerminalKind]> = {
    ...terminalValues,
    joint: [['resistance', 'Contact resistance times area', 'ohm*m^2', '0 ohm*m^2']],
};

/** A joint begins with the first part that there is. */
export const copperTerminalOfKind = (kind: CopperTerminalKind, parts: Readonly<Record<string, string>>): CopperTerminal['electric'] => ({
    kind,
    ...(kind === 'joint' && { part: Object.keys(parts)[0] }),
    ...startsOf(copperTerminalValues[kind]),
});

/** Whether current passes from its copper into parts, so that it is not to be computed alone. */
export const isJoined = (board: PartEntry): boolean => (copperOf(board).terminals ?? []).some(({ electric }) => electric.kind === 'joint');

/** Parts that lie on a face of a board, which its copper can be joined to, by id. */
export function partsOn(parts: readonly OutlinePart[], board: PartEntry): Record<string, string> {
    const normal = ['x', 'y', 'z'].indexOf(textOf((board.shape as { normal?: unknown }).normal) || 'z');
    const on = parts.find(({ id }) => id === board.id);
    const touches = ({ min, max }: OutlinePart) =>
        on !== undefined &&
        min.every((least, axis) => least <= on.max[axis]! + TOUCHES && max[axis]! >= on.min[axis]! - TOUCHES) &&
        (Math.abs(min[normal]! - on.max[normal]!) <= TOUCHES || Math.abs(max[normal]! - on.min[normal]!) <= TOUCHES);
    return Object.fromEntries(parts.filter((part) => part.copyOf === null && part.id !== board.id && touches(part)).map(({ id, name }) => [id, name]));
}

/** Between faces that touch, m. */
const TOUCHES = 1e-7;

/** Vias drilled by hand. */
export interface ViaGroup {
    name?: string;
    at: Place;
    columns?: string | number;
    rows?: string | number;
    pitch?: string | number;
    drill: string | number;
    joins: string[];
    clearance?: string | number;
}

export interface CopperEntry {
    origin?: Place;
    drills?: object[];
    vias?: ViaGroup[];
    terminals?: CopperTerminal[];
    [field: string]: unknown;
}

export const layersOf = (board: PartEntry): LayerEntry[] => (board.shape as { layers?: LayerEntry[] }).layers ?? [];

export const copperOf = (board: PartEntry): CopperEntry => (board.copper as CopperEntry | undefined) ?? {};

/** Names of the layers of copper, from below. */
export const copperLayers = (board: PartEntry): string[] =>
    layersOf(board).flatMap((layer, n) => (layer.artwork !== undefined || layer.drawn !== undefined ? [layer.name ?? `Layer ${n + 1}`] : []));

export const hasArtwork = (board: PartEntry): boolean => copperLayers(board).length > 0;

/** Whether current enters the copper of any board. */
export const hasCopperTerminals = (document: ModelDocument): boolean => (document.parts ?? []).some((part) => (copperOf(part).terminals ?? []).length > 0);

const withCopper = (board: PartEntry, change: Partial<CopperEntry>): Partial<PartEntry> => ({ copper: { ...copperOf(board), ...change } });

/** Sets the nth of a list, or one more; without it, it is removed. */
const changed = <T>(list: readonly T[], n: number, item: T | undefined): T[] =>
    item ? [...list.slice(0, n), item, ...list.slice(n + 1)] : list.filter((_one, i) => i !== n);

export const withCopperTerminal = (board: PartEntry, n: number, terminal: CopperTerminal | undefined): Partial<PartEntry> =>
    withCopper(board, { terminals: changed(copperOf(board).terminals ?? [], n, terminal) });

export const withViaGroup = (board: PartEntry, n: number, group: ViaGroup | undefined): Partial<PartEntry> =>
    withCopper(board, { vias: changed(copperOf(board).vias ?? [], n, group) });

/** A place on a board as it is written, to the hundredth of a millimetre. */
export const written = (metres: readonly number[]): string[] => metres.map((m) => millimetres(Math.round(m * 1e5) / 1e5));

/** Further pads as they are typed: "12 mm, 5 mm; 14 mm, 5 mm". */
export const padsText = (pads: readonly Place[] | undefined): string => (pads ?? []).map((place) => place.join(', ')).join('; ');

/** The same read, each number in a unit where it has none; null where a place is no pair. */
export function padsFrom(text: string, unit: string): Place[] | null {
    const places = text.split(';').flatMap((place) => (place.trim() === '' ? [] : [place.split(',').map((length) => typed(length.trim(), unit))]));
    return places.every((place) => place.length === 2 && !place.includes('')) ? places : null;
}

/** A terminal at a place that was picked: a voltage first, then a ground, then loads. */
export function pickedTerminal(board: PartEntry, layer: string, at: readonly number[]): CopperTerminal {
    const present = copperOf(board).terminals ?? [];
    const kinds = present.map(({ electric }) => electric.kind);
    const kind = !kinds.includes('voltage') ? 'voltage' : !kinds.includes('ground') ? 'ground' : 'current';
    const named = { voltage: 'Source', ground: 'Return', current: 'Load' }[kind];
    const like = present.filter(({ name }) => name.startsWith(named)).length;
    const electric: CopperTerminal['electric'] = kind === 'voltage' ? { kind, voltage: '12 V' } : kind === 'current' ? { kind, current: '-1 A' } : { kind };
    return { name: like > 0 ? `${named} ${like + 1}` : named, layer, at: written(at), size: ['3 mm', '2 mm'], electric };
}

/** Two vias side by side at a place. */
export const pickedVias = (at: readonly number[], drill: number, joins: string[]): ViaGroup => ({
    at: written(at),
    columns: 1,
    rows: 3,
    pitch: millimetres(Math.round(4 * drill * 1e5) / 1e5),
    drill: millimetres(drill),
    joins,
});

/** Computes currents as soon as there is a terminal. */
export const withCurrentsOn = (document: ModelDocument): ModelDocument => (hasCopperTerminals(document) ? withCurrents(document, true) : document);

/** A file of a layout, and what is taken of it. */
export interface ChosenFile {
    name: string;
    kind: 'copper' | 'drill' | 'nets' | 'other';
    /** Number of the layer of copper, from the top. */
    position: number;
    plated: boolean;
    packed: string;
    /** Least and greatest x, least and greatest y, m. */
    bounds: number[] | null;
    /** Of copper, m2. */
    area: number;
}

/** The outline around all copper and holes, m. */
export function outlineOf(files: readonly ChosenFile[]): [number, number, number, number] | null {
    const bounds = files.flatMap(({ kind, bounds: own }) => ((kind === 'copper' || kind === 'drill') && own ? [own] : []));
    if (bounds.length === 0) return null;
    const least = (n: number) => Math.min(...bounds.map((own) => own[n]!));
    const most = (n: number) => Math.max(...bounds.map((own) => own[n]!));
    return [least(0), most(1), least(2), most(3)];
}

interface Stack {
    /** m, of every layer of copper, and of all together. */
    copper: number;
    thickness: number;
    /** m; null: by the narrowest line. */
    pixel: number | null;
}

/** A board with the artwork of the files, their layers an even distance apart. */
export function withArtwork(
    board: PartEntry,
    files: readonly ChosenFile[],
    outline: readonly number[],
    { copper, thickness, pixel }: Stack,
): Partial<PartEntry> {
    const layers = files.filter(({ kind }) => kind === 'copper').sort((a, b) => b.position - a.position);
    const count = layers.length;
    const between = (thickness - count * copper) / Math.max(1, count - 1);
    const titles = layers.map((_file, n) => (n === count - 1 ? 'Top' : n === 0 ? 'Bottom' : `Inner ${count - 1 - n}`));
    const insulation = { thickness: millimetres(between) };
    const whole = (outline[1]! - outline[0]!) * (outline[3]! - outline[2]!);
    const stack: LayerEntry[] = layers.flatMap(({ packed, area }, n) => [
        { name: titles[n]!, thickness: millimetres(copper), copper: Number(Math.min(1, area / whole).toPrecision(3)), artwork: packed },
        ...(n < count - 1 || count === 1 ? [insulation] : []),
    ]);
    const drills = files.filter(({ kind }) => kind === 'drill').map(({ name, packed, plated }) => ({ name, file: packed, plated }));
    const netList = files.find(({ kind }) => kind === 'nets')?.packed;
    const origin = [outline[0]!, outline[2]!];
    return {
        material: undefined,
        shape: { ...board.shape, size: written([outline[1]! - origin[0]!, outline[3]! - origin[1]!]), layers: stack } as PartEntry['shape'],
        copper: {
            ...copperOf(board),
            origin: written(origin),
            ...(pixel === null ? {} : { pixel: millimetres(pixel) }),
            drills,
            ...(netList === undefined ? {} : { netList }),
        },
    };
}
