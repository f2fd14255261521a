import { Vector3 } from 'three';
import { describe, expect, it } from 'vitest';
import { aboveLimits, surfaceField, surfaceValue } from './surfaces';

const lines = [
    [0, 1, 3],
    [0, 2],
    [0, 4],
];
// The lower cell of part 1 with all six faces; the one towards x+ touches part 2.
const rows = new Uint32Array([0, 1, 2, 3, 4, 5].flatMap((direction) => [0, direction, 1, direction === 1 ? 2 : 0]));

describe('surfaces of parts', () => {
    const field = surfaceField({ lines, rows }, new Float32Array([10, 99, 12, NaN, 14, 15]));

    it('are drawn where they lie open, facing outwards', () => {
        const geometry = field.parts.get(1)!;
        const [positions, normals] = [geometry.getAttribute('position'), geometry.getAttribute('normal')];
        expect(positions.count).toBe(5 * 6);
        const middle = new Vector3(0.5, 1, 2);
        for (let n = 0; n < positions.count; n += 3) {
            const centre = [0, 1, 2].reduce((sum, k) => sum.add(new Vector3().fromBufferAttribute(positions, n + k)), new Vector3()).divideScalar(3);
            expect(centre.sub(middle).dot(new Vector3().fromBufferAttribute(normals, n))).toBeGreaterThan(0);
        }
        expect([field.min, field.max]).toEqual([10, 15]);
    });

    it('tell their value under a point', () => {
        expect(surfaceValue(field, [0.9, 1, 3.9], [0, 0.1, 0.99], 1)).toBe(15);
        expect(surfaceValue(field, [0.1, 1, 2], [-1, 0, 0], 1)).toBe(10);
        expect(surfaceValue(field, [0.1, 1.9, 2], [0, 1, 0], 1)).toBeNull();
        expect(surfaceValue(field, [0.1, 1.9, 2], [0, -1, 0], 2)).toBeNull();
    });

    it('is above the limit of its own part', () => {
        const two = new Uint32Array([0, 1, 1, 0, 1, 1, 2, 0, 2, 1, 3, 0]);
        const above = aboveLimits({ lines, rows: two }, new Float32Array([340, 340, 340]), [330, 350]);
        expect([...above.slice(0, 2)]).toEqual([10, -10]);
        expect(above[2]).toBeNaN();
    });
});
