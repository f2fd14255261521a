import { describe, expect, it } from 'vitest';
import type { Result, WhatIf } from '../api/types';
import { sampleResult } from '../fixtures';
import { changesOf, predicted, reliability, resultAt } from './whatIf';

const whatIf: WhatIf = {
    sources: [
        { part: 'chip', power: 10 },
        { part: 'board', power: 2 },
    ],
    values: [
        { part: 'chip', node: 'junction', id: null, reduce: 'max', places: [{ value: 360, perWatt: [3, 1] }] },
        { part: 'chip', node: 'case', id: null, reduce: 'max', places: [{ value: 350, perWatt: [2, 1] }] },
        { part: 'chip', node: 'board', id: null, reduce: 'max', places: [{ value: 345, perWatt: [1, 1] }] },
        {
            part: 'board',
            node: null,
            id: null,
            reduce: 'max',
            places: [
                { value: 340, perWatt: [2, 1] },
                { value: 335, perWatt: [0.5, 5] },
            ],
        },
        { part: 'chip', node: 'junction', id: 'l1', reduce: 'max', places: [{ value: 360, perWatt: [3, 1] }] },
    ],
    richardson: 0.01,
    limit: 'l1',
    tolerances: null,
    helps: [],
};

const result = sampleResult({
    parts: [
        {
            id: 'chip',
            power: 10,
            temperature: { min: 345, mean: 347.5, max: 350 },
            nodes: { junction: 360, case: 350, board: 345, toCase: 8, toBoard: 2 },
            routes: { board: 2 },
        },
        { id: 'board', power: 2, temperature: { min: 300, mean: 320, max: 340 }, nodes: null, routes: {} },
    ],
    limits: [
        {
            id: 'l1',
            name: 'Chip junction',
            part: 'chip',
            quantity: 'temperature',
            value: 360,
            atMost: 358,
            atLeast: null,
            derating: 0,
            margin: -2,
            verdict: 'missed',
            plusMinus: 1,
        },
        {
            id: 'l2',
            name: 'Air',
            part: null,
            quantity: 'volumeFlow',
            value: 1,
            atMost: null,
            atLeast: 0.5,
            derating: 0,
            margin: 0.5,
            verdict: 'met',
            plusMinus: null,
        },
        { id: 'l3', name: 'Lid', part: null, quantity: 'heat', value: 1, atMost: 2, atLeast: null, derating: 0, margin: 1, verdict: 'met', plusMinus: null },
    ],
    watches: [{ id: 'w1', name: 'Heat', quantity: 'heat', value: 3 }],
    verdict: { limits: 3, missed: 1, undecided: 0, worst: 'l1', worstMargin: -2 },
} as unknown as Partial<Result>);

describe('temperatures at other watts', () => {
    it('are those of the run where nothing is changed', () => {
        expect(resultAt(result, whatIf, {}).parts.map((part) => part.temperature)).toEqual(result.parts.map((part) => part.temperature));
        expect(changesOf(whatIf, {})).toEqual([0, 0]);
    });

    it('follow every source, and the hottest place of a part may move', () => {
        expect(predicted(whatIf.values[0]!, [1, 2])).toBe(365);
        expect(predicted(whatIf.values[3]!, [0, 1])).toBe(341);
        expect(predicted(whatIf.values[3]!, [0, 4])).toBe(355);
        const tried = resultAt(result, whatIf, { board: 6 });
        expect(tried.parts[1]!.temperature!.max).toBe(355);
        expect(tried.parts[0]!.nodes).toMatchObject({ junction: 364, case: 354, board: 349 });
        expect(tried.parts[0]!.temperature).toEqual({ min: 349, mean: 351.5, max: 354 });
    });

    it('change margins and the verdict, which keeps its uncertainty', () => {
        const cooler = resultAt(result, whatIf, { chip: 9 });
        expect(cooler.limits[0]).toMatchObject({ value: 357, margin: 1, verdict: 'met' });
        expect(resultAt(result, whatIf, { chip: 9.2 }).limits[0]!.verdict).toBe('undecided');
        expect(resultAt(result, whatIf, { chip: 8 }).verdict).toMatchObject({ missed: 0, worst: 'l1', worstMargin: 4 });
    });

    it('say nothing of what does not follow from the influence', () => {
        const tried = resultAt(result, whatIf, { chip: 9 });
        expect(tried.limits[1]).toEqual(result.limits[1]);
        expect(tried.limits[2]).toMatchObject({ value: null, margin: null });
        expect(tried.watches[0]!.value).toBeNull();
        expect(tried.parts[0]!.routes).toEqual({});
    });

    it('are called less certain the more buoyancy drives the flow', () => {
        expect([0.01, 0.5, 3, null].map((richardson) => reliability({ ...whatIf, richardson }))).toEqual(['good', 'fair', 'poor', 'poor']);
    });
});
