import { describe, expect, it } from 'vitest';
import type { Result } from '../../api/types';
import { missedLabels } from './callouts';

const limit = (id: string, more: object) => ({
    id,
    name: id,
    quantity: 'temperature',
    verdict: 'missed',
    atMost: 373.15,
    atLeast: null,
    place: [0, 0, 0],
    ...more,
});

describe('labels of limits that are missed', () => {
    it('stand where they are missed, the worst first, with how far', () => {
        const limits = [
            limit('warm', { margin: -2, place: [1, 2, 3] }),
            limit('via', { quantity: 'viaCurrent', atMost: 2, margin: -1 }),
            limit('met', { verdict: 'met', margin: 5 }),
            limit('sum', { margin: -9, place: null }),
            limit('flow', { quantity: 'volumeFlow', atMost: null, atLeast: 0.01, margin: -0.001 }),
        ];
        expect(missedLabels({ limits } as unknown as Result, 'mm')).toMatchObject([
            { title: 'via', value: '1.00 A over', tone: 'bad' },
            { title: 'flow', value: '1.00 l/s under' },
            { title: 'warm', value: '2.0 K over', at: [1, 2, 3] },
        ]);
    });
});
