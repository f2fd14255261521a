import type { Vector3 } from 'three';
import { lineAcross } from '../shown/planes';

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
