import { STLLoader } from 'three/examples/jsm/loaders/STLLoader.js';
import { meshBody, surfaceNotes, welded } from './meshBody';
import { ImportError, type ImportPlan } from './plan';

export const stlUnits = { mm: 1e-3, m: 1, inch: 0.0254 } as const;
export type StlUnit = keyof typeof stlUnits;

/** Corners nearer than this share of the size are one. */
const WELD = 1e-6;

/** Bodies of fewer triangles than a tetrahedron are scraps. */
const FEWEST = 4;

const MOST_BYTES = 60e6;

/** Refuses what only calls itself STL, and what is cut off, before the loader makes something of it. */
function check(bytes: ArrayBuffer): void {
    if (bytes.byteLength > MOST_BYTES)
        throw new ImportError(`The file has ${Math.round(bytes.byteLength / 1e6)} MB; up to ${MOST_BYTES / 1e6} MB are taken. Export it with coarser facets.`);
    const head = new TextDecoder('latin1').decode(bytes.slice(0, 400));
    if (/^\s*solid\b/.test(head) && /\bfacet\b|\bendsolid\b/.test(new TextDecoder('latin1').decode(bytes.slice(0, 4000)))) {
        if (!/endsolid/.test(new TextDecoder('latin1').decode(bytes.slice(-200))))
            throw new ImportError('The file ends before its "endsolid": it is cut off. Export or copy it again.');
        return;
    }
    if (/^\s*<(!doctype|html|\?xml)/i.test(head))
        throw new ImportError('This is a web page or XML, not an STL file; perhaps a download page was saved in its place.');
    const count = bytes.byteLength >= 84 ? new DataView(bytes).getUint32(80, true) : -1;
    if (count < 0) throw new ImportError('This is not an STL file: it has neither facets in text nor the head of a binary file.');
    const wanted = 84 + 50 * count;
    if (bytes.byteLength < wanted)
        throw new ImportError(
            `The file says it has ${count} facets, for which ${wanted} bytes are needed; it has ${bytes.byteLength}. It is cut off, or no STL file.`,
        );
}

/** Bodies of an STL file, in the unit its numbers are in: corners welded, pieces that do not touch taken apart, holes counted. */
export function readStl(bytes: ArrayBuffer, fileName: string, unit: StlUnit): ImportPlan {
    check(bytes);
    const position = new STLLoader().parse(bytes).getAttribute('position');
    if (!position || position.count < 3) throw new ImportError('The file has no facets.');
    const corners = position.array as Float32Array;
    if (!corners.every(Number.isFinite)) throw new ImportError('A corner of a facet is not a number: the file is damaged, or no STL file.');

    if (corners.every((v, i) => v === corners[i % 3])) throw new ImportError('All corners of the file are in one place.');
    const { vertices, triangles } = welded(corners, null, WELD);

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
    const bodies = whole.map((own, n) => meshBody(whole.length > 1 ? `${stem} ${n + 1}` : stem, vertices, own, scale));
    if (bodies.length === 0) throw new ImportError('No piece of the file encloses anything: each has fewer than four facets.');
    const scraps = pieces.size - whole.length;
    return {
        bodies,
        notes: [
            ...(scraps > 0 ? [`${scraps} loose ${scraps === 1 ? 'scrap' : 'scraps'} of fewer than ${FEWEST} facets left out`] : []),
            ...surfaceNotes(bodies),
        ],
    };
}
