// @vitest-environment jsdom
import { render, screen } from '@testing-library/react';
import { MemoryRouter } from 'react-router';
import { describe, expect, it } from 'vitest';
import type { Revision, Run, WhatIf } from '../api/types';
import { answering, editing, Frame, sampleOutline, fill, press } from '../fixtures';
import type { ModelDocument } from '../model/document';
import { uses, withRenamed } from '../model/parameters';
import { withoutParts } from '../model/parts';
import { ToleranceFields } from './ToleranceFields';
import { TolerancesChapter } from './TolerancesChapter';
import { candidates, changedTolerance, confidence, nameOfTolerance, shareOf, suggestedTolerance, withTolerance, withoutTolerance } from './tolerances';

const model: ModelDocument = {
    surroundings: { temperature: '40 degC' },
    parameters: { gap: '2 mm' },
    parts: [
        { id: 'gap', name: 'Gap pad', power: '3 W', shape: { kind: 'block' } },
        { id: 'chip', name: 'Chip', power: '14 W', shape: { kind: 'block' } },
    ] as ModelDocument['parts'],
};

describe('tolerances', () => {
    it('are of parameters, the ambient temperature and every number of a part', () => {
        const known = candidates(model);
        expect(known.map(({ of }) => of)).toEqual(['gap', 'surroundings/temperature', 'parts/gap/power', 'parts/chip/power']);
        expect(known.map(suggestedTolerance)).toEqual(['10 %', '5 K', '10 %', '10 %']);
        expect(nameOfTolerance('parts/chip/power', known)).toBe('Chip: watts');
    });

    it('go with their part, and follow the new name of a parameter but not a path that looks like it', () => {
        const given = [{ of: 'gap' }, { of: 'parts/gap/power' }].reduce((d, { of }) => withTolerance(d, { of, by: '10 %' }), model);
        expect(uses(given, 'gap')).toBe(1);
        expect(withRenamed(given, 'gap', 'slit').tolerances).toEqual([
            { of: 'slit', by: '10 %' },
            { of: 'parts/gap/power', by: '10 %' },
        ]);
        expect(withoutParts(given, ['gap']).tolerances).toEqual([{ of: 'gap', by: '10 %' }]);
        expect(withoutTolerance(withoutTolerance(given, 'gap'), 'parts/gap/power')).not.toHaveProperty('tolerances');
        expect(changedTolerance(given, 'gap', { distribution: 'worst' }).tolerances).toContainEqual({ of: 'gap', by: '10 %', distribution: 'worst' });
    });

    it('say shares as people do, and computed ones with the confidence of their number', () => {
        expect([0.992, 1, 0.99996, 0, 0.0004].map(shareOf)).toEqual(['99.2\u00a0%', '100\u00a0%', 'more than 99.9\u00a0%', '0\u00a0%', 'less than 0.1\u00a0%']);
        // Wilson's interval of 8 of 40.
        expect(confidence(8, 40)[0]).toBeCloseTo(0.105, 3);
        expect(confidence(8, 40)[1]).toBeCloseTo(0.348, 3);
        expect(confidence(40, 40)[1]).toBeCloseTo(1, 12);
    });

    it('are given, changed and removed in the panel', async () => {
        const { document } = editing(withTolerance(model, { of: 'parts/chip/power', by: '10 %' }), (shown, editor) => (
            <ToleranceFields document={shown} editor={editor} disabled={false} />
        ));
        await fill('±', '5 %');
        expect(document().tolerances).toEqual([{ of: 'parts/chip/power', by: '5 %' }]);
        await press(/^Remove tolerance of chip/);
        expect(document()).not.toHaveProperty('tolerances');
    });

    it('tell the share of builds, what moves it, and what is not in it', async () => {
        const document = [{ of: 'parts/chip/power' }, { of: 'gap' }].reduce((d, { of }) => withTolerance(d, { of, by: '10 %' }), model);
        const found = {
            tolerances: {
                rows: [
                    { of: 'parts/chip/power', by: '10 %', distribution: 'uniform', changes: { l1: -4.2 } },
                    { of: 'gap', by: '10 %', distribution: 'uniform', changes: null },
                ],
                met: 0.992,
                limits: [{ id: 'l1', margin: 4, deviation: 2.4, low: 0.1, worst: -0.2, met: 0.992 }],
            },
        } as unknown as WhatIf;
        answering({ 'GET /api/runs/11/influence': { id: 5, state: 'solved', progress: 1, message: null }, 'GET /api/runs/11/influence/document': found });
        const outline = { ...sampleOutline(), limits: [{ id: 'l1', name: 'Junction' }] };
        const revision = { document, outline, number: 3, variant: { id: 7, projectId: 3 } } as unknown as Revision;
        render(
            <MemoryRouter>
                <TolerancesChapter revision={revision} run={{ id: 11, grade: 'scout' } as Run} units="mm" mayEdit />
            </MemoryRouter>,
            { wrapper: Frame },
        );
        await screen.findByText('99.2 % of builds');
        expect(screen.getByText('Chip: watts ± 10 %').parentElement?.textContent).toContain('±\u00a04.2\u00a0K');
        screen.getByText(/Not in it: gap/);
        screen.getByRole('button', { name: 'Compute 40 builds' });
    });
});
