import Box from '@mui/material/Box';
import { useTheme } from '@mui/material/styles';
import { usePreferences } from '../state/screen';
import { number, volumeFlow } from '../units/units';

const width = 232;
const height = 110;
const left = 8;
const bottom = 18;

interface Props {
    /** Flow in m3/s and rise in Pa. */
    curve: readonly (readonly number[])[];
    point?: { flow: number; rise: number };
}

/** Pressure rise over flow, with where the fan works on it once that is known. */
export function FanCurve({ curve, point }: Props) {
    const { palette } = useTheme();
    const units = usePreferences((s) => s.units);
    const most = Math.max(...curve.map(([flow]) => flow!), point?.flow ?? 0, 1e-12);
    const highest = Math.max(...curve.map(([, rise]) => rise!), point?.rise ?? 0, 1e-12);
    const x = (flow: number) => left + (flow / most) * (width - 2 * left);
    const y = (rise: number) => height - bottom - (Math.max(rise, 0) / highest) * (height - bottom - 8);
    const works = point ? ` with the operating point at ${volumeFlow(point.flow, units)} and ${number(point.rise, 1)} Pa` : '';
    return (
        <Box component="svg" role="img" aria-label={`Fan curve${works}`} viewBox={`0 0 ${width} ${height}`} sx={{ width: '100%', mt: 0.5, mb: 1 }}>
            <line x1={left} x2={width - left} y1={height - bottom} y2={height - bottom} stroke={palette.divider} />
            <polyline points={curve.map(([flow, rise]) => `${x(flow!)},${y(rise!)}`).join(' ')} fill="none" stroke={palette.text.secondary} strokeWidth={1.5} />
            {point && <circle cx={x(point.flow)} cy={y(point.rise)} r={4} fill={palette.primary.main} />}
            <text x={left} y={height - 4} fontSize={11} fill={palette.text.secondary}>
                0
            </text>
            <text x={width - left} y={height - 4} fontSize={11} textAnchor="end" fill={palette.text.secondary}>
                {volumeFlow(most, units)}
            </text>
            <text x={width - left} y={14} fontSize={11} textAnchor="end" fill={palette.text.secondary}>
                up to {number(highest, 0)} Pa
            </text>
        </Box>
    );
}
