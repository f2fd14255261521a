import Box from '@mui/material/Box';
import { useTheme } from '@mui/material/styles';
import type { Result, ResultLimit } from '../api/types';
import { litres, number } from '../units/units';
import { Chapter, Line } from './Chapter';

type FanPoint = NonNullable<Result['flow']>['fans'][number];

const width = 232;
const height = 110;
const left = 8;
const bottom = 18;

/** Where a fan works on its curve. */
export function OperatingPoint({ fan, limits }: { fan: FanPoint; limits: ResultLimit[] }) {
    const { palette } = useTheme();
    const flows = fan.curve.map(([flow]) => flow!);
    const rises = fan.curve.map(([, rise]) => rise!);
    const most = Math.max(...flows, fan.flow, 1e-12);
    const highest = Math.max(...rises, fan.rise, 1e-12);
    const x = (flow: number) => left + (flow / most) * (width - 2 * left);
    const y = (rise: number) => height - bottom - (Math.max(rise, 0) / highest) * (height - bottom - 8);
    return (
        <Chapter title="Operating point">
            <Line label="Flow">{litres(fan.flow)}</Line>
            {limits.map((limit) => (
                <Line key={limit.id} label={`Margin to ${limit.atLeast === null ? 'at most' : 'at least'} ${litres((limit.atLeast ?? limit.atMost)!)}`}>
                    <Box component="span" sx={{ color: limit.met ? 'success.main' : 'error.main' }}>{limit.margin === null ? '—' : litres(limit.margin, true)}</Box>
                </Line>
            ))}
            <Line label="Pressure rise">{number(fan.rise, 1)} Pa</Line>
            <Box component="svg" role="img" aria-label={`Fan curve with the operating point at ${number(fan.flow * 1e3, 2)} l/s and ${number(fan.rise, 1)} Pa`} viewBox={`0 0 ${width} ${height}`} sx={{ width: '100%', mt: 0.5 }}>
                <line x1={left} x2={width - left} y1={height - bottom} y2={height - bottom} stroke={palette.divider} />
                <polyline points={fan.curve.map(([flow, rise]) => `${x(flow!)},${y(rise!)}`).join(' ')} fill="none" stroke={palette.text.secondary} strokeWidth={1.5} />
                <circle cx={x(fan.flow)} cy={y(fan.rise)} r={4} fill={palette.primary.main} />
                <text x={left} y={height - 4} fontSize={11} fill={palette.text.secondary}>0</text>
                <text x={width - left} y={height - 4} fontSize={11} textAnchor="end" fill={palette.text.secondary}>{number(most * 1e3, 1)} l/s</text>
                <text x={width - left} y={14} fontSize={11} textAnchor="end" fill={palette.text.secondary}>up to {number(highest, 0)} Pa</text>
            </Box>
        </Chapter>
    );
}
