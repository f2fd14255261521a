import Button from '@mui/material/Button';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useState } from 'react';
import { drawnKinds, fewestPoints, type DrawnKind } from '../model/drawn';
import type { Drawing } from './useDrawing';

/** Begins a piece of copper, and ends it. */
export function DrawButtons({ drawing, disabled }: { drawing: Drawing; disabled: boolean }) {
    const [anchor, setAnchor] = useState<HTMLElement | null>(null);
    const { kind, points, isWhole } = drawing;
    if (kind !== null)
        return (
            <Button size="small" variant="contained" disabled={!isWhole} onClick={drawing.end}>
                {isWhole ? `End the ${drawnKinds[kind].toLowerCase()}` : `Click point ${points.length + 1} of at least ${fewestPoints[kind]}`}
            </Button>
        );
    return (
        <>
            <Button size="small" variant="outlined" disabled={disabled} aria-haspopup="menu" onClick={(event) => setAnchor(event.currentTarget)}>
                Draw copper
            </Button>
            <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)}>
                {(Object.keys(drawnKinds) as DrawnKind[]).map((one) => (
                    <MenuItem
                        key={one}
                        dense
                        onClick={() => {
                            setAnchor(null);
                            drawing.begin(one);
                        }}
                    >
                        {drawnKinds[one]}
                    </MenuItem>
                ))}
            </Menu>
        </>
    );
}
