// @vitest-environment jsdom
import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it } from 'vitest';
import { answering, choose, editing, fill, pick, press, refused, sampleOutline, sampleRevision } from '../fixtures';
import type { ModelDocument } from '../model/document';
import { samplePart } from '../model/samples';
import { usePreferences, useScreen } from '../state/screen';
import { BuildPanel } from './BuildPanel';

const block = samplePart({ id: 'block', min: [0.01, 0.02, 0.03], max: [0.05, 0.06, 0.07] });
const box = { min: ['0 mm', '0 mm', '0 mm'], max: ['100 mm', '100 mm', '100 mm'] };
const base: ModelDocument = { space: { box, fluid: 'air' }, parts: [{ id: 'block', shape: { kind: 'block' } }] };

const panel = (document: ModelDocument = base, parts = [block]) => {
    const outline = sampleOutline(parts);
    return editing(document, (d, editor) => <BuildPanel revision={sampleRevision(d, outline)} editor={editor} mayEdit />, outline);
};

const boxIn = (document: ModelDocument) => (document.space as { box: { min: string[]; max: string[] } }).box;

beforeEach(() => {
    usePreferences.setState({ units: 'mm' });
    answering({ 'GET /api/materials': [{ id: 'air', title: 'Air', category: 'Gases', fluid: true, conductivity: [0.026] }] });
});

describe('the question and the space', () => {
    it('asks for temperatures, for the way of the air alone, or for currents, and keeps what was given', async () => {
        const { document } = panel();
        await choose('Question', 'Current in copper and the heat it makes');
        expect(document().physics).toEqual({ heat: true, electric: true });
        await choose('Question', 'Only where the air goes');
        expect(document().physics).toEqual({ heat: false, electric: false });
    });

    it('is as large as is typed, in the unit of the screen', async () => {
        const { document, labels } = panel();
        await fill('x to', '0.25 m');
        await fill('z from', '-10');
        expect(boxIn(document())).toEqual({ min: ['0 mm', '0 mm', '-10 mm'], max: ['0.25 m', '100 mm', '100 mm'] });
        expect(labels).toEqual(['Space: x to 0.25 m', 'Space: z from -10 mm']);
    });

    it('is filled with a fluid of the library or with none', async () => {
        const { document } = panel();
        await waitFor(() => expect(screen.getByLabelText('Filled with', { selector: '[role="combobox"]' })).toHaveTextContent('Air'));
        await choose('Filled with', 'No fluid (convection coefficients)');
        expect(document().space).toMatchObject({ fluid: null });
    });

    it('takes a worst case over and says when it no longer is one', async () => {
        const { document } = panel();
        await choose('Worst case', 'Factory hall, 45 °C');
        expect(document().surroundings).toEqual({ temperature: '45 degC', altitude: '500 m' });
        await fill('Ambient temperature', '48');
        expect(screen.getByLabelText('Worst case', { selector: '[role="combobox"]' })).toHaveTextContent('As given');
        await fill('Altitude', '1200');
        expect(document().surroundings).toEqual({ temperature: '48 degC', altitude: '1200 m' });
    });

    it('turns gravity along an axis, and shows one that is askew as it is given', async () => {
        const { document } = panel({ ...base, surroundings: { gravity: [0, -6.9, -6.9] } });
        await fill('Gravity y', '-5');
        expect((document().surroundings as { gravity: unknown[] }).gravity).toEqual([0, '-5 m/s^2', -6.9]);
        await choose('Gravity', 'Along +y');
        expect((document().surroundings as { gravity: unknown[] }).gravity).toEqual([0, 9.81, 0]);
        expect(screen.queryByLabelText('Gravity y')).toBeNull();
    });
});

describe('the space around the parts', () => {
    it('fits tightly, or with room for warm air to rise', async () => {
        const { document } = panel();
        await pick('Fit around the parts', 'Tightly');
        expect(boxIn(document())).toEqual({ min: ['10 mm', '20 mm', '30 mm'], max: ['50 mm', '60 mm', '70 mm'] });
        await pick('Fit around the parts', 'With room for warm air to rise');
        // Half its size beside and below it, one and a half above.
        expect(boxIn(document())).toEqual({ min: ['-10 mm', '0 mm', '10 mm'], max: ['70 mm', '80 mm', '130 mm'] });
    });

    it('fits with margins: the first holds for all that were not typed', async () => {
        const { document } = panel();
        await pick('Fit around the parts', 'With a margin');
        const button = screen.getByRole('button', { name: 'Fit with these margins' });
        expect(button).toBeDisabled();
        await userEvent.type(screen.getByLabelText('Margin x-'), '5');
        await userEvent.type(screen.getByLabelText('Margin z+'), 'x');
        expect(button).toBeDisabled();
        await userEvent.clear(screen.getByLabelText('Margin z+'));
        await userEvent.type(screen.getByLabelText('Margin z+'), '50 %');
        await userEvent.click(button);
        expect(boxIn(document())).toEqual({ min: ['5 mm', '15 mm', '25 mm'], max: ['55 mm', '65 mm', '90 mm'] });
    });

    it('finds the air that the parts close off', async () => {
        answering({ 'GET /api/variants/7/cavity': { inside: { min: [0, 0, 0], max: [0.1, 0.05, 0.02] }, volume: 1e-4, leak: null, gap: null } });
        const { labels } = panel();
        await pick('Fit around the parts', 'To the air inside the parts, if they close it off');
        expect(await screen.findByText(/0.10 l of air inside, 100 × 50 × 20 mm/)).toBeVisible();
        expect(labels).toEqual(['Space fits around the air inside the parts']);
    });

    it('shows where the air gets out and how wide the gap is, and leaves the space as it was', async () => {
        answering({ 'GET /api/variants/7/cavity': { inside: null, volume: 0, leak: [0.01, 0.02, 0.03], gap: 0.0015 } });
        const { labels } = panel();
        await pick('Fit around the parts', 'To the air inside the parts, if they close it off');
        expect(await screen.findByText(/gets out at x 10 mm, y 20 mm, z 30 mm, where it is 1.5 mm wide/)).toBeVisible();
        expect(useScreen.getState().pointed).toEqual({ at: [0.01, 0.02, 0.03], text: 'leak, 1.5 mm wide' });
        await userEvent.click(screen.getByRole('button', { name: 'Close' }));
        expect(useScreen.getState().pointed).toBeNull();
        expect(labels).toEqual([]);
    });

    it('says what hindered the search', async () => {
        answering({ 'GET /api/variants/7/cavity': refused(422, { message: 'The model has no part.' }) });
        panel();
        await pick('Fit around the parts', 'To the air inside the parts, if they close it off');
        expect(await screen.findByText('The model has no part.')).toBeVisible();
    });
});

describe('the parameters', () => {
    const withParameters: ModelDocument = { ...base, parameters: { gap: '2 mm', wide: '2 * gap', spare: '1 mm' } };

    it('come with a value to start from, and only unused ones can go', async () => {
        const { document } = panel(withParameters);
        expect(screen.getByRole('button', { name: 'Remove parameter gap' })).toBeDisabled();
        await press('Remove parameter spare');
        await press('Add parameter');
        expect(document().parameters).toEqual({ gap: '2 mm', wide: '2 * gap', length_1: '10 mm' });
    });

    it('take their new name to every formula', async () => {
        const { document } = panel(withParameters);
        await fill('Name', 'slot');
        expect(document().parameters).toEqual({ slot: '2 mm', wide: '2 * slot', spare: '1 mm' });
    });

    it.each([
        ['2fast', /is no name/],
        ['wide', /There is a parameter "wide" already/],
    ])('refuse to be called %s', async (name, why) => {
        const { labels } = panel(withParameters);
        await fill('Name', name);
        expect(screen.getByRole('alert')).toHaveTextContent(why);
        expect(labels).toEqual([]);
    });

    it('refuse to depend on themselves, and show the circle', async () => {
        const { labels } = panel(withParameters);
        await fill('Value', 'wide + 1 mm');
        expect(screen.getByRole('alert')).toHaveTextContent('gap would depend on itself: gap → wide → gap.');
        expect(labels).toEqual([]);
    });
});
