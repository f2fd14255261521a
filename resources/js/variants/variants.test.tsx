// @vitest-environment jsdom
import { screen, waitFor } from '@testing-library/react';
import { MemoryRouter, useLocation } from 'react-router';
import { beforeEach, describe, expect, it } from 'vitest';
import type { Project, Variant } from '../api/types';
import { answering, editing, fill, pick, press, refused } from '../fixtures';
import type { ModelEditor } from '../model/useModelEditor';
import { useScreen } from '../state/screen';
import { freeName } from './names';
import { useVariants } from './useVariants';
import { VariantBar } from './VariantBar';
import { VariantDialogs } from './VariantDialogs';
import { VariantMenu } from './VariantMenu';
import { verdictOf } from './verdictOf';

const verdict = (fields: Partial<NonNullable<Variant['verdict']>> = {}): Variant['verdict'] => ({
    run: 11,
    limits: 10,
    missed: 0,
    undecided: 0,
    worstMargin: 3,
    worstLimit: 'l1',
    current: true,
    grade: 'scout',
    ...fields,
});
const variant = (id: number, name: string, of: Variant['verdict'] = null): Variant => ({
    id,
    name,
    note: '',
    origin: null,
    revision: 4,
    deletedAt: null,
    verdict: of,
});
const project = (variants: Variant[]): Project => ({
    id: 3,
    name: 'Box',
    summary: '',
    role: 'owner',
    updatedAt: null,
    variants,
    openedAt: null,
    deletedAt: null,
});

const Place = () => <p>at {useLocation().pathname}</p>;

function Screen({ editor, of, running }: { editor: ModelEditor; of: Project; running: boolean }) {
    const variants = useVariants(of, 7, { ...editor, state: 'saved' }, true);
    return (
        variants && (
            <>
                <VariantMenu variants={variants} />
                <VariantBar variants={variants} running={running} onCompare={() => undefined} />
                <VariantDialogs variants={variants} editor={{ ...editor, state: 'saved' }} running={running} />
                <Place />
            </>
        )
    );
}

const show = (variants: Variant[], running = false) =>
    editing({ name: 'Box' }, (_document, editor) => (
        <MemoryRouter initialEntries={['/projects/3/variants/7']}>
            <Screen editor={editor} of={project(variants)} running={running} />
        </MemoryRouter>
    ));

const menu = (item: string) => pick('Variant Base', item);

beforeEach(() => useScreen.setState({ against: null, marked: [] }));

describe('what a variant says of itself', () => {
    it('is its worst margin, in the colour of its verdict, and grey where the model has changed since', () => {
        expect(verdictOf({ verdict: null }, 'mm')).toMatchObject({ text: 'not run', colour: 'quiet' });
        expect(verdictOf({ verdict: verdict({ missed: 1, worstMargin: -5.5 }) }, 'mm')).toMatchObject({ text: '−5.5 K', colour: 'error' });
        expect(verdictOf({ verdict: verdict({ undecided: 2 }) }, 'us')).toMatchObject({ text: '+5.4 °F', colour: 'warning' });
        expect(verdictOf({ verdict: verdict({ current: false }) }, 'mm')).toMatchObject({
            colour: 'quiet',
            said: expect.stringContaining('before the last edits') as string,
        });
    });

    it('has a name of its own', () => {
        expect(freeName('Base', ['Base'])).toBe('Base 2');
        expect(freeName('Base 2', ['Base', 'Base 2', 'Base 3'])).toBe('Base 4');
    });
});

describe('variants', () => {
    it('have no bar while there is one, which can be cloned from what is on screen', async () => {
        const requests = answering({ 'POST /api/variants/7/clone': variant(8, 'Taller') });
        show([variant(7, 'Base')]);
        expect(screen.queryByRole('navigation')).toBeNull();
        await menu('Clone…');
        await fill('Name', 'Taller');
        await screen.findByText('at /projects/3/variants/8');
        expect(requests[0]).toMatchObject({ path: '/api/variants/7/clone', body: { name: 'Taller', revision: 4 } });
    });

    it('say why a name is refused, and keep what was typed', async () => {
        answering({ 'POST /api/variants/7/clone': refused(422, { message: 'This project already has a variant called "Other"; take another name.' }) });
        show([variant(7, 'Base'), variant(8, 'Other')]);
        await menu('Clone…');
        await fill('Name', 'Other');
        expect(await screen.findByText(/already has a variant called/)).toBeVisible();
        expect(screen.getByLabelText('Name')).toHaveValue('Other');
    });

    it('are deleted at once and brought back by a click', async () => {
        const requests = answering({ 'DELETE /api/variants/7': { restorableDays: 30 }, 'POST /api/variants/7/restore': variant(7, 'Base') });
        show([variant(7, 'Base'), variant(8, 'Other')]);
        await menu('Delete');
        await screen.findByText('at /projects/3/variants/8');
        await press('Undo');
        await waitFor(() => expect(requests.at(-1)?.path).toBe('/api/variants/7/restore'));
        await screen.findByText('at /projects/3/variants/7');
    });

    it('ask before a run is stopped', async () => {
        const requests = answering({ 'DELETE /api/variants/7': { restorableDays: 30 } });
        show([variant(7, 'Base'), variant(8, 'Other')], true);
        expect(screen.getByRole('button', { name: /Base running/ })).toBeVisible();
        await menu('Delete');
        expect(requests).toEqual([]);
        await press('Stop the run and delete');
        await waitFor(() => expect(requests).toHaveLength(1));
    });

    it('move among each other', async () => {
        const requests = answering({ 'PATCH /api/variants/7': variant(7, 'Base') });
        show([variant(7, 'Base'), variant(8, 'Other'), variant(9, 'Last')]);
        await menu('Move right');
        await waitFor(() => expect(requests[0]?.body).toEqual({ before: 9 }));
    });
});
