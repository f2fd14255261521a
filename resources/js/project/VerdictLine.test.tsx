// @vitest-environment jsdom
import { render, screen } from '@testing-library/react';
import { beforeEach, describe, expect, it } from 'vitest';
import type { RunState } from '../runs/useRunState';
import { usePreferences, useScreen } from '../state/screen';
import { VerdictLine } from './VerdictLine';

const limit = (id: string, margin: number, more: object = {}) => ({
    id,
    name: `Limit ${id}`,
    quantity: 'temperature',
    verdict: margin >= 0 ? 'met' : 'missed',
    margin,
    plusMinus: null,
    atLeast: null,
    ...more,
});

/** A run with its result, as the screen has them. */
function runs(
    limits: ReturnType<typeof limit>[],
    { stale = false, state = 'solved', grade = 'working', points = [], ...result }: Record<string, unknown> = {},
): RunState {
    const count = (verdict: string) => limits.filter((l) => l.verdict === verdict).length;
    const worst = limits.filter((l) => l.quantity === 'temperature').sort((a, b) => a.margin - b.margin)[0];
    return {
        stale,
        shown: { grade, state, revision: 4, message: 'It never came to rest', points },
        result: {
            limits,
            warnings: [],
            grid: { shape: [10, 20, 30] },
            balance: { error: 0.00042 },
            verdict: {
                limits: limits.length,
                missed: count('missed'),
                undecided: count('undecided'),
                worst: worst?.id ?? null,
                worstMargin: worst?.margin ?? null,
            },
            flow: null,
            ...result,
        },
    } as unknown as RunState;
}

describe('the verdict', () => {
    beforeEach(() => usePreferences.setState({ units: 'mm' }));

    it('says what to do while there is no answer', () => {
        render(<VerdictLine onEvidence={() => undefined} runs={{ result: undefined, shown: undefined, stale: false } as unknown as RunState} />);
        expect(screen.getByRole('heading', { name: 'No answer yet' })).toBeVisible();
        expect(screen.getByText(/Press Run/)).toBeVisible();
    });

    it('says why a run gave no answer, and that one is under way', () => {
        const only = (latest: object) => ({ result: undefined, shown: undefined, stale: false, latest }) as unknown as RunState;
        const { rerender } = render(
            <VerdictLine onEvidence={() => undefined} runs={only({ state: 'failed', message: 'thermal runaway: steady up to 18.7 A' })} />,
        );
        expect(screen.getByRole('heading', { name: 'No answer: the run failed' })).toBeVisible();
        expect(screen.getByText('Thermal runaway: steady up to 18.7 A')).toBeVisible();
        rerender(<VerdictLine onEvidence={() => undefined} runs={only({ state: 'queued', message: null })} />);
        expect(screen.getByText('The run is under way.')).toBeVisible();
    });

    it('names the closest limit where all are met, with its unit', () => {
        render(<VerdictLine onEvidence={() => undefined} runs={runs([limit('a', 12.34), limit('b', 3.21)])} />);
        expect(screen.getByRole('heading')).toHaveTextContent('All 2 limits met: closest is Limit b, 3.2 K left');
        expect(screen.getByText(/balance 0.04 %/)).toHaveTextContent('Working · balance 0.04 % · revision 4');
    });

    it('names the limit that is missed most, and one of the flow beside it', () => {
        render(
            <VerdictLine
                onEvidence={() => undefined}
                runs={runs([limit('a', -5), limit('b', -0.5), limit('flow', -0.25, { quantity: 'pressure', atLeast: 10 })])}
            />,
        );
        expect(screen.getByRole('heading')).toHaveTextContent('3 of 3 limits missed: Limit a, 5.0 K over; Limit flow, 0.250 Pa short');
    });

    it('says undecided, neither met nor missed, where a margin is smaller than its uncertainty', () => {
        render(
            <VerdictLine onEvidence={() => undefined} runs={runs([limit('a', 2, { plusMinus: 3, verdict: 'undecided' }), limit('b', 9, { plusMinus: 1 })])} />,
        );
        expect(screen.getByRole('heading')).toHaveTextContent('1 of 2 limits undecided: closest is Limit a, 2.0 K left ± 3.0 K');
        expect(screen.getByText(/a finer grid may change the verdict/)).toBeVisible();
    });

    it('counts what is undecided beside what is missed', () => {
        render(
            <VerdictLine
                onEvidence={() => undefined}
                runs={runs([limit('a', -5, { plusMinus: 1 }), limit('b', -0.5, { plusMinus: 1, verdict: 'undecided' })])}
            />,
        );
        expect(screen.getByRole('heading')).toHaveTextContent('1 of 2 limits missed, 1 undecided: Limit a, 5.0 K over');
    });

    it('says whether a finer grid would change it', () => {
        const { unmount } = render(<VerdictLine onEvidence={() => undefined} runs={runs([limit('a', 5, { plusMinus: 1 })])} />);
        expect(screen.getByText(/a finer grid would not change the verdict/)).toBeVisible();
        unmount();
        render(<VerdictLine onEvidence={() => undefined} runs={runs([limit('a', 5)])} />);
        expect(screen.getByText(/± is unknown/)).toBeVisible();
    });

    it('never shows the answer of an old model as the present one', () => {
        render(<VerdictLine onEvidence={() => undefined} runs={runs([limit('a', 2)], { stale: true, warnings: ['part "Foil" has no cell'] })} />);
        expect(screen.getByRole('alert')).toHaveTextContent('Of revision 4; the model has changed since. Run again.');
        expect(screen.queryByText(/balance/)).toBeNull();
    });

    it.each([
        ['running', 'So far, on 6 000 cells; the run goes on'],
        ['stopped', 'Stopped before it was steady'],
        ['unsteady', 'It never came to rest'],
        ['failed', 'As it was before the run failed'],
    ])('says of a run that is %s what its numbers are worth', (state, says) => {
        render(<VerdictLine onEvidence={() => undefined} runs={runs([limit('a', 2)], { state })} />);
        expect(screen.getByText((text) => text.replace(/\s/g, ' ') === says)).toBeVisible();
    });

    it('names operating points that miss a limit or have no answer, and shows one on a click', () => {
        const point = { picture: 2, state: 'solved', missed: 0, undecided: 0, worstMargin: 3 };
        const points = [
            { ...point, name: 'Idle' },
            { ...point, name: 'Fault', missed: 1, worstMargin: -87.6 },
            { ...point, name: 'Short', state: 'failed', picture: null, message: 'thermal runaway' },
        ];
        render(<VerdictLine onEvidence={() => undefined} runs={runs([limit('a', 2)], { points })} />);
        expect(screen.queryByText(/Idle/)).toBeNull();
        expect(screen.getByRole('button', { name: 'Short: thermal runaway' })).toBeDisabled();
        screen.getByRole('button', { name: 'Fault: 1 missed, 87.6 K over' }).click();
        expect(useScreen.getState().point).toBe('Fault');
        useScreen.setState({ point: null });
    });

    it('repeats the warnings of a run', () => {
        render(<VerdictLine onEvidence={() => undefined} runs={runs([limit('a', 2)], { warnings: ['part "Foil" has no cell'] })} />);
        expect(screen.getByText('Warning: part "Foil" has no cell.')).toBeVisible();
    });
});
