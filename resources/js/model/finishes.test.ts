import { describe, expect, it } from 'vitest';
import type { PartEntry } from './document';
import { chosen, finishOf, surfaceOf, withSurface, withValue } from './finishes';

const document = {
    parts: [
        { id: 'lid', shape: { kind: 'block' }, faces: { 'z+': { heat: { kind: 'film' } } } },
        { id: 'wall', shape: { kind: 'block' } },
    ] as unknown as PartEntry[],
};
const library = [{ id: 'painted-grey', title: 'Painted', emissivity: 0.9, absorptivity: 0.5, source: '' }];

describe('the finish of a surface', () => {
    it('is that of the material until one is chosen, for as many parts as are selected', () => {
        expect(finishOf(surfaceOf(document.parts[0]!))).toBe('material');
        const painted = withSurface(document, ['lid', 'wall'], null, chosen('painted-grey', undefined, library));
        expect(painted.parts!.map((part) => part.surface)).toEqual([{ finish: 'painted-grey' }, { finish: 'painted-grey' }]);
        expect(withSurface(painted, ['lid'], null, chosen('material', undefined, library)).parts![0]).not.toHaveProperty('surface');
    });

    it('may be another one on a face, beside what is stated of its heat', () => {
        const off = withSurface(document, ['lid'], 'z+', chosen('off', undefined, library));
        expect(off.parts![0]!.faces).toEqual({ 'z+': { heat: { kind: 'film' }, surface: { radiates: false } } });
        expect(finishOf(surfaceOf(off.parts![0]!, 'z+'))).toBe('off');
        expect(withSurface(off, ['lid'], 'z+', undefined).parts![0]!.faces).toEqual({ 'z+': { heat: { kind: 'film' } } });
    });

    it("begins with the values of the finish when it gets values of one's own, which may be formulas", () => {
        const own = chosen('own', { finish: 'painted-grey' }, library);
        expect(own).toEqual({ emissivity: 0.9, absorptivity: 0.5 });
        expect(finishOf(own)).toBe('own');
        expect(withValue(own, 'emissivity', 'coat')).toEqual({ emissivity: 'coat', absorptivity: 0.5 });
        expect(withValue({ emissivity: 0.8 }, 'emissivity', ' ')).toBeUndefined();
    });
});
