// @vitest-environment jsdom
import { render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it } from 'vitest';
import type { OutlinePart, Result } from '../api/types';
import { Frame, press, sampleOutline, sampleResult } from '../fixtures';
import { usePreferences } from '../state/screen';
import { PartTable } from './PartTable';
import { firstColumns } from './partTable';

const outline = sampleOutline([
    { id: 'chip', name: 'Chip', power: 5 },
    { id: 'sink', name: 'Heat sink', power: 0 },
    { id: 'fan', name: 'Fan', power: 0 },
] as OutlinePart[]);

const result = sampleResult({
    parts: [
        {
            id: 'chip',
            power: 5,
            temperature: { min: 330, mean: 335, max: 340 },
            nodes: { junction: 353.15, case: 340, board: 330 },
            routes: { sink: 4, fluid: 1 },
        },
        { id: 'sink', power: 0, temperature: { min: 320, mean: 321.15, max: 323.15 }, nodes: null, routes: { fluid: 4.5, chip: -4, surroundings: -0.5 } },
        { id: 'fan', power: 0, temperature: null, nodes: null, routes: {} },
    ],
    limits: [{ id: 'l', name: 'Junction', part: 'chip', quantity: 'temperature', atMost: 358.15, atLeast: null, margin: 5, verdict: 'met' }],
} as unknown as Partial<Result>);

const texts = () => screen.getAllByRole('row').map((row) => [...row.children].map((cell) => cell.textContent));

describe('the table of all parts', () => {
    beforeEach(() => {
        usePreferences.setState({ units: 'mm', partColumns: firstColumns });
        render(<PartTable outline={outline} result={result} onClose={() => undefined} />, { wrapper: Frame });
    });

    it('has temperatures, margins and where the watts go; nothing of what has no temperature', () => {
        expect(texts()).toEqual([
            ['Part', 'Watts, W', 'Mean, °C', 'Greatest, °C', 'Junction, °C', 'Margin, K', 'To the air, W', 'To other parts, W', 'To the outside, W'],
            ['Chip', '5.00', '61.9', '66.9', '80.0', '5.0', '1.00', '4.00', '—'],
            ['Heat sink', '—', '48.0', '50.0', '—', '—', '4.50', '−4.00', '−0.50'],
        ]);
    });

    it('shows the columns that are chosen, and remembers them', async () => {
        await press('Columns');
        const menu = within(screen.getByRole('menu'));
        await userEvent.click(menu.getByRole('menuitemcheckbox', { name: 'Case' }));
        await userEvent.click(menu.getByRole('menuitemcheckbox', { name: 'To the outside' }));
        expect(usePreferences.getState().partColumns).toContain('case');
        await userEvent.keyboard('{Escape}');
        expect(texts()[0]).toContain('Case, °C');
        expect(texts()[0]).not.toContain('To the outside, W');
    });

    it('is sorted by a click, what has no value last', async () => {
        await press('Watts, W');
        expect(texts().map(([name]) => name)).toEqual(['Part', 'Chip', 'Heat sink']);
        await press('Mean, °C');
        expect(texts().map(([name]) => name)).toEqual(['Part', 'Heat sink', 'Chip']);
        await press('Mean, °C');
        expect(texts().map(([name]) => name)).toEqual(['Part', 'Chip', 'Heat sink']);
    });

    it('is copied as it is shown', async () => {
        userEvent.setup();
        await press('Copy');
        expect((await navigator.clipboard.readText()).split('\n')[1]).toBe('Chip\t5\t61.9\t66.9\t80\t5\t1\t4\t');
        screen.getByRole('button', { name: 'Copied' });
    });
});
