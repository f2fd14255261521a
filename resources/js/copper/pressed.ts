import type { KeyboardEvent } from 'react';

/** A row that is pressed by the pointer or, with the focus on it, by Enter or the space bar. */
export const pressed = (press: () => void) => ({
    tabIndex: 0,
    onClick: press,
    onKeyDown: (event: KeyboardEvent) => {
        if (event.target === event.currentTarget && (event.key === 'Enter' || event.key === ' ')) {
            event.preventDefault();
            press();
        }
    },
});
