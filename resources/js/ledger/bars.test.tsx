// @vitest-environment jsdom
import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it, vi } from 'vitest';
import type { Outline } from '../api/types';
import { MarginBar } from './MarginBar';
import { WattsBar } from './WattsBar';

const outline = (powers: Record<string, number>) =>
    ({
        watts: Object.values(powers).reduce((a, b) => a + b, 0),
        parts: Object.entries(powers).map(([name, power]) => ({ id: name.toLowerCase(), name, power, repeats: 1 })),
    }) as unknown as Outline;

const bar = (margin: number) => {
    const { container } = render(<MarginBar margin={margin} />);
    const style = getComputedStyle(container.firstElementChild!.firstElementChild!);
    return [style.left, style.width];
};

describe('the bar of a margin', () => {
    it.each([
        [7.5, ['50%', '25%']],
        [-7.5, ['25%', '25%']],
        [0, ['50%', '0%']],
    ])('of %s K lies on its side of the mark', (margin, expected) => {
        expect(bar(margin)).toEqual(expected);
    });

    it('ends at the end of its scale', () => {
        expect(bar(400)).toEqual(['50%', '50%']);
        expect(bar(-400)).toEqual(['0%', '50%']);
    });
});

describe('the bar of the watts', () => {
    it('is a group with the sum, and names each part with its watts and share', () => {
        render(<WattsBar outline={outline({ Processor: 6, Radio: 2 })} select={() => {}} />);
        expect(screen.getByRole('group', { name: /Budget: 8/ })).toBeVisible();
        expect(screen.getByRole('button', { name: /Processor: 6/ })).toHaveAttribute('title', expect.stringMatching(/75 %$/));
        expect(screen.getByRole('button', { name: /Radio: 2/ })).toHaveAttribute('title', expect.stringMatching(/25 %$/));
    });

    it('selects the part that is clicked', async () => {
        const select = vi.fn();
        render(<WattsBar outline={outline({ Processor: 6, Radio: 2 })} select={select} />);
        await userEvent.setup().click(screen.getByRole('button', { name: /Radio/ }));
        expect(select).toHaveBeenCalledWith(['radio']);
    });

    it('is not there while nothing has watts', () => {
        const { container } = render(<WattsBar outline={outline({ Board: 0 })} select={() => {}} />);
        expect(container).toBeEmptyDOMElement();
    });
});
