// @vitest-environment jsdom
import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it } from 'vitest';
import { answering, choose, editing, fill, press, sampleOutline, sampleRevision } from '../fixtures';
import type { ModelDocument } from '../model/document';
import { sideNames, sideOf } from '../model/space';
import { usePreferences } from '../state/screen';
import { SpacePanel } from './SpacePanel';

const space = { box: { min: ['0 mm', '0 mm', '0 mm'], max: ['100 mm', '80 mm', '40 mm'] } };

const outline = sampleOutline([], { space: { ...sampleOutline().space, min: [0, 0, 0], max: [0.1, 0.08, 0.04] } });

const panel = (document: ModelDocument, mayEdit = true) =>
    editing(document, (d, editor) => <SpacePanel revision={sampleRevision(d, outline)} editor={editor} mayEdit={mayEdit} />);

const moving = (sides: object = {}): ModelDocument => ({ space: { ...space, sides }, physics: { flow: 'auto' } });

describe('the panel of the space', () => {
    beforeEach(() => usePreferences.setState({ units: 'mm' }));

    it('asks for convection coefficients while the air is still, and says that openings take no part', async () => {
        const { document, labels } = panel({ space });
        expect(screen.getByText(/Openings, fans and screens take part when the air moves/)).toBeVisible();
        expect(screen.queryByRole('button', { name: 'Opening in this side' })).toBeNull();
        await choose('Side z+', 'Convection to ambient');
        await fill('Convection coefficient', '12');
        expect(sideOf(document(), 'z+').heat).toEqual({ kind: 'film', coefficient: '12 W/m^2/K' });
        expect(labels).toEqual(['Side z+: convection to ambient', 'Side z+: convection coefficient 12 W/m^2/K']);
    });

    it('gives all walls what one has, and leaves openings alone', async () => {
        const { document } = panel({
            space: { ...space, sides: { 'x-': { kind: 'inlet', speed: '1 m/s' }, 'z+': { heat: { kind: 'film', coefficient: 7 } } } },
        });
        await press('The same on all walls');
        expect(sideNames.map((side) => sideOf(document(), side).heat)).toEqual([
            undefined,
            ...Array.from({ length: 5 }, () => ({ kind: 'film', coefficient: 7 })),
        ]);
        await choose('Side z+', 'Adiabatic');
        expect(sideOf(document(), 'z+')).not.toHaveProperty('heat');
    });

    it('fills the space with air where it begins to move', async () => {
        const { document } = panel({ space });
        await choose('Air', 'Moving; laminar or turbulent as found');
        expect(document()).toMatchObject({ physics: { flow: 'auto' }, space: { fluid: 'air' } });
        await userEvent.click(screen.getByRole('switch', { name: 'Warm air rises' }));
        await userEvent.click(screen.getByRole('switch', { name: 'Currents heat what they flow through' }));
        expect(document().physics).toEqual({ flow: 'auto', buoyancy: true, electric: true });
    });

    it('lets the sun shine by a direction or by the hour, and through what is open to it', async () => {
        answering({ 'GET /api/finishes': [{ id: 'glass', title: 'Glass', emissivity: 0.9, absorptivity: 0.1, source: '' }] });
        const { document } = panel({ space, physics: { radiation: 'surfaces' } });
        const sun = () => (document().surroundings as { sun?: object } | undefined)?.sun;
        await choose('Sun', 'By a direction');
        await fill('x', '1');
        await fill('Flux facing the sun', '800 W/m^2');
        expect(sun()).toEqual({ direction: [1, -0.5, 0.77], flux: '800 W/m^2', diffuse: '100 W/m^2' });
        const top = within(screen.getByRole('region', { name: 'Side z+' }));
        await userEvent.type(top.getByLabelText('Transmittance of sunlight'), '0.8{Enter}');
        expect(sideOf(document(), 'z+')).toEqual({ transmittance: 0.8 });
        await choose('Sun', 'By latitude, date and hour');
        await fill('Hour', '15.5');
        await fill('Flux facing the sun', '');
        expect(sun()).toEqual({ latitude: '47 deg', date: '2027-06-21', hour: 15.5 });
        await choose('Sun', 'None');
        expect(sun()).toBeUndefined();
    });

    it('lets surfaces radiate to the ambient or to a temperature of its own', async () => {
        const { document } = panel({ space, surroundings: { temperature: '40 degC' } });
        expect(screen.queryByLabelText('Radiant temperature')).toBeNull();
        await choose('Radiation', 'To the surroundings');
        await fill('Radiant temperature', '-20');
        expect(document()).toMatchObject({ physics: { radiation: 'surroundings' }, surroundings: { temperature: '40 degC', radiantTemperature: '-20 degC' } });
        await fill('Radiant temperature', '');
        expect(document().surroundings).toEqual({ temperature: '40 degC' });
    });

    it('makes an inlet of a side and asks for what it needs', async () => {
        const { document } = panel(moving({ 'y-': { kind: 'wall', heat: { kind: 'film', coefficient: 5 } } }));
        await choose('Side y-', 'Inlet');
        expect(sideOf(document(), 'y-')).toEqual({ kind: 'inlet', speed: '1 m/s' });
        await choose('Given by', 'Volume flow');
        await fill('Volume flow', '4');
        await fill('Air enters at', '35');
        expect(sideOf(document(), 'y-')).toEqual({ kind: 'inlet', volumeFlow: '4 l/s', temperature: '35 degC' });
        await fill('Air enters at', '');
        expect(sideOf(document(), 'y-')).not.toHaveProperty('temperature');
        await userEvent.click(screen.getByRole('switch', { name: 'Heat is conducted through it too' }));
        expect(sideOf(document(), 'y-')).toMatchObject({ conducts: true });
        await choose('Side y-', 'Outlet');
        await choose('Given by', 'Mass flow');
        expect(sideOf(document(), 'y-')).toEqual({ kind: 'outlet', massFlow: '1 g/s' });
        await choose('Given by', 'Pressure outside');
        await fill('Pressure outside', '3');
        expect(sideOf(document(), 'y-')).toEqual({ kind: 'outlet', pressure: '3 Pa' });
        await choose('Side y-', 'Wall');
        expect(sideOf(document(), 'y-')).toEqual({ kind: 'wall' });
    });

    it('cuts an opening of half the size into the middle of a side, moves it, rounds it and closes it', async () => {
        const { document, labels } = panel(moving());
        await userEvent.click(screen.getAllByRole('button', { name: 'Opening in this side' })[5]!);
        const patch = () => sideOf(document(), 'z+').patches?.[0];
        expect(patch()).toEqual({
            min: ['25 mm', '20 mm'],
            max: ['75 mm', '60 mm'],
            kind: 'open',
        });
        await fill('x from', '10');
        await fill('y to', '2 in');
        await userEvent.click(screen.getByRole('switch', { name: 'Round' }));
        expect(patch()).toMatchObject({ round: true, min: ['10 mm', expect.anything()], max: [expect.anything(), '2 in'] });
        await press('Remove opening 1 in z+');
        expect(patch()).toBeUndefined();
        expect(labels.at(-1)).toBe('Remove opening 1 in z+');
    });

    it('shows a viewer everything and lets nothing be changed', () => {
        panel(moving({ 'x-': { kind: 'inlet', speed: '1 m/s', patches: [{ kind: 'open', min: [0, 0], max: [1, 1] }] } }), false);
        for (const field of screen.getAllByRole('textbox')) expect(field).toBeDisabled();
        for (const toggle of screen.getAllByRole('switch')) expect(toggle).toBeDisabled();
        for (const button of screen.getAllByRole('button')) expect(button).toBeDisabled();
    });
});
