// @vitest-environment jsdom
import { screen, within } from '@testing-library/react';
import { beforeEach, describe, expect, it } from 'vitest';
import { answering, choose, editing, fill, press, sampleOutline, sampleRevision } from '../fixtures';
import type { ModelDocument } from '../model/document';
import { convergenceOf, gridOf, refinementsOf } from '../model/refine';
import { samplePart } from '../model/samples';
import { usePreferences, useScreen } from '../state/screen';
import { CellSizeField, GridFields } from './GridFields';

beforeEach(() => {
    usePreferences.setState({ units: 'mm' });
    useScreen.setState({ stage: 'Solve', selection: [], grade: 'scout' });
    answering({
        'GET /api/variants/7/grid': { cells: 12000, shape: [20, 20, 30], smallest: 1e-4, largest: 0.01, memory: 2.5e9, seconds: 95, features: [], steps: [] },
    });
});

const start = { parts: [{ id: 'board', name: 'Board', shape: { kind: 'block' } }] } as unknown as ModelDocument;
const outline = sampleOutline([samplePart({ id: 'board', name: 'Board', max: [0.1, 0.1, 0.02] })]);

describe('the grid in Solve', () => {
    const panel = () => editing(start, (d, editor) => <GridFields revision={sampleRevision(d, outline)} editor={editor} mayEdit />);

    it('says what every grade costs before a run', async () => {
        panel();
        const scout = await within(screen.getByRole('table', { name: 'Grid of each grade' })).findAllByText('12 000');
        expect(scout).toHaveLength(3);
        expect(screen.getAllByText('2.5 GB')).toHaveLength(3);
        expect(screen.getAllByText('2 min')).toHaveLength(3);
        expect(screen.getByText(/20 × 20 × 30, cells from 0.1 mm to 10 mm/)).toBeVisible();
    });

    it('takes what is given by hand in place of the grade', async () => {
        const { document } = panel();
        await fill('Widest cell', '5');
        await fill('Growth', '1.2');
        await fill('Cells across', '3');
        expect(gridOf(document())).toEqual({ largest: '5 mm', growth: 1.2, across: 3 });
        await fill('Growth', '');
        expect(gridOf(document()).growth).toBeUndefined();
    });

    it('asks for more of convergence, and takes that back', async () => {
        const { document } = panel();
        await fill('Residual below', '1e-7');
        await fill('Most iterations', '300');
        expect(document().analysis).toMatchObject({ convergence: { residual: 1e-7, iterations: 300 } });
        await fill('Residual below', '');
        expect(convergenceOf(document())).toEqual({ iterations: 300 });
    });

    it('refines a box, and takes it back', async () => {
        const { document } = panel();
        await press('Cell size in a box');
        await fill('A box: cell size', '0.5');
        await fill('To z', '12');
        const [entry] = refinementsOf(document());
        expect(entry).toMatchObject({ size: '0.5 mm' });
        expect(entry!.box!.max[2]).toBe('12 mm');
        await press('Remove cell size of a box');
        expect(refinementsOf(document())).toEqual([]);
    });

    it('gives selected parts cells of a size', async () => {
        const { document, labels } = editing(start, (d, editor) => (
            <CellSizeField ids={['board']} name="Board" document={d} editor={editor} disabled={false} />
        ));
        await fill('Cell size', '0.4');
        expect(refinementsOf(document())).toEqual([{ part: 'board', size: '0.4 mm' }]);
        expect(labels).toEqual(['Board: cells of 0.4 mm']);
    });

    it('gives a face of a part cells of its own', async () => {
        const { document } = editing(start, (d, editor) => <CellSizeField ids={['board']} name="Board" document={d} editor={editor} disabled={false} />);
        await press('Cell size at a face');
        await choose('At', 'Face x-');
        await fill('Cell size at x-', '0.1');
        expect(refinementsOf(document())).toEqual([{ part: 'board', face: 'x-', size: '0.1 mm' }]);
        await press('Remove cell size at x-');
        expect(refinementsOf(document())).toEqual([]);
    });
});
