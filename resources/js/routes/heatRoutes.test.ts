import { describe, expect, it } from 'vitest';
import type { Result } from '../api/types';
import { AIR, heatRoutes, RADIATION, sourcesOf, stepsOf, SUN } from './heatRoutes';

const part = (id: string, power: number, routes: Record<string, number>) => ({ id, name: id, power, routes, current: null });

/** A chip of 10 W on a board and under a sink; the air warms the board a little again. */
const result = {
    parts: [part('chip', 10, { sink: 8, board: 2 }), part('sink', 0, { chip: -8, fluid: 8 }), part('board', 1, { chip: -2, fluid: -0.5, 'side z-': 3.5 })],
    sides: { 'z-': { heat: 4, temperature: 300, area: 1 }, 'x+': null },
    flow: { openings: [{ name: 'x+', heat: 7 }] },
} as unknown as Result;

const link = (routes: ReturnType<typeof heatRoutes>, from: string, to: string) => routes.links.find((l) => l.from === from && l.to === to)?.heat ?? 0;

describe('heat routes', () => {
    it('follow every watt of a part to where it leaves', () => {
        const routes = heatRoutes(result, sourcesOf(result, new Set(['chip'])));
        expect(routes.given).toBe(10);
        expect(routes.left).toBeCloseTo(10, 3);
        expect(link(routes, 'chip', 'sink')).toBeCloseTo(8, 5);
        expect(link(routes, 'sink', AIR)).toBeCloseTo(8, 5);
        // Of what the air has, 7 of 8 W go out of the opening, half a watt to the board and half to the floor.
        expect(link(routes, AIR, 'opening x+')).toBeCloseTo(7, 5);
        expect(link(routes, AIR, 'side z-')).toBeCloseTo(0.5, 5);
        expect(link(routes, 'board', 'side z-')).toBeCloseTo(2.5, 5);
    });

    it('of all parts are what the result says', () => {
        const routes = heatRoutes(result, sourcesOf(result, null));
        expect(routes.given).toBe(11);
        expect(routes.left).toBeCloseTo(11, 3);
        expect(link(routes, 'board', 'side z-')).toBeCloseTo(3.5, 5);
    });

    it('follow what surfaces radiate to each other, and what the sun gives', () => {
        const result = {
            parts: [part('chip', 5, { lid: 2, radiation: 3 }), part('lid', 0, { chip: -2, sun: -4, radiation: 9 })],
            sides: {},
            flow: null,
            radiation: {
                out: 9,
                towards: 300,
                sun: 4,
                exchange: [
                    { from: 'lid', to: 'surroundings', heat: 12 },
                    { from: 'chip', to: 'lid', heat: 3 },
                ],
            },
        } as unknown as Result;
        const routes = heatRoutes(result, sourcesOf(result, null));
        expect(link(routes, 'chip', 'lid')).toBeCloseTo(5, 5);
        expect(link(routes, SUN, 'lid')).toBeCloseTo(4, 5);
        expect(link(routes, 'lid', RADIATION)).toBeCloseTo(9, 5);
        expect(routes.left).toBeCloseTo(9, 5);
        expect(sourcesOf(result, new Set(['chip'])).has(SUN)).toBe(false);
    });

    it('count what a side radiates once, as radiation of the part that touches it', () => {
        const box = {
            parts: [part('chip', 9, { lid: 9 }), part('lid', 0, { chip: -9, 'side z+': 5, radiation: 4 })],
            sides: { 'z+': { heat: 9, radiated: 4, temperature: 320, area: 1 } },
        } as unknown as Result;
        const routes = heatRoutes(box, sourcesOf(box, null));
        expect(routes.left).toBeCloseTo(9, 4);
        expect(link(routes, 'lid', RADIATION)).toBeCloseTo(4, 5);
        expect(link(routes, 'lid', 'side z+')).toBeCloseTo(5, 5);
        expect(link(routes, AIR, 'side z+')).toBe(0);
    });

    it('leave loops out and keep every balance', () => {
        const loop = {
            parts: [part('a', 1, { b: 3, c: -2 }), part('b', 0, { a: -3, fluid: 3 }), part('c', 0, { fluid: -2, a: 2 })],
            sides: {},
            flow: { openings: [{ name: 'x+', heat: 1 }] },
        } as unknown as Result;
        const routes = heatRoutes(loop, new Map([['a', 1]]));
        expect(routes.left).toBeCloseTo(1, 4);
        expect(link(routes, 'c', 'a')).toBe(0);
        expect(link(routes, 'a', 'b')).toBeCloseTo(1, 4);
    });

    it('are none where nothing heats', () => {
        expect(heatRoutes(result, sourcesOf(result, new Set(['sink'])))).toEqual({ nodes: [], links: [], given: 0, left: 0 });
    });

    it('are so many steps from what is followed', () => {
        const sources = sourcesOf(result, new Set(['chip']));
        const steps = stepsOf(heatRoutes(result, sources), sources.keys());
        expect([...['chip', 'sink', AIR].map((id) => steps.get(id))]).toEqual([0, 1, 2]);
        expect(steps.get('side z-')).toBeGreaterThan(1);
    });
});
