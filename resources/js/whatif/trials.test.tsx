// @vitest-environment jsdom
import { render, screen, waitFor } from '@testing-library/react';
import { MemoryRouter } from 'react-router';
import { describe, expect, it } from 'vitest';
import type { Study, StudyPoint } from '../api/types';
import { answering, Frame, press, sampleRevision, sampleRun } from '../fixtures';
import type { ModelDocument } from '../model/document';
import { AirTrials } from './AirTrials';
import { airTrials } from './trials';

const shape = (fields: object) => fields as { kind: string };
const document: ModelDocument = {
    parts: [
        { id: 'fan', name: 'Fan 40', shape: shape({ kind: 'fan' }) },
        { id: 'fan-2', name: 'Fan 60', shape: shape({ kind: 'fan', speedFactor: 'slow / 2' }) },
        { id: 'vent', name: 'Vent', shape: shape({ kind: 'screen', freeArea: 0.4 }) },
        { id: 'mesh', name: 'Mesh', shape: shape({ kind: 'screen', freeArea: 0.9 }) },
        { id: 'box', name: 'Box', shape: shape({ kind: 'block' }) },
    ],
};
const counts = { waiting: 0, queued: 0, running: 0, solved: 1, unsteady: 0, stopped: 0, failed: 0, impossible: 0 };
const study = (fields: Partial<Study> = {}): Study => ({
    id: 5,
    project: 3,
    variant: 7,
    revision: 4,
    name: 'Try',
    grade: 'scout',
    plan: { kind: 'grid', variations: { 'parts/fan/shape/speedFactor': '1.2' } },
    names: ['parts/fan/shape/speedFactor'],
    paused: false,
    growing: false,
    createdAt: null,
    counts,
    ...fields,
});

const show = (answers: Record<string, unknown>) => {
    const requests = answering(answers);
    render(
        <MemoryRouter>
            <AirTrials revision={sampleRevision(document)} run={sampleRun()} worstMargin={-8} units="mm" mayEdit />
        </MemoryRouter>,
        { wrapper: Frame },
    );
    return requests;
};

describe('what acts through the air', () => {
    it('is the speed of fans and the free area of screens that have more to give', () => {
        expect(airTrials({ document })).toEqual([
            { label: 'Speed of Fan 40 +20 %', place: 'parts/fan/shape/speedFactor', value: '1.2' },
            { label: 'Speed of Fan 60 +20 %', place: 'parts/fan-2/shape/speedFactor', value: '1.2 * (slow / 2)' },
            { label: 'Free area of Vent +20 %', place: 'parts/vent/shape/freeArea', value: '0.48' },
        ]);
    });

    it('is tried by a run that a click starts', async () => {
        const requests = show({ 'GET /api/projects/3/studies': [], 'POST /api/variants/7/studies': study() });
        await press('Try Free area of Vent +20 %');
        await waitFor(() =>
            expect(requests.find(({ method }) => method === 'POST')?.body).toEqual({
                name: 'Try: Free area of Vent +20 %',
                revision: 4,
                grade: 'scout',
                plan: { kind: 'grid', variations: { 'parts/vent/shape/freeArea': '0.48' } },
            }),
        );
    });

    it('tells what it has changed, of this revision and grade alone', async () => {
        const point: Partial<StudyPoint> = { number: 1, state: 'solved', worstMargin: -5.5 };
        show({
            'GET /api/projects/3/studies': [study({ id: 9, revision: 3 }), study()],
            'GET /api/studies/5': study(),
            'GET /api/studies/5/points': { now: '2026-11-29T00:00:00Z', points: [point] },
        });
        expect(await screen.findByText('margin +2.5 K')).toBeVisible();
        expect(screen.queryByRole('button', { name: 'Try Speed of Fan 40 +20 %' })).toBeNull();
    });
});
