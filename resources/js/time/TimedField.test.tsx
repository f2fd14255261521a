// @vitest-environment jsdom
import { render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { describe, expect, it } from 'vitest';
import type { Load } from '../model/loads';
import { TimeAxis } from './TimeAxis';
import { TimedField } from './TimedField';

function Speed({ until, begin }: { until: number | null; begin: Load | undefined }) {
    const [value, setValue] = useState<Load | undefined>(begin);
    return (
        <TimeAxis value={{ until, parts: { chip: { name: 'Chip', kind: 'package' }, board: { name: 'Board', kind: 'block' } } }}>
            <TimedField
                label="Speed"
                name="Fan"
                value={value}
                unit=""
                hint="1"
                sensed
                disabled={false}
                save={(_text, load) => Promise.resolve(setValue(load))}
            />
            <output>{JSON.stringify(value ?? null)}</output>
        </TimeAxis>
    );
}

describe('a quantity that may follow the time', () => {
    it('is a plain field where the steady state is computed', async () => {
        render(<TimedField label="Ambient" name="Surroundings" value="20 degC" unit="degC" disabled={false} save={() => Promise.resolve()} />);
        expect(screen.queryByRole('button')).toBeNull();
        render(<Speed until={null} begin="0.7" />);
        await userEvent.type(screen.getByLabelText('Speed'), '{Control>}a{/Control}0.5{Enter}');
        expect(screen.getByRole('status').textContent).toContain('0.5');
    });

    it('of a fan follows a sensor in the steady state too', async () => {
        render(<Speed until={null} begin="1" />);
        await userEvent.click(screen.getByRole('button', { name: 'Speed over time or by a sensor' }));
        const dialog = within(screen.getByRole('dialog'));
        await userEvent.click(dialog.getByRole('combobox', { name: 'Speed is' }));
        await userEvent.click(screen.getByRole('option', { name: 'Curve of a sensor' }));
        await userEvent.type(dialog.getByLabelText('Temperature: speed'), '{Control>}a{/Control}40: 0.2; 70: 1{Enter}');
        const stated = () => JSON.parse(screen.getByRole('status', { hidden: true }).textContent) as unknown;
        expect(stated()).toEqual({
            curve: [
                ['40 degC', '0.2'],
                ['70 degC', '1'],
            ],
            sensor: { part: 'chip' },
        });
        await userEvent.click(dialog.getByRole('combobox', { name: 'Speed is' }));
        await userEvent.click(screen.getByRole('option', { name: 'Controller, P or PI' }));
        await userEvent.type(dialog.getByLabelText('Setpoint'), '{Control>}a{/Control}65{Enter}');
        expect(stated()).toMatchObject({ controller: { setpoint: '65 degC', sensor: { part: 'chip' } } });
    });

    it('becomes a table in the dialog and says so in its place', async () => {
        render(<Speed until={600} begin={undefined} />);
        await userEvent.click(screen.getByRole('button', { name: 'Speed over time or by a sensor' }));
        const dialog = within(screen.getByRole('dialog', { name: 'Fan: speed over time or by a sensor' }));
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

    it('is sensed by a sensor at a part', async () => {
        render(<Speed until={600} begin="1" />);
        await userEvent.click(screen.getByRole('button', { name: 'Speed over time or by a sensor' }));
        const dialog = within(screen.getByRole('dialog'));
        await userEvent.click(dialog.getByRole('combobox', { name: 'Speed is' }));
        await userEvent.click(screen.getByRole('option', { name: 'Thermostat' }));
        await userEvent.click(dialog.getByRole('combobox', { name: 'Sensor at' }));
        await userEvent.click(screen.getByRole('option', { name: 'Board' }));
        await userEvent.click(dialog.getByRole('combobox', { name: 'It reads' }));
        await userEvent.click(screen.getByRole('option', { name: 'Mean of face z+' }));
        await userEvent.type(dialog.getByLabelText('Speed while off'), '{Control>}a{/Control}0.2{Enter}');
        expect(JSON.parse(screen.getByRole('status', { hidden: true }).textContent)).toMatchObject({
            thermostat: { on: '60 degC', idle: '0.2', sensor: { part: 'board', face: 'z+' } },
        });
    });
});
