// @vitest-environment jsdom
import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it } from 'vitest';
import { answering, Frame, sampleRun } from '../fixtures';
import { useScreen } from '../state/screen';
import { RunBadge } from './RunBadge';
import { RunsMenu } from './RunsMenu';
import type { RunState } from './useRunState';

const runs = [
    sampleRun({ id: 3, grade: 'working', revision: 4, picture: 2, cells: 300000, limits: 10, missed: 0, undecided: 2, worstMargin: 1.5 }),
    sampleRun({ id: 2, grade: 'scout', revision: 3, picture: 1, cells: 60000, limits: 10, missed: 1, undecided: 0, worstMargin: -5.5 }),
    sampleRun({ id: 1, state: 'failed', picture: 0 }),
];

describe('the runs of a variant', () => {
    beforeEach(() => useScreen.setState({ openRun: null, stage: 'Build' }));

    it('are listed with grade, revision, size and verdict, and opened in Judge', async () => {
        answering({ 'GET /api/variants/7/runs': runs });
        render(<RunsMenu variant={7} runs={{ shown: runs[0] } as RunState} mayEdit />, { wrapper: Frame });
        await userEvent.click(await screen.findByRole('button', { name: '3 runs' }));
        expect(screen.getByText('2 of 10 undecided, worst +1.5 K')).toBeVisible();
        expect(screen.getByText('1 of 10 missed, worst −5.5 K')).toBeVisible();
        await userEvent.click(screen.getByText('Scout, revision 3'));
        expect(useScreen.getState()).toMatchObject({ openRun: 2, stage: 'Judge' });
    });

    it('are deleted by who may edit, and by nobody else', async () => {
        const asked = answering({ 'GET /api/variants/7/runs': runs, 'DELETE /api/runs/2': null });
        const { unmount } = render(<RunsMenu variant={7} runs={{ shown: runs[0] } as RunState} mayEdit />, { wrapper: Frame });
        await userEvent.click(await screen.findByRole('button', { name: '3 runs' }));
        await userEvent.click(screen.getByRole('button', { name: 'Delete run 2' }));
        expect(asked.map(({ method, path }) => `${method} ${path}`)).toContain('DELETE /api/runs/2');
        unmount();
        render(<RunsMenu variant={7} runs={{ shown: runs[0] } as RunState} mayEdit={false} />, { wrapper: Frame });
        await userEvent.click(await screen.findByRole('button', { name: '3 runs' }));
        expect(screen.queryByRole('button', { name: 'Delete run 2' })).toBeNull();
    });
});

describe('the badge of a run', () => {
    it('says outside Judge that a run goes on, and when it has ended leads to its answer', async () => {
        useScreen.setState({ stage: 'Load' });
        const state = (run: object) => ({ latest: sampleRun({ id: 9, ...run }), stale: false }) as RunState;
        const { rerender } = render(<RunBadge runs={state({ state: 'running', picture: 0, progress: { level: 2 } })} />, { wrapper: Frame });
        expect(screen.getByText('Running, grid 2')).toBeVisible();
        expect(screen.queryByRole('button')).toBeNull();
        rerender(<RunBadge runs={state({ state: 'solved', picture: 3 })} />);
        expect(screen.getByText('Run ended')).toBeVisible();
        await userEvent.click(screen.getByRole('button', { name: 'See the answer' }));
        expect(useScreen.getState().stage).toBe('Judge');
    });
});
