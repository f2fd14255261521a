import { withoutPointsOf } from '../operating/points';
import { withoutTolerancesOf } from '../tolerances/tolerances';
import type { Outline, OutlinePart } from '../api/types';
import { intoAxes, wholeAssemblies, type Placed } from './axes';
import { isLocked, originOf, originsOf, type LimitEntry, type ModelDocument, type PartEntry } from './document';
import { withoutRefinementsOf } from './refine';
import { standardAir } from './typical';

/** The material of a part before somebody has chosen one; preflight asks for it. */
export const UNDECIDED = 'undecided';

/** What can be added, in the words of the screen. */
export const partChoices = {
    block: 'Block',
    plateFins: 'Heat sink',
    pinFins: 'Pin heat sink',
    board: 'Board',
    package: 'Package',
    fan: 'Fan',
    screen: 'Screen',
    shell: 'Box with walls',
    cylinder: 'Cylinder',
    profile: 'Profile',
    wire: 'Wire',
    trace: 'Strip or trace',
    vias: 'Vias in a board',
    carve: 'Carve-out',
    pad: 'Interface pad',
} as const;
export type PartChoice = keyof typeof partChoices;

type Triple = [number, number, number];

/** As the model writes it: a formula, or metres. */
export type Length = string | number;

const axes = ['x', 'y', 'z'] as const;
export type Axis = (typeof axes)[number];

/** The two other axes, in the order x, y, z. */
export const across: Readonly<Record<string, [Axis, Axis]>> = { x: ['y', 'z'], y: ['x', 'z'], z: ['x', 'y'] };

/** A length in metres as the model writes it. */
export const millimetres = (metres: number): string => `${Number((metres * 1e3).toFixed(4))} mm`;

/** An id that no part has yet. */
export function freeId(document: ModelDocument, wanted: string): string {
    const base =
        wanted
            .toLowerCase()
            .replace(/[^a-z0-9]+/g, '-')
            .replace(/^-+|-+$/g, '') || 'part';
    const taken = new Set(document.parts?.map((part) => part.id));
    if (!taken.has(base)) return base;
    let n = 2;
    while (taken.has(`${base}-${n}`)) n++;
    return `${base}-${n}`;
}

/** A name that no part has yet, counted up. */
function freeName(document: ModelDocument, wanted: string): string {
    const taken = new Set(document.parts?.map((part) => part.name ?? part.id));
    if (!taken.has(wanted)) return wanted;
    const stem = wanted.replace(/ \d+$/, '');
    let n = 2;
    while (taken.has(`${stem} ${n}`)) n++;
    return `${stem} ${n}`;
}

/** Shape, size in metres and further fields of a new part, small enough for the room. */
function begin(choice: PartChoice, room: Triple): { size: Triple; fields: Partial<PartEntry> & { shape: PartEntry['shape'] } } {
    const fit = (size: Triple): Triple => size.map((s, n) => Number(Math.min(s, 0.5 * room[n]!).toPrecision(2))) as Triple;
    const mm = (size: readonly number[]) => size.map(millimetres);
    switch (choice) {
        case 'block': {
            const size = fit([0.02, 0.02, 0.005]);
            return { size, fields: { shape: { kind: 'block', size: mm(size) } as PartEntry['shape'], material: UNDECIDED } };
        }
        case 'carve': {
            const size = fit([0.02, 0.02, 0.02]);
            return { size, fields: { shape: { kind: 'block', size: mm(size) } as PartEntry['shape'], material: 'fluid' } };
        }
        case 'pad': {
            const [width, depth] = fit([0.02, 0.02, 0]);
            return {
                size: [width, depth, PAD],
                fields: { shape: { kind: 'block', size: mm([width, depth, PAD]) } as PartEntry['shape'], material: 'gap-pad' },
            };
        }
        case 'cylinder': {
            const size = fit([0.01, 0.01, 0.02]);
            const radius = Math.min(size[0], size[1]) / 2;
            return {
                size: [2 * radius, 2 * radius, size[2]],
                fields: {
                    shape: { kind: 'cylinder', axis: 'z', radius: millimetres(radius), length: millimetres(size[2]) } as PartEntry['shape'],
                    material: UNDECIDED,
                },
            };
        }
        case 'profile': {
            const size = fit([0.03, 0.03, 0.04]);
            const wall = millimetres(Number((size[0] / 10).toPrecision(2)));
            const [width, height] = [millimetres(size[0]), millimetres(size[1])];
            return {
                size,
                fields: {
                    shape: {
                        kind: 'profile',
                        axis: 'z',
                        points: [
                            ['0 mm', '0 mm'],
                            [width, '0 mm'],
                            [width, wall],
                            [wall, wall],
                            [wall, height],
                            ['0 mm', height],
                        ],
                        length: millimetres(size[2]),
                    } as PartEntry['shape'],
                    material: 'aluminium-6063',
                },
            };
        }
        case 'wire': {
            const [length] = fit([0.03, 0, 0]);
            const height = 0.25 * length;
            const points = [
                [0, 0, 0],
                [0, 0, height],
                [length, 0, height],
                [length, 0, 0],
            ].map(mm);
            return { size: [length, 0, height], fields: { shape: { kind: 'path', points, diameter: '1 mm' } as PartEntry['shape'], material: 'copper' } };
        }
        case 'trace': {
            const [length, width] = fit([0.03, 0.02, 0]);
            const points = [
                [0, 0, 0],
                [length, 0, 0],
                [length, width, 0],
            ].map(mm);
            return {
                size: [length, width, 0.001],
                fields: { shape: { kind: 'path', points, width: '2 mm', thickness: '0.5 mm' } as PartEntry['shape'], material: 'copper' },
            };
        }
        case 'vias': {
            const size = fit([0.008, 0.008, BOARD]);
            return {
                size: [size[0], size[1], BOARD],
                fields: {
                    shape: {
                        kind: 'vias',
                        board: '',
                        size: mm(size.slice(0, 2)),
                        thickness: millimetres(BOARD),
                        count: 36,
                        drill: '0.3 mm',
                        plating: '25 um',
                    } as PartEntry['shape'],
                },
            };
        }
        case 'plateFins': {
            const size = fit([0.04, 0.04, 0.025]);
            const base = Number((0.16 * size[2]).toPrecision(2));
            return {
                size,
                fields: {
                    shape: {
                        kind: 'plateFins',
                        size: mm(size.slice(0, 2)),
                        base: millimetres(base),
                        height: millimetres(size[2] - base),
                        count: 9,
                        thickness: millimetres(Number((size[1] / 40).toPrecision(2))),
                        along: 'x',
                    } as PartEntry['shape'],
                    material: 'aluminium-6063',
                },
            };
        }
        case 'pinFins': {
            const size = fit([0.04, 0.04, 0.02]);
            const base = Number((0.16 * size[2]).toPrecision(2));
            return {
                size,
                fields: {
                    shape: {
                        kind: 'pinFins',
                        size: mm(size.slice(0, 2)),
                        base: millimetres(base),
                        height: millimetres(size[2] - base),
                        columns: 6,
                        rows: 6,
                        width: millimetres(Number((Math.min(size[0], size[1]) / 14).toPrecision(2))),
                    } as PartEntry['shape'],
                    material: 'aluminium-6063',
                },
            };
        }
        case 'board': {
            const size = fit([0.1, 0.08, 0.0016]);
            return {
                size: [size[0], size[1], BOARD],
                fields: { shape: { kind: 'board', size: mm(size.slice(0, 2)), layers: boardLayers(4) } as PartEntry['shape'] },
            };
        }
        case 'package': {
            const size = fit([0.01, 0.01, 0.002]);
            return {
                size,
                fields: {
                    shape: { kind: 'package', size: mm(size), junctionToCase: '5 K/W', junctionToBoard: '10 K/W' } as PartEntry['shape'],
                    power: '1 W',
                    surface: { finish: 'moulded' },
                },
            };
        }
        case 'fan': {
            const [, y, z] = fit([0, 0.04, 0.04]);
            const diameter = Math.min(y, z);
            return {
                size: [0, diameter, diameter],
                fields: {
                    shape: {
                        kind: 'fan',
                        direction: 'x+',
                        diameter: millimetres(diameter),
                        hub: 0.4,
                        curve: [
                            ['0 l/s', '40 Pa'],
                            ['2 l/s', '25 Pa'],
                            ['4 l/s', '0 Pa'],
                        ],
                        curveDensity: standardAir,
                    } as PartEntry['shape'],
                },
            };
        }
        case 'screen': {
            const [, y, z] = fit([0, 0.04, 0.04]);
            return { size: [0, y, z], fields: { shape: { kind: 'screen', normal: 'x', size: mm([y, z]), freeArea: 0.5 } as PartEntry['shape'] } };
        }
        case 'shell': {
            const size = room;
            return {
                size,
                fields: {
                    shape: { kind: 'shell', size: mm(size), wall: millimetres(Number((0.04 * Math.min(...size)).toPrecision(1))) } as PartEntry['shape'],
                    material: UNDECIDED,
                },
            };
        }
    }
}

/** What a new part of a kind is like before it has a size of its own. */
export const newShape = (choice: PartChoice): PartEntry['shape'] => begin(choice, [1, 1, 1]).fields.shape;

const COPPER = 0.000035;
const BOARD = 0.0016;
const PAD = 0.001;

/** Layers of a common board, 1.6 mm thick: copper of 35 um at both faces and evenly in between; inner layers are mostly full. */
export function boardLayers(count: number): { thickness: string; copper: number }[] {
    const copper = (n: number) => ({ thickness: millimetres(COPPER), copper: n === 0 || n === count - 1 ? 0.4 : 0.85 });
    const cores = Math.max(count - 1, 1);
    // Ends of the cores in steps of 5 um, so that the sum is round.
    const end = (n: number) => Math.round(((BOARD - count * COPPER) * n) / cores / 5e-6) * 5e-6;
    const core = (n: number) => ({ thickness: millimetres(end(n) - end(n - 1)), copper: 0 });
    if (count === 1) return [core(1), copper(0)];
    return [...Array(count).keys()].flatMap((n) => (n === 0 ? [copper(0)] : [core(n), copper(n)]));
}

/** Upper face of the floor of a box with walls, m; null for parts that are not hollow. */
const floorInside = (part: OutlinePart): number | null => part.drawing.find((d) => d.wall === 'z-')?.max?.[2] ?? null;

/** Vias fill the thickness of the board they go through; they stand in its middle. */
function throughBoard(shape: PartEntry['shape'], board: OutlinePart, at: number[]): void {
    const thickness = [0, 1, 2].map((n) => board.max[n]! - board.min[n]!);
    const normal = thickness.indexOf(Math.min(...thickness));
    Object.assign(shape, { board: board.id, thickness: millimetres(thickness[normal]!), ...(normal === 2 ? {} : { normal: axes[normal]! }) });
    at[normal] = board.min[normal]!;
    const across = [0, 1, 2].filter((n) => n !== normal);
    const size = (shape as unknown as { size: string[] }).size.map((text) => Number.parseFloat(text) / 1e3);
    across.forEach((n, i) => {
        at[n] = (board.min[n]! + board.max[n]! - size[i]!) / 2;
    });
}

/** A pad covers what it lies on. */
function coverOf(shape: PartEntry['shape'], size: Triple, under: OutlinePart): void {
    [size[0], size[1]] = [under.max[0]! - under.min[0]!, under.max[1]! - under.min[1]!];
    Object.assign(shape, { size: size.map(millimetres) });
}

/** A new part on top of the given one, on the floor inside it where it is hollow, or in the middle of the floor of the space. */
export function withNewPart(document: ModelDocument, outline: Outline, choice: PartChoice, under?: OutlinePart): { document: ModelDocument; id: string } {
    const room = [0, 1, 2].map((n) => outline.space.max[n]! - outline.space.min[n]!) as Triple;
    const { size, fields } = begin(choice, room);
    if (choice === 'pad' && under) coverOf(fields.shape, size, under);
    const name = freeName(document, partChoices[choice]);
    const flat = choice === 'fan' || choice === 'screen' || choice === 'shell';
    const centre = [0, 1, 2].map((n) => (under ? (under.min[n]! + under.max[n]!) / 2 : (outline.space.min[n]! + outline.space.max[n]!) / 2));
    const corner = centre.map((c, n) => c - size[n]! / 2);
    if (!flat) corner[2] = under ? (floorInside(under) ?? under.max[2]!) : outline.space.min[2]!;
    const inside = corner.map((c, n) => Math.max(outline.space.min[n]!, Math.min(c, outline.space.max[n]! - size[n]!)));
    const host = choice === 'vias' ? (under?.kind === 'board' ? under : outline.parts.find((part) => part.kind === 'board')) : undefined;
    if (host) throughBoard(fields.shape, host, inside);
    const at = choice === 'cylinder' ? [inside[0]! + size[0] / 2, inside[1]! + size[1] / 2, inside[2]!] : inside;
    const entry: PartEntry = { id: freeId(document, name), name, ...fields, at: at.map(millimetres) };
    return { document: { ...document, parts: [...(document.parts ?? []), entry] }, id: entry.id };
}

/** Without the given parts, the limits and watches of them and what is asked of the grid there; locked ones stay. */
export function withoutParts(document: ModelDocument, ids: readonly string[]): ModelDocument {
    const gone = originsOf(ids).filter((id) => !isLocked(document, id));
    const about = (entry: { of?: { part?: string } }) => entry.of?.part !== undefined && gone.includes(originOf(entry.of.part));
    const watches = document.watches as { of?: { part?: string } }[] | undefined;
    return {
        ...withoutPointsOf(withoutTolerancesOf(withoutRefinementsOf(document, gone), gone), gone),
        parts: document.parts?.filter((part) => !gone.includes(part.id)),
        ...(document.limits ? { limits: document.limits.filter((limit) => !about(limit)) } : {}),
        ...(watches ? { watches: watches.filter((watch) => !about(watch)) } : {}),
    };
}

/** A length written further along by metres; formulas stay formulas. */
export function shifted(length: Length, by: number): Length {
    // Less than a nanometre is rounding.
    if (Math.abs(by) < 1e-9) return length;
    if (typeof length === 'number') return length + by;
    const plain = /^\s*(-?\d*\.?\d+)\s*mm\s*$/.exec(length);
    return plain ? millimetres(Number(plain[1]) / 1e3 + by) : `${length} ${by < 0 ? '-' : '+'} ${millimetres(Math.abs(by))}`;
}

/** Where a part stands, as written. */
export const placeOf = (part: PartEntry): Length[] => (part.at as Length[] | undefined) ?? [0, 0, 0];

/** Moves parts by metres along the axes of the space; locked ones stay. An assembly with axes of its own moves as a whole when all its parts do. */
export function withShift(document: ModelDocument, parts: readonly Placed[], by: readonly number[]): ModelDocument {
    const free = parts.filter((part) => !isLocked(document, part.id));
    const whole = wholeAssemblies(document, originsOf(free.map((part) => part.id)));
    const axes = new Map(free.map((part) => [originOf(part.id), part.axes]));
    const assemblies = Object.entries(document.assemblies ?? {}).map(([name, entry]): [string, typeof entry] => [
        name,
        whole.includes(name) ? { ...entry, at: (entry.at ?? [0, 0, 0]).map((place, n) => shifted(place, by[n] ?? 0)) } : entry,
    ]);
    return {
        ...document,
        parts: document.parts?.map((part) => {
            if (!axes.has(part.id) || whole.includes(String(part.group))) return part;
            const step = intoAxes(axes.get(part.id), by);
            return { ...part, at: placeOf(part).map((place, n) => shifted(place, step[n] ?? 0)) };
        }),
        ...(whole.length > 0 ? { assemblies: Object.fromEntries(assemblies) } : {}),
    };
}

/** A copy of parts with their limits at each offset (metres along the axes of the space); they stand behind all others in overlap priority. */
export function withCopies(
    document: ModelDocument,
    parts: readonly Placed[],
    offsets: readonly (readonly number[])[],
): { document: ModelDocument; ids: string[] } {
    let result = document;
    const added: string[] = [];
    const axes = new Map(parts.map((part) => [originOf(part.id), part.axes]));
    for (const offset of offsets) {
        for (const part of document.parts?.filter((p) => axes.has(p.id)) ?? []) {
            const name = freeName(result, part.name ?? part.id);
            const id = freeId(result, name);
            const step = intoAxes(axes.get(part.id), offset);
            const copy: PartEntry = { ...structuredClone(part), id, name, at: placeOf(part).map((place, axis) => shifted(place, step[axis] ?? 0)) };
            const limits = (document.limits ?? [])
                .filter((limit) => limit.of.part === part.id)
                .map((limit): LimitEntry => ({ ...limit, id: `${limit.id}-${id}`, name, of: { ...limit.of, part: id } }));
            result = { ...result, parts: [...(result.parts ?? []), copy], ...(limits.length > 0 ? { limits: [...(result.limits ?? []), ...limits] } : {}) };
            added.push(id);
        }
    }
    return { document: result, ids: added };
}

/** Earlier (-1) or later (+1) in overlap priority: the later of two parts that overlap wins. */
export function withOrder(document: ModelDocument, id: string, by: -1 | 1): ModelDocument {
    const parts = [...(document.parts ?? [])];
    const from = parts.findIndex((part) => part.id === originOf(id));
    const to = from + by;
    if (from < 0 || to < 0 || to >= parts.length) return document;
    [parts[from], parts[to]] = [parts[to]!, parts[from]!];
    return { ...document, parts };
}

/** Puts a part onto the top of another one, centred on it unless it stands there already. */
export function satOn(document: ModelDocument, part: OutlinePart, below: OutlinePart): ModelDocument {
    const overlaps = [0, 1].every((n) => part.min[n]! < below.max[n]! && part.max[n]! > below.min[n]!);
    const middle = (p: OutlinePart, n: number) => (p.min[n]! + p.max[n]!) / 2;
    return withShift(
        document,
        [part],
        [overlaps ? 0 : middle(below, 0) - middle(part, 0), overlaps ? 0 : middle(below, 1) - middle(part, 1), below.max[2]! - part.min[2]!],
    );
}
