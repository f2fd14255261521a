import { freeId, millimetres, placeOf, shifted } from '../model/parts';
import type { ModelDocument, PartEntry } from '../model/document';

type Triple = [number, number, number];

/** A body of a file, ready to become a part; metres. */
export interface PlannedBody {
    name: string;
    min: Triple;
    max: Triple;
    /** What the table says of it besides its size. */
    note: string;
    /** Without id and name, at the place it has in the file. */
    fields: Pick<PartEntry, 'shape' | 'material'> & { at?: unknown; colour?: string };
}

/** What a file holds, and what of it was simplified or left out. */
export interface ImportPlan {
    bodies: PlannedBody[];
    notes: string[];
}

/** A file that cannot be read, in words for the user. */
export class ImportError extends Error {}

/** The bodies moved by metres. */
export const moved = (bodies: readonly PlannedBody[], by: readonly number[]): PlannedBody[] =>
    bodies.map((body) => ({
        ...body,
        min: body.min.map((v, n) => v + by[n]!) as Triple,
        max: body.max.map((v, n) => v + by[n]!) as Triple,
        fields: { ...body.fields, at: ((body.fields.at as string[] | undefined) ?? ['0 mm', '0 mm', '0 mm']).map((place, n) => shifted(place, by[n]!)) },
    }));

/** A box as the model writes it, rounded outwards, so that what it was drawn around stays inside. */
const written = (min: readonly number[], max: readonly number[]): { min: string[]; max: string[] } => ({
    min: min.map((m) => millimetres(Math.floor(m * 1e7) / 1e7)),
    max: max.map((m) => millimetres(Math.ceil(m * 1e7) / 1e7)),
});

/** The space that the bodies just fit into. */
export const spaceAround = (bodies: readonly PlannedBody[]): { min: string[]; max: string[] } =>
    written(
        [0, 1, 2].map((n) => Math.min(...bodies.map((b) => b.min[n]!))),
        [0, 1, 2].map((n) => Math.max(...bodies.map((b) => b.max[n]!))),
    );

/** The box around the space and the bodies, where the bodies reach out of it; null where they do not. */
function grown(space: { min: readonly number[]; max: readonly number[] }, bodies: readonly PlannedBody[]): { min: string[]; max: string[] } | null {
    const min = [0, 1, 2].map((n) => Math.min(space.min[n]!, ...bodies.map((b) => b.min[n]!)));
    const max = [0, 1, 2].map((n) => Math.max(space.max[n]!, ...bodies.map((b) => b.max[n]!)));
    const stays = [0, 1, 2].every((n) => min[n]! >= space.min[n]! - 1e-9 && max[n]! <= space.max[n]! + 1e-9);
    return stays ? null : written(min, max);
}

const isPlain = (place: unknown): boolean => typeof place === 'number' || /^\s*-?\d*\.?\d+(e-?\d+)?\s*(m|cm|mm|um|in|mil)?\s*$/i.test(String(place));

/** A part in the shape that a file has of it now; where formulas place or scale it, they stay. */
function renewed(part: PartEntry, { fields: { shape, at } }: PlannedBody): PartEntry {
    const places = (at as string[] | undefined) ?? ['0 mm', '0 mm', '0 mm'];
    const scale: unknown = shape.kind === part.shape.kind ? (part.shape as { scale?: unknown }).scale : undefined;
    return {
        ...part,
        shape: (scale === undefined ? shape : { ...shape, scale }) as PartEntry['shape'],
        at: placeOf(part).map((place, n) => (isPlain(place) ? places[n]! : place)),
    };
}

/**
 * The model with the bodies as parts. A body named like a part that is there takes its place and keeps what that was given:
 * material, watts, conditions, limits, and formulas that place or scale it. The space grows where bodies reach out of it.
 */
export function withBodies(
    document: ModelDocument,
    space: { min: readonly number[]; max: readonly number[] },
    bodies: readonly PlannedBody[],
): { document: ModelDocument; ids: string[]; replaced: number } {
    let next = document;
    const ids: string[] = [];
    let replaced = 0;
    for (const body of bodies) {
        const known = next.parts?.find((part) => (part.name ?? part.id) === body.name && !ids.includes(part.id));
        if (known) {
            replaced++;
            ids.push(known.id);
            next = { ...next, parts: next.parts?.map((part) => (part === known ? renewed(part, body) : part)) };
        } else {
            const id = freeId(next, body.name);
            ids.push(id);
            next = { ...next, parts: [...(next.parts ?? []), { id, name: body.name, ...body.fields }] };
        }
    }
    const box = grown(space, bodies);
    return { document: box ? { ...next, space: { ...(next.space as object), box } } : next, ids, replaced };
}
