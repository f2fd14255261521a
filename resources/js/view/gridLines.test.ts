import { describe, expect, it } from 'vitest';
import { gridLines } from './gridLines';

describe('the lines of a grid on a section', () => {
    it('run from side to side, one through every line of the two other axes', () => {
        const ends = gridLines(
            [
                [0, 1],
                [0, 0.5, 2],
                [0, 3],
            ],
            { axis: 2, position: 1.5 },
        );
        const segments = Array.from({ length: ends.length / 6 }, (_, n) => [...ends.slice(6 * n, 6 * n + 6)]);
        expect(segments).toHaveLength(5);
        expect(segments).toContainEqual([0, 0.5, 1.5, 1, 0.5, 1.5]);
        expect(segments).toContainEqual([1, 0, 1.5, 1, 2, 1.5]);
    });
});
