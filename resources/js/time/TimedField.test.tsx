// @vitest-environment jsdom
import { render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { describe, expect, it } from 'vitest';
import type { Load } from '../model/loads';
import { TimeAxis, TimedField } from './TimedField';

function Speed({ until, begin }: { until: number | null; begin: Load | undefined }) {
    const [value, setValue] = useState<Load | undefined>(begin);
    return (
        <TimeAxis value={{ until, parts: { chip: 'Chip', board: 'Board' } }}>
            <TimedField
                label="Speed"
                name="Fan"
                value={value}
                unit=""
                hint="1"
                switched
                disabled={false}
                save={(_text, load) => Promise.resolve(setValue(load))}
            />
            <output>{JSON.stringify(value ?? null)}</output>
        </TimeAxis>
    );
}

describe('a quantity that may follow the time', () => {
    it('is a plain field where the steady state is computed', async () => {
        render(<Speed until={null} begin="0.7" />);
        expect(screen.queryByRole('button', { name: 'Speed over time' })).toBeNull();
        await userEvent.type(screen.getByLabelText('Speed'), '{Control>}a{/Control}0.5{Enter}');
        expect(screen.getByRole('status').textContent).toContain('0.5');
    });

    it('becomes a table in the dialog and says so in its place', async () => {
        render(<Speed until={600} begin={undefined} />);
        await userEvent.click(screen.getByRole('button', { name: 'Speed over time' }));
        const dialog = within(screen.getByRole('dialog', { name: 'Fan: speed over time' }));
        await userEvent.click(dialog.getByRole('combobox', { name: 'Speed is' }));
        await userEvent.click(screen.getByRole('option', { name: 'Table over time' }));
        expect(JSON.parse(screen.getByRole('status', { hidden: true }).textContent)).toMatchObject({
            schedule: [
                ['0 s', '1'],
                ['5 min', '0'],
            ],
            between: 'steps',
        });
        expect(screen.getByLabelText<HTMLInputElement>('Speed', { selector: 'input' }).value).toBe('Table over time');
    });

    it('is switched by a sensor at a part', async () => {
        render(<Speed until={600} begin="1" />);
        await userEvent.click(screen.getByRole('button', { name: 'Speed over time' }));
        const dialog = within(screen.getByRole('dialog'));
        await userEvent.click(dialog.getByRole('combobox', { name: 'Speed is' }));
        await userEvent.click(screen.getByRole('option', { name: 'Thermostat' }));
        await userEvent.click(dialog.getByRole('combobox', { name: 'Sensor at' }));
        await userEvent.click(screen.getByRole('option', { name: 'Board' }));
        await userEvent.type(dialog.getByLabelText('Speed while off'), '{Control>}a{/Control}0.2{Enter}');
        expect(JSON.parse(screen.getByRole('status', { hidden: true }).textContent)).toMatchObject({
            thermostat: { on: '60 degC', idle: '0.2', sensor: { part: 'board' } },
        });
    });
});
