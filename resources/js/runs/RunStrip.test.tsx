// @vitest-environment jsdom
import { render, renderHook, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it } from 'vitest';
import { answering, press, Frame, refused, sampleResult, sampleRun, type Request } from '../fixtures';
import type { Finding, Run } from '../api/types';
import { withSamples } from '../api/queries';
import { usePreferences, useScreen } from '../state/screen';
import { RunStrip } from './RunStrip';
import { useRunState, type RunState } from './useRunState';

const runState = (latest: Run | undefined, fields: Partial<RunState> = {}): RunState => ({
    latest,
    shown: latest,
    result: undefined,
    stale: false,
    point: null,
    base: latest?.picture ?? 0,
    ...fields,
});

const strip = (runs: RunState, findings: Finding[] = [], mayEdit = true) =>
    render(<RunStrip live="off" variant={7} runs={runs} mayEdit={mayEdit} findings={findings} outline={undefined} />, { wrapper: Frame });

const progress = { stage: 'solving', level: 1, cells: 40000, iteration: 120, residual: 1e-4, seconds: 3.2, worstMargin: -2.5 } as unknown as Run['progress'];

const posted = (requests: readonly Request[]) => requests.filter((request) => request.method === 'POST');

const plain = (element: HTMLElement) => element.textContent?.replace(/\s/g, ' ');

describe('the run strip', () => {
    beforeEach(() => {
        usePreferences.setState({ units: 'mm' });
        useScreen.setState({ grade: 'scout', stage: 'Load' });
    });

    it('says what to do before the first run', () => {
        strip(runState(undefined));
        expect(screen.getByRole('status')).toHaveTextContent('Not solved yet: press Run');
    });

    it('shows how far a run is, and stops it', async () => {
        const requests = answering({ 'POST /api/runs/11/stop': sampleRun({ state: 'running', stopRequested: true }) });
        strip(runState(sampleRun({ state: 'running', progress })));
        expect(plain(screen.getByRole('status'))).toBe('Scout: Solving40 000 cells120 iterationsresidual 1.0e−43.2 sworst margin −2.5 K');
        expect(Number(screen.getByRole('progressbar').getAttribute('aria-valuenow'))).toBeGreaterThan(40);
        await press('Stop');
        await waitFor(() => expect(posted(requests).map((r) => r.path)).toEqual(['/api/runs/11/stop']));
    });

    it.each<[Partial<Run>, string]>([
        [{ state: 'queued' }, 'Scout: waiting for a worker'],
        [{ state: 'running', attempts: 2, progress }, 'Scout: Solving, again after its worker was lost'],
        [{ state: 'running', stopRequested: true, progress }, 'Scout: stopping'],
        [{ state: 'unsteady', message: 'the flow swings' }, 'Scout: the flow swings'],
        [{ state: 'failed', message: 'The disk is full.' }, 'The disk is full.'],
        [{ state: 'stopped' }, 'Scout: stopped'],
    ])('says of a run %o: %s', (fields, says) => {
        strip(runState(sampleRun(fields)));
        expect(screen.getByText(says)).toBeVisible();
    });

    it('never calls an old answer the present one', () => {
        strip(runState(sampleRun({ worstMargin: 3 }), { stale: true }));
        expect(screen.getByRole('status')).toHaveTextContent('Solved, Scout, for revision 4; the model has changed since');
        expect(screen.queryByText(/worst margin/)).toBeNull();
    });

    it('starts a run at the grade that is chosen', async () => {
        const requests = answering({ 'POST /api/variants/7/runs': sampleRun({ state: 'queued' }), 'GET /api/variants/7/runs': [] });
        strip(runState(sampleRun()));
        await userEvent.click(screen.getByRole('combobox', { name: 'Grade' }));
        await userEvent.click(screen.getByText('for daily decisions'));
        await press('Run');
        await waitFor(() => expect(requests.find((r) => r.method === 'POST')?.body).toEqual({ grade: 'working', keepFlow: false }));
    });

    it('keeps the flow of the last run where there is one and that is asked for', async () => {
        const requests = answering({ 'POST /api/variants/7/runs': sampleRun({ state: 'queued' }), 'GET /api/variants/7/runs': [] });
        strip(runState(sampleRun(), { result: sampleResult({ flow: {} as never }) }));
        await userEvent.click(screen.getByRole('checkbox', { name: 'Reuse flow field' }));
        await press('Run');
        await waitFor(() => expect(posted(requests)[0]?.body).toEqual({ grade: 'scout', keepFlow: true }));
    });

    it('goes on where a run was stopped', () => {
        strip(runState(sampleRun({ state: 'stopped', picture: 2 })));
        expect(screen.getByRole('button', { name: 'Resume' })).toBeEnabled();
    });

    it('begins anew where the model has changed since it was stopped', () => {
        const stopped = sampleRun({ state: 'stopped', picture: 2 });
        strip(runState(stopped, { stale: true }));
        expect(screen.getByRole('button', { name: 'Run' })).toBeEnabled();
    });

    it('does not start with an error in the model, and shows where it is mended', async () => {
        const requests = answering({});
        const finding: Finding = { severity: 'error', stage: 'Load', message: 'Nothing gives off heat.', parts: [], mend: null, subject: null };
        strip(runState(undefined), [finding]);
        await press('Run');
        expect(screen.getByRole('alert')).toHaveTextContent('Not started: Nothing gives off heat.');
        expect(useScreen.getState().stage).toBe('Solve');
        expect(posted(requests)).toEqual([]);
    });

    it('says why the server did not start it', async () => {
        answering({ 'POST /api/variants/7/runs': refused(409, { message: 'A run of this variant is going on.' }) });
        strip(runState(undefined));
        await press('Run');
        expect(await screen.findByRole('alert')).toHaveTextContent('A run of this variant is going on.');
    });

    it('lets a viewer look', () => {
        strip(runState(sampleRun()), [], false);
        expect(screen.getByRole('button', { name: 'Run' })).toBeDisabled();
    });

    it('opens its curves: residual and worst margin over time', async () => {
        const samples = [1, 2, 3].map((n) => ({ id: n, iteration: 10 * n, residual: 10 ** -n, worstMargin: 5 - n, seconds: n, values: {}, moment: null }));
        strip(runState(sampleRun({ samples })));
        await press('Open the run strip');
        expect(screen.getByRole('figure', { name: 'Relative residual' })).toBeInTheDocument();
        expect(screen.getByRole('figure', { name: 'Worst margin' })).toBeInTheDocument();
    });
});

describe('what is known of the runs of a variant', () => {
    const following = (model: string, answers: Record<string, unknown>) => {
        const requests = answering(answers);
        return { requests, ...renderHook(() => useRunState(7, model), { wrapper: Frame }) };
    };

    it('shows the newest that has a picture, and that it is of an older model', async () => {
        const { result } = following('changed', {
            'GET /api/variants/7/runs': [sampleRun({ id: 12, state: 'failed', picture: 0, revision: 5 }), sampleRun({ id: 11, picture: 3 })],
            'GET /api/runs/12': sampleRun({ id: 12, state: 'failed', picture: 0, revision: 5 }),
            'GET /api/runs/11/pictures/3/result': sampleResult({ warnings: ['thin'] }),
        });
        await waitFor(() => expect(result.current.result?.warnings).toEqual(['thin']));
        expect(result.current.latest?.id).toBe(12);
        expect(result.current.shown?.id).toBe(11);
        expect(result.current.stale).toBe(true);
    });

    it('is followed while it goes on, and asked for what came after the samples that are there', async () => {
        const sample = (id: number) => ({ id, iteration: id, residual: 1, worstMargin: null, seconds: id, values: {}, moment: null });
        let asked = 0;
        const { result, requests } = following('f00', {
            'GET /api/variants/7/runs': [sampleRun({ state: 'running', picture: 0 })],
            'GET /api/runs/11': () =>
                asked++ === 0 ? sampleRun({ state: 'running', picture: 0, samples: [sample(1), sample(2)] }) : sampleRun({ picture: 0, samples: [sample(3)] }),
        });
        await waitFor(() => expect(result.current.latest?.state).toBe('solved'));
        expect(result.current.latest?.samples.map((s) => s.id)).toEqual([1, 2, 3]);
        expect(requests.filter((r) => r.path.startsWith('/api/runs/11?')).map((r) => r.path)).toEqual(['/api/runs/11?after=0', '/api/runs/11?after=2']);
    });

    it('is the curve so far with what is new', () => {
        const [one, two] = [1, 2].map((id) => ({ id }) as Run['samples'][number]);
        expect(withSamples(undefined, sampleRun({ samples: [one!] })).samples).toEqual([one]);
        expect(withSamples(sampleRun({ samples: [one!] }), sampleRun({ state: 'failed', samples: [two!] }))).toMatchObject({
            state: 'failed',
            samples: [one, two],
        });
    });
});
