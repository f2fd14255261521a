import { describe, expect, it } from 'vitest';
import { surfaceBy, touches, touchLimit } from './touch';

describe('what may be touched', () => {
    it('is the cooler the longer it is touched, and metal the coolest', () => {
        for (const category of ['metal', 'ceramic', 'polymer']) {
            const limits = touches.map(([touch]) => touchLimit(surfaceBy(category, 'block'), touch));
            expect([...limits].sort((a, b) => a - b)).toEqual(limits);
        }
        for (const [touch] of touches) {
            expect(touchLimit(surfaceBy('metal', 'block'), touch)).toBeLessThanOrEqual(touchLimit(surfaceBy('ceramic', 'block'), touch));
            expect(touchLimit(surfaceBy('ceramic', 'block'), touch)).toBeLessThanOrEqual(touchLimit(surfaceBy('polymer', 'block'), touch));
        }
        expect(touchLimit(surfaceBy('metal', 'block'), 'moment')).toBeCloseTo(343.15);
    });

    it('counts what is not known as metal, and packages as plastic', () => {
        expect(surfaceBy(undefined, 'block')).toBe('metal');
        expect(surfaceBy('metal', 'package')).toBe('plastic');
    });
});
