// @vitest-environment jsdom
import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it } from 'vitest';
import { editing, pick, press, sampleOutline } from '../fixtures';
import type { OutlinePart } from '../api/types';
import type { ModelDocument } from '../model/document';
import { samplePart } from '../model/samples';
import { usePreferences, useScreen } from '../state/screen';
import { fieldOffsets } from './CopiesDialog';
import { PartActions } from './PartActions';

const entry = (id: string, more: object = {}) => ({
    id,
    name: id,
    material: 'copper',
    at: ['10 mm', '10 mm', '0 mm'],
    shape: { kind: 'block', size: ['20 mm', '10 mm', '5 mm'] },
    ...more,
});

const board = samplePart({ id: 'board', min: [0, 0, 0], max: [0.1, 0.08, 0.002] });
const chip = samplePart({ id: 'chip', min: [0.01, 0.01, 0.05], max: [0.03, 0.02, 0.055] });
const fan = samplePart({ id: 'fan', kind: 'fan', min: [0, 0, 0], max: [0.01, 0.04, 0.04] });

/** The buttons for the given parts of a model of a board, a chip and a fan. */
function actions(selected: OutlinePart[], chipFields: object = {}) {
    const outline = sampleOutline([board, chip, fan]);
    useScreen.setState({ selection: selected.map((part) => part.id) });
    const start = { parts: [entry('board'), entry('chip', chipFields), entry('fan', { shape: { kind: 'fan' } })] } as unknown as ModelDocument;
    return editing(start, (document, editor) => <PartActions document={document} parts={selected} outline={outline} editor={editor} />, outline);
}

const ids = (document: ModelDocument) => document.parts!.map((part) => part.id);

describe('what can be done with parts', () => {
    beforeEach(() => usePreferences.setState({ units: 'mm' }));

    it('duplicates a part beside itself and selects the copy', async () => {
        const { document, part } = actions([chip]);
        await press('Duplicate (Ctrl+D)');
        expect(ids(document())).toHaveLength(4);
        const copy = ids(document()).find((id) => !['board', 'chip', 'fan'].includes(id))!;
        expect(part(copy).at).toEqual(['30 mm', '10 mm', '0 mm']);
        expect(useScreen.getState().selection).toEqual([copy]);
    });

    it('removes it, and nothing stays selected', async () => {
        const { document } = actions([chip]);
        await press('Remove (Delete)');
        expect(ids(document())).toEqual(['board', 'fan']);
        expect(useScreen.getState().selection).toEqual([]);
    });

    it('locks it: then it can neither be removed nor moved until it is unlocked', async () => {
        const { part } = actions([chip]);
        await press('Lock shape and place');
        expect(part('chip').locked).toBe(true);
        for (const name of ['Remove (Delete)', 'Sit on another part', 'Align, mirror, match size, replace'])
            expect(screen.getByRole('button', { name })).toBeDisabled();
        await press('Unlock: may be moved and changed again');
        expect(part('chip').locked).toBeUndefined();
    });

    it('sets it onto another solid part', async () => {
        const { labels, part } = actions([chip]);
        await press('Sit on another part');
        expect(within(screen.getByRole('menu')).getAllByRole('menuitem')).toHaveLength(1);
        await userEvent.click(screen.getByText('On board'));
        expect(labels).toEqual(['chip sits on board']);
        expect(String((part('chip').at as unknown[])[2])).toMatch(/-48 mm/);
    });

    it('changes which part wins where parts overlap, as far as there is another', async () => {
        const { document } = actions([board]);
        expect(screen.getByRole('button', { name: 'Lower overlap priority' })).toBeDisabled();
        await press('Higher overlap priority: wins where parts overlap');
        expect(ids(document())).toEqual(['chip', 'board', 'fan']);
    });

    it('aligns several with the one that was selected last', async () => {
        const { labels, part } = actions([chip, board]);
        await pick('Align, mirror, match size, replace', 'Align lower ends along x with board');
        expect(labels).toEqual(['lower ends along x in line with board']);
        expect(String((part('chip').at as unknown[])[0])).toBe('0 mm');
        expect(part('board').at).toEqual(entry('board').at);
    });

    it('makes several as large as one', async () => {
        const { shape } = actions([board, chip]);
        await pick('Align, mirror, match size, replace', 'As large as chip');
        expect(shape('board').size).toEqual(['20 mm', '10 mm', '5 mm']);
    });

    it('mirrors at the middle of the space', async () => {
        const { part } = actions([chip]);
        await pick('Align, mirror, match size, replace', 'Mirror place along x, at the middle of the space');
        // 10 to 30 mm in a space of 200 mm stands at 170 to 190 mm.
        expect(String((part('chip').at as unknown[])[0])).toBe('170 mm');
    });

    it('turns a body into a package or a fan of its size', async () => {
        const { shape } = actions([chip]);
        await pick('Align, mirror, match size, replace', 'A package of its size instead');
        expect(shape('chip')).toMatchObject({ kind: 'package', size: ['20 mm', '10 mm', '5 mm'] });
    });
});

describe('copies in a row or a field', () => {
    it('are linked to the original, in as many directions as there are several', async () => {
        const { part, labels } = actions([chip]);
        await press('Copies in a row or a field');
        expect(screen.getByLabelText('Step x, mm')).toHaveValue('25');
        await userEvent.click(screen.getByRole('button', { name: 'Make 3 copies' }));
        expect(part('chip').repeat).toEqual([{ count: 4, step: ['25 mm', '0 mm', '0 mm'] }]);
        expect(labels).toEqual(['chip: 4 linked together']);
    });

    it('are not made of wrong numbers, and are parts of their own where they are not linked', async () => {
        const { document } = actions([chip]);
        await press('Copies in a row or a field');
        const count = screen.getByLabelText('In a row');
        for (const wrong of ['0', '2.5', 'many', '401']) {
            await userEvent.clear(count);
            await userEvent.type(count, wrong);
            expect(screen.getByRole('button', { name: 'Make copies' })).toBeDisabled();
        }
        await userEvent.clear(count);
        await userEvent.type(count, '2');
        await userEvent.click(screen.getByRole('checkbox'));
        await userEvent.clear(screen.getByLabelText('Step x, mm'));
        await userEvent.type(screen.getByLabelText('Step x, mm'), '0');
        // A step of nothing would put a copy into the original.
        expect(screen.getByRole('button', { name: 'Make copies' })).toBeDisabled();
        await userEvent.clear(screen.getByLabelText('Step x, mm'));
        await userEvent.type(screen.getByLabelText('Step x, mm'), '40');
        await userEvent.click(screen.getByRole('button', { name: 'Make 1 copy' }));
        expect(ids(document())).toHaveLength(4);
        expect(document().parts!.every((part) => part.repeat === undefined)).toBe(true);
    });

    it('fill a field row by row', () => {
        expect(
            fieldOffsets(
                [2, 3],
                [
                    [1, 0, 0],
                    [0, 10, 0],
                ],
            ),
        ).toEqual([
            [1, 0, 0],
            [0, 10, 0],
            [1, 10, 0],
            [0, 20, 0],
            [1, 20, 0],
        ]);
    });
});
