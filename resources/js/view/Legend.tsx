import Box from '@mui/material/Box';
import Paper from '@mui/material/Paper';
import Stack from '@mui/material/Stack';
import { number, speedNumber, speedUnit, temperatureNumber, temperatureUnit, type UnitSet } from '../units/units';
import { gradient } from './colours';

/** The colour scale with its range in the user's unit. */
export function Legend({ of, min, max, units }: { of: 'temperature' | 'speed'; min: number; max: number; units: UnitSet }) {
    const inUnit = of === 'speed' ? speedNumber : temperatureNumber;
    const ticks = [0, 0.25, 0.5, 0.75, 1].map((share) => inUnit(min + share * (max - min), units));
    return (
        <Paper variant="outlined" sx={{ position: 'absolute', left: 14, bottom: 14, px: 1.5, py: 1, width: 330, fontSize: 12 }}>
            <Box sx={{ mb: 0.5, color: 'text.secondary' }}>
                {of === 'speed' ? `Speed in the section, ${speedUnit(units)}` : `Temperature, ${temperatureUnit(units)}`}
            </Box>
            <Box sx={{ height: 12, background: gradient, borderRadius: 0.5 }} />
            <Stack direction="row" sx={{ justifyContent: 'space-between', mt: 0.25 }}>
                {ticks.map((tick, i) => (
                    <span key={i}>{number(tick, of === 'speed' && max < 10 ? 2 : 1)}</span>
                ))}
            </Stack>
        </Paper>
    );
}
