// @vitest-environment jsdom
import { render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { MemoryRouter } from 'react-router';
import { beforeEach, describe, expect, it } from 'vitest';
import { answering, choose, Frame, refused } from '../fixtures';
import type { ModelDocument } from '../model/document';
import { usePreferences, useScreen } from '../state/screen';
import { NewProject } from './NewProject';

function dialog(answer: unknown = { id: 3, variants: [{ id: 30 }] }) {
    const requests = answering({ 'POST /api/projects': answer });
    render(
        <MemoryRouter>
            <Frame>
                <NewProject open onClose={() => {}} />
            </Frame>
        </MemoryRouter>,
    );
    return requests;
}

const create = () => screen.getByRole('button', { name: 'Create' });

describe('a new project', () => {
    beforeEach(() => {
        usePreferences.setState({ units: 'mm' });
        useScreen.setState({ stage: 'Judge' });
    });

    it('needs a name and numbers, and says which one is none', async () => {
        dialog();
        expect(create()).toBeDisabled();
        await userEvent.type(screen.getByLabelText('Name of the product'), 'Dryer');
        expect(create()).toBeEnabled();
        await userEvent.clear(screen.getByLabelText('Ambient temperature, °C'));
        await userEvent.type(screen.getByLabelText('Ambient temperature, °C'), 'hot');
        expect(screen.getByText('A number of °C, for example 40')).toBeVisible();
        expect(create()).toBeDisabled();
    });

    it('starts with what was answered, in the stage where it is built', async () => {
        const requests = dialog();
        await userEvent.type(screen.getByLabelText('Name of the product'), '  Dryer ');
        await userEvent.click(screen.getByRole('radio', { name: /Heat sink in open air/ }));
        await userEvent.clear(screen.getByLabelText('Ambient temperature, °C'));
        await userEvent.type(screen.getByLabelText('Ambient temperature, °C'), '−5,5');
        await choose('Gravity', 'Along −y');
        await userEvent.click(create());
        await waitFor(() => expect(requests).toHaveLength(1));
        const document = requests[0]!.body as ModelDocument;
        expect(document).toMatchObject({ name: 'Dryer', surroundings: { temperature: '-5.5 degC', gravity: [0, -9.81, 0] }, physics: { buoyancy: true } });
        expect(useScreen.getState().stage).toBe('Build');
    });

    it('suggests bars to who asks for currents', async () => {
        dialog();
        await choose('What is the question?', 'Current in copper and the heat it makes');
        expect(screen.getByRole('radio', { name: /Copper bars/ })).toHaveAttribute('aria-checked', 'true');
        await choose('What is the question?', 'Temperatures against limits');
        expect(screen.getByRole('radio', { name: /Ventilated box/ })).toHaveAttribute('aria-checked', 'true');
    });

    it('does not ask where the air goes in a start without moving air', async () => {
        dialog();
        await userEvent.type(screen.getByLabelText('Name of the product'), 'Plate');
        await userEvent.click(screen.getByRole('radio', { name: /Power module on a cold plate/ }));
        expect(create()).toBeEnabled();
        await choose('What is the question?', 'Only where the air goes');
        expect(screen.getByText(/There is no moving air in this start/)).toBeVisible();
        expect(create()).toBeDisabled();
    });

    it('stays open with everything in it where the server refuses', async () => {
        dialog(refused(422, { message: 'The model has 1 mistake.', problems: [{ pointer: '', message: 'Too cold.' }] }));
        await userEvent.type(screen.getByLabelText('Name of the product'), 'Dryer');
        await userEvent.click(create());
        expect(await screen.findByText('The model has 1 mistake.')).toBeVisible();
        expect(screen.getByText('Too cold.')).toBeVisible();
        expect(screen.getByLabelText('Name of the product')).toHaveValue('Dryer');
        expect(useScreen.getState().stage).toBe('Judge');
    });
});
