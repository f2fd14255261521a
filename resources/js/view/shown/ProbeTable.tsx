import Close from '@mui/icons-material/Close';
import MonitorHeartOutlined from '@mui/icons-material/MonitorHeartOutlined';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import Stack from '@mui/material/Stack';
import Tooltip from '@mui/material/Tooltip';
import { lazy, Suspense, useState } from 'react';
import type { Outline } from '../../api/types';
import { TableTools } from '../../charts/TableTools';
import { usePreferences, useScreen } from '../../state/screen';
import { lengthNumber, lengthUnit, size, temperatureNumber, temperatureUnit, temperatureWithUnit } from '../../units/units';
import type { Content } from '../layers/picture';
import type { ProbesLayer, Triple } from './shown';
import { show } from './store';

const LineDialog = lazy(() => import('./LineDialog').then((module) => ({ default: module.LineDialog })));

interface Props {
    layer: ProbesLayer;
    outline: Outline;
    picture: Content | null;
    /** K, as the core has them. */
    values: readonly (number | null | undefined)[];
    onWatch: ((at: Triple, name: string) => void) | null;
}

/** The pinned probes with their values; each can become a watch, and two of them the ends of a line. */
export function ProbeTable({ layer, outline, picture, values, onWatch }: Props) {
    const units = usePreferences((s) => s.units);
    const toggleTool = useScreen((s) => s.toggleTool);
    const tool = useScreen((s) => s.tool);
    const [line, setLine] = useState(false);
    const nameOf = (id: string | null) => outline.parts.find((part) => part.id === id)?.name ?? 'Air';
    const table = () => [
        ['Probe', 'Part', ...['x', 'y', 'z'].map((axis) => `${axis} ${lengthUnit(units)}`), temperatureUnit(units)],
        ...layer.pins.map(({ at, part }, n) => [
            n + 1,
            nameOf(part),
            ...at.map((x) => Number(lengthNumber(x, units).toPrecision(7))),
            values[n] == null ? '' : temperatureNumber(values[n], units).toFixed(2),
        ]),
    ];
    const [first, last] = layer.pins.slice(-2);
    return (
        <Stack sx={{ gap: 0.5 }}>
            {layer.pins.length === 0 && <Box sx={{ color: 'text.secondary' }}>Click surfaces or sections to pin their temperature.</Box>}
            {layer.pins.map(({ at, part }, n) => (
                <Stack key={n} direction="row" sx={{ alignItems: 'center', gap: 0.5 }}>
                    <Box sx={{ flex: 1, minWidth: 0 }}>
                        <Box sx={{ overflow: 'hidden', textOverflow: 'ellipsis', whiteSpace: 'nowrap' }}>
                            {n + 1} {nameOf(part)}
                        </Box>
                        <Box sx={{ color: 'text.secondary', fontSize: 11.5 }}>{size(at, units)}</Box>
                    </Box>
                    <Box sx={{ fontWeight: 600, whiteSpace: 'nowrap' }}>{values[n] == null ? '—' : temperatureWithUnit(values[n], units, 2)}</Box>
                    {onWatch && (
                        <Tooltip title="Watch it in every run">
                            <IconButton
                                size="small"
                                aria-label={`Watch probe ${n + 1}`}
                                onClick={() => onWatch(at, `${nameOf(part)}, probe ${n + 1}`)}
                                sx={{ p: 0.25 }}
                            >
                                <MonitorHeartOutlined sx={{ fontSize: 14 }} />
                            </IconButton>
                        </Tooltip>
                    )}
                    <IconButton
                        size="small"
                        aria-label={`Remove probe ${n + 1}`}
                        onClick={() => show.change(layer, { pins: layer.pins.filter((_p, other) => other !== n) })}
                        sx={{ p: 0.25 }}
                    >
                        <Close sx={{ fontSize: 14 }} />
                    </IconButton>
                </Stack>
            ))}
            <Stack direction="row" sx={{ gap: 0.5, flexWrap: 'wrap' }}>
                <Button size="small" color="inherit" aria-pressed={tool === 'probe'} onClick={() => toggleTool('probe')}>
                    {tool === 'probe' ? 'End probing' : 'Probe'}
                </Button>
                {layer.pins.length > 1 && picture && (
                    <Button size="small" color="inherit" onClick={() => setLine(true)}>
                        Along a line
                    </Button>
                )}
                {layer.pins.length > 0 && <TableTools label="Probes" table={table} />}
            </Stack>
            {line && first && last && picture && (
                <Suspense fallback={null}>
                    <LineDialog picture={picture} from={first.at} to={last.at} onClose={() => setLine(false)} />
                </Suspense>
            )}
        </Stack>
    );
}
