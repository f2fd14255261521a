import { describe, expect, it } from 'vitest';
import type { Result } from '../api/types';
import { ladder } from './ladder';

const face = (temperature: number, beyond: number) => ({ area: 1e-4, temperature, beyond });

const result = {
    parts: [
        {
            id: 'chip',
            nodes: { junction: 360 },
            temperature: { max: 355 },
            routes: { sink: 8, board: 2 },
            interfaces: { sink: face(352, 349), board: face(350, 350) },
        },
        { id: 'sink', nodes: null, temperature: { max: 349 }, routes: { chip: -8, fluid: 8 }, interfaces: { chip: face(349, 352), fluid: face(345, 325) } },
        {
            id: 'board',
            nodes: null,
            temperature: { max: 351 },
            routes: { chip: -2, 'side z-': 2 },
            interfaces: { chip: face(350, 350), 'side z-': face(320, 310) },
        },
        { id: 'foil', nodes: null, temperature: null, routes: {}, interfaces: {} },
    ],
    sides: { 'z-': { heat: 2, temperature: 320, area: 1 } },
    flow: null,
} as unknown as Result;

describe('where the kelvins go', () => {
    it('is told along the way that most of the heat takes, and adds up exactly', () => {
        const steps = ladder(result, 'chip', 318)!;
        expect(steps.rungs.map(({ kind, rise }) => [kind, rise])).toEqual([
            ['air', 7],
            ['convection', 20],
            ['conduction', 4],
            ['contact', 3],
            ['junction', 8],
        ]);
        expect(steps.from + steps.rungs.reduce((sum, rung) => sum + rung.rise, 0)).toBeCloseTo(steps.to, 9);
        expect(steps).toMatchObject({ base: 'ambient', from: 318, to: 360 });
    });

    it('takes the air that comes to a heat sink, where that is told', () => {
        const fanned = { ...result, flow: { sinks: [{ part: 'sink', before: 321 }] } } as unknown as Result;
        const steps = ladder(fanned, 'chip', 318)!;
        expect(steps.rungs.slice(0, 2).map(({ kind, rise }) => [kind, rise])).toEqual([
            ['air', 3],
            ['convection', 24],
        ]);
        expect(steps.from + steps.rungs.reduce((sum, rung) => sum + rung.rise, 0)).toBeCloseTo(360, 9);
    });

    it('begins beyond a side where heat leaves through one', () => {
        const steps = ladder(result, 'board', 318)!;
        expect(steps).toMatchObject({ base: 'side z-', from: 310, to: 351 });
        expect(steps.rungs.map(({ rise }) => rise)).toEqual([10, 31]);
    });

    it('is not told of what has no heat or no cells', () => {
        expect(ladder(result, 'foil', 318)).toBeNull();
        expect(ladder(result, 'nothing', 318)).toBeNull();
    });
});
