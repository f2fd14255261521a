import { describe, expect, it } from 'vitest';
import { colourAt, gradientOf, palettes, scaleBytes, type PaletteName } from './palettes';

const lightness = ([r, g, b]: readonly number[]) => 0.2126 * r! + 0.7152 * g! + 0.0722 * b!;
const steps = (name: PaletteName) => Array.from({ length: 101 }, (_, n) => lightness(colourAt(name, n / 100)));

describe('colour scales', () => {
    it('of temperatures and of the air grow lighter or darker all the way, so that they read without their hues', () => {
        const [heat, air] = [steps('heat'), steps('air')];
        for (let n = 1; n <= 100; n++) {
            expect(heat[n]!).toBeGreaterThanOrEqual(heat[n - 1]! - 1);
            expect(air[n]!).toBeLessThanOrEqual(air[n - 1]! + 1);
        }
        expect(heat[100]! - heat[0]!).toBeGreaterThan(150);
        expect(air[0]! - air[100]!).toBeGreaterThan(150);
    });

    it('that diverges is lightest in its middle and equally dark at both ends', () => {
        const diverging = steps('diverging');
        expect(Math.max(...diverging)).toBe(diverging[50]);
        expect(Math.abs(diverging[0]! - diverging[100]!)).toBeLessThan(20);
    });

    it('begin and end with their first and last stop, and hide nothing', () => {
        for (const name of Object.keys(palettes) as PaletteName[]) {
            const bytes = scaleBytes(name, 16);
            const hex = (n: number) => `#${[...bytes.slice(4 * n, 4 * n + 3)].map((c) => c.toString(16).padStart(2, '0')).join('')}`;
            expect([hex(0), hex(15)]).toEqual([palettes[name][0], palettes[name].at(-1)]);
            expect([...bytes].filter((_, n) => n % 4 === 3)).toEqual(Array(16).fill(255));
        }
    });

    it('in bands have one colour for each', () => {
        expect(gradientOf('heat', 4).match(/rgb/g)).toHaveLength(4);
    });
});
