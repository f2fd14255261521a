import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import { useMemo } from 'react';
import type { Result } from '../api/types';
import { Lines, plain, type Series } from '../charts/Lines';
import { useStateFor } from '../state/hooks';
import { usePreferences } from '../state/screen';
import { difference, differenceUnit, temperatureNumber, temperatureUnit, type UnitSet } from '../units/units';
import { clock, curvesOf, differenceFrom, otherCurvesOf, valueOn, type Curve } from './course';
import { pairsOf } from './csv';
import { CsvButton } from './CsvButton';

const HEIGHT = 190;

/** More curves could not be told apart. */
const MOST = 8;

const CELSIUS = 273.15;

interface Reference {
    name: string;
    points: { x: number; y: number }[];
}

/** Temperatures and watts of controls over time, with the moment that is shown, and a curve to compare with. */
export function CourseCurves({ result, at, pick }: { result: Result; at: number | null; pick: (time: number) => void }) {
    const units = usePreferences((s) => s.units);
    const curves = useMemo(() => curvesOf(result).slice(0, MOST), [result]);
    const [reference, setReference] = useStateFor<string, Reference | null>(result.model.hash, null);
    const series = useMemo(() => {
        const all: Series[] = curves.map(({ name, points }) => ({ name, points }));
        if (reference) all.push({ name: reference.name, points: reference.points, quiet: true });
        for (const { name, points } of at === null ? [] : curves) {
            const y = valueOn(points, at!);
            if (y !== null) all.push({ name: `${name} now`, points: [{ x: at!, y }], mark: true, quiet: true });
        }
        return all;
    }, [curves, reference, at]);
    const read = async (chosen: File) => {
        // Times in s and temperatures in °C, as instruments write them.
        const points = pairsOf(await chosen.text()).map(([x, y]) => ({ x, y: y + CELSIUS }));
        setReference({ name: points.length > 0 ? chosen.name : `${chosen.name}: no pairs of numbers`, points });
    };
    const controls = result.time?.controls ?? [];
    const heated = controls.filter(({ speeds }) => !speeds);
    const fans = controls.flatMap(({ name, speeds }) => (speeds ? [{ name, speeds }] : []));
    const others = useMemo(() => otherCurvesOf(result), [result]);
    return (
        <Stack direction="row" sx={{ px: 1.5, pt: 1, gap: 2, overflowX: 'auto' }}>
            {curves.length > 0 && (
                <Box sx={{ flex: '2 1 0', minWidth: 300 }}>
                    <Lines
                        label="Temperatures over time"
                        height={HEIGHT}
                        x={{ title: 'time, s', format: plain }}
                        y={{ title: temperatureUnit(units), number: (value) => temperatureNumber(value, units), format: plain }}
                        series={series}
                        onPlace={pick}
                    />
                    <Stack direction="row" sx={{ gap: 1, alignItems: 'center', minHeight: 26, color: 'text.secondary', fontSize: 12.5 }}>
                        <CsvButton label={reference ? 'Another reference' : 'Reference from CSV'} name="CSV file of a reference, s and °C" read={read} />
                        {reference && <span>{apartText(curves, reference, units)}</span>}
                        {reference && (
                            <Button size="small" color="inherit" onClick={() => setReference(null)} sx={{ minWidth: 0, py: 0 }}>
                                Remove
                            </Button>
                        )}
                    </Stack>
                </Box>
            )}
            {others.map(([unit, all]) => (
                <Box key={unit} sx={{ flex: '1 1 0', minWidth: 220 }}>
                    <Lines
                        label={`Watches over time, ${unit}`}
                        height={HEIGHT}
                        x={{ title: 'time, s', format: plain }}
                        y={{ title: all.length === 1 ? `${all[0]!.name}, ${unit}` : unit, format: plain }}
                        series={all.slice(0, MOST)}
                        onPlace={pick}
                    />
                </Box>
            ))}
            {heated.length > 0 && (
                <Box sx={{ flex: '1 1 0', minWidth: 170 }}>
                    <Lines
                        label="Watts under control"
                        height={HEIGHT}
                        x={{ title: 'time, s', format: plain }}
                        y={{ title: 'W', format: plain }}
                        series={heated.map(({ name, watts }) => ({ name, points: watts.map((y, n) => ({ x: result.time!.times[n]!, y })) }))}
                    />
                </Box>
            )}
            {fans.length > 0 && (
                <Box sx={{ flex: '1 1 0', minWidth: 170 }}>
                    <Lines
                        label="Speed of fans over time"
                        height={HEIGHT}
                        x={{ title: 'time, s', format: plain }}
                        y={{ title: 'share of full speed', format: plain, min: 0 }}
                        series={fans.map(({ name, speeds }) => ({ name, points: speeds.map((y, n) => ({ x: result.time!.times[n]!, y })) }))}
                    />
                </Box>
            )}
        </Stack>
    );
}

/** How far the nearest of the curves is from the reference. */
function apartText(curves: readonly Curve[], reference: Reference, units: UnitSet): string {
    const all = curves.flatMap((curve) => {
        const apart = differenceFrom(curve, reference.points);
        return apart ? [{ name: curve.name, ...apart }] : [];
    });
    if (all.length === 0) return 'no time in common with the course';
    const nearest = all.reduce((one, other) => (other.rms < one.rms ? other : one));
    const shown = (kelvin: number) => `${difference(kelvin, units)} ${differenceUnit(units)}`;
    return `${nearest.name} differs by up to ${shown(nearest.greatest)} at ${clock(nearest.at)}, rms ${shown(nearest.rms).replace('+', '')}`;
}
