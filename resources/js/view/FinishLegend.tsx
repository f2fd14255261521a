import Box from '@mui/material/Box';
import Paper from '@mui/material/Paper';
import { finishColours, NO_FINISH } from './colours';

/** What the colours of finishes mean. */
export function FinishLegend() {
    const rows = [...finishColours.map(({ colour, upTo, title }) => [colour, `to ${upTo}, ${title}`]), [NO_FINISH, 'none, or off']];
    return (
        <Paper variant="outlined" aria-label="Emissivity" sx={{ alignSelf: 'start', mb: 4, px: 1.25, py: 0.75, fontSize: 12 }}>
            <Box sx={{ fontWeight: 600, mb: 0.25 }}>Emissivity</Box>
            {rows.map(([colour, title]) => (
                <Box key={title} sx={{ display: 'flex', alignItems: 'center', gap: 0.75 }}>
                    <Box sx={{ width: 12, height: 12, bgcolor: colour, borderRadius: 0.5, border: 1, borderColor: 'divider' }} />
                    {title}
                </Box>
            ))}
        </Paper>
    );
}
