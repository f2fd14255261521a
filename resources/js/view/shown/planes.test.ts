import { Vector3 } from 'three';
import { describe, expect, it } from 'vitest';
import { anglesOf, axisNormal, axisOf, extentAlong, liesIn, middleOf, normalAt, pattern, polygonOf } from './planes';
import type { Triple } from './shown';

const box = { min: [0, 0, 0], max: [1, 2, 3] };
const tilted: Triple = [Math.SQRT1_2, 0, Math.SQRT1_2];

describe('planes of sections', () => {
    it('are known by their axis, and free ones by their angles', () => {
        expect(axisOf(axisNormal(1))).toBe(1);
        expect(axisOf(tilted)).toBeNull();
        for (const [around, up] of [
            [30, 20],
            [-120, -45],
        ] as const) {
            const back = anglesOf(normalAt(around, up));
            expect(back.around).toBeCloseTo(around);
            expect(back.up).toBeCloseTo(up);
        }
    });

    it('cut a box in a polygon that lies in them, in order around its middle', () => {
        const square = polygonOf({ normal: [0, 0, 1], position: 1 }, box);
        expect(square).toHaveLength(4);
        const [low, high] = extentAlong(tilted, box);
        expect([low, high]).toEqual([0, expect.closeTo(4 * Math.SQRT1_2)]);
        const hexagon = polygonOf({ normal: [1, 1, 1].map((x) => x / Math.sqrt(3)) as Triple, position: 3 / Math.sqrt(3) }, { min: [0, 0, 0], max: [2, 2, 2] });
        expect(hexagon).toHaveLength(6);
        for (const corner of hexagon) expect(corner.x + corner.y + corner.z).toBeCloseTo(3);
        expect(hexagon.every((corner, n) => corner.distanceTo(hexagon[(n + 1) % 6]!) < 1.5)).toBe(true);
        expect(polygonOf({ normal: [0, 0, 1], position: 5 }, box)).toEqual([]);
    });

    it('hold what lies in their polygon', () => {
        const normal = tilted;
        const polygon = polygonOf({ normal, position: 1 }, box);
        expect(liesIn(middleOf(polygon), polygon, normal)).toBe(true);
        expect(liesIn(new Vector3(0.7, 2.5, 0.7), polygon, normal)).toBe(false);
        const { points, step } = pattern(polygon, normal, 10);
        expect(points.length).toBeGreaterThan(20);
        for (const point of points) expect(point.dot(new Vector3(...normal))).toBeCloseTo(1);
        expect(step).toBeCloseTo(0.2);
    });
});
