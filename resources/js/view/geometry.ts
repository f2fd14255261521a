import { BoxGeometry, BufferAttribute, BufferGeometry, CylinderGeometry, EdgesGeometry } from 'three';
import { mergeGeometries } from 'three/examples/jsm/utils/BufferGeometryUtils.js';
import type { Drawing, OutlinePart } from '../api/types';

type Triple = [number, number, number];

export function boxGeometry(min: readonly number[], max: readonly number[]): BufferGeometry {
    const [a, b] = [min as Triple, max as Triple];
    return new BoxGeometry(b[0] - a[0], b[1] - a[1], b[2] - a[2]).translate(0.5 * (a[0] + b[0]), 0.5 * (a[1] + b[1]), 0.5 * (a[2] + b[2]));
}

function cylinderGeometry(drawing: Drawing): BufferGeometry {
    const length = drawing.to! - drawing.from!;
    const geometry = new CylinderGeometry(drawing.radius, drawing.radius, length, 32);
    const [u, v] = drawing.centre as [number, number];
    const middle = drawing.from! + 0.5 * length;
    // The cylinder of the library stands along y.
    if (drawing.axis === 0) return geometry.rotateZ(-Math.PI / 2).translate(middle, u, v);
    if (drawing.axis === 1) return geometry.translate(u, middle, v);
    return geometry.rotateX(Math.PI / 2).translate(u, v, middle);
}

/** Little-endian numbers in base64. */
function decoded(text: string): ArrayBuffer {
    return Uint8Array.from(atob(text), (c) => c.charCodeAt(0)).buffer;
}

function meshGeometry(drawing: Drawing): BufferGeometry {
    const geometry = new BufferGeometry();
    geometry.setAttribute('position', new BufferAttribute(new Float32Array(decoded(drawing.vertices!)), 3));
    geometry.setIndex(new BufferAttribute(new Uint32Array(decoded(drawing.triangles!)), 1));
    // Corners of their own for every facet, so that flat faces look flat.
    const facets = geometry.toNonIndexed();
    facets.computeVertexNormals();
    geometry.dispose();
    return facets;
}

/** All of a part, walls and openings between them too. */
export function wholeGeometry(part: OutlinePart): BufferGeometry {
    if (part.drawing[0]?.kind === 'mesh') return meshGeometry(part.drawing[0]);
    return mergeGeometries(part.drawing.map((d) => (d.kind === 'cylinder' ? cylinderGeometry(d) : boxGeometry(d.min!, d.max!))));
}

/** One merged mesh per part. A hollow box is its outline: drawn from the inside, so that its near walls do not hide what it holds. */
export function partGeometry(part: OutlinePart): BufferGeometry {
    return part.kind === 'shell' ? boxGeometry(part.min, part.max) : wholeGeometry(part);
}

export const edgeGeometry = (geometry: BufferGeometry): EdgesGeometry => new EdgesGeometry(geometry, 30);
