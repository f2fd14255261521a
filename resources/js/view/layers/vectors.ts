import { Vector3 } from 'three';
import { ownerAt, sample, type Field } from '../fields/field';
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

export interface Arrows {
    /** A shaft and two strokes of the head each, as pairs of ends, m. */
    places: Float32Array;
    colours: Float32Array;
}

/**
 * The velocities in a section as arrows.
 *
 * @param ink the colour of an arrow at a place, so that it is seen on what lies behind it
 */
export function vectors(
    of: Velocities,
    section: Pick<SectionLayer, 'normal' | 'density' | 'vectors' | 'projected' | 'flipped'>,
    polygon: readonly Vector3[],
    ink: (at: Triple) => Triple,
): Arrows {
    const normal = new Vector3(...section.normal);
    const { points, step } = pattern(polygon, section.normal, section.density);
    const strokes: number[] = [];
    const colours: number[] = [];
    for (const point of points) {
        const at = point.toArray();
        if (ownerAt(of.speed, at) !== 0) continue;
        const velocity = new Vector3(sample(of.x, at, 0) ?? 0, sample(of.y, at, 0) ?? 0, sample(of.z, at, 0) ?? 0);
        if (section.projected) velocity.projectOnPlane(normal);
        const speed = velocity.length();
        if (speed < 1e-6 * of.speed.max.value) continue;
        // Slow air is seen too: lengths follow the square root of the speed.
        const length = section.vectors === 'uniform' ? 0.8 * step : LONGEST * step * Math.sqrt(Math.min(1, speed / of.speed.max.value));
        const along = velocity.multiplyScalar(length / speed);
        const aside = normal.clone().cross(along).multiplyScalar(0.16);
        // On the side from which the section is seen.
        const lifted = point.clone().addScaledVector(normal, section.flipped ? -0.02 * step : 0.02 * step);
        const tip = lifted.clone().addScaledVector(along, 0.5);
        const colour = ink(at);
        const push = (...ends: Vector3[]) =>
            ends.forEach((end) => {
                strokes.push(end.x, end.y, end.z);
                colours.push(...colour);
            });
        push(lifted.clone().addScaledVector(along, -0.5), tip);
        for (const side of [1, -1]) push(tip, tip.clone().addScaledVector(along, -0.3).addScaledVector(aside, side));
    }
    return { places: new Float32Array(strokes), colours: new Float32Array(colours) };
}
