// @vitest-environment jsdom
import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { describe, expect, it, vi } from 'vitest';
import { EditField } from './EditField';

/** A field whose value is kept as the model keeps it. */
function Stored({ save }: { save: (text: string) => void }) {
    const [value, setValue] = useState('5 W');
    const keep = (text: string) => {
        save(text);
        setValue(text);
        return Promise.resolve();
    };
    return <EditField label="Power" value={value} disabled={false} save={keep} />;
}

const field = () => screen.getByRole<HTMLInputElement>('textbox', { name: 'Power' });

describe('a field of the inspector', () => {
    it('saves with Enter, and not again when it is left', async () => {
        const save = vi.fn();
        render(<Stored save={save} />);
        await userEvent.clear(field());
        await userEvent.type(field(), ' 7 W {Enter}');
        await userEvent.tab();
        expect(save.mock.calls).toEqual([['7 W']]);
        expect(field()).toHaveValue('7 W');
    });

    it('saves when it is left, but nothing where nothing has changed', async () => {
        const save = vi.fn(() => Promise.resolve());
        render(<EditField label="Power" value="5 W" disabled={false} save={save} />);
        await userEvent.click(field());
        await userEvent.tab();
        expect(save).not.toHaveBeenCalled();
        await userEvent.type(field(), '0');
        await userEvent.tab();
        expect(save).toHaveBeenCalledWith('5 W0');
    });

    it('keeps what was refused to be mended, says so, and gives it up with Esc', async () => {
        const save = vi.fn(() => Promise.reject(new Error('no')));
        const { rerender } = render(<EditField label="Power" value="5 W" disabled={false} save={save} />);
        await userEvent.type(field(), ' of heat{Enter}');
        expect(await screen.findByText('Not saved; Esc takes it back')).toBeVisible();
        expect(field()).toHaveValue('5 W of heat');
        expect(field()).toBeInvalid();
        // Someone else changes the value meanwhile: what was typed is not lost.
        rerender(<EditField label="Power" value="6 W" disabled={false} save={save} />);
        expect(field()).toHaveValue('5 W of heat');
        // The same text is not sent twice.
        await userEvent.tab();
        expect(save).toHaveBeenCalledTimes(1);
        await userEvent.type(field(), '{Escape}');
        expect(field()).toHaveValue('6 W');
        expect(screen.queryByText('Not saved; Esc takes it back')).toBeNull();
    });

    it('takes over a new value', () => {
        const { rerender } = render(<EditField label="Power" value="5 W" disabled={false} save={() => Promise.resolve()} />);
        rerender(<EditField label="Power" value="9 W" disabled={false} save={() => Promise.resolve()} />);
        expect(field()).toHaveValue('9 W');
    });

    it('does not bring back what was typed when the old value comes back, as after undo', async () => {
        const holding = (value: string) => <EditField label="Power" value={value} disabled={false} save={() => Promise.resolve()} />;
        const { rerender } = render(holding('5 W'));
        await userEvent.clear(field());
        await userEvent.type(field(), '7{Enter}');
        rerender(holding('7 W'));
        expect(field()).toHaveValue('7 W');
        rerender(holding('5 W'));
        expect(field()).toHaveValue('5 W');
    });

    it('shows the value again where saving did not change it, and saves once', async () => {
        const save = vi.fn(() => Promise.resolve());
        render(<EditField label="Power" value="" disabled={false} save={save} />);
        await userEvent.type(field(), '3 W{Enter}');
        expect(field()).toHaveValue('');
        await userEvent.tab();
        expect(save).toHaveBeenCalledTimes(1);
    });

    it('shows what holds while it is empty', () => {
        render(<EditField label="Power" value="" hint="ambient" disabled save={() => Promise.resolve()} />);
        expect(field()).toHaveAttribute('placeholder', 'ambient');
        expect(field()).toBeDisabled();
    });
});
