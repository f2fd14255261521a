// @vitest-environment jsdom
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { SignIn } from './SignIn';

const page = (demo: boolean, unreachable = false) =>
    render(
        <QueryClientProvider client={new QueryClient()}>
            <SignIn demo={demo} unreachable={unreachable} />
        </QueryClientProvider>,
    );

describe('the way in', () => {
    afterEach(() => vi.unstubAllGlobals());

    it('offers the demo only where it is open', () => {
        page(false);
        expect(screen.queryByRole('button', { name: /demo engineer/ })).toBeNull();
        expect(screen.getByRole('button', { name: 'Sign in' })).toBeEnabled();
    });

    it('says when the server cannot be reached', () => {
        page(true, true);
        expect(screen.getByRole('alert')).toHaveTextContent('The server cannot be reached. Is Foehn running?');
    });

    it('says what the server refuses, and keeps what was typed', async () => {
        vi.stubGlobal(
            'fetch',
            vi.fn(() =>
                Promise.resolve(
                    new Response(JSON.stringify({ message: 'E-mail address or password is wrong.' }), {
                        status: 422,
                        headers: { 'Content-Type': 'application/json' },
                    }),
                ),
            ),
        );
        page(true);
        const user = userEvent.setup();
        await user.type(screen.getByLabelText(/E-mail address/), 'ada@foehn.example');
        await user.type(screen.getByLabelText(/Password/), 'wrong');
        await user.click(screen.getByRole('button', { name: 'Sign in' }));
        await waitFor(() => expect(screen.getByRole('alert')).toHaveTextContent('E-mail address or password is wrong.'));
        expect(screen.getByLabelText(/E-mail address/)).toHaveValue('ada@foehn.example');
    });
});
