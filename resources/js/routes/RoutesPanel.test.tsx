// @vitest-environment jsdom
import { render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it, vi } from 'vitest';
import type { Result } from '../api/types';
import { sampleOutline, sampleResult } from '../fixtures';
import { samplePart } from '../model/samples';
import { RoutesPanel } from './RoutesPanel';

// What it draws is a matter of the package; here counts what it is given.
vi.mock('../charts/Chart', () => ({
    Chart: ({ table }: { table: () => (string | number)[][] }) => (
        <ul>
            {table().map((row) => (
                <li key={row.join()}>{row.join(' ')}</li>
            ))}
        </ul>
    ),
}));

const computed = (id: string, power: number, routes: Record<string, number>) => ({
    id,
    name: id,
    power,
    routes,
    interfaces: {},
    current: null,
    nodes: null,
    temperature: null,
    cells: 1,
});
const result = sampleResult({
    fields: ['temperature'],
    parts: [computed('chip', 10, { board: 10 }), computed('board', 2, { chip: -10, 'side z-': 12 })] as unknown as Result['parts'],
    sides: { 'z-': { heat: 12, temperature: 300, area: 1 } } as unknown as Result['sides'],
});
const outline = sampleOutline([samplePart({ id: 'chip', name: 'Chip', group: 'Upper' }), samplePart({ id: 'board', name: 'Main board' })]);

describe('the heat routes', () => {
    it('follows all watts first and says that the balance closes', () => {
        render(<RoutesPanel outline={outline} result={result} of={null} onClose={() => undefined} />);
        expect(screen.getAllByRole('listitem').map((row) => row.textContent)).toEqual(['From To Heat W', 'Chip Main board 10', 'Main board Side z- 12']);
        expect(screen.getByText(/12\.00 W are followed, 12\.00 W leave: the balance is open by 0\.000 %/)).toBeVisible();
    });

    it('follows a part or an assembly alone', async () => {
        render(<RoutesPanel outline={outline} result={result} of={['board']} onClose={() => undefined} />);
        expect(screen.getByText('Main board Side z- 2')).toBeVisible();
        await userEvent.click(screen.getByRole('combobox', { name: 'Heat of' }));
        await userEvent.click(within(screen.getByRole('listbox')).getByRole('option', { name: 'Upper' }));
        expect(screen.getByText('Main board Side z- 10')).toBeVisible();
    });

    it('says so where nothing heats', () => {
        render(
            <RoutesPanel
                outline={outline}
                result={sampleResult({ ...result, parts: [computed('sink', 0, {})] as unknown as Result['parts'] })}
                of={['sink']}
                onClose={() => undefined}
            />,
        );
        expect(screen.getByText(/Nothing here makes heat of its own/)).toBeVisible();
    });
});
