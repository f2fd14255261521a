import Box from '@mui/material/Box';
import { useRef, type RefObject } from 'react';

export interface ReadoutHandle {
    show: (text: string, place: { clientX: number; clientY: number }) => void;
    hide: () => void;
}

/** What lies under the pointer, beside it. It is moved by hand, so that reading costs no rendering. */
export function Readout({ handle }: { handle: RefObject<ReadoutHandle | null> }) {
    const box = useRef<HTMLDivElement>(null);
    return (
        <Box
            ref={(element: HTMLDivElement | null) => {
                box.current = element;
                handle.current = {
                    show: (text, { clientX, clientY }) => {
                        const sheet = box.current?.parentElement?.getBoundingClientRect();
                        if (!box.current || !sheet) return;
                        box.current.textContent = text;
                        box.current.style.display = 'block';
                        const right = clientX - sheet.left + 14 + box.current.offsetWidth > sheet.width;
                        box.current.style.transform = `translate(${clientX - sheet.left + (right ? -14 - box.current.offsetWidth : 14)}px, ${clientY - sheet.top + 14}px)`;
                    },
                    hide: () => {
                        if (box.current) box.current.style.display = 'none';
                    },
                };
            }}
            data-testid="readout"
            sx={{
                display: 'none',
                position: 'absolute',
                left: 0,
                top: 0,
                px: 0.75,
                py: 0.25,
                fontSize: 12,
                whiteSpace: 'nowrap',
                pointerEvents: 'none',
                borderRadius: 0.75,
                bgcolor: 'text.primary',
                color: 'background.paper',
                zIndex: 3,
            }}
        />
    );
}
