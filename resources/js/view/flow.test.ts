import { describe, expect, it } from 'vitest';
import { arrows, makeFlow } from './flow';

const lines = [
    [0, 1, 2],
    [0, 1],
    [0, 1],
];

describe('flow', () => {
    const flow = makeFlow(lines, new Float32Array([3, 0, 4, 0, 0, 0]).buffer);

    it('takes the magnitude of the three components and leaves out what cannot flow', () => {
        expect(flow.speed.values[0]).toBe(5);
        expect(flow.speed.values[1]).toBeNaN();
        expect(flow.speed.max).toEqual({ value: 5, at: [0.5, 0.5, 0.5] });
    });

    it('draws arrows along the flow, in the section and only in the fluid', () => {
        const { places: strokes, colours } = arrows(flow, { axis: 2, position: 0.5 });
        expect(colours.length).toBe(strokes.length);
        expect(strokes.length % 18).toBe(0);
        for (let i = 0; i < strokes.length; i += 18) {
            const [x0, y0, z0, x1, y1] = strokes.slice(i, i + 6);
            expect(0.5 * (x0! + x1!)).toBeLessThan(1);
            expect(z0).toBeCloseTo(0.5, 2);
            expect((y1! - y0!) / (x1! - x0!)).toBeCloseTo(4 / 3, 4);
        }
    });

    it('refuses velocities that do not fit the grid', () => {
        expect(() => makeFlow(lines, new Float32Array(3).buffer)).toThrow('1 values');
    });
});
