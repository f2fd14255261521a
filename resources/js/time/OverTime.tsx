import Box from '@mui/material/Box';
import type { Result } from '../api/types';
import { Chapter } from '../inspector/Chapter';
import { isOfTemperature } from '../model/document';
import { difference, differenceUnit, temperature, temperatureUnit, type UnitSet } from '../units/units';
import { clock } from './course';

type Followed = Result['limits'][number] | Result['watches'][number];

/** What a limit or watch did over time, in a few words each. */
function wordsOf(one: Followed, units: UnitSet): string[] {
    const over = one.overTime;
    if (!over) return [];
    const kelvins = (value: number) => `${difference(value, units).replace('+', '')} ${differenceUnit(units)}`;
    return [
        `greatest ${temperature(over.max, units)} ${temperatureUnit(units)} at ${clock(over.maxAt)}`,
        ...(over.held != null ? [`passed for its time: ${temperature(over.held, units)} ${temperatureUnit(units)}`] : []),
        `least ${temperature(over.min, units)} ${temperatureUnit(units)} at ${clock(over.minAt)}`,
        `mean ${temperature(over.mean, units)} ${temperatureUnit(units)}`,
        ...(over.beyond !== null && over.beyond > 0 ? [`missed for ${clock(over.beyond)}, first after ${clock(over.reached ?? 0)}`] : []),
        ...(over.overshoot !== null && over.overshoot > 0.05 ? [`overshoot ${kelvins(over.overshoot)}`] : []),
        ...(over.settled !== null ? [`settled after ${clock(over.settled)}`] : []),
    ];
}

/** Limits and watches over a course in time: extremes with their moments, for how long a limit was missed, overshoot and settling. */
export function OverTime({ result, of, units }: { result: Result; of: (one: Followed) => boolean; units: UnitSet }) {
    const followed: Followed[] = [...result.limits.filter(isOfTemperature), ...result.watches.filter((watch) => watch.unit === 'K')].filter(
        (one) => one.overTime != null && of(one),
    );
    if (followed.length === 0) return null;
    return (
        <Chapter title="Over time">
            {followed.map((one) => (
                <Box key={one.id} sx={{ py: 0.35 }}>
                    <Box component="dt" sx={{ fontWeight: 550 }}>
                        {one.name}
                    </Box>
                    {wordsOf(one, units).map((words) => (
                        <Box key={words} component="dd" sx={{ m: 0, color: 'text.secondary' }}>
                            {words}
                        </Box>
                    ))}
                </Box>
            ))}
        </Chapter>
    );
}
