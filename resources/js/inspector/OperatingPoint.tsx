import Box from '@mui/material/Box';
import type { Result, ResultLimit } from '../api/types';
import { usePreferences } from '../state/screen';
import { number, volumeFlow } from '../units/units';
import { Chapter, Line } from './Chapter';
import { FanCurve } from './FanCurve';
import { verdictColours } from '../theme/verdicts';

type FanPoint = NonNullable<Result['flow']>['fans'][number];

/** Where a fan works on its curve. */
export function OperatingPoint({ fan, limits }: { fan: FanPoint; limits: ResultLimit[] }) {
    const units = usePreferences((s) => s.units);
    return (
        <>
            <Chapter title="Operating point">
                <Line label="Speed">{number(100 * fan.speed, 1)} % of full speed</Line>
                <Line label="Flow">{volumeFlow(fan.flow, units)}</Line>
                {limits.map((limit) => (
                    <Line
                        key={limit.id}
                        label={`Margin to ${limit.atLeast === null ? 'at most' : 'at least'} ${volumeFlow((limit.atLeast ?? limit.atMost)!, units)}`}
                    >
                        <Box component="span" sx={{ color: verdictColours[limit.verdict] }}>
                            {limit.margin === null ? '—' : volumeFlow(limit.margin, units, true)}
                        </Box>
                    </Line>
                ))}
                <Line label="Pressure rise">{number(fan.rise, 1)} Pa</Line>
            </Chapter>
            <FanCurve curve={fan.curve} point={fan} />
        </>
    );
}
