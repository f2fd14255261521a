import { describe, expect, it } from 'vitest';
import { arrowsOf, pathOf } from './arrows';
import { wholeOf } from './LayerPicture';

// A track of three rows on the second of two layers, whose potential falls along x; above it there is no copper.
const raster = { pixels: [10, 4], origin: [0, 0], size: [1e-3, 1e-3] };
const potential = new Float32Array(80).fill(NaN);
const density = new Float32Array(80).fill(NaN);
for (let j = 0; j < 3; j++)
    for (let i = 0; i < 10; i++) {
        potential[40 + 10 * j + i] = 1 - 0.1 * i;
        density[40 + 10 * j + i] = j === 2 ? 1 : 1e6;
    }

describe('arrows of currents', () => {
    it('point down the slope of the potential where a current flows', () => {
        const arrows = arrowsOf(raster, potential, density, 1, wholeOf(raster));
        expect(arrows.length).toBeGreaterThan(100);
        for (const { at, along } of arrows) {
            expect(at[1]).toBeLessThan(2e-3);
            expect(along[0]).toBeGreaterThan(0);
            expect(along[1]).toBeCloseTo(0, 9);
        }
        expect(arrowsOf(raster, potential, density, 0, wholeOf(raster))).toEqual([]);
    });

    it('come closer together where the picture is zoomed', () => {
        const near = arrowsOf(raster, potential, density, 1, { x: 5e-3, y: 1e-3, zoom: 5 });
        expect(Math.max(...near.map(({ at }) => Math.abs(at[0] - 5e-3)))).toBeLessThan(1e-3);
        expect(pathOf(near.slice(0, 1))).toMatch(/^M[-\d.]+ [-\d.]+L/);
    });
});
