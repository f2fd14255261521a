import { describe, expect, it } from 'vitest';
import { cellAt, cellHints, makeField, ownerAt, sample, taken, textureData } from './field';

const lines = [
    [0, 1, 3],
    [0, 1],
    [0, 1],
];
const bytes = (...values: number[]) => new Float32Array(values);

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
        const owners = new Uint16Array([2, 0, 1]);
        const field = makeField(
            [
                [0, 1, 3, 4],
                [0, 1],
                [0, 1],
            ],
            bytes(320, NaN, 300),
            owners,
        );
        expect([...textureData(field)]).toEqual([320, 2, 0, -1, 300, 1]);
    });

    it('tells the extremes of solids from those of the air', () => {
        const field = makeField(
            [
                [0, 1, 3, 4],
                [0, 1],
                [0, 1],
            ],
            bytes(320, 280, 300),
            new Uint16Array([2, 0, 1]),
        );
        expect([field.min.value, field.solid?.min.value, field.solid?.max.value]).toEqual([280, 300, 320]);
    });

    it('finds the cell of a place on an uneven grid, and never hints beyond it', () => {
        const line = [0, 0.1, 0.11, 3];
        expect([-1, 0.05, 0.1, 0.105, 2, 9].map((x) => cellAt(line, x))).toEqual([0, 0, 1, 1, 2, 2]);
        const hints = cellHints(line, 64);
        hints.forEach((cell, n) => expect(line[cell]!).toBeLessThanOrEqual((3 * n) / 63 + 1e-12));
    });

    it('goes straight between the centres of the cells of one owner', () => {
        const field = makeField(
            [
                [0, 1, 3, 4],
                [0, 1],
                [0, 1],
            ],
            bytes(300, 330, 400),
            new Uint16Array([1, 1, 2]),
        );
        expect(sample(field, [0.5, 0.2, 0.9], 1)).toBeCloseTo(300, 4);
        expect(sample(field, [1, 0.5, 0.5], 1)).toBeCloseTo(310, 4);
        expect(sample(field, [2.9, 0.5, 0.5], 1)).toBeCloseTo(330, 4); // what lies next to it has no share
        expect(sample(field, [2.9, 0.5, 0.5], 2)).toBeCloseTo(400, 4);
        expect(sample(field, [0.2, 0.5, 0.5], 2)).toBeNull();
        expect(ownerAt(field, [3.5, 0.5, 0.5])).toBe(2);
    });

    it('takes a component or the length of a vector, and nothing where it is at rest', () => {
        const stored = bytes(3, 0, 4, 0, 0, 0);
        expect([...taken(stored, 'length')]).toEqual([5, NaN]);
        expect([...taken(stored, 1)]).toEqual([4, NaN]);
        expect(taken(stored, 'value')).toBe(stored);
    });
});
