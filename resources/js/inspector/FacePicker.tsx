import Add from '@mui/icons-material/Add';
import Button from '@mui/material/Button';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useState } from 'react';
import { faceTitle } from '../model/heat';
import { useScreen } from '../state/screen';

interface Props {
    part: string;
    /** What is put on a face, such as "Condition". */
    what: string;
    preposition: 'on' | 'at';
    /** Faces it may be put on. */
    free: readonly string[];
    disabled: boolean;
    add: (face: string) => void;
}

/** Puts something on a face of a part: the one picked in the view, or one of the menu. */
export function FacePicker({ part, what, preposition, free, disabled, add }: Props) {
    const [anchor, setAnchor] = useState<HTMLElement | null>(null);
    const clicked = useScreen((s) => s.face);
    const picked = clicked?.part === part && free.includes(clicked.name) ? clicked.name : null;
    return (
        <>
            {picked && (
                <Button size="small" variant="outlined" disabled={disabled} onClick={() => add(picked)} sx={{ mb: 0.75 }}>
                    {what} {preposition} the picked {faceTitle(picked).toLowerCase()}
                </Button>
            )}
            <Button
                size="small"
                color="inherit"
                startIcon={<Add fontSize="small" />}
                disabled={disabled || free.length === 0}
                aria-haspopup="menu"
                onClick={(e) => setAnchor(e.currentTarget)}
            >
                {what} {preposition} a face
            </Button>
            <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)}>
                {free.map((face) => (
                    <MenuItem
                        key={face}
                        dense
                        onClick={() => {
                            setAnchor(null);
                            add(face);
                        }}
                    >
                        {faceTitle(face)}
                    </MenuItem>
                ))}
            </Menu>
        </>
    );
}
