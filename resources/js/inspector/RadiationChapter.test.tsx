// @vitest-environment jsdom
import { render, screen, waitFor } from '@testing-library/react';
import { MemoryRouter } from 'react-router';
import { describe, expect, it } from 'vitest';
import { answering, Frame, press, sampleOutline, sampleResult, sampleRevision } from '../fixtures';
import { samplePart } from '../model/samples';
import { RadiationChapter } from './RadiationChapter';

const outline = sampleOutline([samplePart({ id: 'lid', name: 'Lid' }), samplePart({ id: 'board', name: 'Board' })]);
const exchange = [
    { from: 'board', to: 'lid', heat: 1.25 },
    { from: 'lid', to: 'surroundings', heat: 0.75 },
    { from: 'lid', to: 'others', heat: 0.0004 },
];

function chapter(document: object) {
    render(
        <MemoryRouter>
            <Frame>
                <RadiationChapter
                    project={3}
                    revision={sampleRevision(document as never, outline)}
                    result={sampleResult({ radiation: { out: 0.75, towards: 300, sun: 2, exchange }, grid: { grade: 'scout' } as never })}
                    mayEdit
                />
            </Frame>
        </MemoryRouter>,
    );
}

describe('radiation in a result', () => {
    it('tells who sends how much to whom, and leaves out what is next to nothing', () => {
        chapter({ physics: { radiation: 'surfaces' } });
        expect(screen.getByText('Board to Lid')).toBeVisible();
        expect(screen.getByText('Lid to the surroundings')).toBeVisible();
        expect(screen.getByText('Sunlight taken up')).toBeVisible();
        expect(screen.queryByText(/Other parts/)).toBeNull();
    });

    it('makes and runs a variant without it', async () => {
        const requests = answering({
            'POST /api/variants/7/clone': { id: 9 },
            'GET /api/variants/9': sampleRevision({}, outline, { number: 1 }),
            'PUT /api/variants/9/model': sampleRevision(),
            'POST /api/variants/9/runs': { id: 4 },
        });
        chapter({ physics: { radiation: 'surfaces' } });
        await press('Compare without radiation');
        await waitFor(() => expect(requests).toHaveLength(4));
        expect(requests[0]!.body).toEqual({ name: 'Base, without radiation', revision: 4 });
        expect(requests[2]!.body).toMatchObject({ base: 1, document: { physics: { radiation: 'none' } } });
        expect(requests[3]!.body).toEqual({ grade: 'scout', keepFlow: false });
    });
});
