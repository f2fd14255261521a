// @vitest-environment jsdom
import { cleanup, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it } from 'vitest';
import { answering, editing, sampleOutline, sampleResult, sampleRevision } from '../fixtures';
import type { Result } from '../api/types';
import type { ModelDocument } from '../model/document';
import { samplePart } from '../model/samples';
import { usePreferences, useScreen, type Stage } from '../state/screen';
import { Ledger } from './Ledger';

const parts = [
    samplePart({ id: 'cpu', name: 'Processor', kind: 'package', group: 'Board', power: 5 }),
    samplePart({ id: 'ram', name: 'Memory', kind: 'package', group: 'Board', power: 1 }),
    samplePart({ id: 'lid', name: 'Lid', material: 'copper', materialTitle: 'Copper' }),
];

const start = {
    parts: [
        { id: 'cpu', name: 'Processor', group: 'Board', power: '5 W', shape: { kind: 'package' } },
        { id: 'ram', name: 'Memory', group: 'Board', power: '1 W', shape: { kind: 'package' } },
        { id: 'lid', name: 'Lid', material: 'copper', shape: { kind: 'block' } },
    ],
} as unknown as ModelDocument;

function ledger(
    stage: Stage,
    {
        result,
        stale = false,
        mayEdit = true,
        selection = [] as string[],
        tried = {},
    }: { result?: Result; stale?: boolean; mayEdit?: boolean; selection?: string[]; tried?: Record<string, number> } = {},
) {
    useScreen.setState({ stage, selection });
    answering({ 'GET /api/materials': [], 'GET /api/variants/7/grid': { features: [], steps: [], shape: [1, 1, 1] } });
    const outline = sampleOutline(parts);
    return editing(
        start,
        (d, editor) => <Ledger revision={sampleRevision(d, outline)} editor={editor} result={result} stale={stale} tried={tried} mayEdit={mayEdit} />,
        outline,
    );
}

const grid = () => within(screen.getByRole('grid'));

const names = () =>
    grid()
        .getAllByRole('row')
        .slice(1)
        .map((row) => within(row).getAllByRole('gridcell')[0]!.textContent);

const cellOf = (name: string, column: string) => {
    const columns = screen.getAllByRole('columnheader').map((header) => header.textContent);
    const row = grid().getByText(name).closest<HTMLElement>('[role="row"]')!;
    return within(row).getAllByRole('gridcell')[columns.findIndex((title) => title.startsWith(column))]!;
};

describe('the ledger', () => {
    beforeEach(() => usePreferences.setState({ units: 'mm' }));

    it('lists the parts under their assemblies with the heat in all', () => {
        ledger('Load');
        expect(names().map((name) => name?.replace(/\s*\d.*/, ''))).toEqual(['Board', 'Processor', 'Memory', 'Not in an assembly', 'Lid']);
        expect(screen.getByText('6.00 W', { selector: 'b' })).toBeInTheDocument();
        expect(screen.getByText('3 parts')).toBeInTheDocument();
    });

    it('is searched by name, material and assembly', async () => {
        ledger('Build');
        const search = screen.getByLabelText('Find part');
        await userEvent.type(search, 'copper');
        expect(names().at(-1)).toBe('Lid');
        expect(screen.queryByText('Processor')).toBeNull();
        await userEvent.clear(search);
        await userEvent.type(search, 'board');
        expect(screen.queryByText('Lid')).toBeNull();
        await userEvent.type(search, 'xyz');
        expect(screen.getByText('No part is called "boardxyz"')).toBeVisible();
    });

    it('selects a part, one more, a range, and all of an assembly', async () => {
        ledger('Load');
        const user = userEvent.setup();
        await user.click(grid().getByText('Processor'));
        expect(useScreen.getState().selection).toEqual(['cpu']);
        await user.keyboard('{Control>}');
        await user.click(grid().getByText('Lid'));
        await user.keyboard('{/Control}');
        expect(useScreen.getState().selection).toEqual(['cpu', 'lid']);
        await user.click(grid().getByText('Memory'));
        await user.keyboard('{Shift>}');
        await user.click(grid().getByText('Lid'));
        await user.keyboard('{/Shift}');
        expect(useScreen.getState().selection).toEqual(['ram', 'lid']);
        await user.click(grid().getByText('Board'));
        expect(useScreen.getState().selection).toEqual(['cpu', 'ram']);
    });

    it('writes watts into one part, or into all that are selected', async () => {
        const { part, labels } = ledger('Load', { selection: ['cpu', 'ram'] });
        expect(screen.getByText('2 selected; a cell holds for all')).toBeVisible();
        const user = userEvent.setup();
        await user.dblClick(cellOf('Memory', 'W'));
        await user.keyboard('{Control>}a{/Control}2.5{Enter}');
        expect([part('cpu').power, part('ram').power]).toEqual(['2.5 W', '2.5 W']);
        expect(labels).toEqual(['2 parts: 2.5 W']);
    });

    it('writes limits in the unit of the screen', async () => {
        usePreferences.setState({ units: 'us' });
        const { document } = ledger('Limit');
        const user = userEvent.setup();
        await user.dblClick(cellOf('Processor', 'Limit'));
        await user.keyboard('200{Enter}');
        expect(document().limits).toMatchObject([{ of: { part: 'cpu' }, atMost: '200 degF' }]);
    });

    it('edits nothing for a viewer', async () => {
        const { labels } = ledger('Load', { mayEdit: false });
        expect(screen.getByText('You may look, not edit')).toBeVisible();
        await userEvent.dblClick(cellOf('Memory', 'W'));
        expect(screen.queryByRole('textbox', { name: /of Memory/ })).toBeNull();
        expect(labels).toEqual([]);
    });

    const limit = (id: string, margin: number) => ({
        id,
        name: id,
        part: id,
        node: null,
        value: 350,
        atMost: 360,
        atLeast: null,
        margin,
        verdict: margin >= 0 ? ('met' as const) : ('missed' as const),
        plusMinus: null,
        order: null,
        unknown: 'only one grid has a value',
        derating: 0,
    });
    const solved = sampleResult({
        parts: parts.map((part) => ({
            id: part.id,
            name: part.name,
            cells: 1,
            power: part.power,
            temperature: { min: 300, mean: 340, max: 350 },
            nodes: null,
            faces: {},
            routes: {},
            interfaces: {},
        })),
        limits: [limit('cpu', 12), limit('ram', -4)],
        balance: { in: 6, out: 5.99, error: 0.0017 },
        verdict: { limits: 2, missed: 1, undecided: 0, worst: 'ram', worstMargin: -4 },
    });

    it('puts the least margin first where it judges, and says how many are over', () => {
        ledger('Judge', { result: solved });
        expect(names()[0]).toBe('Memory');
        expect(screen.getAllByTitle('± unknown: only one grid has a value')[0]).toHaveTextContent('±?');
        expect(screen.getByText(/of 2 over limit/)).toHaveTextContent('1 of 2 over limit');
        expect(screen.getByText('5.99 W', { selector: 'b' })).toBeInTheDocument();
    });

    it('shows the watts of the model, whatever a result was solved with, and those that are tried as such', () => {
        const solved = sampleResult({ parts: [{ id: 'cpu', power: 9, temperature: null, nodes: null, routes: {} }] as never });
        ledger('Judge', { result: solved, stale: true });
        expect(cellOf('Processor', 'W')).toHaveTextContent('5.00');
        cleanup();
        ledger('Judge', { result: solved, tried: { cpu: 7 } });
        expect(cellOf('Processor', 'W')).toHaveTextContent('7.00');
        expect(screen.getByTitle('Tried; the model has 5.00 W')).toBeInTheDocument();
    });

    it('shows no sum of a result of an older model', () => {
        ledger('Judge', { result: solved, stale: true });
        expect(screen.queryByText(/over limit/)).toBeNull();
        expect(screen.queryByText('5.99 W')).toBeNull();
        expect(screen.getByText('6.00 W', { selector: 'b' })).toBeInTheDocument();
    });
});
