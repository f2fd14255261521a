import { BoxGeometry, BufferAttribute, BufferGeometry, CylinderGeometry, EdgesGeometry, ExtrudeGeometry, Matrix4, Shape, Vector2 } from 'three';
import { mergeGeometries } from 'three/examples/jsm/utils/BufferGeometryUtils.js';
import type { Drawing, OutlinePart } from '../api/types';
import { fromBase64 } from '../model/base64';

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

/** A polygon of the two other axes drawn out along its own. */
function profileGeometry(drawing: Drawing): BufferGeometry {
    const outline = new Shape(drawing.points!.map(([p, q]) => new Vector2(p, q)));
    const geometry = new ExtrudeGeometry(outline, { depth: drawing.to! - drawing.from!, bevelEnabled: false });
    // The library extrudes the x-y plane along z; the other planes are (y, z) along x and (x, z) along y.
    const turned = new Matrix4();
    if (drawing.axis === 0) turned.set(0, 0, 1, 0, 1, 0, 0, 0, 0, 1, 0, 0, 0, 0, 0, 1);
    if (drawing.axis === 1) turned.set(1, 0, 0, 0, 0, 0, 1, 0, 0, 1, 0, 0, 0, 0, 0, 1);
    geometry.applyMatrix4(turned);
    // Exchanging two axes turns the surface inside out.
    if (drawing.axis === 1) for (const name of ['position', 'normal', 'uv'] as const) mirrored(geometry.getAttribute(name) as BufferAttribute);
    const from: Triple = [0, 0, 0];
    from[drawing.axis!] = drawing.from!;
    return geometry.translate(...from);
}

/** Every facet with its corners the other way round. */
function mirrored(attribute: BufferAttribute): void {
    const { array, itemSize } = attribute;
    for (let corner = 0; corner + 2 < attribute.count; corner += 3) {
        for (let n = 0; n < itemSize; n++) {
            const [a, b] = [(corner + 1) * itemSize + n, (corner + 2) * itemSize + n];
            [array[a], array[b]] = [array[b]!, array[a]!];
        }
    }
}

function meshGeometry(drawing: Drawing): BufferGeometry {
    const geometry = new BufferGeometry();
    geometry.setAttribute('position', new BufferAttribute(new Float32Array(fromBase64(drawing.vertices!)), 3));
    geometry.setIndex(new BufferAttribute(new Uint32Array(fromBase64(drawing.triangles!)), 1));
    // Corners of their own for every facet, so that flat faces look flat.
    const facets = geometry.toNonIndexed();
    facets.computeVertexNormals();
    geometry.dispose();
    return facets;
}

function bodyGeometry(drawing: Drawing): BufferGeometry {
    switch (drawing.kind) {
        case 'mesh':
            return meshGeometry(drawing);
        case 'profile':
            return profileGeometry(drawing);
        case 'cylinder':
            return cylinderGeometry(drawing);
        default:
            return boxGeometry(drawing.min!, drawing.max!);
    }
}

function turnedAsDrawn(drawing: Drawing, geometry: BufferGeometry): BufferGeometry {
    if (!drawing.turn) return geometry;
    const [a, b, c, d, e, f, g, h, i] = drawing.turn.matrix as [number, number, number, number, number, number, number, number, number];
    const about = drawing.turn.about as Triple;
    return geometry
        .translate(-about[0], -about[1], -about[2])
        .applyMatrix4(new Matrix4().set(a, b, c, 0, d, e, f, 0, g, h, i, 0, 0, 0, 0, 1))
        .translate(...about);
}

/** All of a part, walls and openings between them too. */
export function wholeGeometry(part: OutlinePart): BufferGeometry {
    const bodies = part.drawing.map((d) => turnedAsDrawn(d, bodyGeometry(d)));
    return bodies.length === 1 ? bodies[0]! : mergeGeometries(bodies);
}

/** One merged mesh per part. A hollow box is its outline: drawn from the inside, so that its near walls do not hide what it holds. */
export function partGeometry(part: OutlinePart): BufferGeometry {
    return part.kind === 'shell' ? boxGeometry(part.min, part.max) : wholeGeometry(part);
}

export const edgeGeometry = (geometry: BufferGeometry): EdgesGeometry => new EdgesGeometry(geometry, 30);
