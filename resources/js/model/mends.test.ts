import { describe, expect, it } from 'vitest';
import type { Outline } from '../api/types';
import type { ModelDocument } from './document';
import { mends, type Mend } from './mends';
import { samplePart } from './samples';

const document: ModelDocument = {
    parameters: { gap: '2 mm' },
    surroundings: { gravity: [0, 0, 9.81] },
    space: { box: { min: [0, 0, 0], max: [1, 1, 0.1] }, fluid: 'air', sides: { 'x-': { kind: 'inlet', speed: '1 m/s' } } },
    parts: [
        {
            id: 'board',
            shape: { kind: 'block' },
            power: '2 W',
            source: '1 W/m^3',
            faces: { 'z-': { heat: { kind: 'flux', flux: 5 } }, 'z+': { heat: { kind: 'film', coefficient: 9 } } },
        },
        { id: 'crumb', shape: { kind: 'block' }, power: 'spark' },
        { id: 'alone', shape: { kind: 'block' } },
    ],
    limits: [{ id: 'l', of: { part: 'crumb' }, atMost: '90 degC' }],
};
const outline = {
    space: { min: [0, 0, 0], max: [1, 1, 0.1], fluid: 'air' },
    gravity: [0, 0, -9.81],
    parts: [
        samplePart({ id: 'board', min: [0, 0, 0], max: [0.1, 0.1, 0.002] }),
        samplePart({ id: 'crumb', min: [0.01, 0.01, 0.002], max: [0.011, 0.011, 0.003] }),
        samplePart({ id: 'alone', min: [0.5, 0.5, 0.05], max: [0.501, 0.501, 0.051] }),
    ],
} as unknown as Outline;
const mended = (mend: Mend, parts: string[] = [], subject: string | null = null) => mends[mend].change(document, outline, { parts, subject });

describe('what preflight mends at once', () => {
    it('lets heat and air out where walls are', () => {
        const sides = (mended('films').space as { sides: Record<string, { kind?: string; heat?: { kind: string } }> }).sides;
        expect(sides['x-']).toEqual({ kind: 'inlet', speed: '1 m/s' });
        expect(sides['z+']?.heat?.kind).toBe('film');
        expect(mended('outlet', [], 'x+').space).toMatchObject({ sides: { 'x-': { kind: 'inlet' }, 'x+': { kind: 'outlet' } } });
        expect(mended('moving air').physics).toMatchObject({ flow: 'auto' });
    });

    it('sets gravity and room', () => {
        expect(mended('gravity').surroundings).toEqual({ gravity: [0, 0, -9.81] });
        expect(Number.parseFloat((mended('room').space as { box: { max: string[] } }).box.max[2]!)).toBeGreaterThan(500);
    });

    it('keeps one of several ways of heating a part', () => {
        expect(mended('watts only', ['board']).parts![0]).toEqual({
            id: 'board',
            shape: { kind: 'block' },
            power: '2 W',
            faces: { 'z+': { heat: { kind: 'film', coefficient: 9 } } },
        });
        expect(mended('no watts', ['crumb']).parts![1]).not.toHaveProperty('power');
        expect(mended('no face heat', ['board'], 'z+').parts![0]!.faces).toEqual({ 'z-': { heat: { kind: 'flux', flux: 5 } } });
        expect(mended('no parameter', [], 'gap').parameters).toEqual({});
    });

    it('removes small parts, or gives their watts to what they touch', () => {
        expect(mended('drop', ['crumb', 'alone']).parts!.map((part) => part.id)).toEqual(['board']);
        const merged = mended('merge', ['crumb', 'alone']);
        expect(merged.parts!.map((part) => [part.id, part.power])).toEqual([
            ['board', '2 W + spark'],
            ['alone', undefined],
        ]);
        expect(merged.limits).toEqual([]);
    });
});
