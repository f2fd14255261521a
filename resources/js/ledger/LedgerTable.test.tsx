// @vitest-environment jsdom
import { render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { describe, expect, it, vi } from 'vitest';
import { LedgerTable, type Column, type Picking, type Sort } from './LedgerTable';
import type { LedgerRow } from './rows';

const row = (id: string, powerText: string, heading: string | null = null): LedgerRow =>
    ({ id, heading, members: 2, name: id, powerText, part: null }) as unknown as LedgerRow;

const rows = [row('heading:Board', '', 'Board'), row('processor', '5 W'), row('memory', '1 W'), row('radio', '3 W')];

const columns: Column[] = [
    { field: 'name', title: 'Part', text: (r) => r.name, render: (r) => r.heading ?? r.name },
    { field: 'powerText', title: 'W', text: (r) => r.powerText, render: (r) => r.powerText },
    { field: 'kind', title: 'Kind', sortable: false, render: () => 'block' },
];

interface Acts {
    pick?: (id: string, how: Picking) => void;
    commit?: (id: string, field: string, text: string) => Promise<unknown>;
    sort?: (sort: Sort | null) => void;
    toggle?: (heading: string) => void;
}

function Table({ pick = () => {}, commit = () => Promise.resolve(), sort = () => {}, toggle = () => {} }: Acts) {
    const [by, setBy] = useState<Sort | null>(null);
    const [closed, setClosed] = useState<ReadonlySet<string>>(new Set());
    return (
        <LedgerTable
            rows={rows}
            columns={columns}
            selection={new Set(['memory'])}
            sort={by}
            onSort={(next) => {
                sort(next);
                setBy(next);
            }}
            closed={closed}
            onToggle={(heading) => {
                toggle(heading);
                setClosed((was) => new Set(was.has(heading) ? [] : [heading]));
            }}
            onPick={(r, how) => pick(r.id, how)}
            onEdit={() => {}}
            isEditable={(r, column) => r.heading === null && column.text !== undefined}
            onCommit={(r, field, text) => commit(r.id, field, text)}
            empty="No part yet"
        />
    );
}

const cell = (name: string, column: number) => within(screen.getByText(name).closest<HTMLElement>('[role="row"]')!).getAllByRole('gridcell')[column]!;

describe('the table of the ledger', () => {
    it('is a grid that says how many rows it has and which are selected', () => {
        render(<Table />);
        expect(screen.getByRole('grid', { name: 'Ledger of parts' })).toHaveAttribute('aria-rowcount', '5');
        expect(screen.getByText('memory').closest('[role="row"]')).toHaveAttribute('aria-selected', 'true');
        expect(screen.getByText('radio').closest('[role="row"]')).toHaveAttribute('aria-selected', 'false');
    });

    it('picks one row, a range or one more', async () => {
        const pick = vi.fn();
        render(<Table pick={pick} />);
        const user = userEvent.setup();
        await user.click(screen.getByText('processor'));
        await user.keyboard('{Shift>}');
        await user.click(screen.getByText('radio'));
        await user.keyboard('{/Shift}{Control>}');
        await user.click(screen.getByText('memory'));
        await user.keyboard('{/Control}');
        expect(pick.mock.calls).toEqual([
            ['processor', { range: false, adding: false }],
            ['radio', { range: true, adding: false }],
            ['memory', { range: false, adding: true }],
        ]);
    });

    it('is walked through with the keys', async () => {
        render(<Table />);
        const user = userEvent.setup();
        cell('processor', 0).focus();
        await user.keyboard('{ArrowDown}{ArrowRight}');
        expect(cell('memory', 1)).toHaveFocus();
        await user.keyboard('{End}');
        expect(cell('radio', 1)).toHaveFocus();
        await user.keyboard('{ArrowDown}{ArrowLeft}{ArrowLeft}{ArrowUp}');
        expect(cell('memory', 0)).toHaveFocus();
    });

    it('edits a cell with Enter and saves with Enter, back in the cell', async () => {
        const commit = vi.fn(() => Promise.resolve());
        render(<Table commit={commit} />);
        const user = userEvent.setup();
        cell('processor', 1).focus();
        await user.keyboard('{Enter}');
        const editor = screen.getByRole('textbox', { name: 'W of processor' });
        expect(editor).toHaveFocus();
        await user.clear(editor);
        await user.type(editor, '6 W{Enter}');
        expect(commit.mock.calls).toEqual([['processor', 'powerText', '6 W']]);
        expect(cell('processor', 1)).toHaveFocus();
    });

    it('saves a cell that is left, and nothing where Esc takes it back or nothing changed', async () => {
        const commit = vi.fn(() => Promise.resolve());
        render(<Table commit={commit} />);
        const user = userEvent.setup();
        await user.dblClick(cell('memory', 1));
        await user.keyboard('2 W{Escape}');
        await user.dblClick(cell('memory', 1));
        await user.keyboard('{Enter}');
        expect(commit).not.toHaveBeenCalled();
        await user.dblClick(cell('memory', 1));
        await user.keyboard('4 W');
        await user.click(screen.getByText('radio'));
        expect(commit.mock.calls).toEqual([['memory', 'powerText', '4 W']]);
    });

    it('brings what was refused back into its cell', async () => {
        render(<Table commit={() => Promise.reject(new Error('a power is expected'))} />);
        const user = userEvent.setup();
        await user.dblClick(cell('radio', 1));
        await user.keyboard('many{Enter}');
        const editor = await screen.findByRole('textbox', { name: 'W of radio' });
        expect(editor).toHaveValue('many');
        expect(editor).toBeInvalid();
        expect(await screen.findByText('Not saved; Esc takes it back')).toBeVisible();
    });

    it('sorts up, down and not at all, where a column can be sorted', async () => {
        const sort = vi.fn();
        render(<Table sort={sort} />);
        const user = userEvent.setup();
        const button = screen.getByRole('button', { name: 'W' });
        await user.click(button);
        expect(screen.getByRole('columnheader', { name: 'W' })).toHaveAttribute('aria-sort', 'ascending');
        await user.click(button);
        await user.click(button);
        expect(sort.mock.calls).toEqual([[{ field: 'powerText', descending: false }], [{ field: 'powerText', descending: true }], [null]]);
        expect(screen.queryByRole('button', { name: 'Kind' })).toBeNull();
    });

    it('closes and opens the rows under a heading, by pointer and by key', async () => {
        const toggle = vi.fn();
        render(<Table toggle={toggle} />);
        const user = userEvent.setup();
        const button = screen.getByRole('button', { name: 'Parts of heading:Board' });
        expect(button).toHaveAttribute('aria-expanded', 'true');
        await user.click(button);
        expect(button).toHaveAttribute('aria-expanded', 'false');
        cell('Board', 0).focus();
        await user.keyboard('{ArrowLeft}');
        expect(toggle).toHaveBeenCalledTimes(1);
        await user.keyboard('{ArrowRight}');
        expect(toggle).toHaveBeenCalledTimes(2);
        await user.keyboard('{Enter}');
        expect(toggle).toHaveBeenCalledTimes(3);
    });

    it('says what to do where it is empty', () => {
        render(
            <LedgerTable
                rows={[]}
                columns={columns}
                selection={new Set()}
                sort={null}
                onSort={() => {}}
                closed={new Set()}
                onToggle={() => {}}
                onPick={() => {}}
                onEdit={() => {}}
                isEditable={() => false}
                onCommit={() => Promise.resolve()}
                empty="No part yet"
            />,
        );
        expect(screen.getByText('No part yet')).toBeVisible();
    });
});
