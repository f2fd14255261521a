import type { Vector3 } from 'three';
import { lookAround, noPlace, ownerAt, valueAround, type Around, type Field } from '../fields/field';
import type { SectionLayer, Triple } from '../shown/shown';
import { pattern } from '../shown/planes';

export interface Velocities {
    x: Field;
    y: Field;
    z: Field;
    speed: Field;
}

/** The longest vector is as long as so many steps between them. */
const LONGEST = 1.6;

/** Ends of the shaft and of the two strokes of the head. */
const STROKES = [
    [-0.5, 0],
    [0.5, 0],
    [0.5, 0],
    [0.2, 1],
    [0.5, 0],
    [0.2, -1],
] as const;

export interface Arrows {
    /** A shaft and two strokes of the head each, as pairs of ends, m. */
    places: Float32Array;
    colours: Float32Array;
}

/**
 * The velocities in a section as arrows.
 *
 * @param ink the colour of an arrow by what is around its place, so that it is seen on what lies behind it
 */
export function vectors(
    of: Velocities,
    section: Pick<SectionLayer, 'normal' | 'density' | 'vectors' | 'projected' | 'flipped'>,
    polygon: readonly Vector3[],
    ink: (around: Around) => Triple,
): Arrows {
    const [u, v, w] = section.normal;
    const { points, step } = pattern(polygon, section.normal, section.density);
    const places = new Float32Array(points.length * 18);
    const colours = new Float32Array(points.length * 18);
    const around = noPlace();
    const lift = section.flipped ? -0.02 * step : 0.02 * step;
    let end = 0;
    for (const point of points) {
        const at = point.toArray();
        if (ownerAt(of.speed, at) !== 0) continue;
        lookAround(of.speed, at, around);
        let [x, y, z] = [valueAround(of.x, around, 0) ?? 0, valueAround(of.y, around, 0) ?? 0, valueAround(of.z, around, 0) ?? 0];
        if (section.projected) {
            const across = x * u + y * v + z * w;
            [x, y, z] = [x - across * u, y - across * v, z - across * w];
        }
        const speed = Math.hypot(x, y, z);
        if (speed < 1e-6 * of.speed.max.value) continue;
        // Slow air is seen too: lengths follow the square root of the speed.
        const length = section.vectors === 'uniform' ? 0.8 * step : LONGEST * step * Math.sqrt(Math.min(1, speed / of.speed.max.value));
        [x, y, z] = [(x * length) / speed, (y * length) / speed, (z * length) / speed];
        const aside = [0.16 * (v * z - w * y), 0.16 * (w * x - u * z), 0.16 * (u * y - v * x)] as const;
        const [red, green, blue] = ink(around);
        // On the side from which the section is seen. Shares of the vector and of what is aside of it, from the middle: a shaft and two strokes.
        for (const [along, beside] of STROKES) {
            places[end] = at[0] + lift * u + along * x + beside * aside[0];
            places[end + 1] = at[1] + lift * v + along * y + beside * aside[1];
            places[end + 2] = at[2] + lift * w + along * z + beside * aside[2];
            colours[end] = red;
            colours[end + 1] = green;
            colours[end + 2] = blue;
            end += 3;
        }
    }
    return { places: places.subarray(0, end), colours: colours.subarray(0, end) };
}
