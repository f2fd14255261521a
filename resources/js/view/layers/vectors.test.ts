import { Vector3 } from 'three';
import { describe, expect, it } from 'vitest';
import { makeField, taken } from '../fields/field';
import { polygonOf } from '../shown/planes';
import { vectors } from './vectors';

const lines = [
    [0, 1, 2],
    [0, 1],
    [0, 1],
];
const stored = new Float32Array([3, 0, 4, 0, 12, 0]);
const owners = new Uint16Array([0, 1]);
const of = {
    x: makeField(lines, taken(stored, 0), owners),
    y: makeField(lines, taken(stored, 1), owners),
    z: makeField(lines, taken(stored, 2), owners),
    speed: makeField(lines, taken(stored, 'length'), owners),
};
const section = { normal: [0, 0, 1] as [number, number, number], density: 10, vectors: 'speed' as const, projected: true, flipped: false };
const polygon = polygonOf({ normal: section.normal, position: 0.5 }, { min: [0, 0, 0], max: [2, 1, 1] });
const black = (): [number, number, number] => [0, 0, 0];
const shafts = ({ places: strokes }: { places: Float32Array }) =>
    Array.from({ length: strokes.length / 18 }, (_, n) => [new Vector3().fromArray(strokes, 18 * n), new Vector3().fromArray(strokes, 18 * n + 3)] as const);

describe('vectors of the velocity', () => {
    it('lie in the section, along the flow, and only where something flows', () => {
        const all = shafts(vectors(of, section, polygon, black));
        expect(all.length).toBeGreaterThan(10);
        for (const [from, to] of all) {
            expect(0.5 * (from.x + to.x)).toBeLessThan(1);
            expect(to.z).toBeCloseTo(from.z, 6);
            expect((to.y - from.y) / (to.x - from.x)).toBeCloseTo(4 / 3, 4);
        }
    });

    it('stand as they are where they are not laid into it, and have one length where that is wanted', () => {
        for (const [from, to] of shafts(vectors(of, { ...section, projected: false, vectors: 'uniform' }, polygon, black))) {
            expect(to.distanceTo(from)).toBeCloseTo(0.16, 5);
            expect((to.z - from.z) / (to.x - from.x)).toBeCloseTo(4, 3);
        }
    });
});
