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
    const beside = useMemo(() => chartsBeside(result, pick), [result, pick]);
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
            {beside.map(({ label, width, y, series: own, onPlace }) => (
                <Box key={label} sx={{ flex: '1 1 0', minWidth: width }}>
                    <Lines label={label} height={HEIGHT} x={{ title: 'time, s', format: plain }} y={{ format: plain, ...y }} series={own} onPlace={onPlace} />
                </Box>
            ))}
        </Stack>
    );
}

interface Beside {
    label: string;
    /** Least one, px. */
    width: number;
    y: { title: string; min?: number };
    series: Series[];
    onPlace?: (time: number) => void;
}

/** What is drawn beside the temperatures: other watches by their unit, watts under control and speeds of fans. */
function chartsBeside(result: Result, pick: (time: number) => void): Beside[] {
    const controls = result.time?.controls ?? [];
    const over = (values: readonly number[]) => values.map((y, n) => ({ x: result.time!.times[n]!, y }));
    const heated = controls.filter(({ speeds }) => !speeds).map(({ name, watts }) => ({ name, points: over(watts) }));
    const fans = controls.flatMap(({ name, speeds }) => (speeds ? [{ name, points: over(speeds) }] : []));
    return [
        ...otherCurvesOf(result).map(([unit, all]) => ({
            label: `Watches over time, ${unit}`,
            width: 220,
            y: { title: all.length === 1 ? `${all[0]!.name}, ${unit}` : unit },
            series: all.slice(0, MOST),
            onPlace: pick,
        })),
        ...(heated.length > 0 ? [{ label: 'Watts under control', width: 170, y: { title: 'W' }, series: heated }] : []),
        ...(fans.length > 0 ? [{ label: 'Speed of fans over time', width: 170, y: { title: 'share of full speed', min: 0 }, series: fans }] : []),
    ];
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
