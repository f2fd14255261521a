import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useEffect, useState } from 'react';
import { api } from '../api/client';
import type { Cavity, Outline } from '../api/types';
import { fittedBox, sideNames, typedMargin, withSpace, type Margins } from '../model/space';
import type { ModelEditor } from '../model/useModelEditor';
import { usePreferences, useScreen } from '../state/screen';
import { lengthUnit, number, size as lengths, systemOf } from '../units/units';

/** A margin per side, in the order x-, x+, y-, y+, z-, z+: metres, or shares of the product's height. */
const even = (margin: number | { share: number }): Margins => [margin, margin, margin, margin, margin, margin];

/** Draws the space around the parts: as they are, with room for warm air, or with a margin of one's own. */
export function FitSpace({ variant, outline, editor, disabled }: { variant: number; outline: Outline; editor: ModelEditor; disabled: boolean }) {
    const units = usePreferences((s) => s.units);
    const set = useScreen((s) => s.set);
    const [found, setFound] = useState<{ text: string; closed: boolean; of: Outline } | null>(null);
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
                setFound({
                    of: outline,
                    closed: true,
                    text: `${number(cavity.volume * 1e3, 2)} l of air inside, ${lengths(
                        cavity.inside.max.map((end, n) => end - cavity.inside!.min[n]!),
                        units,
                    )}`,
                });
                fit('around the air inside the parts', even(0));
                return;
            }
            if (!cavity.leak || cavity.gap === null) {
                setFound({ of: outline, closed: false, text: 'The parts stand in open air: nothing closes it off.' });
                return;
            }
            const wide = `${lengths([cavity.gap], units)} wide`;
            const place = cavity.leak.map((at, n) => `${'xyz'[n]} ${lengths([at], units)}`).join(', ');
            setFound({ of: outline, closed: false, text: `The air is not closed off. It gets out at ${place}, where it is ${wide}; marked in the view.` });
            set({ pointed: { at: cavity.leak as [number, number, number], text: `leak, ${wide}` } });
        } catch (e) {
            setFound({ of: outline, closed: false, text: (e as Error).message });
        }
    };
    // What was found is of the model as it was.
    useEffect(() => {
        set({ pointed: null });
    }, [outline, set]);
    const shown = found && (found.closed || found.of === outline) ? found : null;
    const shells = outline.parts.filter((part) => part.kind === 'shell');
    return (
        <>
            <Button
                size="small"
                color="inherit"
                aria-haspopup="menu"
                disabled={disabled || outline.parts.length === 0}
                onClick={(e) => setAnchor(e.currentTarget)}
                sx={{ mb: 1.25 }}
            >
                Fit around the parts
            </Button>
            <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)}>
                <MenuItem dense onClick={() => fit('tightly around the parts', even(0))}>
                    Tightly
                </MenuItem>
                <MenuItem dense onClick={() => fit('with room for warm air to rise', 'rising')}>
                    With room for warm air to rise
                </MenuItem>
                {shells.map((shell) => (
                    <MenuItem key={shell.id} dense onClick={() => fit(`to ${shell.name}, so that the air is what is inside it`, even(0), [shell])}>
                        To the outside of {shell.name}
                    </MenuItem>
                ))}
                <MenuItem dense onClick={() => void findInside()}>
                    To the air inside the parts, if they close it off
                </MenuItem>
                <MenuItem
                    dense
                    onClick={() => {
                        setAnchor(null);
                        setAsking(true);
                    }}
                >
                    With a margin
                </MenuItem>
            </Menu>
            {shown && (
                <Alert
                    severity={shown.closed ? 'success' : 'warning'}
                    onClose={() => {
                        setFound(null);
                        set({ pointed: null });
                    }}
                    sx={{ mb: 1.25, py: 0, fontSize: 12.5 }}
                >
                    {shown.text}
                </Alert>
            )}
            {asking && <MarginFields disabled={disabled} fit={(margins) => fit('around the parts with the margins given', margins)} />}
        </>
    );
}

/** A margin for each side; what is typed on the first holds for all that were not typed in. */
function MarginFields({ disabled, fit }: { disabled: boolean; fit: (margins: Margins) => void }) {
    const [texts, setTexts] = useState<(string | null)[]>([...sideNames].map(() => null));
    const shown = texts.map((text) => text ?? texts[0] ?? '');
    const units = usePreferences((s) => s.units);
    const unit = lengthUnit(units);
    const margins = shown.map((text) => typedMargin(text, unit));
    const ready = margins.every((margin) => margin !== null);
    return (
        <Box
            component="form"
            aria-label="Margins"
            sx={{ mb: 1.25 }}
            onSubmit={(e) => {
                e.preventDefault();
                if (ready) fit(margins);
            }}
        >
            <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', columnGap: 1, rowGap: 1.25, mb: 0.5 }}>
                {sideNames.map((side, n) => (
                    <TextField
                        key={side}
                        size="small"
                        label={`Margin ${side}`}
                        placeholder={{ us: '1 in, 50 %', si: '0.02 m, 50 %', mm: '20 mm, 50 %' }[systemOf(units, 'length')]}
                        slotProps={{ inputLabel: { shrink: true } }}
                        value={shown[n]}
                        error={shown[n] !== '' && margins[n] === null}
                        disabled={disabled}
                        onChange={(e) => setTexts(texts.map((text, i) => (i === n ? e.target.value : text)))}
                    />
                ))}
            </Box>
            <Typography variant="body2" color="text.secondary" sx={{ mb: 0.5 }}>
                In {unit}, or in % of the size along that axis.
            </Typography>
            <Button type="submit" size="small" variant="outlined" disabled={disabled || !ready}>
                Fit with these margins
            </Button>
        </Box>
    );
}
