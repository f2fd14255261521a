import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useEffect, useState } from 'react';
import { api } from '../api/client';
import type { Cavity, Outline } from '../api/types';
import { fittedBox, withSpace, type Margins } from '../model/space';
import type { ModelEditor } from '../model/useModelEditor';
import { usePreferences, useScreen } from '../project/screenState';
import { number, size as lengths } from '../units/units';
import { EditField } from './EditField';

/** A margin per side, in the order x-, x+, y-, y+, z-, z+: metres, or shares of the product's height. */
const even = (margin: number | { share: number }): Margins => [margin, margin, margin, margin, margin, margin];

/** Draws the space around the parts: as they are, with room for warm air, or with a margin of one's own. */
export function FitSpace({ variant, outline, editor, disabled }: { variant: number; outline: Outline; editor: ModelEditor; disabled: boolean }) {
    const units = usePreferences((s) => s.units);
    const set = useScreen((s) => s.set);
    const [found, setFound] = useState<{ text: string; closed: boolean } | null>(null);
    const [anchor, setAnchor] = useState<HTMLElement | null>(null);
    const [asking, setAsking] = useState(false);
    const fit = (label: string, margins: Margins, parts = outline.parts) => {
        setAnchor(null);
        setAsking(false);
        void editor.edit(`Space fits ${label}`, (d) => withSpace(d, { box: fittedBox(parts, margins, outline.gravity) })).catch(() => undefined);
    };
    /** The space goes around the parts, so that their walls belong to it; a leak is shown where it is. */
    const findInside = async () => {
        setAnchor(null);
        set({ pointed: null });
        try {
            const cavity = await api.get<Cavity>(`/api/variants/${variant}/cavity`);
            if (cavity.inside) {
                setFound({ closed: true, text: `${number(cavity.volume * 1e3, 2)} l of air inside, ${lengths(cavity.inside.max.map((end, n) => end - cavity.inside!.min[n]!), units)}` });
                fit('around the air inside the parts', even(0));
                return;
            }
            if (!cavity.leak || cavity.gap === null) {
                setFound({ closed: false, text: 'The parts stand in open air: nothing closes it off.' });
                return;
            }
            const wide = `${lengths([cavity.gap], units)} wide`;
            const place = cavity.leak.map((at, n) => `${'xyz'[n]} ${lengths([at], units)}`).join(', ');
            setFound({ closed: false, text: `The air is not closed off. It gets out at ${place}, where it is ${wide}; marked in the view.` });
            set({ pointed: { at: cavity.leak as [number, number, number], text: `leak, ${wide}` } });
        } catch (e) {
            setFound({ closed: false, text: (e as Error).message });
        }
    };
    // What was found is of the model as it was.
    useEffect(() => {
        set({ pointed: null });
        setFound((old) => (old?.closed ? old : null));
    }, [outline, set]);
    const shells = outline.parts.filter((part) => part.kind === 'shell');
    return (
        <>
            <Button size="small" color="inherit" aria-haspopup="menu" disabled={disabled || outline.parts.length === 0} onClick={(e) => setAnchor(e.currentTarget)} sx={{ mb: 1.25 }}>Fit around the parts</Button>
            <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)}>
                <MenuItem dense onClick={() => fit('tightly around the parts', even(0))}>Tightly</MenuItem>
                <MenuItem dense onClick={() => fit('with room for warm air to rise', 'rising')}>With room for warm air to rise</MenuItem>
                {shells.map((shell) => <MenuItem key={shell.id} dense onClick={() => fit(`to ${shell.name}, so that the air is what is inside it`, even(0), [shell])}>To the outside of {shell.name}</MenuItem>)}
                <MenuItem dense onClick={() => void findInside()}>To the air inside the parts, if they close it off</MenuItem>
                <MenuItem dense onClick={() => { setAnchor(null); setAsking(true); }}>With a margin in mm or %</MenuItem>
            </Menu>
            {found && <Alert severity={found.closed ? 'success' : 'warning'} onClose={() => { setFound(null); set({ pointed: null }); }} sx={{ mb: 1.25, py: 0, fontSize: 12.5 }}>{found.text}</Alert>}
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
