import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import { useTheme } from '@mui/material/styles';
import TextField from '@mui/material/TextField';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import Typography from '@mui/material/Typography';
import { useCallback, useMemo, useState } from 'react';
import type { StudyPoint } from '../api/types';
import { Chart } from '../charts/Chart';
import type { Cells } from '../charts/table';
import { chartOf, chartsFor, type ChartKind } from './chartOptions';
import type { Axis } from './points';

const titles: Record<ChartKind, string> = { line: 'Line', map: 'Map', scatter: 'Scatter', parallel: 'All axes', spread: 'Spread' };

interface Props {
    points: readonly StudyPoint[];
    parameters: readonly Axis[];
    results: readonly Axis[];
    /** What a search aims at. */
    aimed: readonly Axis[];
    /** Numbers of the best points. */
    best: readonly number[];
    /** Whether the points are builds, whose spread is looked at. */
    spread: boolean;
    selected: number | null;
    onSelect: (number: number) => void;
}

/** The points of a study as curves over one parameter, a map over two, a cloud over any two numbers, or lines through all of them. */
export function StudyCharts({ points, parameters, results, aimed, best, spread, selected, onSelect }: Props) {
    const { palette } = useTheme();
    const kinds = useMemo(() => chartsFor(parameters.length, spread), [parameters.length, spread]);
    // Two aims are drawn against each other, as soon as they are known.
    const [first, second] = aimed;
    const [picked, setKind] = useState<ChartKind | null>(null);
    const kind = picked ?? (second ? 'scatter' : kinds[0]!);
    const [wanted, setWanted] = useState<string | null>(null);
    const [across, setAcross] = useState<string | null>(null);
    const all = [...parameters, ...results];
    const chosen = useMemo(() => {
        const y = results.find(({ id }) => id === wanted) ?? second ?? results[0]!;
        const x = [...parameters, ...results].find(({ id }) => id === across) ?? (second && kind === 'scatter' ? first : undefined) ?? parameters[0]!;
        return { x, y, parameters, results: [y], front: best.length > 1 ? [...best] : [] };
    }, [results, parameters, wanted, across, first, second, kind, best]);
    const { x, y } = chosen;
    const solved = points.some((point) => y.of(point) !== null);
    const option = useMemo(
        () => chartOf(kind, points, chosen, { text: palette.text.secondary, line: palette.divider, strong: palette.text.primary }, selected),
        [kind, points, chosen, palette, selected],
    );
    const choose = useCallback(
        (event: { data?: unknown }) => {
            const data = event.data as { number?: number } | undefined;
            if (data?.number !== undefined) onSelect(data.number);
        },
        [onSelect],
    );
    const table = (): Cells => [
        ['Point', ...all.map(({ title, unit }) => `${title}, ${unit}`)],
        ...points.map((point) => [point.number, ...all.map((axis) => axis.of(point) ?? '')]),
    ];
    return (
        <Stack sx={{ gap: 1, p: 1.5 }}>
            <Stack direction="row" sx={{ gap: 1, alignItems: 'center', flexWrap: 'wrap' }}>
                <ToggleButtonGroup size="small" exclusive value={kind} onChange={(_event, next: ChartKind | null) => next && setKind(next)} aria-label="Chart">
                    {kinds.map((one) => (
                        <ToggleButton key={one} value={one} sx={{ textTransform: 'none', py: 0.25, px: 1.25 }}>
                            {titles[one]}
                        </ToggleButton>
                    ))}
                </ToggleButtonGroup>
                <TextField select size="small" label="Result" value={y.id} onChange={(event) => setWanted(event.target.value)} sx={{ minWidth: 170 }}>
                    {results.map(({ id, title }) => (
                        <MenuItem key={id} value={id} dense>
                            {title}
                        </MenuItem>
                    ))}
                </TextField>
                {(kind === 'line' || kind === 'scatter') && (
                    <TextField select size="small" label="Over" value={x.id} onChange={(event) => setAcross(event.target.value)} sx={{ minWidth: 150 }}>
                        {(kind === 'line' ? parameters : all).map(({ id, title }) => (
                            <MenuItem key={id} value={id} dense>
                                {title}
                            </MenuItem>
                        ))}
                    </TextField>
                )}
            </Stack>
            {solved ? (
                <Chart label={`${y.title} of the study`} height={340} option={option} table={table} onClick={choose} />
            ) : (
                <Typography color="text.secondary">The chart begins with the first solved point.</Typography>
            )}
        </Stack>
    );
}
