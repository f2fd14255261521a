import { describe, expect, it } from 'vitest';
import { coordinateMap, makeField, textureData } from './field';

const lines = [
    [0, 1, 3],
    [0, 1],
    [0, 1],
];
const bytes = (...values: number[]) => new Float32Array(values).buffer;

describe('field', () => {
    it('finds the extremes and where they are', () => {
        const field = makeField(
            [
                [0, 1, 3, 4],
                [0, 1],
                [0, 1],
            ],
            bytes(300, 350, NaN),
        );
        expect(field.max).toEqual({ value: 350, at: [2, 0.5, 0.5] });
        expect(field.min.at).toEqual([0.5, 0.5, 0.5]);
    });

    it('refuses a field that does not fit its grid', () => {
        expect(() => makeField(lines, bytes(1, 2, 3))).toThrow('3 values');
    });

    it('keeps value and owner of every cell apart, so that a surface takes its own', () => {
        const owners = new Uint16Array([2, 0, 1]).buffer;
        const field = makeField(
            [
                [0, 1, 3, 4],
                [0, 1],
                [0, 1],
            ],
            bytes(320, NaN, 300),
            owners,
        );
        expect([...textureData(field)]).toEqual([1, 2, 0, -1, 0, 1]);
    });

    it('tells the extremes of solids from those of the air', () => {
        const field = makeField(
            [
                [0, 1, 3, 4],
                [0, 1],
                [0, 1],
            ],
            bytes(320, 280, 300),
            new Uint16Array([2, 0, 1]).buffer,
        );
        expect([field.min.value, field.solid?.min.value, field.solid?.max.value]).toEqual([280, 300, 320]);
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
