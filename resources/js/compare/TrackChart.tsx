import Box from '@mui/material/Box';
import MenuItem from '@mui/material/MenuItem';
import Select from '@mui/material/Select';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { useReadings } from '../api/queries';
import type { Variant } from '../api/types';
import { Lines, plain } from '../charts/Lines';
import { usePreferences } from '../state/screen';
import { measureOf } from '../units/quantities';
import { trackOf, tracked } from './track';

/** One limit or watch over all solved runs of the variants, in the order in which they ended. */
export function TrackChart({ project, variants }: { project: number; variants: readonly Variant[] }) {
    const runs = useReadings(project);
    const units = usePreferences((s) => s.units);
    const [chosen, setChosen] = useState<string | null>(null);
    if (runs.error) return <Typography color="error">{runs.error.message}</Typography>;
    if (!runs.data) return null;
    const choices = tracked(runs.data);
    const watch = choices.find(({ id }) => id === chosen) ?? choices[0];
    if (!watch) return <Typography color="text.secondary">No run of this project has ended yet since readings are kept.</Typography>;
    const { unit, number } = measureOf(watch.quantity, units);
    return (
        <Box sx={{ pt: 1 }}>
            <Select
                size="small"
                value={watch.id}
                inputProps={{ 'aria-label': 'Followed' }}
                onChange={(event) => setChosen(event.target.value)}
                sx={{ fontSize: 13, mb: 1 }}
            >
                {choices.map(({ id, name }) => (
                    <MenuItem key={id} value={id} dense>
                        {name}
                    </MenuItem>
                ))}
            </Select>
            <Lines
                label={`${watch.name} over runs`}
                height={190}
                x={{ title: 'Run', format: (value) => String(Math.round(value)) }}
                y={{ title: `${watch.name}, ${unit}`, number, format: (value) => `${plain(value)} ${unit}` }}
                series={trackOf(runs.data, watch.id, variants)}
            />
        </Box>
    );
}
