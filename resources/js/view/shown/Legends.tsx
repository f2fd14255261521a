import LockOpenOutlined from '@mui/icons-material/LockOpenOutlined';
import LockOutlined from '@mui/icons-material/LockOutlined';
import MoreVert from '@mui/icons-material/MoreVert';
import Box from '@mui/material/Box';
import IconButton from '@mui/material/IconButton';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import Paper from '@mui/material/Paper';
import Stack from '@mui/material/Stack';
import Tooltip from '@mui/material/Tooltip';
import { useState } from 'react';
import { useFieldsOfVariants } from '../../api/queries';
import { isOfTemperature } from '../../model/document';
import { usePreferences, useScreen } from '../../state/screen';
import { fieldKinds, fieldNumber, typedValue } from '../fields/catalogue';
import { extremesOf, taken } from '../fields/field';
import { gradientOf } from '../fields/palettes';
import { isLocked, valueAt } from '../fields/scale';
import type { Picture } from '../layers/picture';
import { NumberBox, NumberSetting } from './Setting';
import { shownLegends, type ShownLegend } from './legends';
import { rangeOf, type Layer } from './shown';
import { show, useShown } from './store';

/** More bands than this are told apart by nobody. */
const MOST_BANDS = 64;

/** One legend for every field that is shown, which says what shows it. */
export function Legends({ layers, picture, project }: { layers: readonly Layer[]; picture: Picture; project: number }) {
    return (
        <Stack direction="row" sx={{ gap: 1, flexWrap: 'wrap-reverse', mr: '110px', pointerEvents: 'none !important', '& > *': { pointerEvents: 'auto' } }}>
            {shownLegends(layers, picture).map((legend) => (
                <Legend key={legend.field} {...legend} picture={picture} project={project} />
            ))}
        </Stack>
    );
}

interface Props extends ShownLegend {
    picture: Picture;
    project: number;
}

/** The colours of a field between two ends that are typed, locked or follow what is shown. */
function Legend({ field, of, scale, picture, project }: Props) {
    const units = usePreferences((s) => s.units);
    const selection = useScreen((s) => s.selection);
    const range = useShown((shown) => rangeOf(shown, field));
    const [anchor, setAnchor] = useState<HTMLElement | null>(null);
    const kind = fieldKinds[field];
    const span = scale.max - scale.min;
    const locked = isLocked(range);
    const set = (change: Parameters<typeof show.range>[1]) => {
        setAnchor(null);
        show.range(field, change);
    };
    const enter = (end: 'min' | 'max') => (text: string) => {
        const value = text.trim() === '' ? null : typedValue(field, text, units);
        const possible = text.trim() === '' || (value !== null && (end === 'min' ? value < scale.max : value > scale.min));
        if (possible) show.range(field, { [end]: value });
        return possible;
    };
    const all = useFieldsOfVariants(project);
    const overVariants = async () => {
        setAnchor(null);
        const inParts = kind.place === 'cells' && kind.in !== 'fluid';
        const read = await all.mutateAsync(inParts ? [kind.file, 'parts'] : [kind.file]);
        const found = read.flatMap(([bytes, owners]) => {
            const stored = taken(new Float32Array(bytes!), kind.take);
            return extremesOf(stored, owners ? new Uint16Array(owners) : null) ?? [];
        });
        show.range(field, { min: Math.min(scale.min, ...found), max: Math.max(scale.max, ...found) });
    };
    const chosen = picture.result.parts.filter((part) => selection.includes(part.id) && part.temperature);
    const bounds = picture.result.limits.filter((limit) => isOfTemperature(limit) && limit.atMost !== null).map((limit) => limit.atMost! - limit.derating);
    const temperatures = field === 'temperature' || field === 'surfaceTemperature';
    return (
        <Paper variant="outlined" data-over-view data-testid={`legend ${field}`} sx={{ px: 1.25, pt: 0.25, pb: 0.75, width: 234, fontSize: 12 }}>
            <Stack direction="row" sx={{ alignItems: 'center', height: 26 }}>
                <Box title={`${kind.title}: ${of}`} sx={{ flex: 1, minWidth: 0, overflow: 'hidden', textOverflow: 'ellipsis', whiteSpace: 'nowrap' }}>
                    <Box component="span" sx={{ fontWeight: 600 }}>
                        {kind.title}, {kind.unit(units)}
                    </Box>{' '}
                    <Box component="span" sx={{ color: 'text.secondary' }}>
                        {of.toLowerCase()}
                    </Box>
                </Box>
                <Tooltip title={locked ? 'The range stays; unlock it' : 'Keep this range, in other runs and views too'}>
                    <IconButton
                        size="small"
                        aria-label={locked ? `Unlock the range of ${kind.title}` : `Lock the range of ${kind.title}`}
                        aria-pressed={locked}
                        onClick={() => show.range(field, locked ? { min: null, max: null } : { min: scale.min, max: scale.max })}
                        sx={{ p: 0.3, color: locked ? 'primary.main' : 'inherit' }}
                    >
                        {locked ? <LockOutlined sx={{ fontSize: 15 }} /> : <LockOpenOutlined sx={{ fontSize: 15 }} />}
                    </IconButton>
                </Tooltip>
                <IconButton
                    size="small"
                    aria-label={`Range of ${kind.title}`}
                    aria-haspopup="menu"
                    onClick={(e) => setAnchor(e.currentTarget)}
                    sx={{ p: 0.3, mr: -0.75 }}
                >
                    <MoreVert sx={{ fontSize: 15 }} />
                </IconButton>
            </Stack>
            <Box sx={{ height: 11, background: gradientOf(kind.palette, scale.bands), borderRadius: 0.5 }} />
            <Stack direction="row" sx={{ justifyContent: 'space-between', alignItems: 'center', mt: 0.25 }}>
                <NumberBox
                    label={`Least of ${kind.title}`}
                    text={fieldNumber(field, scale.min, span, units)}
                    unit=""
                    width={52}
                    onEnter={enter('min')}
                    align="left"
                />
                <Box component="span" sx={{ color: 'text.secondary' }}>
                    {fieldNumber(field, valueAt(0.5, scale), span, units)}
                </Box>
                <NumberBox label={`Greatest of ${kind.title}`} text={fieldNumber(field, scale.max, span, units)} unit="" width={52} onEnter={enter('max')} />
            </Stack>
            <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)}>
                <MenuItem dense onClick={() => set({ min: null, max: null })}>
                    What is shown
                </MenuItem>
                {temperatures && (
                    <MenuItem
                        dense
                        disabled={chosen.length === 0}
                        onClick={() =>
                            set({
                                min: Math.min(...chosen.map((part) => part.temperature!.min)),
                                max: Math.max(...chosen.map((part) => part.temperature!.max)),
                            })
                        }
                    >
                        The selected parts
                    </MenuItem>
                )}
                {temperatures && (
                    <MenuItem dense disabled={bounds.length === 0} onClick={() => set({ max: Math.max(...bounds) })}>
                        Up to the highest limit
                    </MenuItem>
                )}
                {picture.result.fields.includes(kind.file) && field !== 'aboveTouchLimit' && (
                    <MenuItem dense onClick={() => void overVariants()}>
                        All variants
                    </MenuItem>
                )}
                {[0, 6, 12].map((bands) => (
                    <MenuItem key={bands} dense selected={range.bands === bands} onClick={() => set({ bands })}>
                        {bands === 0 ? 'Smooth' : `${bands} bands`}
                    </MenuItem>
                ))}
                <Box
                    component="li"
                    role="none"
                    // What is typed is no search in the menu.
                    onKeyDown={(event) => event.key !== 'Escape' && event.key !== 'Tab' && event.stopPropagation()}
                    sx={{ px: 2, fontSize: 13 }}
                >
                    <NumberSetting
                        label="Bands"
                        text={String(range.bands)}
                        unit=""
                        width={36}
                        onEnter={(text) => {
                            const bands = Number(text);
                            const possible = Number.isInteger(bands) && bands >= 0 && bands <= MOST_BANDS && bands !== 1;
                            if (possible) set({ bands });
                            return possible;
                        }}
                    />
                </Box>
                {kind.palette !== 'diverging' && (
                    <MenuItem
                        dense
                        selected={range.logarithmic}
                        disabled={scale.min <= 0 && !range.logarithmic}
                        onClick={() => set({ logarithmic: !range.logarithmic })}
                    >
                        {range.logarithmic ? 'Linear' : 'Logarithmic'}
                    </MenuItem>
                )}
            </Menu>
        </Paper>
    );
}
