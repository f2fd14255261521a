// @vitest-environment jsdom
import { fireEvent, render, screen } from '@testing-library/react';
import { beforeEach, describe, expect, it } from 'vitest';
import type { OutlinePart, WhatIf } from '../api/types';
import { answering, Frame, press, sampleOutline } from '../fixtures';
import { useTried } from './store';
import { WhatIfChapter } from './WhatIfChapter';

const outline = sampleOutline([
    { id: 'chip', name: 'Chip', power: 10, material: null, materialTitle: null },
    { id: 'sink', name: 'Heat sink', power: 0, material: 'al', materialTitle: 'Aluminium' },
] as unknown as OutlinePart[]);

const found: WhatIf = {
    sources: [{ part: 'chip', power: 10 }],
    values: [
        { part: 'chip', node: null, id: null, reduce: 'max', places: [{ value: 360, perWatt: [3] }] },
        { part: 'sink', node: null, id: null, reduce: 'max', places: [{ value: 340, perWatt: [1.25] }] },
    ],
    richardson: 3,
    limit: null,
    tolerances: null,
    helps: [
        { kind: 'power', of: 'chip', face: null, value: 10, unit: 'W', step: -0.2, change: -6 },
        { kind: 'conductivity', of: 'al', face: null, value: 200, unit: 'W/m/K', step: 0.2, change: -1.4 },
        { kind: 'contactResistance', of: 'sink', face: 'z-', value: 1e-4, unit: 'm2K/W', step: -0.2, change: -0.5 },
        { kind: 'ambient', of: null, face: null, value: 300, unit: 'K', step: -5, change: -5 },
    ],
};

const show = (answers: Record<string, unknown>, mayEdit = true) => {
    const requests = answering(answers);
    render(<WhatIfChapter run={11} outline={outline} units="mm" mayEdit={mayEdit} part="chip" />, { wrapper: Frame });
    return requests;
};

describe('what would help', () => {
    beforeEach(() => useTried.getState().reset());

    it('is asked for, and can be given up while it is found', async () => {
        const requests = show({
            'GET /api/runs/11/influence': { id: null, state: 'none', progress: 0, message: null },
            'POST /api/runs/11/influence': { id: 5, state: 'running', progress: 0.4, message: null },
            'DELETE /api/runs/11/influence': {},
        });
        await screen.findByRole('button', { name: 'Find what would help' });
        await press('Find what would help');
        expect((await screen.findByRole('status')).textContent).toContain('40 %');
        await press('Cancel');
        await screen.findByRole('button', { name: 'Find what would help' });
        expect(requests.map(({ method }) => method)).toContain('DELETE');
    });

    it('says why it failed, and to whom may not ask that it is not there', async () => {
        show({ 'GET /api/runs/11/influence': { id: 5, state: 'failed', progress: 0, message: 'Its worker ended unexpectedly.' } });
        expect((await screen.findByRole('alert')).textContent).toContain('Its worker ended unexpectedly.');
        screen.getByRole('button', { name: 'Try again' });
    });

    it('is named in words with its step and its effect; a slider tries other watts', async () => {
        show({ 'GET /api/runs/11/influence': { id: 5, state: 'solved', progress: 1, message: null }, 'GET /api/runs/11/influence/document': found });
        await screen.findByText('Watts of Chip −20 %');
        screen.getByText('Conductivity of Aluminium +20 %');
        screen.getByText('Contact resistance of Heat sink, face z- −20 %');
        screen.getByText('Ambient temperature −5 K');
        screen.getByText('−6.0 K');
        screen.getByText(/Buoyancy drives this flow/);
        fireEvent.change(screen.getByRole('slider', { name: 'Watts of Chip' }), { target: { value: '12' } });
        expect(useTried.getState()).toMatchObject({ run: 11, tried: { chip: 12 } });
        screen.getByText('12.00 W');
    });

    it('shows the influence of all parts on each other', async () => {
        show({ 'GET /api/runs/11/influence': { id: 5, state: 'solved', progress: 1, message: null }, 'GET /api/runs/11/influence/document': found });
        await screen.findByText('Watts of Chip −20 %');
        await press('Influence of all parts');
        const dialog = await screen.findByRole('dialog');
        expect([...dialog.querySelectorAll('tbody tr')].map((row) => row.textContent)).toEqual(['Chip3.00', 'Heat sink1.25']);
    });
});
