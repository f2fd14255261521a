import { freeEntryId, type ModelDocument } from './document';
import { millimetres } from './parts';
import { isOpening, sideNames, sideOf } from './space';
import { watchesOf, type WatchEntry } from './targets';
import { textOf } from './text';

/** Where in the space a watch looks: at a point, along a line, or through a section. */
export const placeKinds = { point: 'At a point', line: 'Along a line', section: 'Through a section' } as const;
export type PlaceKind = keyof typeof placeKinds;

/** What is read at points and along lines, and what passes a section. */
const read = {
    temperature: 'Temperature',
    speed: 'Speed',
    velocityX: 'Velocity along x',
    velocityY: 'Velocity along y',
    velocityZ: 'Velocity along z',
    pressure: 'Pressure',
} as const;

export const quantitiesOf: Record<PlaceKind, Record<string, string>> = {
    point: read,
    line: read,
    section: { massFlow: 'Mass flow', volumeFlow: 'Volume flow', bulkTemperature: 'Bulk temperature' },
};

/** What a line is reduced to. */
export const lineReductions: Record<string, string> = {
    mean: 'Mean',
    min: 'Least',
    max: 'Greatest',
    minAt: 'Place of the least',
    maxAt: 'Place of the greatest',
    zeroAt: 'First place where it is zero',
};

/** The watches of a document that look at a place. */
export const placeWatches = (document: ModelDocument): WatchEntry[] => watchesOf(document).filter((watch) => placeKindOf(watch) !== undefined);

export const placeKindOf = ({ of }: WatchEntry): PlaceKind | undefined => (Object.keys(placeKinds) as PlaceKind[]).find((kind) => kind in of);

/** The corners of the space, m. */
export interface Extent {
    min: readonly number[];
    max: readonly number[];
}

/** In the middle of the space; a section across the first axis that something passes. */
function startOf(document: ModelDocument, kind: PlaceKind, { min, max }: Extent): WatchEntry['of'] {
    const at = (share: number, axis: number) => millimetres(min[axis]! + share * (max[axis]! - min[axis]!));
    const middle = [0, 1, 2].map((axis) => at(0.5, axis));
    if (kind === 'point') return { point: middle };
    if (kind === 'line') return { line: { from: [at(0.25, 0), ...middle.slice(1)], to: [at(0.75, 0), ...middle.slice(1)] } };
    const passed = sideNames.find((side) => isOpening(sideOf(document, side).kind));
    const axis = (passed?.[0] ?? 'x') as 'x' | 'y' | 'z';
    return { section: { axis, at: middle['xyz'.indexOf(axis)]! } };
}

/** A quantity of a place, and what it is called by. */
const named = (kind: PlaceKind, quantity: string): { name: string; quantity: string; reduce: string } => ({
    name: `${quantitiesOf[kind][quantity]} ${placeKinds[kind].toLowerCase()}`,
    quantity,
    reduce: 'mean',
});

export function withPlaceWatch(document: ModelDocument, kind: PlaceKind, space: Extent): ModelDocument {
    const entry = { id: freeEntryId(document, `watch-${kind}`), of: startOf(document, kind, space), ...named(kind, Object.keys(quantitiesOf[kind])[0]!) };
    return { ...document, watches: [...watchesOf(document), entry] };
}

/** The temperature at a place is followed from the next run on. */
export function withPointWatch(document: ModelDocument, at: readonly number[], name: string): ModelDocument {
    const entry = { id: freeEntryId(document, 'watch-point'), of: { point: at.map(millimetres) }, ...named('point', 'temperature'), name };
    return { ...document, watches: [...watchesOf(document), entry] };
}

/** The same watch of another quantity; its name goes along where it is still the one it was given. */
export function withPlaceQuantity(watch: WatchEntry, quantity: string): WatchEntry {
    const kind = placeKindOf(watch)!;
    const own = watch.name !== named(kind, textOf(watch.quantity, 'temperature')).name;
    return { ...watch, quantity, ...(own ? {} : { name: named(kind, quantity).name }) };
}
