import FlipOutlined from '@mui/icons-material/FlipOutlined';
import PauseOutlined from '@mui/icons-material/PauseOutlined';
import PlayArrowOutlined from '@mui/icons-material/PlayArrowOutlined';
import Box from '@mui/material/Box';
import IconButton from '@mui/material/IconButton';
import Paper from '@mui/material/Paper';
import Slider from '@mui/material/Slider';
import Stack from '@mui/material/Stack';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import Tooltip from '@mui/material/Tooltip';
import { useEffect, useState } from 'react';
import { usePreferences } from '../../state/screen';
import { lengthUnit, number, size, typedLength } from '../../units/units';
import { NumberBox, NumberSetting } from './Setting';
import type { Box as Extent } from '../../model/box';
import { dropSection, moveSection, usePosition } from './moving';
import { anglesOf, axisNormal, axisOf, extentAlong, normalAt } from './planes';
import { layersOf, type SectionLayer, type Triple } from './shown';
import { show, useShown } from './store';

/** Seconds that a section takes through the whole space when it moves by itself. */
const SWEEP = 8;

/** Moves a section to and fro through the space while it plays. */
function useSweep(section: SectionLayer, low: number, high: number, playing: boolean) {
    useEffect(() => {
        if (!playing) return;
        const from = (section.position - low) / (high - low);
        const begun = performance.now() - 1000 * SWEEP * from;
        let frame = 0;
        const move = () => {
            const phase = ((performance.now() - begun) / (1000 * SWEEP)) % 2;
            moveSection(section, low + (phase < 1 ? phase : 2 - phase) * (high - low));
            frame = requestAnimationFrame(move);
        };
        frame = requestAnimationFrame(move);
        return () => {
            cancelAnimationFrame(frame);
            dropSection(section);
        };
        // From where it is when it starts.
        // eslint-disable-next-line react-hooks/exhaustive-deps
    }, [playing, section.id, low, high]);
}

const typedAngle = (text: string): number | null => {
    const angle = Number(text.replace('−', '-').replace(',', '.'));
    return text.trim() === '' || !Number.isFinite(angle) || Math.abs(angle) > 360 ? null : angle;
};

/** Where a section is; the only setting that is drawn anew while it moves. */
function PositionFields({ section, low, high }: { section: SectionLayer; low: number; high: number }) {
    const units = usePreferences((s) => s.units);
    const position = usePosition(section);
    return (
        <Stack direction="row" sx={{ alignItems: 'center', gap: 1.25 }}>
            <Slider
                size="small"
                aria-label="Position of the section"
                min={low}
                max={high}
                step={(high - low) / 200}
                value={position}
                onChange={(_e, to) => moveSection(section, to)}
                onChangeCommitted={() => dropSection(section)}
                sx={{ ml: 0.75 }}
            />
            <NumberBox
                label="Position of the section, typed"
                text={size([position], units).split(' ')[0]!}
                unit={lengthUnit(units)}
                width={46}
                onEnter={(text) => {
                    const to = typedLength(text.replace('−', '-'), units);
                    const possible = text.trim() !== '' && to >= low && to <= high;
                    if (possible) show.change(section, { position: to });
                    return possible;
                }}
            />
        </Stack>
    );
}

/** Which way a section lies, where it is, and what it cuts away. */
export function SectionPlaneSettings({ section, box }: { section: SectionLayer; box: Extent }) {
    const [playing, setPlaying] = useState(false);
    const axis = axisOf(section.normal);
    const [low, high] = extentAlong(section.normal, box);
    useSweep(section, low, high, playing);
    const turn = (normal: Triple) => {
        const [from, to] = extentAlong(normal, box);
        show.change(section, { normal, position: 0.5 * (from + to) });
    };
    const angles = anglesOf(section.normal);
    return (
        <>
            <Stack direction="row" sx={{ alignItems: 'center', gap: 0.5, justifyContent: 'space-between' }}>
                <ToggleButtonGroup
                    exclusive
                    size="small"
                    value={axis ?? 'free'}
                    aria-label="Direction of the section"
                    onChange={(_e, to: 0 | 1 | 2 | 'free' | null) => {
                        if (to === 'free') turn(normalAt(30, 20));
                        else if (to !== null) turn(axisNormal(to));
                    }}
                    sx={{ '& .MuiToggleButton-root': { py: 0, px: 0.9, textTransform: 'none' } }}
                >
                    {(['x', 'y', 'z'] as const).map((name, n) => (
                        <ToggleButton key={name} value={n}>
                            {name}
                        </ToggleButton>
                    ))}
                    <ToggleButton value="free">free</ToggleButton>
                </ToggleButtonGroup>
                <Stack direction="row">
                    <Tooltip title={playing ? 'Stop moving' : 'Move through the model'}>
                        <IconButton size="small" aria-label={playing ? 'Stop moving' : 'Move through the model'} onClick={() => setPlaying(!playing)}>
                            {playing ? <PauseOutlined sx={{ fontSize: 18 }} /> : <PlayArrowOutlined sx={{ fontSize: 18 }} />}
                        </IconButton>
                    </Tooltip>
                    <Tooltip
                        title={
                            section.clips
                                ? section.flipped
                                    ? 'Cuts away what lies below; cut nothing'
                                    : 'Cuts away what lies beyond; cut the other side'
                                : 'Cuts nothing; cut away what lies beyond'
                        }
                    >
                        <IconButton
                            size="small"
                            aria-label={section.clips ? (section.flipped ? 'Cut nothing' : 'Cut the other side') : 'Cut away'}
                            sx={{ color: section.clips ? 'primary.main' : 'inherit' }}
                            onClick={() =>
                                show.change(section, section.clips ? (section.flipped ? { clips: false, flipped: false } : { flipped: true }) : { clips: true })
                            }
                        >
                            <FlipOutlined sx={{ fontSize: 18, transform: section.flipped ? 'scaleX(-1)' : undefined }} />
                        </IconButton>
                    </Tooltip>
                </Stack>
            </Stack>
            <PositionFields section={section} low={low} high={high} />
            {axis === null && (
                <>
                    {(
                        [
                            ['Around z', 'around'],
                            ['Above the level', 'up'],
                        ] as const
                    ).map(([label, which]) => (
                        <NumberSetting
                            key={which}
                            label={label}
                            text={number(angles[which], 0)}
                            unit="°"
                            onEnter={(text) => {
                                const angle = typedAngle(text);
                                if (angle !== null) turn(which === 'around' ? normalAt(angle, angles.up) : normalAt(angles.around, angle));
                                return angle !== null;
                            }}
                        />
                    ))}
                </>
            )}
        </>
    );
}

/** The first section, outside Judge: where it lies, and nothing of results. */
export function SectionTools({ box }: { box: Extent }) {
    const section = useShown((shown) => layersOf(shown, 'section').find((layer) => layer.visible));
    return section ? (
        <Paper variant="outlined" sx={{ width: 232, alignSelf: 'start', px: 1.25, py: 0.75 }}>
            <SectionPlaneSettings section={section} box={box} />
        </Paper>
    ) : (
        <Box />
    );
}
