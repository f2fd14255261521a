import ContentCut from '@mui/icons-material/ContentCut';
import ColorizeOutlined from '@mui/icons-material/ColorizeOutlined';
import StraightenOutlined from '@mui/icons-material/StraightenOutlined';
import VideocamOutlined from '@mui/icons-material/VideocamOutlined';
import CenterFocusStrongOutlined from '@mui/icons-material/CenterFocusStrongOutlined';
import VisibilityOffOutlined from '@mui/icons-material/VisibilityOffOutlined';
import VisibilityOutlined from '@mui/icons-material/VisibilityOutlined';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import Paper from '@mui/material/Paper';
import Slider from '@mui/material/Slider';
import Stack from '@mui/material/Stack';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import Tooltip from '@mui/material/Tooltip';
import type { ReactNode } from 'react';
import type { Outline } from '../api/types';
import { usePreferences, useScreen } from '../project/screenState';
import { size } from '../units/units';
import { ExportMenu } from './ExportMenu';

export type Facing = 'home' | 'x' | 'y' | 'z';

interface Props {
    outline: Outline;
    mayProbe: boolean;
    hasFlow: boolean;
    face: (facing: Facing) => void;
}

const axes = ['x', 'y', 'z'] as const;

const row = { display: 'flex', alignItems: 'center', height: 36, px: 0.5, gap: 0.25 } as const;

/** A tool that its picture says. */
function Tool({ label, title, onClick, children }: { label: string; title: string; onClick: () => void; children: ReactNode }) {
    return (
        <Tooltip title={title}>
            <IconButton size="small" aria-label={label} onClick={onClick} sx={{ color: 'inherit' }}>
                {children}
            </IconButton>
        </Tooltip>
    );
}

/** Section, probe, hidden parts and the standard directions of view. */
export function ViewTools({ outline, mayProbe, hasFlow, face }: Props) {
    const { stage, section, sectionOf, probing, measuring, perspective, selection, hidden, set, toggleHidden } = useScreen();
    const units = usePreferences((s) => s.units);
    const { min, max } = outline.space;
    const cut = (axis: 0 | 1 | 2) => set({ section: { axis, position: 0.5 * (min[axis]! + max[axis]!) } });
    const selected = selection.length > 0 && selection.every((id) => hidden.includes(id));
    return (
        <Stack
            direction="row"
            sx={{
                position: 'absolute',
                top: 12,
                left: 14,
                right: 14,
                justifyContent: 'space-between',
                alignItems: 'start',
                gap: 1,
                pointerEvents: 'none',
                '& > *': { pointerEvents: 'auto' },
                '& .MuiButton-root': { px: 0.75, minWidth: 0, whiteSpace: 'nowrap' },
            }}
        >
            <Stack sx={{ position: 'relative', alignItems: 'start' }}>
                <Paper variant="outlined" sx={row}>
                    <Button
                        color="inherit"
                        startIcon={<ContentCut fontSize="small" />}
                        aria-pressed={section !== null}
                        onClick={() => (section ? set({ section: null }) : cut(2))}
                        sx={section ? { color: 'primary.main' } : undefined}
                    >
                        Section
                    </Button>
                    {mayProbe && (
                        <Tooltip describeChild title="Click a surface to read its temperature">
                            <Button
                                color="inherit"
                                startIcon={<ColorizeOutlined fontSize="small" />}
                                aria-pressed={probing}
                                onClick={() => set({ probing: !probing, measuring: false })}
                                sx={probing ? { color: 'primary.main' } : undefined}
                            >
                                Probe
                            </Button>
                        </Tooltip>
                    )}
                    <Tooltip describeChild title="Click two places to read their distance (M)">
                        <Button
                            color="inherit"
                            startIcon={<StraightenOutlined fontSize="small" />}
                            aria-pressed={measuring}
                            onClick={() => set({ measuring: !measuring, probing: false })}
                            sx={measuring ? { color: 'primary.main' } : undefined}
                        >
                            Measure
                        </Button>
                    </Tooltip>
                    {selection.length > 0 && (
                        <>
                            <Tool
                                label={selected ? 'Show' : 'Hide'}
                                title={selected ? 'Show the selected parts (H)' : 'Hide the selected parts (H)'}
                                onClick={() => toggleHidden(selection)}
                            >
                                {selected ? <VisibilityOutlined fontSize="small" /> : <VisibilityOffOutlined fontSize="small" />}
                            </Tool>
                            <Tool
                                label="Isolate"
                                title="Show the selected parts alone"
                                onClick={() => set({ hidden: outline.parts.map((part) => part.id).filter((id) => !selection.includes(id)) })}
                            >
                                <CenterFocusStrongOutlined fontSize="small" />
                            </Tool>
                        </>
                    )}
                    {hidden.length > 0 && (
                        <Button
                            color="inherit"
                            aria-label={`Show ${hidden.length} hidden`}
                            startIcon={<VisibilityOutlined fontSize="small" />}
                            onClick={() => set({ hidden: [] })}
                        >
                            {hidden.length} hidden
                        </Button>
                    )}
                </Paper>
                {section && (
                    <Paper variant="outlined" sx={{ ...row, position: 'absolute', top: 44, left: 0, px: 1, gap: 1 }}>
                        <ToggleButtonGroup
                            exclusive
                            size="small"
                            value={section.axis}
                            aria-label="Axis of the section"
                            onChange={(_e, axis: 0 | 1 | 2 | null) => axis !== null && cut(axis)}
                        >
                            {axes.map((name, axis) => (
                                <ToggleButton key={name} value={axis} sx={{ py: 0, px: 1, textTransform: 'none' }}>
                                    {name}
                                </ToggleButton>
                            ))}
                        </ToggleButtonGroup>
                        <Slider
                            size="small"
                            sx={{ width: 110, mx: 1 }}
                            aria-label="Position of the section"
                            min={min[section.axis]}
                            max={max[section.axis]}
                            step={(max[section.axis]! - min[section.axis]!) / 200}
                            value={section.position}
                            onChange={(_e, position) => set({ section: { axis: section.axis, position: position } })}
                        />
                        <Box sx={{ width: 72, fontSize: 12.5, whiteSpace: 'nowrap' }}>{size([section.position], units)}</Box>
                        {hasFlow && (
                            <ToggleButtonGroup
                                exclusive
                                size="small"
                                value={sectionOf}
                                aria-label="Colours of the section"
                                onChange={(_e, of: 'temperature' | 'speed' | null) => of !== null && set({ sectionOf: of })}
                            >
                                <ToggleButton value="temperature" sx={{ py: 0, px: 1, textTransform: 'none' }}>
                                    Temperature
                                </ToggleButton>
                                <ToggleButton value="speed" sx={{ py: 0, px: 1, textTransform: 'none' }}>
                                    Speed
                                </ToggleButton>
                            </ToggleButtonGroup>
                        )}
                    </Paper>
                )}
            </Stack>
            <Stack direction="row" sx={{ gap: 1 }}>
                {stage === 'Build' && <ExportMenu outline={outline} />}
                <Paper variant="outlined" sx={row} role="group" aria-label="Look along">
                    <Tooltip title={perspective ? 'Parallel view' : 'Perspective view'}>
                        <IconButton
                            size="small"
                            aria-label="Perspective"
                            aria-pressed={perspective}
                            onClick={() => set({ perspective: !perspective })}
                            sx={perspective ? { color: 'primary.main' } : { color: 'inherit' }}
                        >
                            <VideocamOutlined fontSize="small" />
                        </IconButton>
                    </Tooltip>
                    {(['home', 'x', 'y', 'z'] as const).map((facing) => (
                        <Button key={facing} color="inherit" sx={{ minWidth: 30, px: 1 }} onClick={() => face(facing)}>
                            {facing === 'home' ? 'Home' : facing.toUpperCase()}
                        </Button>
                    ))}
                </Paper>
            </Stack>
        </Stack>
    );
}
