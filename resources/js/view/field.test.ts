import { describe, expect, it } from 'vitest';
import { coordinateMap, makeField, textureData } from './field';

const lines = [[0, 1, 3], [0, 1], [0, 1]];
const bytes = (...values: number[]) => new Float32Array(values).buffer;

describe('field', () => {
    it('finds the extremes and where they are', () => {
        const field = makeField([[0, 1, 3, 4], [0, 1], [0, 1]], bytes(300, 350, NaN));
        expect(field.max).toEqual({ value: 350, at: [2, 0.5, 0.5] });
        expect(field.min.at).toEqual([0.5, 0.5, 0.5]);
    });

    it('refuses a field that does not fit its grid', () => {
        expect(() => makeField(lines, bytes(1, 2, 3))).toThrow('3 values');
    });

    it('fills empty cells beside solid ones for the surface and masks them', () => {
        const data = textureData(makeField(lines, bytes(320, NaN)));
        expect([...data]).toEqual([320, 1, 320, 0]);
    });

    it('maps places to texture coordinates through the cell centres of an uneven grid', () => {
        const map = coordinateMap([0, 1, 3], 7);
        expect(map[0]).toBeCloseTo(0.25);
        expect(map[1]).toBeCloseTo(0.25); // x = 0.5, the first centre
        expect(map[4]).toBeCloseTo(0.75); // x = 2, the second centre
        expect(map[6]).toBeCloseTo(0.75);
        for (let i = 1; i < map.length; i++) expect(map[i]!).toBeGreaterThanOrEqual(map[i - 1]!);
    });
});
