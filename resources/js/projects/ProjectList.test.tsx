// @vitest-environment jsdom
import { render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { MemoryRouter, Route, Routes, useLocation } from 'react-router';
import { describe, expect, it } from 'vitest';
import { answering, press, Frame, refused } from '../fixtures';
import type { Project } from '../api/types';
import { ProjectList } from './ProjectList';

type Verdict = Project['variants'][number]['verdict'];

const project = (id: number, name: string, fields: Partial<Project> = {}, verdict: Verdict = null): Project => ({
    id,
    name,
    summary: '',
    role: 'owner',
    updatedAt: null,
    variants: [{ id: 10 * id, name: 'Base', note: '', origin: null, revision: 3, deletedAt: null, verdict }],
    openedAt: null,
    deletedAt: null,
    ...fields,
});

const Place = () => <p>at {useLocation().pathname}</p>;

/** The list over a server with the given projects; everything else it is asked is in `more`. */
function list(projects: Project[] | object, more: Record<string, unknown> = {}) {
    const requests = answering({
        'GET /api/session': { token: 't', user: { name: 'Mara' }, keep: { deletedDays: 30 } },
        'GET /api/projects': projects,
        'GET /api/projects?deleted=1': [],
        ...more,
    });
    render(
        <MemoryRouter>
            <Frame>
                <Routes>
                    <Route path="/" element={<ProjectList />} />
                    <Route path="*" element={<Place />} />
                </Routes>
            </Frame>
        </MemoryRouter>,
    );
    return requests;
}

const sent = (requests: ReturnType<typeof list>, method: string) => requests.filter((request) => request.method === method);

describe('the list of projects', () => {
    it('says what to do while there is none', async () => {
        list([]);
        expect(await screen.findByText('No project yet. Make a new one, or import a model.')).toBeVisible();
        expect(screen.queryByRole('textbox', { name: 'Find project' })).toBeNull();
    });

    it('shows the verdict of each, and which one is of an older model', async () => {
        const verdict = (missed: number, worstMargin: number, current: boolean) =>
            ({ limits: 4, missed, undecided: 0, worst: 'l', worstMargin, current }) as unknown as Verdict;
        list([project(1, 'Dryer', {}, verdict(0, 3.2, true)), project(2, 'Charger', {}, verdict(1, -2, false)), project(3, 'Gateway')]);
        expect(await screen.findByText('All 4 limits met, worst margin +3.2 K')).toBeVisible();
        expect(screen.getByText('1 of 4 limits missed, worst margin −2.0 K (before the last edits)')).toBeVisible();
        expect(screen.getByText('Not solved yet')).toBeVisible();
    });

    it('is searched by name and summary once it is long', async () => {
        list([project(1, 'Dryer'), project(2, 'Charger', { summary: 'for a boat' }), project(3, 'Gateway'), project(4, 'Lamp')]);
        await userEvent.type(await screen.findByRole('textbox', { name: 'Find project' }), 'BOAT');
        expect(screen.getAllByRole('heading', { level: 2 }).map((heading) => heading.textContent)).toEqual(['Charger']);
        await userEvent.type(screen.getByRole('textbox', { name: 'Find project' }), 's');
        expect(screen.getByText('No project has “BOATs” in its name or summary.')).toBeVisible();
    });

    it('says why it cannot be read, and reads it again', async () => {
        let down = true;
        list(() => (down ? refused(503, { message: 'The database is being started.' }) : [project(1, 'Dryer')]));
        expect(await screen.findByRole('alert')).toHaveTextContent('The database is being started.');
        down = false;
        await press('Try again');
        expect(await screen.findByRole('heading', { name: 'Dryer' })).toBeVisible();
    });

    it('renames a project and keeps its summary; an empty name is none', async () => {
        const requests = list([project(1, 'Dryer', { summary: 'wet' })], { 'PATCH /api/projects/1': {} });
        await userEvent.click(await screen.findByRole('button', { name: 'Menu of Dryer' }));
        await userEvent.click(screen.getByText('Rename'));
        const field = within(screen.getByRole('dialog')).getByRole('textbox');
        await userEvent.clear(field);
        expect(screen.getByRole('button', { name: 'Rename' })).toBeDisabled();
        await userEvent.type(field, ' Air dryer {Enter}');
        await waitFor(() => expect(sent(requests, 'PATCH')[0]?.body).toEqual({ name: 'Air dryer', summary: 'wet' }));
    });

    it('deletes a project and brings it back at once', async () => {
        const requests = list([project(1, 'Dryer')], { 'DELETE /api/projects/1': {}, 'POST /api/projects/1/restore': {} });
        await userEvent.click(await screen.findByRole('button', { name: 'Menu of Dryer' }));
        await userEvent.click(screen.getByText('Delete'));
        expect(await screen.findByText('Deleted Dryer')).toBeVisible();
        await press('Undo');
        await waitFor(() => expect(sent(requests, 'POST').map((request) => request.path)).toEqual(['/api/projects/1/restore']));
    });

    it('says when a project cannot be deleted', async () => {
        list([project(1, 'Dryer')], { 'DELETE /api/projects/1': refused(403, { message: 'Only its owner may delete it.' }) });
        await userEvent.click(await screen.findByRole('button', { name: 'Menu of Dryer' }));
        await userEvent.click(screen.getByText('Delete'));
        expect(await screen.findByText('Only its owner may delete it.')).toBeVisible();
    });

    it('offers a viewer no menu, and an editor no deleting', async () => {
        list([project(1, 'Dryer', { role: 'viewer' }), project(2, 'Charger', { role: 'editor' })]);
        await userEvent.click(await screen.findByRole('button', { name: 'Menu of Charger' }));
        expect(screen.getAllByRole('menuitem').map((item) => item.textContent)).toEqual(['Rename', 'Save archive']);
        expect(screen.queryByRole('button', { name: 'Menu of Dryer', hidden: true })).toBeNull();
    });

    it('lists what was deleted and for how long it can come back', async () => {
        const requests = list([], { 'GET /api/projects?deleted=1': [project(5, 'Old lamp')], 'POST /api/projects/5/restore': {} });
        const deleted = await screen.findByRole('region', { name: 'Deleted projects' });
        expect(await within(deleted).findByText(/restorable for 30 days/)).toBeVisible();
        await userEvent.click(within(deleted).getByRole('button', { name: 'Restore' }));
        await waitFor(() => expect(sent(requests, 'POST')).toHaveLength(1));
    });
});

describe('a model document that is imported', () => {
    const file = (text: string) => new File([text], 'dryer.json', { type: 'application/json' });

    it('becomes a project, which is opened', async () => {
        const requests = list([], { 'POST /api/projects': project(6, 'Dryer') });
        await userEvent.upload(await screen.findByLabelText('Model document'), file('{"format":"foehn-model"}'));
        expect(await screen.findByText('at /projects/6/variants/60')).toBeVisible();
        expect(sent(requests, 'POST')[0]?.body).toEqual({ format: 'foehn-model' });
    });

    it('is refused place by place', async () => {
        const problems = [{ pointer: '/parts/0/power', message: 'a power is expected, for example 5 W; given: 5 kg' }];
        list([], { 'POST /api/projects': refused(422, { message: 'The model has 1 mistake.', problems }) });
        await userEvent.upload(await screen.findByLabelText('Model document'), file('{}'));
        const dialog = within(await screen.findByRole('dialog'));
        expect(dialog.getByText('The model has 1 mistake.')).toBeVisible();
        expect(dialog.getByText('/parts/0/power')).toBeVisible();
        expect(dialog.getByText(/given: 5 kg/)).toBeVisible();
    });

    it('is not even sent where it is too large', async () => {
        const requests = list([]);
        const large = file('{}');
        Object.defineProperty(large, 'size', { value: 30e6 });
        await userEvent.upload(await screen.findByLabelText('Model document'), large);
        expect(await screen.findByText(/dryer.json has 30.0 MB; a model document may have at most 20 MB/)).toBeVisible();
        expect(sent(requests, 'POST')).toEqual([]);
    });
});
