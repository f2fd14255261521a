import { base64 } from '../model/base64';
import { UNDECIDED } from '../model/parts';
import type { PlannedBody } from './plan';

function openEdges(triangles: readonly number[]): number {
    const edges = new Map<string, number>();
    for (let t = 0; t < triangles.length; t += 3) {
        for (const [a, b] of [
            [0, 1],
            [1, 2],
            [2, 0],
        ] as const) {
            const [p, q] = [triangles[t + a]!, triangles[t + b]!];
            const key = p < q ? `${p} ${q}` : `${q} ${p}`;
            edges.set(key, (edges.get(key) ?? 0) + 1);
        }
    }
    return [...edges.values()].filter((count) => count !== 2).length;
}

/** One index for all corners in one place: nearer to each other than a share of the size. */
export function welded(corners: ArrayLike<number>, index: ArrayLike<number> | null, share: number): { vertices: number[]; triangles: number[] } {
    const [low, high] = [
        [Infinity, Infinity, Infinity],
        [-Infinity, -Infinity, -Infinity],
    ];
    for (let i = 0; i < corners.length; i++) {
        low[i % 3] = Math.min(low[i % 3]!, corners[i]!);
        high[i % 3] = Math.max(high[i % 3]!, corners[i]!);
    }
    const step = share * Math.max(...high.map((h, n) => h - low[n]!)) || 1;
    const known = new Map<string, number>();
    const vertices: number[] = [];
    const triangles: number[] = [];
    const count = index ? index.length : corners.length / 3;
    for (let t = 0; t < count; t += 3) {
        const ends = [0, 1, 2].map((k) => {
            const at = 3 * (index ? index[t + k]! : t + k);
            const place = [corners[at]!, corners[at + 1]!, corners[at + 2]!];
            const key = place.map((v) => Math.round(v / step)).join(' ');
            let found = known.get(key);
            if (found === undefined) {
                found = vertices.length / 3;
                known.set(key, found);
                vertices.push(...place);
            }
            return found;
        });
        if (new Set(ends).size === 3) triangles.push(...ends);
    }
    return { vertices, triangles };
}

/** A closed surface as a body of the plan; the vertices that its triangles do not use are left out. */
export function meshBody(name: string, vertices: readonly number[], triangles: readonly number[], scale: number): PlannedBody {
    const number = new Map<number, number>();
    const places: number[] = [];
    const ends = triangles.map((v) => {
        let index = number.get(v);
        if (index === undefined) {
            index = number.size;
            number.set(v, index);
            places.push(...[0, 1, 2].map((axis) => vertices[3 * v + axis]! * scale));
        }
        return index;
    });
    const reach = (pick: (...values: number[]) => number, start: number) =>
        [0, 1, 2].map((axis) => places.reduce((found, v, i) => (i % 3 === axis ? pick(found, v) : found), start)) as [number, number, number];
    const open = openEdges(ends);
    return {
        name,
        min: reach(Math.min, Infinity),
        max: reach(Math.max, -Infinity),
        note: `${ends.length / 3} facets${open > 0 ? `, not closed: ${open} open edges` : ''}`,
        fields: {
            shape: { kind: 'mesh', vertices: base64(Float32Array.from(places)), triangles: base64(Uint32Array.from(ends)) } as PlannedBody['fields']['shape'],
            material: UNDECIDED,
        },
    };
}

/** What is said of every file of surfaces. */
export const surfaceNotes = (bodies: readonly PlannedBody[]): string[] => [
    ...(bodies.some((b) => b.note.includes('not closed'))
        ? ['A surface that is not closed has no certain inside; mend it where it comes from, or check the grid in Judge']
        : []),
    'Slanted and round faces become steps of the grid',
];
