// @vitest-environment jsdom
import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { Boundary } from './Boundary';

let fails: string | null = null;

function Part() {
    if (fails !== null) throw new Error(fails);
    return <p>The view</p>;
}

describe('a part of the page that fails', () => {
    beforeEach(() => void vi.spyOn(console, 'error').mockImplementation(() => {}));
    afterEach(() => vi.restoreAllMocks());

    it('leaves the rest standing, says what has failed and that the model is saved', async () => {
        fails = 'no context';
        render(
            <>
                <p>The ledger</p>
                <Boundary what="The view">
                    <Part />
                </Boundary>
            </>,
        );
        expect(screen.getByText('The ledger')).toBeVisible();
        expect(screen.getByRole('alert')).toHaveTextContent('The view has failed: no context');
        expect(screen.getByRole('alert')).toHaveTextContent('Your model is saved.');

        fails = null;
        await userEvent.setup().click(screen.getByRole('button', { name: 'Try again' }));
        expect(screen.getByText('The view')).toBeVisible();
    });

    it('tells a part that could not be loaded from one that has failed', () => {
        fails = 'Failed to fetch dynamically imported module: view.js';
        render(
            <Boundary what="The view">
                <Part />
            </Boundary>,
        );
        expect(screen.getByRole('alert')).toHaveTextContent('The view could not be loaded. The server may have been updated or cannot be reached.');
    });

    it('tries again by itself when what it shows has changed', () => {
        fails = 'broken';
        const page = (variant: number) => (
            <Boundary what="The view" resetKeys={[variant]}>
                <Part />
            </Boundary>
        );
        const { rerender } = render(page(1));
        expect(screen.getByRole('alert')).toBeVisible();
        fails = null;
        rerender(page(2));
        expect(screen.getByText('The view')).toBeVisible();
    });
});
