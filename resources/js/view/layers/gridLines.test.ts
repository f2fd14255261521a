import { describe, expect, it } from 'vitest';
import { polygonOf } from '../shown/planes';
import { gridLines } from './gridLines';

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
