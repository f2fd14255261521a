import { describe, expect, it } from 'vitest';
import { typicalFans, typicalOf, typicalPackages } from './typical';

describe('typical parts', () => {
    it('are known again by their fields', () => {
        const shape = { kind: 'package', ...typicalPackages['QFN 5 × 5'], boardFace: 'z-' };
        expect(typicalOf(typicalPackages, shape)).toBe('QFN 5 × 5');
        expect(typicalOf(typicalPackages, { ...shape, junctionToCase: '14 K/W' })).toBeNull();
    });

    it('have fan curves whose flow rises and whose pressure falls to nothing', () => {
        for (const { curve } of Object.values(typicalFans)) {
            const [flows, rises] = [0, 1].map((n) => curve.map((row) => Number.parseFloat(row[n]!)));
            expect(flows).toEqual([...flows!].sort((a, b) => a - b));
            expect(rises).toEqual([...rises!].sort((a, b) => b - a));
            expect(rises!.at(-1)).toBe(0);
        }
    });
});
