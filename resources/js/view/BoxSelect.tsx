import Box from '@mui/material/Box';
import { useState } from 'react';
import type { PageBox } from './Picking';

interface Corner {
    x: number;
    y: number;
}

/** Lies over the picture while a rectangle is drawn around parts; Escape ends it. */
export function BoxSelect({ onSelect }: { onSelect: (box: PageBox, adding: boolean) => void }) {
    const [from, setFrom] = useState<Corner | null>(null);
    const [to, setTo] = useState<Corner | null>(null);
    const box = from && to && { left: Math.min(from.x, to.x), top: Math.min(from.y, to.y), right: Math.max(from.x, to.x), bottom: Math.max(from.y, to.y) };
    return (
        <Box
            data-testid="box-select"
            sx={{ position: 'absolute', inset: 0, cursor: 'crosshair', zIndex: 2 }}
            onPointerDown={(event) => {
                event.currentTarget.setPointerCapture(event.pointerId);
                setFrom({ x: event.clientX, y: event.clientY });
                setTo(null);
            }}
            onPointerMove={(event) => from && setTo({ x: event.clientX, y: event.clientY })}
            onPointerUp={(event) => {
                if (box) onSelect(box, event.ctrlKey || event.shiftKey);
                setFrom(null);
                setTo(null);
            }}
        >
            {box && (
                <Box
                    sx={{
                        position: 'fixed',
                        left: box.left,
                        top: box.top,
                        width: box.right - box.left,
                        height: box.bottom - box.top,
                        border: '1.5px dashed',
                        borderColor: 'primary.main',
                        backgroundColor: 'rgba(217, 138, 28, 0.12)',
                    }}
                />
            )}
        </Box>
    );
}
