import { STLLoader } from 'three/examples/jsm/loaders/STLLoader.js';
import { ImportError, type ImportPlan, type PlannedBody } from './plan';

export const stlUnits = { mm: 1e-3, m: 1, inch: 0.0254 } as const;
export type StlUnit = keyof typeof stlUnits;

/** Corners nearer than this share of the size are one. */
const WELD = 1e-6;

/** Bodies of fewer triangles than a tetrahedron are scraps. */
const FEWEST = 4;

const MOST_BYTES = 60e6;

/** Refuses what only calls itself STL, and what is cut off, before the loader makes something of it. */
function check(bytes: ArrayBuffer): void {
    if (bytes.byteLength > MOST_BYTES) throw new ImportError(`The file has ${Math.round(bytes.byteLength / 1e6)} MB; up to ${MOST_BYTES / 1e6} MB are taken. Export it with coarser facets.`);
    const head = new TextDecoder('latin1').decode(bytes.slice(0, 400));
    if (/^\s*solid\b/.test(head) && /\bfacet\b|\bendsolid\b/.test(new TextDecoder('latin1').decode(bytes.slice(0, 4000)))) {
        if (!/endsolid/.test(new TextDecoder('latin1').decode(bytes.slice(-200)))) throw new ImportError('The file ends before its "endsolid": it is cut off. Export or copy it again.');
        return;
    }
    if (/^\s*<(!doctype|html|\?xml)/i.test(head)) throw new ImportError('This is a web page or XML, not an STL file; perhaps a download page was saved in its place.');
    const count = bytes.byteLength >= 84 ? new DataView(bytes).getUint32(80, true) : -1;
    if (count < 0) throw new ImportError('This is not an STL file: it has neither facets in text nor the head of a binary file.');
    const wanted = 84 + 50 * count;
    if (bytes.byteLength < wanted) throw new ImportError(`The file says it has ${count} facets, for which ${wanted} bytes are needed; it has ${bytes.byteLength}. It is cut off, or no STL file.`);
}

/** Numbers in base64, as the model document keeps the surface of a body. */
function base64(values: Float32Array | Uint32Array): string {
    const bytes = new Uint8Array(values.buffer);
    let text = '';
    for (let n = 0; n < bytes.length; n += 0x8000) text += String.fromCharCode(...bytes.subarray(n, n + 0x8000));
    return btoa(text);
}

function openEdges(triangles: readonly number[]): number {
    const edges = new Map<string, number>();
    for (let t = 0; t < triangles.length; t += 3) {
        for (const [a, b] of [[0, 1], [1, 2], [2, 0]] as const) {
            const [p, q] = [triangles[t + a]!, triangles[t + b]!];
            const key = p < q ? `${p} ${q}` : `${q} ${p}`;
            edges.set(key, (edges.get(key) ?? 0) + 1);
        }
    }
    return [...edges.values()].filter((count) => count !== 2).length;
}

/** Bodies of an STL file, in the unit its numbers are in: corners welded, pieces that do not touch taken apart, holes counted. */
export function readStl(bytes: ArrayBuffer, fileName: string, unit: StlUnit): ImportPlan {
    check(bytes);
    const position = new STLLoader().parse(bytes).getAttribute('position');
    if (!position || position.count < 3) throw new ImportError('The file has no facets.');
    const corners = position.array as Float32Array;
    if (!corners.every(Number.isFinite)) throw new ImportError('A corner of a facet is not a number: the file is damaged, or no STL file.');

    const size = Math.max(...[0, 1, 2].map((n) => { let [low, high] = [Infinity, -Infinity]; for (let i = n; i < corners.length; i += 3) { low = Math.min(low, corners[i]!); high = Math.max(high, corners[i]!); } return high - low; }));
    if (!(size > 0)) throw new ImportError('All corners of the file are in one place.');
    const step = WELD * size;
    const welded = new Map<string, number>();
    const vertices: number[] = [];
    const triangles: number[] = [];
    for (let t = 0; t < position.count; t += 3) {
        const ends = [0, 1, 2].map((k) => {
            const at = [0, 1, 2].map((n) => corners[3 * (t + k) + n]!);
            const key = at.map((v) => Math.round(v / step)).join(' ');
            let index = welded.get(key);
            if (index === undefined) {
                index = vertices.length / 3;
                welded.set(key, index);
                vertices.push(...at);
            }
            return index;
        });
        if (new Set(ends).size === 3) triangles.push(...ends);
    }

    // Pieces that share a corner belong together.
    const parent = Int32Array.from({ length: vertices.length / 3 }, (_v, n) => n);
    const root = (n: number): number => {
        while (parent[n] !== n) n = parent[n] = parent[parent[n]!]!;
        return n;
    };
    for (let t = 0; t < triangles.length; t += 3) for (const k of [1, 2]) parent[root(triangles[t + k]!)] = root(triangles[t]!);
    const pieces = new Map<number, number[]>();
    for (let t = 0; t < triangles.length; t += 3) {
        const own = pieces.get(root(triangles[t]!)) ?? [];
        own.push(triangles[t]!, triangles[t + 1]!, triangles[t + 2]!);
        pieces.set(root(triangles[t]!), own);
    }

    const stem = fileName.replace(/\.[^.]*$/, '');
    const scale = stlUnits[unit];
    const whole = [...pieces.values()].filter((own) => own.length >= 3 * FEWEST).sort((a, b) => b.length - a.length);
    const bodies = whole.map((own, n): PlannedBody => {
        const number = new Map<number, number>();
        const places: number[] = [];
        const ends = own.map((v) => {
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
            name: whole.length > 1 ? `${stem} ${n + 1}` : stem,
            min: reach(Math.min, Infinity),
            max: reach(Math.max, -Infinity),
            note: `${ends.length / 3} facets${open > 0 ? `, not closed: ${open} open edges` : ''}`,
            fields: { shape: { kind: 'mesh', vertices: base64(Float32Array.from(places)), triangles: base64(Uint32Array.from(ends)) } as PlannedBody['fields']['shape'], material: 'aluminium-6061' },
        };
    });
    if (bodies.length === 0) throw new ImportError('No piece of the file encloses anything: each has fewer than four facets.');
    const scraps = pieces.size - whole.length;
    return {
        bodies,
        notes: [
            ...(scraps > 0 ? [`${scraps} loose ${scraps === 1 ? 'scrap' : 'scraps'} of fewer than ${FEWEST} facets left out`] : []),
            ...(bodies.some((b) => b.note.includes('not closed')) ? ['A surface that is not closed has no certain inside; mend it where it comes from, or check the grid in Judge'] : []),
            'Slanted and round faces become steps of the grid',
        ],
    };
}
