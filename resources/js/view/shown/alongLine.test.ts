import { describe, expect, it } from 'vitest';
import { makeField } from '../fields/field';
import { alongLine } from './alongLine';

describe('a field along a line', () => {
    const line = Array.from({ length: 11 }, (_, n) => n / 10);
    const grid = [line, [0, 1], [0, 1]];
    const values = new Float32Array(10).map((_v, n) => 300 + 10 * (n + 0.5));

    it('is as the cells have it, straight between their centres', () => {
        const points = alongLine(makeField(grid, values), [0.05, 0.5, 0.5], [0.95, 0.5, 0.5]);
        expect(points[0]).toEqual({ x: 0, y: 305 });
        expect(points.at(-1)!.x).toBeCloseTo(0.9);
        for (const { x, y } of points) expect(y).toBeCloseTo(305 + 100 * x, 3);
    });

    it('jumps where a part ends, and has nothing where nothing is computed', () => {
        const owners = new Uint16Array(10).map((_v, n) => (n < 5 ? 1 : 0));
        const jump = new Float32Array(10).map((_v, n) => (n < 5 ? 400 : n < 9 ? 300 : NaN));
        const points = alongLine(makeField(grid, jump, owners), [0, 0.5, 0.5], [1, 0.5, 0.5]);
        expect(new Set(points.map(({ y }) => (y === null ? null : Math.round(y))))).toEqual(new Set([400, 300, null]));
    });
});
