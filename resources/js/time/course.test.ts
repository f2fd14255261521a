import { describe, expect, it } from 'vitest';
import { sampleResult } from '../fixtures';
import type { Result } from '../api/types';
import { atMoment, clock, curvesOf, differenceFrom, keptFields, momentsTable, nearestFrame, otherCurvesOf, rangeOver, valueOn, withPeaks } from './course';
import { pairsOf, tableOfFile } from './csv';

const part = {
    id: 'a',
    name: 'A',
    cells: 8,
    power: 0,
    temperature: { min: 290, mean: 300, max: 310 },
    nodes: null,
    faces: {},
    routes: { surroundings: 3 },
    interfaces: {},
    peak: { max: 340, at: 20 },
};
const limit = {
    id: 'l',
    name: 'Hot',
    part: 'a',
    node: null,
    quantity: 'temperature',
    value: 340,
    atMost: 330,
    atLeast: null,
    derating: 5,
    margin: -15,
    verdict: 'missed',
    plusMinus: null,
    order: null,
    unknown: 'one grid',
    overTime: null,
};
const result = sampleResult({
    parts: [part],
    limits: [limit],
    fields: ['temperature', 'heatFlux', 'conductivity'],
    time: {
        end: 40,
        reached: 40,
        steps: 3,
        rejected: 0,
        shortest: 10,
        longest: 20,
        times: [0, 20, 40],
        series: { l: [293, 340, 310] },
        controls: [],
        frames: [
            { time: 10, parts: [{ min: 280, mean: 290, max: 316 }], values: { l: 316 } },
            { time: 40, parts: [{ min: 290, mean: 300, max: 310 }], values: { l: 310 } },
        ],
        balance: { in: 1, out: 0.5, stored: 0.5, error: 0 },
    },
} as unknown as Partial<Result>);

describe('a course in time', () => {
    it('shows temperatures and margins of a moment, and nothing that is not kept of it', () => {
        const then = atMoment(result, 0);
        expect(then.parts[0]).toMatchObject({ temperature: { max: 316 }, routes: {} });
        expect(then.limits[0]).toMatchObject({ value: 316, margin: 9, verdict: 'met' });
        expect(then.fields).toEqual(['temperature', 'conductivity']);
        expect(atMoment(result, 7)).toBe(result);
    });

    it('has the hottest that every part ever was, and colours that hold for all moments', () => {
        expect(withPeaks(result).parts[0]!.temperature!.max).toBe(340);
        expect(rangeOver(result.time!, result)).toEqual({ min: 280, max: 316 });
        expect(withPeaks(sampleResult())).toEqual(sampleResult());
    });

    it('is compared with a reference at its points', () => {
        const [curve] = curvesOf(result);
        expect(valueOn(curve!.points, 30)).toBe(325);
        expect(valueOn(curve!.points, 41)).toBeNull();
        expect(
            differenceFrom(curve!, [
                { x: 20, y: 338 },
                { x: 30, y: 326 },
                { x: 99, y: 0 },
            ]),
        ).toEqual({ greatest: 2, at: 20, rms: Math.sqrt(2.5) });
        expect(differenceFrom(curve!, [{ x: 99, y: 0 }])).toBeNull();
    });

    it('tells the time in the unit that reads best', () => {
        expect([0, 0.0125, 12.34, 512, 9000].map((s) => clock(s).replace('\u00a0', ' '))).toEqual(['0 s', '12.5 ms', '12.3 s', '8.5 min', '2.5 h']);
    });
});

describe('pairs of a file', () => {
    it('are read with any usual separator, and words are left out', () => {
        expect(pairsOf('time,temperature\n0,20.5\n10,21')).toEqual([
            [0, 20.5],
            [10, 21],
        ]);
        expect(pairsOf('t;T\n0;20,5\r\n10;21')).toEqual([
            [0, 20.5],
            [10, 21],
        ]);
        expect(pairsOf('0\t1\n\n5\t2')).toEqual([
            [0, 1],
            [5, 2],
        ]);
        expect(tableOfFile('0,1\n5,2', 'W')).toEqual([
            ['0 s', '1 W'],
            ['5 s', '2 W'],
        ]);
    });

    it('finds the kept moment that is nearest to a time', () => {
        const frames = [{ time: 10 }, { time: 60 }, { time: 600 }];
        expect([0, 34, 36, 1e4].map((time) => nearestFrame(frames, time))).toEqual([0, 0, 1, 2]);
        expect(nearestFrame([], 5)).toBeNull();
    });

    it('tables temperatures and other watches at given moments, and what is kept of moving air', () => {
        const wake = {
            ...result,
            watches: [{ id: 'v', name: 'Wake', unit: 'm/s', value: 0.1 }],
            time: { ...result.time!, series: { ...result.time!.series, v: [0, 0.2, -0.2] }, kept: ['temperature', 'velocity'] },
        } as unknown as Result;
        expect(otherCurvesOf(wake).map(([unit, curves]) => [unit, curves.map(({ name }) => name)])).toEqual([['m/s', ['Wake']]]);
        expect(momentsTable(wake, [10, 50], 'mm')).toEqual([
            ['Time s', 'Hot °C', 'Wake m/s'],
            [10, 43.35, 0.1],
            [50, '', ''],
        ]);
        expect(keptFields(result)).toEqual(['temperature']);
        expect(atMoment({ ...wake, fields: ['temperature', 'velocity', 'heatFlux'] }, 0).fields).toEqual(['temperature', 'velocity']);
    });
});
