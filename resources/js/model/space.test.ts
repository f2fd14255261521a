import { describe, expect, it } from 'vitest';
import { flowOf, ofKind, sideOf, withFlow, withInletKind, withPatch, withSide, fittedBox, type Margins, typedMargin } from './space';

const document = {
    parts: [],
    space: {
        box: 1,
        sides: {
            'x-': {
                kind: 'wall' as const,
                heat: { kind: 'film' },
                patches: [
                    { min: [0, 0], max: [1, 1], kind: 'open' as const },
                    { min: [2, 2], max: [3, 3] },
                ],
            },
        },
    },
};

describe('space', () => {
    it('changes one side and keeps all else', () => {
        const changed = withSide(document, 'x+', () => ({ kind: 'outlet' }));
        expect(sideOf(changed, 'x+')).toEqual({ kind: 'outlet' });
        expect(sideOf(changed, 'x-')).toBe(document.space.sides['x-']);
        expect((changed.space as { box: number }).box).toBe(1);
    });

    it('drops what a kind of opening cannot have and brings what it needs', () => {
        expect(ofKind({ kind: 'wall', heat: { kind: 'film' } }, 'inlet')).toEqual({ kind: 'inlet', speed: '1 m/s' });
        expect(ofKind({ kind: 'inlet', massFlow: '2 g/s', temperature: '20 degC' }, 'open')).toEqual({ kind: 'open', temperature: '20 degC' });
        expect(ofKind({ kind: 'open', temperature: '20 degC', pressure: '1 Pa' }, 'wall')).toEqual({ kind: 'wall' });
        expect(withInletKind({ kind: 'inlet', speed: '3 m/s' }, 'volumeFlow')).toEqual({ kind: 'inlet', volumeFlow: '1 l/s' });
    });

    it('changes and removes patches', () => {
        const moved = withPatch(document, 'x-', 0, (patch) => ({ ...patch, max: [4, 4] }));
        expect(sideOf(moved, 'x-').patches?.map((p) => p.max)).toEqual([
            [4, 4],
            [3, 3],
        ]);
    });

    it('gives the space air when flow is switched on and keeps its own fluid', () => {
        expect(flowOf(withFlow(document, 'auto'))).toBe('auto');
        expect((withFlow(document, 'auto').space as { fluid: string }).fluid).toBe('air');
        expect((withFlow({ space: { fluid: 'water' } }, 'laminar').space as { fluid: string }).fluid).toBe('water');
    });

    it('fits around parts tightly, by a margin, and with room for the plume above', () => {
        const parts = [{ min: [0, 0, 0], max: [0.1, 0.02, 0.04] }];
        const box = (margins: Margins, gravity = [0, 0, -9.81]) => fittedBox(parts, margins, gravity);
        expect(box([0, 0, 0, 0, 0, 0])).toEqual({ min: ['0 mm', '0 mm', '0 mm'], max: ['100 mm', '20 mm', '40 mm'] });
        expect(box([{ share: 0.5 }, 0.01, 0, 0, 0, 0])).toEqual({ min: ['-50 mm', '0 mm', '0 mm'], max: ['110 mm', '20 mm', '40 mm'] });
        expect(box('rising')).toEqual({ min: ['-50 mm', '-20 mm', '-20 mm'], max: ['150 mm', '40 mm', '190 mm'] });
        expect(box('rising', [0, 0, 9.81]).min[2]).toBe('-150 mm');
    });

    it('takes margins in mm and in shares of the size', () => {
        expect([typedMargin('20'), typedMargin(' 12,5 mm'), typedMargin('50 %'), typedMargin('5 cm'), typedMargin('')]).toEqual([
            0.02,
            0.0125,
            { share: 0.5 },
            null,
            null,
        ]);
    });
});
