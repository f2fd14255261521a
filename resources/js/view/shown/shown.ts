import type { FieldName } from '../fields/catalogue';
import { automatic, type Range } from '../fields/scale';

export type Triple = [number, number, number];

interface Line {
    id: number;
    visible: boolean;
}

/** The parts, coloured by a field or by what they are. */
export interface PartsLayer extends Line {
    kind: 'parts';
    field: FieldName | null;
    /** Whether only what is above its limit keeps its colour. */
    aboveLimit: boolean;
    /** Whether the lines of the grid are drawn on them; nothing in what was kept before. */
    gridLines?: boolean;
}

/** The six sides of the space, coloured from inside. */
export interface SidesLayer extends Line {
    kind: 'sides';
    field: FieldName | null;
}

export interface SectionLayer extends Line {
    kind: 'section';
    field: FieldName | null;
    /** Of length one. */
    normal: Triple;
    /** Distance of the plane from the origin along its normal, m. */
    position: number;
    /** Whether what lies on one side of it is cut away, and which. */
    clips: boolean;
    flipped: boolean;
    vectors: 'none' | 'speed' | 'uniform';
    /** Vectors along the longer side of the section. */
    density: number;
    /** Whether vectors lie in the plane, or stand as they are. */
    projected: boolean;
    gridLines: boolean;
}

export type SeedPlace = { kind: 'openings' } | { kind: 'fans' } | { kind: 'section'; layer: number } | { kind: 'part'; part: string };

export interface StreamlinesLayer extends Line {
    kind: 'streamlines';
    field: FieldName;
    from: SeedPlace;
    count: number;
    /** Whether they are followed against the flow too. */
    back: boolean;
    particles: boolean;
}

export type Body = 'solid' | 'fluid' | 'all';

export interface IsosurfaceLayer extends Line {
    kind: 'isosurface';
    field: FieldName;
    /** SI. */
    value: number;
    in: Body;
    /** What it is coloured by; null: by its own value. */
    colour: FieldName | null;
}

export interface LabelsLayer extends Line {
    kind: 'labels';
    of: 'all' | 'selected' | 'worst';
    count: number;
}

/** The hottest and the coldest place of the parts. */
export interface ExtremesLayer extends Line {
    kind: 'extremes';
}

/** The places where limits are missed. */
export interface MissedLayer extends Line {
    kind: 'missed';
}

export interface Pin {
    at: Triple;
    /** Id of the part; null in the air. */
    part: string | null;
}

export interface ProbesLayer extends Line {
    kind: 'probes';
    pins: Pin[];
}

export type Layer = PartsLayer | SidesLayer | SectionLayer | StreamlinesLayer | IsosurfaceLayer | LabelsLayer | ExtremesLayer | MissedLayer | ProbesLayer;
export type LayerKind = Layer['kind'];
export type LayerOf<K extends LayerKind> = Extract<Layer, { kind: K }>;

/** All that a picture of a project shows; what a saved view keeps besides its camera. */
export interface Shown {
    layers: Layer[];
    ranges: Partial<Record<FieldName, Range>>;
    /** Ids of parts that are seen through. */
    faint: string[];
}

export const firstShown: Shown = {
    layers: [
        { id: 1, kind: 'parts', visible: true, field: 'temperature', aboveLimit: false },
        { id: 2, kind: 'extremes', visible: true },
        { id: 3, kind: 'missed', visible: true },
    ],
    ranges: {},
    faint: [],
};

export const layerTitles: Record<LayerKind, string> = {
    parts: 'Parts',
    sides: 'Space sides',
    section: 'Section',
    streamlines: 'Streamlines',
    isosurface: 'Isosurface',
    labels: 'Labels',
    extremes: 'Min and max',
    missed: 'Limits missed',
    probes: 'Probes',
};

/** There is one of each of these at most. */
const single: readonly LayerKind[] = ['parts', 'sides', 'labels', 'extremes', 'missed', 'probes'];

export const mayAdd = (shown: Shown, kind: LayerKind): boolean => !single.includes(kind) || !shown.layers.some((layer) => layer.kind === kind);

export const layersOf = <K extends LayerKind>(shown: Shown, kind: K): LayerOf<K>[] => shown.layers.filter((layer): layer is LayerOf<K> => layer.kind === kind);

/** A layer that has no number yet. */
export type NewLayer = { [K in LayerKind]: Omit<LayerOf<K>, 'id'> }[LayerKind];

export function withLayer(shown: Shown, layer: NewLayer): Shown {
    const id = Math.max(0, ...shown.layers.map((other) => other.id)) + 1;
    return { ...shown, layers: [...shown.layers, { ...layer, id }] };
}

export const withoutLayer = (shown: Shown, id: number): Shown => ({ ...shown, layers: shown.layers.filter((layer) => layer.id !== id) });

export const withChange = (shown: Shown, id: number, change: Partial<Layer>): Shown => ({
    ...shown,
    layers: shown.layers.map((layer) => (layer.id === id ? ({ ...layer, ...change } as Layer) : layer)),
});

export const rangeOf = (shown: Shown, field: FieldName): Range => shown.ranges[field] ?? automatic;

export const withRange = (shown: Shown, field: FieldName, change: Partial<Range>): Shown => ({
    ...shown,
    ranges: { ...shown.ranges, [field]: { ...rangeOf(shown, field), ...change } },
});

/** The fields that a layer needs. */
export function fieldsUsed(layer: Layer): FieldName[] {
    switch (layer.kind) {
        case 'isosurface':
            return [layer.colour ?? layer.field];
        case 'extremes':
            return ['temperature'];
        case 'section':
            return [...(layer.field ? [layer.field] : []), ...(layer.vectors === 'none' ? [] : (['velocityX', 'velocityY', 'velocityZ', 'speed'] as const))];
        case 'parts':
        case 'sides':
            return layer.field ? [layer.field] : [];
        case 'streamlines':
            return [layer.field];
        case 'probes':
        case 'labels':
        case 'missed':
            return [];
    }
}

/** The field whose legend belongs to a layer. */
export const legendOf = (layer: Layer): FieldName | null =>
    layer.kind === 'isosurface' ? (layer.colour ?? layer.field) : 'field' in layer ? layer.field : null;

/** The same with how much warmer everything is than in another run, instead of temperatures; without what tells temperatures in numbers. */
export const againstBase = (shown: Shown): Shown => ({
    ...shown,
    layers: shown.layers
        .filter(({ kind }) => kind !== 'extremes' && kind !== 'missed' && kind !== 'labels' && kind !== 'probes')
        .map((layer) => ('field' in layer && layer.field === 'temperature' && layer.kind !== 'isosurface' ? { ...layer, field: 'warmer' } : layer)),
});

/** What was kept of a picture, as far as it is understood; the rest is left out. */
export function readShown(kept: unknown): Shown {
    const { layers, ranges, faint } = (kept ?? {}) as Partial<Shown>;
    const known = Array.isArray(layers) ? layers.filter((layer) => layer?.kind in layerTitles && typeof layer.id === 'number') : [];
    if (known.length === 0) return firstShown;
    return { layers: known, ranges: ranges ?? {}, faint: Array.isArray(faint) ? faint : [] };
}
