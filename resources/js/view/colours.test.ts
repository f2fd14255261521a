import { describe, expect, it } from 'vitest';
import { colourOf, scaleBytes, stops } from './colours';

const lightness = ([r, g, b]: readonly number[]) => 0.2126 * r! + 0.7152 * g! + 0.0722 * b!;

describe('the scale of temperatures', () => {
    const bytes = scaleBytes(256);
    const at = (n: number) => [...bytes.slice(4 * n, 4 * n + 4)];

    it('begins and ends with its first and last stop, and hides nothing', () => {
        const hex = (n: number) =>
            `#${at(n)
                .slice(0, 3)
                .map((c) => c.toString(16).padStart(2, '0'))
                .join('')}`;
        expect([hex(0), hex(255)]).toEqual([stops[0], stops[stops.length - 1]]);
        expect(Array.from({ length: 256 }, (_, n) => at(n)[3])).toEqual(Array(256).fill(255));
    });

    it('grows lighter all the way, so that it reads without its hues', () => {
        for (let n = 1; n < 256; n++) expect(lightness(at(n))).toBeGreaterThanOrEqual(lightness(at(n - 1)) - 1);
        expect(lightness(at(255)) - lightness(at(0))).toBeGreaterThan(150);
    });
});

describe('the colour of a part without a result', () => {
    it('is its own where it has one', () => {
        expect(colourOf({ colour: '#123456', kind: 'block', power: 3 })).toBe('#123456');
    });

    it('tells what heats from what does not, and boards and fins from blocks', () => {
        const of = (kind: string, power = 0) => colourOf({ colour: null, kind: kind, power });
        expect(new Set([of('block'), of('block', 2), of('board'), of('plateFins'), of('shell')]).size).toBe(5);
        expect(of('pinFins')).toBe(of('plateFins'));
    });
});
