import { describe, expect, it } from 'vitest';
import { barFor } from './barFor';

describe('the scale bar', () => {
    it('is the longest round length that fits', () => {
        expect(barFor(1000, 'mm')).toEqual({ length: 0.1, pixels: 100 });
        expect(barFor(1200, 'mm').length).toBeCloseTo(0.05);
        expect(barFor(2500, 'mm').length).toBeCloseTo(0.02);
        expect(barFor(1000, 'us').length / 0.0254).toBeCloseTo(2);
    });

    it('is never wider than it may be', () => {
        for (let scale = 1; scale < 1e5; scale *= 1.7) expect(barFor(scale, 'mm').pixels).toBeLessThanOrEqual(110);
    });
});
