import Button from '@mui/material/Button';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useState } from 'react';
import type { Outline } from '../api/types';
import { fittedBox, withSpace, type Margins } from '../model/space';
import type { ModelEditor } from '../model/useModelEditor';
import { EditField } from './EditField';

/** A margin per side, in the order x-, x+, y-, y+, z-, z+: metres, or shares of the product's height. */
const even = (margin: number | { share: number }): Margins => [margin, margin, margin, margin, margin, margin];

/** Draws the space around the parts: as they are, with room for warm air, or with a margin of one's own. */
export function FitSpace({ outline, editor, disabled }: { outline: Outline; editor: ModelEditor; disabled: boolean }) {
    const [anchor, setAnchor] = useState<HTMLElement | null>(null);
    const [asking, setAsking] = useState(false);
    const fit = (label: string, margins: Margins, parts = outline.parts) => {
        setAnchor(null);
        setAsking(false);
        void editor.edit(`Space fits ${label}`, (d) => withSpace(d, { box: fittedBox(parts, margins, outline.gravity) })).catch(() => undefined);
    };
    const shells = outline.parts.filter((part) => part.kind === 'shell');
    return (
        <>
            <Button size="small" color="inherit" aria-haspopup="menu" disabled={disabled || outline.parts.length === 0} onClick={(e) => setAnchor(e.currentTarget)} sx={{ mb: 1.25 }}>Fit around the parts</Button>
            <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)}>
                <MenuItem dense onClick={() => fit('tightly around the parts', even(0))}>Tightly</MenuItem>
                <MenuItem dense onClick={() => fit('with room for warm air to rise', 'rising')}>With room for warm air to rise</MenuItem>
                {shells.map((shell) => <MenuItem key={shell.id} dense onClick={() => fit(`to ${shell.name}, so that the air is what is inside it`, even(0), [shell])}>To the outside of {shell.name}</MenuItem>)}
                <MenuItem dense onClick={() => { setAnchor(null); setAsking(true); }}>With a margin in mm or %</MenuItem>
            </Menu>
            {asking && (
                <EditField
                    label="Margin on every side"
                    value=""
                    hint="20 mm, or 50 % of the size"
                    disabled={disabled}
                    save={(text) => {
                        const [, number, unit] = /^(\d*[.,]?\d+)\s*(mm|%)?$/.exec(text) ?? [];
                        if (number === undefined) return Promise.reject(new Error(text));
                        const value = Number(number.replace(',', '.'));
                        fit(`around the parts with ${number} ${unit ?? 'mm'}`, even(unit === '%' ? { share: value / 100 } : value / 1e3));
                        return Promise.resolve();
                    }}
                />
            )}
        </>
    );
}
