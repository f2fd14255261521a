// @vitest-environment jsdom
import { render, screen, within } from '@testing-library/react';
import { expect, it, vi } from 'vitest';
import type { Result } from '../api/types';
import { answering, editing, fill, Frame, press, sampleOutline, sampleResult } from '../fixtures';
import { samplePart } from '../model/samples';
import { ImpedanceDialog } from './ImpedanceDialog';
import { impedanceTable, isOfOneSource } from './impedance';
import { NewImpedance } from './NewImpedance';

const impedance = {
    source: 'die',
    watts: 12,
    pairs: [
        { resistance: 0.12345678, tau: 0.01 },
        { resistance: 2, tau: 30 },
    ],
    difference: 0.012,
    curve: [
        [0, 0, 0],
        [1, 0.15, 0.16],
        [60, 1.9, 1.91],
    ],
};

it('shows the network as a table and as it is typed elsewhere', async () => {
    answering({ 'GET /api/runs/7/impedance?watch=w': impedance });
    const result = sampleResult({ watches: [{ id: 'w', name: 'Die', unit: 'K' }] as unknown as Result['watches'] });
    render(
        <Frame>
            <ImpedanceDialog run={7} result={result} onClose={() => undefined} />
        </Frame>,
    );
    const table = within(await screen.findByRole('table', { name: 'Foster network' }));
    expect(table.getAllByRole('row').map((row) => row.textContent)).toEqual(['R, K/Wtau, sC, J/K', '0.12350.010.081', '23015']);
    expect(screen.getByText('0.1235: 0.01; 2: 30')).toBeTruthy();
    expect(impedanceTable(impedance)[2]).toEqual([1, 0.15, 0.16]);
});

it('is of a course with one part heated', () => {
    const part = { power: 3 } as Result['parts'][number];
    const time = {} as Result['time'];
    expect(isOfOneSource(sampleResult({ parts: [part], time }))).toBe(true);
    expect(isOfOneSource(sampleResult({ parts: [part, part], time }))).toBe(false);
    expect(isOfOneSource(sampleResult({ parts: [part], time: null }))).toBe(false);
});

it('asks for the part that is heated, makes a variant and starts its run', async () => {
    const asked = answering({ 'POST /api/variants/3/impedance': { id: 9, name: 'Zth of Die' }, 'POST /api/variants/9/runs': { id: 1 } });
    const onMade = vi.fn();
    const outline = sampleOutline([
        samplePart({ id: 'board', name: 'Board', power: 1 }),
        samplePart({ id: 'die', name: 'Die', power: 12 }),
        samplePart({ id: 'fan', name: 'Fan', kind: 'fan' }),
    ]);
    editing(
        {},
        (_document, editor) => (
            <NewImpedance variant={{ id: 3 } as never} project={1} editor={{ ...editor, state: 'saved' }} onMade={onMade} onClose={() => undefined} />
        ),
        outline,
    );
    await fill('For', 'soon');
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Compute' }).disabled).toBe(true);
    await fill('For', '2 min');
    await press('Compute');
    await vi.waitFor(() => expect(onMade).toHaveBeenCalledWith(9));
    expect(asked[0]?.body).toMatchObject({ source: 'die', end: 120 });
    expect(asked[1]?.path).toBe('/api/variants/9/runs');
});
