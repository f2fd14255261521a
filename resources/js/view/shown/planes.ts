import { Vector3 } from 'three';
import type { Box } from '../../model/box';
import type { SectionLayer, Triple } from './shown';

type Planar = Pick<SectionLayer, 'normal' | 'position'>;

/** The axis that a plane lies across; null where it is a free one. */
export function axisOf(normal: Triple): 0 | 1 | 2 | null {
    const axis = normal.findIndex((part) => Math.abs(part) > 1 - 1e-9);
    return axis < 0 ? null : (axis as 0 | 1 | 2);
}

export const axisNormal = (axis: 0 | 1 | 2): Triple => [0, 1, 2].map((n) => (n === axis ? 1 : 0)) as Triple;

/** A normal by its angle around z from x, and its height above the ground, degrees. */
export const normalAt = (around: number, up: number): Triple => {
    const [a, b] = [(around * Math.PI) / 180, (up * Math.PI) / 180];
    return [Math.cos(b) * Math.cos(a), Math.cos(b) * Math.sin(a), Math.sin(b)];
};

export const anglesOf = ([x, y, z]: Triple): { around: number; up: number } => ({
    around: (Math.atan2(y, x) * 180) / Math.PI,
    up: (Math.asin(Math.min(1, Math.max(-1, z))) * 180) / Math.PI,
});

/** Two directions of a plane that with its normal are a right-handed system. */
export function basisOf(normal: Triple): [Vector3, Vector3] {
    const n = new Vector3(...normal);
    const u = Math.abs(n.z) > 0.99 ? new Vector3(1, 0, 0) : new Vector3(0, 0, 1).cross(n).normalize();
    return [u, n.clone().cross(u).normalize()];
}

const corners = ({ min, max }: Box): Vector3[] =>
    Array.from({ length: 8 }, (_, n) => new Vector3(...[0, 1, 2].map((axis) => ((n >> axis) & 1 ? max : min)[axis]!)));

/** Least and greatest distance of a box along a normal, m. */
export function extentAlong(normal: Triple, box: Box): [number, number] {
    const n = new Vector3(...normal);
    const all = corners(box).map((corner) => corner.dot(n));
    return [Math.min(...all), Math.max(...all)];
}

/** Corners of the polygon in which a plane cuts a box, in order around it; fewer than three where it does not. */
export function polygonOf({ normal, position }: Planar, box: Box): Vector3[] {
    const n = new Vector3(...normal);
    const all = corners(box);
    const cuts: Vector3[] = [];
    for (let one = 0; one < 8; one++) {
        for (const axis of [0, 1, 2]) {
            const other = one | (1 << axis);
            if (other === one) continue;
            const [a, b] = [all[one]!.dot(n) - position, all[other]!.dot(n) - position];
            if ((a < 0 && b < 0) || (a > 0 && b > 0) || a === b) continue;
            const cut = all[one]!.clone().lerp(all[other]!, a / (a - b));
            if (!cuts.some((known) => known.distanceToSquared(cut) < 1e-18)) cuts.push(cut);
        }
    }
    const [u, v] = basisOf(normal);
    const middle = middleOf(cuts);
    const angle = (point: Vector3) => Math.atan2(point.clone().sub(middle).dot(v), point.clone().sub(middle).dot(u));
    return cuts.length < 3 ? [] : cuts.sort((p, q) => angle(p) - angle(q));
}

export const middleOf = (points: readonly Vector3[]): Vector3 =>
    points.reduce((sum, point) => sum.add(point), new Vector3()).multiplyScalar(1 / Math.max(1, points.length));

/** Whether a point of the plane lies in a convex polygon of it. */
export const liesIn = (point: Vector3, polygon: readonly Vector3[], [u, v, w]: Triple): boolean =>
    polygon.every((corner, i) => {
        const next = polygon[(i + 1) % polygon.length]!;
        const [ax, ay, az] = [next.x - corner.x, next.y - corner.y, next.z - corner.z];
        const [bx, by, bz] = [point.x - corner.x, point.y - corner.y, point.z - corner.z];
        return (ay * bz - az * by) * u + (az * bx - ax * bz) * v + (ax * by - ay * bx) * w >= -1e-15;
    });

/** The line in which a plane across an axis cuts a polygon; null where it does not. */
export function lineAcross(polygon: readonly Vector3[], axis: number, at: number): [Vector3, Vector3] | null {
    const ends: Vector3[] = [];
    polygon.forEach((corner, i) => {
        const next = polygon[(i + 1) % polygon.length]!;
        const [a, b] = [corner.getComponent(axis) - at, next.getComponent(axis) - at];
        if (a === b || a * b > 0) return;
        const cut = corner.clone().lerp(next, a / (a - b));
        if (!ends.some((known) => known.distanceToSquared(cut) < 1e-18)) ends.push(cut);
    });
    return ends.length < 2 ? null : [ends[0]!, ends[1]!];
}

/** Points of a regular pattern over a polygon, so many along the longer of its two extents. */
export function pattern(polygon: readonly Vector3[], normal: Triple, along: number): { points: Vector3[]; step: number } {
    if (polygon.length < 3) return { points: [], step: 0 };
    const [u, v] = basisOf(normal);
    const origin = polygon[0]!;
    const [us, vs] = [u, v].map((direction) => polygon.map((corner) => corner.clone().sub(origin).dot(direction))) as [number[], number[]];
    const [u0, u1, v0, v1] = [Math.min(...us), Math.max(...us), Math.min(...vs), Math.max(...vs)];
    const step = Math.max(u1 - u0, v1 - v0) / along;
    const points: Vector3[] = [];
    for (let q = v0 + 0.5 * step; q < v1; q += step) {
        for (let p = u0 + 0.5 * step; p < u1; p += step) {
            const point = origin.clone().addScaledVector(u, p).addScaledVector(v, q);
            if (liesIn(point, polygon, normal)) points.push(point);
        }
    }
    return { points, step };
}
