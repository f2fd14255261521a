import { describe, expect, it } from 'vitest';
import { touches, touchLimit } from './touch';

describe('what may be touched', () => {
    it('is the cooler the longer it is touched, and metal the coolest', () => {
        for (const category of ['metal', 'ceramic', 'polymer']) {
            const limits = touches.map(([touch]) => touchLimit(category, 'block', touch));
            expect([...limits].sort((a, b) => a - b)).toEqual(limits);
        }
        for (const [touch] of touches) {
            expect(touchLimit('metal', 'block', touch)).toBeLessThanOrEqual(touchLimit('ceramic', 'block', touch));
            expect(touchLimit('ceramic', 'block', touch)).toBeLessThanOrEqual(touchLimit('polymer', 'block', touch));
        }
        expect(touchLimit('metal', 'block', 'moment')).toBeCloseTo(343.15);
    });

    it('counts what is not known as metal, and packages as plastic', () => {
        expect(touchLimit(undefined, 'block', 'seconds')).toBe(touchLimit('metal', 'block', 'seconds'));
        expect(touchLimit(undefined, 'package', 'seconds')).toBe(touchLimit('polymer', 'block', 'seconds'));
    });
});
