// @vitest-environment jsdom
import { render, screen } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import type { Result, ResultLimit } from '../api/types';
import { Frame, sampleResult, sampleRun } from '../fixtures';
import { finerGrid, trustRows } from './trust';
import { TrustDialog } from './TrustDialog';

const limit = (id: string, margin: number, plusMinus: number | null, verdict: ResultLimit['verdict'] = 'met') =>
    ({
        id,
        name: id,
        quantity: 'temperature',
        value: 353.15,
        margin,
        plusMinus,
        verdict,
        unknown: plusMinus === null ? 'only one grid was computed' : null,
    }) as ResultLimit;

const result = (limits: ResultLimit[], fields: Partial<Result> = {}) =>
    sampleResult({
        limits,
        verdict: { limits: limits.length, missed: 0, undecided: limits.filter((one) => one.verdict === 'undecided').length, worst: null, worstMargin: null },
        levels: [],
        solver: { residual: 1e-9, iterations: 12 } as never,
        grid: { cells: 900 } as never,
        ...fields,
    });

describe('whether a finer grid would change the verdict', () => {
    it('is no where every margin is larger than its ±, and the nearest is named', () => {
        const { answer, because } = finerGrid(result([limit('far', 30, 1), limit('near', -5, 2)]), 'mm');
        expect(answer).toBe('no');
        expect(because).toContain('nearest is near, 5.0 K against ± 2.0 K');
    });

    it('is yes where a margin is smaller, and cannot be said where a ± is unknown or nothing is limited', () => {
        expect(finerGrid(result([limit('a', 1, 2, 'undecided'), limit('b', 9, null)]), 'mm')).toMatchObject({ answer: 'yes' });
        expect(finerGrid(result([limit('b', 9, null)]), 'mm')).toEqual({ answer: 'cannot say', because: '± is unknown: only one grid was computed' });
        expect(finerGrid(result([]), 'mm').answer).toBe('cannot say');
    });
});

describe('how far to trust a run', () => {
    const levels = [
        { cells: 300, iterations: 5, seconds: 1, shape: [1, 1, 300], values: { a: 350.15 } },
        { cells: 900, iterations: 5, seconds: 1, shape: [1, 1, 900], values: { a: 353.15 } },
    ];

    it('is told by every value on every grid', () => {
        expect(trustRows(result([limit('a', 30, 1.5)], { levels }), 'mm')).toEqual([
            { id: 'a', name: 'a', values: ['77.0 °C', '80.0 °C'], plusMinus: '± 1.5 K', reason: null },
        ]);
    });

    it('is shown with balances, warnings and why a ± is unknown', () => {
        render(
            <TrustDialog
                run={sampleRun()}
                onEvidence={() => undefined}
                result={result([limit('a', 30, null)], { warnings: ['few cells'], balance: { in: 5, out: 5, error: 1e-6 } })}
                onClose={() => undefined}
            />,
            { wrapper: Frame },
        );
        const dialog = screen.getByRole('dialog');
        expect(dialog).toHaveTextContent('Cannot say: ± is unknown: only one grid was computed.');
        expect(dialog).toHaveTextContent('5.00 W, 5.00 W: open by 1.0e−4 %');
        expect(dialog).toHaveTextContent('few cells');
        expect(screen.getByRole('row', { name: 'a 80.0 °C unknown' })).toBeInTheDocument();
    });
});
