import { describe, expect, it } from 'vitest';
import type { PartEntry } from './document';
import { emissivityOf, finishOf, withEmissivity, withFinish } from './finishes';

const document = {
    parts: [
        { id: 'lid', shape: { kind: 'block' } },
        { id: 'wall', shape: { kind: 'block' } },
    ] as PartEntry[],
};

describe('the finish of a surface', () => {
    it('is that of the material until one is chosen, for as many parts as are selected', () => {
        expect(finishOf(document.parts[0]!)).toBe('material');
        const painted = withFinish(document, ['lid', 'wall'], 'painted');
        expect(painted.parts!.map((part) => part.surface)).toEqual([{ emissivity: 0.92 }, { emissivity: 0.92 }]);
        expect(painted.parts!.map(finishOf)).toEqual(['painted', 'painted']);
        expect(withFinish(painted, ['lid'], 'material').parts![0]).not.toHaveProperty('surface');
    });

    it("may be an emissivity or a formula of one's own", () => {
        const own = withEmissivity(document, ['lid'], '0.37').parts![0]!;
        expect([finishOf(own), emissivityOf(own)]).toEqual(['own', '0.37']);
        expect(withEmissivity(document, ['lid'], 'coat').parts![0]!.surface).toEqual({ emissivity: 'coat' });
        expect(finishOf(withFinish(document, ['lid'], 'own').parts![0]!)).toBe('own');
    });
});
