import type { Vector3 } from 'three';
import { cellAt } from '../fields/field';
import { lineAcross } from '../shown/planes';

/**
 * The lines in which the planes of a grid cut a surface of triangles, as pairs of ends; what lies in a plane has none of it.
 *
 * @param corners three corners of each triangle, m
 * @param lift how far they stand off the surface, m, so that it does not hide them
 */
export function gridLinesOn(lines: readonly (readonly number[])[], corners: ArrayLike<number>, lift = 0): Float32Array {
    const ends: number[] = [];
    for (let t = 0; t + 8 < corners.length; t += 9) {
        const normal = normalOf(corners, t);
        for (const axis of [0, 1, 2]) {
            const line = lines[axis]!;
            const places = [corners[t + axis]!, corners[t + 3 + axis]!, corners[t + 6 + axis]!];
            const [low, high] = [Math.min(...places), Math.max(...places)];
            for (let n = cellAt(line, low); n < line.length && line[n]! < high; n++) {
                if (line[n]! > low) ends.push(...cutOf(corners, t, places, line[n]!).map((x, m) => x + lift * normal[m % 3]!));
            }
        }
    }
    return new Float32Array(ends);
}

/** Of length one, on the side from which the corners of a triangle run anticlockwise. */
function normalOf(corners: ArrayLike<number>, triangle: number): readonly number[] {
    const along = (corner: number) => [0, 1, 2].map((n) => corners[triangle + 3 * corner + n]! - corners[triangle + n]!) as [number, number, number];
    const [[a, b, c], [d, e, f]] = [along(1), along(2)];
    const normal = [b * f - c * e, c * d - a * f, a * e - b * d];
    const length = Math.hypot(...normal) || 1;
    return normal.map((x) => x / length);
}

/** Both ends of the line in which a plane cuts a triangle whose corners are at places along the axis across it. */
function cutOf(corners: ArrayLike<number>, triangle: number, places: readonly number[], at: number): number[] {
    const ends: number[] = [];
    for (let c = 0; c < 3 && ends.length < 6; c++) {
        const [p, q] = [places[c]!, places[(c + 1) % 3]!];
        if (p === q || (p - at) * (q - at) > 0 || q === at) continue;
        const share = (at - p) / (q - p);
        const [from, to] = [triangle + 3 * c, triangle + 3 * ((c + 1) % 3)];
        for (let n = 0; n < 3; n++) ends.push(corners[from + n]! + share * (corners[to + n]! - corners[from + n]!));
    }
    return ends.length === 6 ? ends : [];
}

/** The lines in which the planes of a grid cut a section, as pairs of ends. */
export function gridLines(lines: readonly (readonly number[])[], polygon: readonly Vector3[]): Float32Array {
    const ends: number[] = [];
    lines.forEach((line, axis) => {
        for (const at of line) {
            const cut = lineAcross(polygon, axis, at);
            if (cut) ends.push(...cut[0].toArray(), ...cut[1].toArray());
        }
    });
    return new Float32Array(ends);
}
