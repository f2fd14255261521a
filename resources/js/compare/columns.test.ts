import { describe, expect, it } from 'vitest';
import type { RunReadings } from '../api/types';
import { unionOf } from '../view/layers/useSharedScales';
import { addressOf, fromAddress } from './columns';
import { tracked, trackOf } from './track';

describe('the address of a comparison', () => {
    it('names variants, runs and the base, and is read back', () => {
        const columns = [
            { variant: 3, run: null },
            { variant: 4, run: 21 },
        ];
        expect(addressOf(columns, 1)).toBe('of=3&of=4.21&base=1');
        expect(fromAddress(new URLSearchParams('of=3&of=4.21&base=1'), [3, 4])).toEqual({ columns, base: 1 });
    });

    it('leaves out what is not there or named twice, and fills up to two', () => {
        expect(fromAddress(new URLSearchParams('of=9&of=4&of=4&base=5'), [3, 4])).toEqual({
            columns: [
                { variant: 4, run: null },
                { variant: 3, run: null },
            ],
            base: 0,
        });
        expect(fromAddress(new URLSearchParams('of=1&of=2&of=3&of=4&of=5'), [1, 2, 3, 4, 5]).columns).toHaveLength(4);
    });
});

describe('the range that views share', () => {
    it('spans what each would have by itself', () => {
        const scale = (min: number, max: number) => ({ min, max, bands: 0, logarithmic: false });
        const union = unionOf([
            new Map([['temperature', scale(300, 350)]] as const),
            new Map([
                ['temperature', scale(290, 340)],
                ['speed', scale(0, 2)],
            ] as const),
        ]);
        expect(union.get('temperature')).toEqual(scale(290, 350));
        expect(union.get('speed')).toEqual(scale(0, 2));
    });
});

describe('a watch over runs', () => {
    const reading = (id: string, value: number | null) => ({
        id,
        name: id.toUpperCase(),
        quantity: 'temperature',
        reduce: 'max',
        value,
        plusMinus: null,
        margin: null,
        verdict: null,
    });
    const run = (id: number, variant: number, readings: ReturnType<typeof reading>[]): RunReadings => ({
        run: id,
        variant,
        revision: 1,
        model: 'm',
        grade: 'scout',
        finishedAt: null,
        readings,
    });
    const runs = [run(1, 3, [reading('a', 350)]), run(2, 4, [reading('a', 340), reading('b', null)]), run(3, 3, [reading('a', 345)])];

    it('is a curve for each variant over all runs of the project', () => {
        expect(tracked(runs).map(({ id }) => id)).toEqual(['a']);
        expect(
            trackOf(runs, 'a', [
                { id: 3, name: 'First' },
                { id: 4, name: 'Second' },
                { id: 5, name: 'Not run' },
            ]),
        ).toEqual([
            {
                name: 'First',
                points: [
                    { x: 1, y: 350 },
                    { x: 3, y: 345 },
                ],
            },
            { name: 'Second', points: [{ x: 2, y: 340 }] },
        ]);
    });
});
