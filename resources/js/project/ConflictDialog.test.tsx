// @vitest-environment jsdom
import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it, vi } from 'vitest';
import type { ModelEditor } from '../model/useModelEditor';
import { ConflictDialog } from './ConflictDialog';

const editor = (by: string | null) => {
    const takeTheirs = vi.fn(() => Promise.resolve());
    const keepMine = vi.fn(() => Promise.resolve());
    return {
        takeTheirs,
        keepMine,
        of: { conflict: { current: { by, number: 7, step: 'Fan moved' }, label: 'Power of U1' }, takeTheirs, keepMine } as unknown as ModelEditor,
    };
};

describe('an edit that met another one', () => {
    it('is not there without one', () => {
        render(<ConflictDialog editor={{ conflict: null } as unknown as ModelEditor} />);
        expect(screen.queryByRole('dialog')).toBeNull();
    });

    it('says whose edit, and what becomes of both', () => {
        render(<ConflictDialog editor={editor('Ada').of} />);
        const dialog = screen.getByRole('dialog', { name: 'This variant was saved somewhere else' });
        expect(dialog).toHaveTextContent('Ada saved revision 7 (“Fan moved”) while you worked on “Power of U1”.');
        expect(dialog).toHaveTextContent('theirs stays in the history as revision 7');
    });

    it('takes theirs or keeps mine, whichever is chosen', async () => {
        const { of, takeTheirs, keepMine } = editor(null);
        render(<ConflictDialog editor={of} />);
        const user = userEvent.setup();
        await user.click(screen.getByRole('button', { name: 'Take theirs' }));
        expect([takeTheirs.mock.calls.length, keepMine.mock.calls.length]).toEqual([1, 0]);
        await user.click(screen.getByRole('button', { name: 'Keep mine' }));
        expect(keepMine).toHaveBeenCalledOnce();
    });
});
