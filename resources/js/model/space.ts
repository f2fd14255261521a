import type { Load } from './loads';
import { boxAround, type Box } from './box';
import type { ModelDocument } from './document';
import { millimetres, shifted } from './parts';

export const sideNames = ['x-', 'x+', 'y-', 'y+', 'z-', 'z+'] as const;
export type SideName = (typeof sideNames)[number];

export const openingKinds = { wall: 'Wall', open: 'Open to the surroundings', inlet: 'Inlet', outlet: 'Outlet', symmetry: 'Symmetry' } as const;
export type OpeningKind = keyof typeof openingKinds;

/** Whether air passes a side or a patch of this kind. */
export const isOpening = (kind: OpeningKind | undefined): boolean => kind === 'inlet' || kind === 'outlet' || kind === 'open';

/** How the flow of an inlet, or what an outlet draws off, is stated, with the unit a bare number gets. */
export const inletKinds = { speed: ['Speed', 'm/s', '1 m/s'], volumeFlow: ['Volume flow', 'l/s', '1 l/s'], massFlow: ['Mass flow', 'g/s', '1 g/s'] } as const;
export type InletKind = keyof typeof inletKinds;

/** A side of the space, or a patch of it: what passes there. Fields not named here are kept. */
export interface OpeningEntry {
    kind?: OpeningKind;
    speed?: string | number;
    volumeFlow?: string | number;
    massFlow?: string | number;
    temperature?: string | number;
    pressure?: string | number;
    [field: string]: unknown;
}

export interface PatchEntry extends OpeningEntry {
    min: (string | number)[];
    max: (string | number)[];
    round?: boolean;
}

export interface SideEntry extends OpeningEntry {
    patches?: PatchEntry[];
}

interface SpaceEntry {
    sides?: Partial<Record<SideName, SideEntry>>;
    [field: string]: unknown;
}

const spaceOf = (document: ModelDocument): SpaceEntry => (document.space as SpaceEntry | undefined) ?? {};

export const sideOf = (document: ModelDocument, side: SideName): SideEntry => spaceOf(document).sides?.[side] ?? {};

export function withSide(document: ModelDocument, side: SideName, change: (entry: SideEntry) => SideEntry): ModelDocument {
    const space = spaceOf(document);
    return { ...document, space: { ...space, sides: { ...space.sides, [side]: change(sideOf(document, side)) } } };
}

/** Every side that is a wall passes heat as this one does. */
export function withHeatOfSide(document: ModelDocument, side: SideName): ModelDocument {
    const { heat } = sideOf(document, side);
    return sideNames
        .filter((other) => (sideOf(document, other).kind ?? 'wall') === 'wall')
        .reduce((d, other) => withSide(d, other, ({ heat: _before, ...entry }) => (heat ? { ...entry, heat } : entry)), document);
}

export const withPatch = (document: ModelDocument, side: SideName, index: number, change: (entry: PatchEntry) => PatchEntry): ModelDocument =>
    withSide(document, side, (entry) => ({ ...entry, patches: (entry.patches ?? []).map((patch, i) => (i === index ? change(patch) : patch)) }));

export const inletKindOf = (entry: OpeningEntry): InletKind | undefined => (Object.keys(inletKinds) as InletKind[]).find((kind) => entry[kind] !== undefined);

/** Another kind of opening: what the new one cannot have goes, what it needs comes with a value to start from. */
export function ofKind<T extends OpeningEntry>(entry: T, kind: OpeningKind): T {
    const changed: T = { ...entry, kind };
    if (kind !== 'inlet') {
        for (const inlet of Object.keys(inletKinds) as InletKind[]) delete changed[inlet];
        delete changed.conducts;
        delete changed.profile;
    }
    if (kind === 'inlet' && inletKindOf(changed) === undefined) changed.speed = inletKinds.speed[2];
    if (kind !== 'wall') delete changed.heat;
    if (kind === 'wall' || kind === 'symmetry') delete changed.temperature;
    if (kind !== 'outlet' && kind !== 'open') delete changed.pressure;
    return changed;
}

/** Another way to state the flow; null leaves an outlet to the pressure outside. */
export function withInletKind<T extends OpeningEntry>(entry: T, kind: InletKind | null): T {
    const changed: T = { ...entry };
    for (const other of Object.keys(inletKinds) as InletKind[]) delete changed[other];
    if (kind === null) return changed;
    delete changed.pressure;
    return { ...changed, [kind]: inletKinds[kind][2] };
}

export type FlowChoice = 'none' | 'auto' | 'laminar' | 'turbulent';

interface PhysicsEntry {
    flow?: FlowChoice;
    buoyancy?: boolean;
    heat?: boolean;
    electric?: boolean;
    [field: string]: unknown;
}

const physicsOf = (document: ModelDocument): PhysicsEntry => (document.physics as PhysicsEntry | undefined) ?? {};

export const flowOf = (document: ModelDocument): FlowChoice => physicsOf(document).flow ?? 'none';
export const buoyancyOf = (document: ModelDocument): boolean => physicsOf(document).buoyancy ?? false;

/** Moving air needs a fluid in the space; air is the one to start from. */
export function withFlow(document: ModelDocument, flow: FlowChoice): ModelDocument {
    const space = spaceOf(document);
    return { ...document, physics: { ...physicsOf(document), flow }, space: flow === 'none' ? space : { ...space, fluid: space.fluid ?? 'air' } };
}

export const withBuoyancy = (document: ModelDocument, buoyancy: boolean): ModelDocument => ({ ...document, physics: { ...physicsOf(document), buoyancy } });

/** Whether temperatures are computed, or only where the air goes. */
export const heatOf = (document: ModelDocument): boolean => physicsOf(document).heat ?? true;

export const withHeat = (document: ModelDocument, heat: boolean): ModelDocument => ({ ...document, physics: { ...physicsOf(document), heat } });

export type RadiationChoice = 'none' | 'surroundings' | 'surfaces';

/** What surfaces radiate to. */
export const radiationOf = (document: ModelDocument): RadiationChoice => (physicsOf(document).radiation as RadiationChoice | undefined) ?? 'none';

export const withRadiation = (document: ModelDocument, radiation: RadiationChoice): ModelDocument => ({
    ...document,
    physics: { ...physicsOf(document), radiation },
});

/** What surfaces radiate to, as it is written; empty where it is as warm as the ambient. */
export const radiantOf = (document: ModelDocument): string => String(surroundingsOf(document).radiantTemperature ?? '');

export function withRadiant(document: ModelDocument, text: string): ModelDocument {
    const { radiantTemperature: _before, ...rest } = surroundingsOf(document);
    return { ...document, surroundings: text === '' ? rest : { ...rest, radiantTemperature: text } };
}

/** Where the sun stands and how strongly it shines, as it is written. */
export interface SunEntry {
    direction?: (string | number)[];
    flux?: string | number;
    diffuse?: string | number;
    latitude?: string | number;
    longitude?: string | number;
    date?: string;
    hour?: string | number;
    zone?: string | number;
    north?: (string | number)[];
}

export const sunOf = (document: ModelDocument): SunEntry | undefined => surroundingsOf(document).sun as SunEntry | undefined;

export type SunChoice = 'none' | 'direction' | 'hour';

export function sunChoiceOf(sun: SunEntry | undefined): SunChoice {
    if (!sun) return 'none';
    return sun.direction ? 'direction' : 'hour';
}

/** A sun to begin with: a summer noon, or high and aslant. */
export const suns: Record<SunChoice, SunEntry | undefined> = {
    none: undefined,
    direction: { direction: [-0.4, -0.5, 0.77], flux: '900 W/m^2', diffuse: '100 W/m^2' },
    hour: { latitude: '47 deg', date: '2027-06-21', hour: 12 },
};

/** With another sun, or another value of the one there is; an empty value is taken out. */
export function withSun(document: ModelDocument, sun: SunEntry | undefined): ModelDocument {
    const { sun: _before, ...rest } = surroundingsOf(document);
    const filled = sun && Object.fromEntries(Object.entries(sun).filter(([, value]) => value !== '' && value !== undefined));
    return { ...document, surroundings: filled ? { ...rest, sun: filled } : rest };
}

/** Whether the currents of parts are computed with the heat they make. */
export const computesCurrents = (document: ModelDocument): boolean => physicsOf(document).electric ?? false;

export const withCurrents = (document: ModelDocument, electric: boolean): ModelDocument => ({ ...document, physics: { ...physicsOf(document), electric } });

export const withSpace = (document: ModelDocument, fields: Record<string, unknown>): ModelDocument => ({
    ...document,
    space: { ...spaceOf(document), ...fields },
});

type Corner = (string | number)[];

export const boxOf = (document: ModelDocument): { min: Corner; max: Corner } => spaceOf(document).box as { min: Corner; max: Corner };

/** A side of the space moved outwards by metres. */
export function withSideMoved(document: ModelDocument, { axis, upper }: { axis: number; upper: boolean }, by: number): ModelDocument {
    const box = boxOf(document);
    const end = upper ? 'max' : 'min';
    return withSpace(document, { box: { ...box, [end]: box[end].map((place, n) => (n === axis ? shifted(place, upper ? by : -by) : place)) } });
}

export interface SurroundingsEntry {
    temperature?: Load;
    altitude?: string | number;
    gravity?: (string | number)[];
    radiantTemperature?: string | number;
    [field: string]: unknown;
}

export const surroundingsOf = (document: ModelDocument): SurroundingsEntry => (document.surroundings as SurroundingsEntry | undefined) ?? {};

export const withSurroundings = (document: ModelDocument, fields: SurroundingsEntry): ModelDocument => ({
    ...document,
    surroundings: { ...surroundingsOf(document), ...fields },
});

/** Worst cases to start from. */
export const worstCases: Record<string, { temperature: string; altitude: string }> = {
    'Room, 35 °C': { temperature: '35 degC', altitude: '0 m' },
    'Factory hall, 45 °C': { temperature: '45 degC', altitude: '500 m' },
    'Outdoors in a hot summer, 50 °C': { temperature: '50 degC', altitude: '0 m' },
    'Mountain station, 40 °C at 3000 m': { temperature: '40 degC', altitude: '3000 m' },
    'Under a bonnet, 85 °C': { temperature: '85 degC', altitude: '1000 m' },
    'Cabin of an aircraft, 40 °C at 2400 m': { temperature: '40 degC', altitude: '2400 m' },
};

/** Which way is down. */
export const gravities = {
    'z-': 'Down, along −z',
    'z+': 'Along +z',
    'y-': 'Along −y',
    'y+': 'Along +y',
    'x-': 'Along −x',
    'x+': 'Along +x',
    none: 'None',
    own: 'As given',
} as const;
export type Gravity = keyof typeof gravities;

const STANDARD = 9.81;

export function gravityOf(document: ModelDocument): Gravity {
    const g = (surroundingsOf(document).gravity ?? [0, 0, -STANDARD]).map(Number);
    if (g.every((part) => part === 0)) return 'none';
    const along = g.findIndex((part) => part !== 0);
    if (g.filter((part) => part !== 0).length > 1 || Math.abs(Math.abs(g[along]!) - STANDARD) > 0.02) return 'own';
    return `${'xyz'[along]}${g[along]! < 0 ? '-' : '+'}` as Gravity;
}

export const withGravity = (document: ModelDocument, gravity: Gravity): ModelDocument =>
    gravity === 'own'
        ? document
        : withSurroundings(document, { gravity: ['x', 'y', 'z'].map((axis) => (gravity[0] === axis ? (gravity[1] === '-' ? -STANDARD : STANDARD) : 0)) });

/** Room beside each side of the product, in the order x-, x+, y-, y+, z-, z+: metres or a share of its size along that axis; or as warm air needs it. */
export type Margins = readonly (number | { share: number })[] | 'rising';

const marginUnits: Readonly<Record<string, number>> = { mm: 1e-3, m: 1, in: 0.0254 };

/** A margin from what was typed: "20" in the given unit, "20 mm" or "50 %" of the size along that axis; null where it is none of these. */
export function typedMargin(text: string, bare = 'mm'): number | { share: number } | null {
    const [, number, unit] = /^(\d*[.,]?\d+)\s*(mm|m|in|%)?$/.exec(text.trim()) ?? [];
    if (number === undefined) return null;
    const value = Number(number.replace(',', '.'));
    return unit === '%' ? { share: value / 100 } : value * marginUnits[unit ?? bare]!;
}

/** Shares of the product's size that leave the plume alone: beside it, below, and above, where it must form. */
const BESIDE = 0.5;
const BELOW = 0.5;
const ABOVE = 1.5;

/** The box around parts with margins; up is where gravity does not point. */
export function fittedBox(parts: readonly Box[], margins: Margins, gravity: readonly number[]): { min: string[]; max: string[] } {
    const { min: low, max: high } = boxAround(parts);
    const sizes = high.map((h, n) => h - low[n]!);
    const strengths = gravity.map(Math.abs);
    const upright = strengths.indexOf(Math.max(...strengths));
    const rising = (axis: number, upper: boolean): number => {
        if (axis !== upright) return BESIDE * Math.max(sizes[axis]!, sizes[upright]!);
        return (gravity[upright]! < 0 ? upper : !upper) ? ABOVE * Math.max(...sizes) : BELOW * sizes[upright]!;
    };
    const room = (axis: number, upper: boolean): number => {
        if (margins === 'rising') return rising(axis, upper);
        const margin = margins[2 * axis + (upper ? 1 : 0)] ?? 0;
        return typeof margin === 'number' ? margin : margin.share * sizes[axis]!;
    };
    return { min: low.map((v, n) => millimetres(v - room(n, false))), max: high.map((v, n) => millimetres(v + room(n, true))) };
}
