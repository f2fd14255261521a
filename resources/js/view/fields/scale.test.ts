import { describe, expect, it } from 'vitest';
import { automatic, isLocked, scaleOf, shareOf, valueAt } from './scale';

describe('the scale of a picture', () => {
    it('follows what is shown until an end is given', () => {
        expect(scaleOf(automatic, { min: 300, max: 350 })).toMatchObject({ min: 300, max: 350 });
        expect(scaleOf({ ...automatic, max: 400 }, { min: 300, max: 350 })).toMatchObject({ min: 300, max: 400 });
        const locked = { ...automatic, min: 310, max: 360 };
        expect(isLocked(locked)).toBe(true);
        expect(scaleOf(locked, { min: 0, max: 900 })).toMatchObject({ min: 310, max: 360 });
    });

    it('has a width even where all is the same', () => {
        const { min, max } = scaleOf(automatic, { min: 300, max: 300 });
        expect(max).toBeGreaterThan(min);
    });

    it('cuts off beyond its ends', () => {
        const scale = scaleOf(automatic, { min: 10, max: 20 });
        expect([5, 10, 15, 99].map((value) => shareOf(value, scale))).toEqual([0, 0, 0.5, 1]);
    });

    it('gives every value of a band one colour', () => {
        const scale = scaleOf({ ...automatic, bands: 4 }, { min: 0, max: 1 });
        expect([0, 0.2, 0.3, 1].map((value) => shareOf(value, scale))).toEqual([0.125, 0.125, 0.375, 0.875]);
    });

    it('goes by powers where it is logarithmic, and back', () => {
        const scale = scaleOf({ ...automatic, logarithmic: true }, { min: 1, max: 100 });
        expect(shareOf(10, scale)).toBeCloseTo(0.5);
        expect(valueAt(0.5, scale)).toBeCloseTo(10);
        expect(scaleOf({ ...automatic, logarithmic: true }, { min: -1, max: 100 }).logarithmic).toBe(false);
    });
});
