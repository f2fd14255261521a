import { describe, expect, it } from 'vitest';
import type { BoardCurrents } from '../api/types';
import { joinedLayers } from './joinedLayers';
import { extremes, pixelAt, type Raster } from './raster';

const raster: Raster = { pixels: [10, 10], origin: [1e-3, 2e-3], size: [1e-3, 1e-3] };

describe('pixels of a board', () => {
    it('are found by their place as the artwork counts', () => {
        expect(pixelAt(raster, 1.5e-3, 2.5e-3)).toBe(0);
        expect(pixelAt(raster, 10.9e-3, 11.9e-3)).toBe(99);
        expect(pixelAt(raster, 0.9e-3, 5e-3)).toBeNull();
    });

    it('leave out what has no value, and what a logarithm has none of', () => {
        expect(extremes([NaN, -1, 0, 3, 9], 0, 4, false)).toEqual({ min: -1, max: 3 });
        expect(extremes([NaN, -1, 0, 3, 9], 0, 4, true)).toEqual({ min: 3, max: 3 });
        expect(extremes([NaN], 0, 1, false)).toBeNull();
    });
});

describe('layers that a via joins', () => {
    it('have copper of its net around it, and not the barrel alone', () => {
        const nets = new Float32Array(200).fill(NaN);
        for (let n = 0; n < 100; n++) nets[n] = 4;
        nets[100 + 55] = 4;
        const layer = { outer: true, heat: 0, density: 0, temperature: 300 };
        const currents = {
            ...raster,
            layers: [
                { ...layer, name: 'Bottom' },
                { ...layer, name: 'Top' },
            ],
        } as unknown as BoardCurrents;
        const via = { at: [6.5e-3, 7.5e-3], hole: 0.5e-3 } as BoardCurrents['vias'][number];
        expect(joinedLayers(currents, nets, via)).toEqual(['Bottom']);
    });
});
