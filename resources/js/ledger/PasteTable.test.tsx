// @vitest-environment jsdom
import { fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it, vi } from 'vitest';
import type { Outline } from '../api/types';
import type { ModelDocument } from '../model/document';
import type { ModelEditor } from '../model/useModelEditor';
import { PasteTable } from './PasteTable';

const part = (id: string, name: string) => ({ id, name, kind: 'block', power: 0, copyOf: null, repeats: 1, assembly: null });
const outline = { parts: [part('u1', 'U1'), part('memory-1', 'Memory 1'), part('memory-2', 'Memory 2')] } as unknown as Outline;
const document = {
    parts: [
        { id: 'u1', name: 'U1' },
        { id: 'memory-1', name: 'Memory 1' },
        { id: 'memory-2', name: 'Memory 2' },
    ],
} as unknown as ModelDocument;

function open(kind: 'watts' | 'limits') {
    const edit = vi.fn((_step: string, change: (d: ModelDocument) => ModelDocument) => Promise.resolve(change(document)));
    render(<PasteTable kind={kind} outline={outline} editor={{ edit } as unknown as ModelEditor} />);
    fireEvent.click(screen.getByRole('button', { name: 'Paste table' }));
    const paste = (text: string) => fireEvent.change(screen.getByRole('textbox'), { target: { value: text } });
    return { edit, paste };
}

describe('a table of watts', () => {
    it('says what each line means before anything is changed', () => {
        const { edit, paste } = open('watts');
        paste('U1\t2.5\nMemory*\t0.75\nU9\t1');
        const list = within(screen.getByRole('list', { name: 'What the table means' }));
        const [first, second, third] = list.getAllByRole('listitem');
        expect(first).toHaveTextContent(/^U1: 2\.5 W$/);
        expect(second).toHaveTextContent(/^Memory 1, Memory 2: 0\.75 W$/);
        expect(third).toHaveTextContent(/^U9: /);
        expect(screen.getByRole('button', { name: 'Apply to 3 parts' })).toBeEnabled();
        expect(edit).not.toHaveBeenCalled();
    });

    it('is one edit, and closes when that is saved', async () => {
        const { edit, paste } = open('watts');
        paste('U1;2.5');
        await userEvent.setup().click(screen.getByRole('button', { name: 'Apply to 1 part' }));
        expect(edit).toHaveBeenCalledOnce();
        const changed = (await edit.mock.results[0]!.value) as ModelDocument;
        expect(changed.parts!.map((p) => (p as { power?: unknown }).power)).toEqual(['2.5 W', undefined, undefined]);
        await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
    });

    it('cannot be applied while no line names a part', () => {
        const { paste } = open('watts');
        paste('U9\t1');
        expect(screen.getByRole('button', { name: 'Apply' })).toBeDisabled();
    });

    it('changes nothing when it is left', async () => {
        const { edit, paste } = open('limits');
        paste('U1\t85');
        await userEvent.setup().click(screen.getByRole('button', { name: 'Cancel' }));
        expect(edit).not.toHaveBeenCalled();
    });
});
