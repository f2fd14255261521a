import Add from '@mui/icons-material/Add';
import Close from '@mui/icons-material/Close';
import ExpandLess from '@mui/icons-material/ExpandLess';
import ExpandMore from '@mui/icons-material/ExpandMore';
import VisibilityOffOutlined from '@mui/icons-material/VisibilityOffOutlined';
import VisibilityOutlined from '@mui/icons-material/VisibilityOutlined';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import ButtonBase from '@mui/material/ButtonBase';
import IconButton from '@mui/material/IconButton';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import Paper from '@mui/material/Paper';
import Stack from '@mui/material/Stack';
import { memo, useState } from 'react';
import type { Outline } from '../../api/types';
import { usePreferences, useScreen } from '../../state/screen';
import { size, type UnitSet } from '../../units/units';
import { fieldKinds, fieldValue } from '../fields/catalogue';
import type { Content } from '../layers/picture';
import { LayerSettings } from './LayerSettings';
import { newIsosurface, newSection, newStreamlines } from './newLayers';
import { axisOf } from './planes';
import { layersOf, layerTitles, mayAdd, type Layer, type LayerKind, type NewLayer, type Triple } from './shown';
import { show, shownNow, useShown } from './store';

interface Props {
    outline: Outline;
    picture: Content | null;
    /** Temperatures at the pinned probes, K. */
    values: readonly (number | null | undefined)[];
    /** Makes a watch of a place; null where the model may not be changed. */
    onWatch: ((at: Triple, name: string) => void) | null;
    /** Whether it begins as a single line. */
    foldedFirst?: boolean;
}

/** What a line of the list is about, after its name. */
function aboutOf(layer: Layer, units: UnitSet): string {
    switch (layer.kind) {
        case 'parts':
        case 'sides':
            return layer.field ? fieldKinds[layer.field].title : 'own colours';
        case 'section':
            return layer.field ? fieldKinds[layer.field].title : 'plane';
        case 'streamlines':
            return fieldKinds[layer.field].title;
        case 'isosurface':
            return fieldValue(layer.field, layer.value, 10, units);
        case 'labels':
            return layer.of === 'worst' ? `worst ${layer.count}` : layer.of;
        case 'extremes':
            return 'temperature';
        case 'missed':
            return 'where';
        case 'probes':
            return layer.pins.length === 0 ? 'none yet' : String(layer.pins.length);
    }
}

function titleOf(layer: Layer, units: UnitSet): string {
    if (layer.kind !== 'section') return layerTitles[layer.kind];
    const axis = axisOf(layer.normal);
    return axis === null ? 'Section' : `Section ${'xyz'[axis]} ${size([layer.position], units)}`;
}

/** What is shown over the picture: one line each, with its visibility, its field, and its settings underneath when it is opened. */
export const ShownList = memo(function ShownList({ outline, picture, values, onWatch, foldedFirst = false }: Props) {
    const layers = useShown((shown) => shown.layers);
    const units = usePreferences((s) => s.units);
    const open = useScreen((s) => s.openLayer);
    const set = useScreen((s) => s.set);
    const setOpen = (openLayer: number | null) => set({ openLayer });
    const [folded, setFolded] = useState(foldedFirst);
    return (
        <Paper
            variant="outlined"
            component="section"
            aria-label="Shown"
            data-over-view
            sx={{ width: 232, alignSelf: 'start', display: 'flex', flexDirection: 'column', minHeight: 0, maxHeight: 'calc(100% - 150px)', fontSize: 12.5 }}
        >
            <Stack direction="row" sx={{ alignItems: 'center', px: 1, height: 30, flexShrink: 0 }}>
                <Box component="h2" sx={{ m: 0, flex: 1, fontSize: 12.5, fontWeight: 650 }}>
                    Shown
                </Box>
                {!folded && <AddMenu outline={outline} picture={picture} onAdded={setOpen} />}
                <IconButton size="small" aria-label={folded ? 'Unfold the list' : 'Fold the list'} aria-expanded={!folded} onClick={() => setFolded(!folded)}>
                    {folded ? <ExpandMore sx={{ fontSize: 18 }} /> : <ExpandLess sx={{ fontSize: 18 }} />}
                </IconButton>
            </Stack>
            {!folded && (
                <Box sx={{ overflowY: 'auto', minHeight: 0, pb: 0.5 }}>
                    {layers.map((layer) => (
                        <Box key={layer.id} sx={{ bgcolor: open === layer.id ? 'action.hover' : undefined }}>
                            <Stack direction="row" sx={{ alignItems: 'center', pl: 0.5, pr: 0.25, opacity: layer.visible ? 1 : 0.62 }}>
                                <IconButton
                                    size="small"
                                    aria-label={`${layer.visible ? 'Hide' : 'Show'} ${titleOf(layer, units)}`}
                                    onClick={() => show.change(layer, { visible: !layer.visible })}
                                    sx={{ p: 0.4 }}
                                >
                                    {layer.visible ? <VisibilityOutlined sx={{ fontSize: 16 }} /> : <VisibilityOffOutlined sx={{ fontSize: 16 }} />}
                                </IconButton>
                                <ButtonBase
                                    aria-expanded={open === layer.id}
                                    onClick={() => setOpen(open === layer.id ? null : layer.id)}
                                    sx={{
                                        flex: 1,
                                        minWidth: 0,
                                        justifyContent: 'space-between',
                                        gap: 1,
                                        font: 'inherit',
                                        textAlign: 'left',
                                        py: 0.35,
                                        px: 0.5,
                                        borderRadius: 0.5,
                                    }}
                                >
                                    <Box component="span" sx={{ whiteSpace: 'nowrap' }}>
                                        {titleOf(layer, units)}
                                    </Box>
                                    <Box component="span" sx={{ color: 'text.secondary', overflow: 'hidden', textOverflow: 'ellipsis', whiteSpace: 'nowrap' }}>
                                        {aboutOf(layer, units)}
                                    </Box>
                                </ButtonBase>
                                {layer.kind !== 'parts' && (
                                    <IconButton
                                        size="small"
                                        aria-label={`Remove ${titleOf(layer, units)}`}
                                        onClick={() => show.remove(layer.id)}
                                        sx={{ p: 0.4 }}
                                    >
                                        <Close sx={{ fontSize: 14 }} />
                                    </IconButton>
                                )}
                            </Stack>
                            {open === layer.id && (
                                <Box sx={{ px: 1.25, pb: 1, pt: 0.5 }}>
                                    <LayerSettings layer={layer} outline={outline} picture={picture} values={values} onWatch={onWatch} />
                                </Box>
                            )}
                        </Box>
                    ))}
                </Box>
            )}
        </Paper>
    );
});

function AddMenu({ outline, picture, onAdded }: { outline: Outline; picture: Content | null; onAdded: (id: number) => void }) {
    const [anchor, setAnchor] = useState<HTMLElement | null>(null);
    const shown = useShown((s) => s);
    const add = (layer: NewLayer) => {
        setAnchor(null);
        show.add(layer);
        onAdded(shownNow().layers.at(-1)!.id);
    };
    const flows = picture?.result.flow != null;
    const heats = picture?.result.fields.includes('temperature') === true;
    const field = heats ? 'temperature' : 'speed';
    const choices: [LayerKind, string, boolean, () => NewLayer][] = [
        ['section', 'Section', true, () => newSection(outline.space, field)],
        ['section', 'Section with air speed and vectors', flows, () => ({ ...newSection(outline.space, 'speed'), vectors: 'speed' })],
        ['streamlines', 'Streamlines', flows, () => newStreamlines(outline)],
        ['isosurface', 'Isosurface', picture !== null, () => newIsosurface(picture!.result)],
        ['labels', 'Labels of parts', heats, () => ({ kind: 'labels', visible: true, of: 'worst', count: 5 })],
        ['extremes', 'Min and max', heats, () => ({ kind: 'extremes', visible: true })],
        ['missed', 'Limits missed', picture !== null, () => ({ kind: 'missed', visible: true })],
        ['probes', 'Probes', heats, () => ({ kind: 'probes', visible: true, pins: [] })],
        ['sides', 'Space sides', true, () => ({ kind: 'sides', visible: true, field })],
    ];
    const parts = layersOf(shown, 'parts')[0];
    return (
        <>
            <Button
                size="small"
                startIcon={<Add fontSize="small" />}
                aria-haspopup="menu"
                disabled={!picture}
                onClick={(e) => setAnchor(e.currentTarget)}
                sx={{ py: 0, minWidth: 0 }}
            >
                Add
            </Button>
            <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)}>
                {choices
                    .filter(([kind, , possible]) => possible && mayAdd(shown, kind))
                    .map(([, title, , make]) => (
                        <MenuItem key={title} dense onClick={() => add(make())}>
                            {title}
                        </MenuItem>
                    ))}
                {heats && parts && !parts.aboveLimit && (
                    <MenuItem
                        dense
                        onClick={() => {
                            setAnchor(null);
                            show.change(parts, { visible: true, field: 'temperature', aboveLimit: true });
                        }}
                    >
                        Only what is above its limit
                    </MenuItem>
                )}
            </Menu>
        </>
    );
}
