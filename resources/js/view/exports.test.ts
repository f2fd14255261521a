import { Color, type Mesh } from 'three';
import { describe, expect, it } from 'vitest';
import { sampleResult } from '../fixtures';
import { colouredSurfaces } from './exports';
import { fieldKinds } from './fields/catalogue';
import { makeField } from './fields/field';
import { colourAt } from './fields/palettes';
import { automatic, scaleOf } from './fields/scale';

const lines = [
    [0, 1, 2],
    [0, 1],
    [0, 1],
];
// Two cells of two parts that touch: the outer faces along x of each, and the one between them.
const rows = new Uint32Array([0, 0, 1, 0, 0, 1, 1, 2, 1, 1, 2, 0]);

describe('coloured surfaces', () => {
    it('have the colour that the field has in their cells, by part', () => {
        const result = sampleResult();
        const field = makeField(lines, new Float32Array([300, 400]));
        const scale = scaleOf(automatic, { min: 300, max: 400 });
        const picture = {
            run: 1,
            number: 1,
            result: { ...result, grid: { ...result.grid, lines } },
            fields: new Map([['temperature' as const, field]]),
            textures: new Map(),
            surfaces: new Map(),
            scales: new Map([['temperature' as const, scale]]),
        };
        const group = colouredSurfaces(picture, rows, 'temperature', ['Board', 'Cover']);

        expect(group.children.map((child) => child.name)).toEqual(['Board', 'Cover']);
        [0, 1].forEach((share, n) => {
            const colours = (group.children[n] as Mesh).geometry.getAttribute('color');
            expect(colours.count).toBe(6);
            const painted = new Color().fromBufferAttribute(colours, 0).convertLinearToSRGB();
            expect(painted.toArray().map((c) => Math.round(255 * c))).toEqual(colourAt(fieldKinds.temperature.palette, share).map(Math.round));
        });
    });
});
