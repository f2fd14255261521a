import { describe, expect, it } from 'vitest';
import { polygonOf } from '../shown/planes';
import { gridLines, gridLinesOn } from './gridLines';

describe('the lines of a grid on a section', () => {
    it('run from side to side, one through every line of the two other axes', () => {
        const polygon = polygonOf({ normal: [0, 0, 1], position: 1.5 }, { min: [0, 0, 0], max: [1, 2, 3] });
        const ends = gridLines(
            [
                [0, 1],
                [0, 0.5, 2],
                [0, 3],
            ],
            polygon,
        );
        const segments = Array.from({ length: ends.length / 6 }, (_, n) => {
            const [a, b] = [[...ends.slice(6 * n, 6 * n + 3)], [...ends.slice(6 * n + 3, 6 * n + 6)]];
            return [a, b].sort((p, q) => p[0]! - q[0]! || p[1]! - q[1]!).flat();
        });
        expect(segments).toHaveLength(5);
        expect(segments).toContainEqual([0, 0.5, 1.5, 1, 0.5, 1.5]);
        expect(segments).toContainEqual([1, 0, 1.5, 1, 2, 1.5]);
    });
});

describe('grid lines on a surface', () => {
    const lines = [
        [0, 1, 2, 3],
        [0, 1, 2],
        [0, 5],
    ];

    it('lie where its planes cut the triangles, from edge to edge', () => {
        // A triangle in the plane z = 0 with its right angle at the origin.
        const cuts = gridLinesOn(lines, [0, 0, 0, 3, 0, 0, 0, 3, 0]);
        expect(cuts).toHaveLength(4 * 6);
        for (let n = 0; n < cuts.length; n += 6) {
            const [x0, y0, , x1, y1] = cuts.subarray(n, n + 6) as unknown as [number, number, number, number, number];
            expect(x0 === x1 || y0 === y1).toBe(true);
            // One end on the long side, one on an axis.
            expect([x0 + y0, x1 + y1].filter((sum) => Math.abs(sum - 3) < 1e-6)).toHaveLength(1);
        }
    });

    it('are none of planes that only touch', () => {
        expect([...gridLinesOn(lines, [1, 0, 0, 2, 0, 0, 2, 0, 4])]).toEqual([]);
    });
});
