import { describe, expect, it } from 'vitest';
import type { Result, ResultLimit } from '../api/types';
import { sampleResult } from '../fixtures';
import { byWorst, differs, rowsOf } from './table';

const limit = (id: string, value: number, margin: number, fields: Partial<ResultLimit> = {}) =>
    ({
        id,
        name: id,
        quantity: 'temperature',
        value,
        atMost: value + margin,
        atLeast: null,
        margin,
        verdict: margin < 0 ? 'missed' : 'met',
        ...fields,
    }) as ResultLimit;
const result = (limits: ResultLimit[], fields: Partial<Result> = {}) => sampleResult({ limits, ...fields });

describe('the table of a comparison', () => {
    const first = result([limit('processor', 361.65, -8.5), limit('lid', 330, 3.15)]);
    const second = result([limit('processor', 350.95, 2.2), limit('lid', 330, 3.15), limit('baffle', 320, 10)]);

    it('holds every column against the base, marks the best, and says what one of them has not', () => {
        const [processor, lid, baffle] = rowsOf('Limits', [first, second], 0, 'mm');
        expect(processor).toMatchObject({ bound: '≤ 80.0 °C', worst: -8.5 });
        expect(processor!.cells).toEqual([
            { value: 361.65, text: '88.5 °C', delta: null, best: false, verdict: 'missed' },
            { value: 350.95, text: '77.8 °C', delta: { text: '−10.7 K', good: true }, best: true, verdict: 'met' },
        ]);
        expect(lid!.cells.map((cell) => [cell?.delta?.text, cell?.best])).toEqual([
            [undefined, false],
            ['same', false],
        ]);
        expect(baffle!.cells[0]).toBeNull();
        expect([processor, lid, baffle].map((row) => differs(row!))).toEqual([true, false, true]);
    });

    it('puts the worst margin of any column first', () => {
        expect(byWorst(rowsOf('Limits', [second, first], 0, 'mm')).map(({ id }) => id)).toEqual(['processor', 'lid', 'baffle']);
    });

    it('counts more air as better where a limit asks for at least so much, and through a heat sink', () => {
        const flow = (value: number) => limit('air', value, 0.001, { quantity: 'volumeFlow', atMost: null, atLeast: 0.001 });
        const [row] = rowsOf('Limits', [result([flow(0.002)]), result([flow(0.003)])], 0, 'mm');
        expect(row!.cells[1]).toMatchObject({ best: true, delta: { text: '+1.00 l/s', good: true } });
        const sinks = (through: number) =>
            ({ fans: [], openings: [], sinks: [{ part: 's', name: 'Sink', through, beside: 0.002 }] }) as unknown as NonNullable<Result['flow']>;
        const [through, beside] = rowsOf('Air', [result([], { flow: sinks(0.001) }), result([], { flow: sinks(0.002) })], 0, 'mm');
        expect(through!.cells[1]).toMatchObject({ best: true, delta: { good: true } });
        expect(beside!.cells[1]?.delta).toEqual({ text: 'same', good: null });
    });

    it('lists where the heat of parts goes, by those that give it', () => {
        const part = (id: string, name: string, routes: Record<string, number>) => ({ id, name, routes }) as unknown as Result['parts'][number];
        const routes = (paste: number) =>
            result([], {
                parts: [part('cpu', 'Processor', { paste, radiation: 0.1 }), part('paste', 'Paste', { cpu: -paste, fluid: paste })],
                balance: { in: 20, out: 20, error: 0 },
            });
        const rows = rowsOf('Heat routes', [routes(12), routes(15)], 0, 'mm');
        expect(rows.map(({ name, cells }) => [name, cells[0]!.text, cells[1]!.delta?.text])).toEqual([
            ['Processor → Paste', '12.00 W', '+3.00 W'],
            ['Paste → Air', '12.00 W', '+3.00 W'],
        ]);
    });

    it('lists where heat leaves, in the order of the results', () => {
        const sides = { 'x-': { heat: 1.5, temperature: 300, area: 1 }, 'x+': null } as unknown as Result['sides'];
        const rows = rowsOf('Heat out', [result([], { sides, balance: { in: 27, out: 27, error: 0 } })], 0, 'mm');
        expect(rows.map(({ name, cells }) => [name, cells[0]!.text])).toEqual([
            ['Side x-', '1.50 W'],
            ['All heat in', '27.00 W'],
        ]);
    });
});
