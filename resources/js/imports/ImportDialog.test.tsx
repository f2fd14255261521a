// @vitest-environment jsdom
import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { choose, editing, sampleOutline } from '../fixtures';
import { samplePart } from '../model/samples';
import { usePreferences, useScreen } from '../state/screen';
import ImportDialog from './ImportDialog';
import { sampleBoard, sampleLibrary } from './idfSample';

const board = new File([sampleBoard([100, 60], ['"BGA 20" "FH-100" U1', '50 30 0 0 TOP PLACED'], 2)], 'gateway.emn');
const library = new File([sampleLibrary([{ geometry: 'BGA 20', part: 'FH-100', size: [20, 10, 2] }], true)], 'gateway.emp');

/** A tetrahedron of 20, 10 and 5. */
const corners = [
    [0, 0, 0],
    [20, 0, 0],
    [0, 10, 0],
    [0, 0, 5],
];
const faces = [
    [0, 2, 1],
    [0, 1, 3],
    [0, 3, 2],
    [1, 2, 3],
];
const facets = faces.map((face) => `facet normal 0 0 0\nouter loop\n${face.map((n) => `vertex ${corners[n]!.join(' ')}`).join('\n')}\nendloop\nendfacet`);
const stl = new File([`solid tip\n${facets.join('\n')}\nendsolid tip\n`], 'tip.stl');

function dialog(parts = [samplePart({ id: 'u', name: 'U1', max: [0.01, 0.01, 0.01] })]) {
    const close = vi.fn();
    const outline = sampleOutline(parts);
    const start = { parts: parts.map((part) => ({ id: part.id, name: part.name, shape: { kind: 'package' as const }, power: '3 W' })), space: {} };
    const made = editing(start, (_d, editor) => <ImportDialog outline={outline} editor={editor} onClose={close} />, outline);
    return { ...made, close };
}

const take = (...files: File[]) => userEvent.upload(screen.getByLabelText('Geometry files'), files);
const bring = (name: string) => userEvent.click(screen.getByRole('button', { name }));

describe('geometry from a file', () => {
    beforeEach(() => {
        usePreferences.setState({ units: 'mm' });
        useScreen.setState({ selection: [] });
    });

    it('is shown before anything of it enters the model', async () => {
        const { labels } = dialog();
        await take(board, library);
        expect(await screen.findByText('100 × 60 × 1.6 mm')).toBeVisible();
        expect(screen.getByText('2 drilled holes left out.')).toBeVisible();
        expect(screen.getByText('One body takes the place of the part of that name.')).toBeVisible();
        expect(labels).toEqual([]);
    });

    it('enters as one step; a body of a known name keeps what its part was given', async () => {
        const { labels, document, part, close } = dialog();
        await take(board, library);
        await screen.findByText('gateway.emn, gateway.emp');
        await bring('Import 2 bodies');
        expect(labels).toEqual(['Import gateway.emn, gateway.emp']);
        expect(document().parts!.map((p) => p.name)).toEqual(['U1', 'Board']);
        expect(part('u')).toMatchObject({ power: '3 W', shape: { kind: 'block' } });
        expect(close).toHaveBeenCalled();
    });

    it('leaves out what is not wanted and stands where its origin is put', async () => {
        const { document } = dialog();
        await take(board, library);
        await userEvent.click(await screen.findByRole('checkbox', { name: 'Take U1' }));
        await userEvent.clear(screen.getByLabelText('z, mm'));
        expect(screen.getByRole('button', { name: 'Import one body' })).toBeEnabled();
        await userEvent.type(screen.getByLabelText('z, mm'), 'up');
        expect(screen.getByRole('button', { name: 'Import' })).toBeDisabled();
        await userEvent.clear(screen.getByLabelText('z, mm'));
        await userEvent.type(screen.getByLabelText('z, mm'), '250');
        expect(screen.getByText('The space grows so that all bodies are inside.')).toBeVisible();
        await bring('Import one body');
        expect(document().parts!.at(-1)).toMatchObject({ name: 'Board', at: ['0 mm', '0 mm', '250 mm'] });
        expect(useScreen.getState().selection).toEqual([document().parts!.at(-1)!.id]);
    });

    it('gives an empty model its space', async () => {
        const { document } = dialog([]);
        await take(board, library);
        await screen.findByText('gateway.emn, gateway.emp');
        await bring('Import 2 bodies');
        expect(document().space).toEqual({ box: { min: ['0 mm', '0 mm', '0 mm'], max: ['100 mm', '60 mm', '3.6 mm'] } });
    });

    it('asks for the unit where a file has none', async () => {
        dialog();
        await take(stl);
        expect(await screen.findByText('20 × 10 × 5 mm')).toBeVisible();
        await choose('Numbers in the file are', 'Inches');
        expect(await screen.findByText('508 × 254 × 127 mm')).toBeVisible();
    });

    it.each([
        ['one file of a pair', [board], /one STL or STEP file is expected, or the board and the library file/],
        ['two that are no pair', [library, library], /Neither of the two files has a board outline/],
        ['something else', [new File(['hello'], 'notes.stl')], /./],
    ])('is refused in words: %s', async (_what, files, words) => {
        const { labels } = dialog();
        await take(...files);
        expect(await screen.findByRole('alert')).toHaveTextContent(words);
        expect(screen.getByRole('button', { name: 'Import' })).toBeDisabled();
        expect(labels).toEqual([]);
    });
});
