import Box from '@mui/material/Box';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useTheme } from '@mui/material/styles';
import { useSession } from '../api/queries';
import type { Outline, Result, Run } from '../api/types';
import { usePreferences } from '../state/screen';
import { difference, differenceUnit, scientific, temperature, temperatureUnit, thousands, watts, type UnitSet } from '../units/units';
import { Curve } from './Curve';

/** Residuals on a logarithmic axis. */
function Residuals({ samples, end, deepest }: { samples: { x: number; residual: number }[]; end: string; deepest: number }) {
    const logarithm = (residual: number) => Math.log10(Math.max(residual, 1e-14));
    const lowest = Math.floor(Math.min(deepest, ...samples.map((s) => logarithm(s.residual))));
    const ticks = Array.from({ length: Math.ceil(-lowest / 2) + 1 }, (_, i) => ({ at: -2 * i, name: i === 0 ? '1' : `1e−${2 * i}` }));
    return (
        <Curve
            label="relative residual"
            end={end}
            width={300}
            curves={[{ name: 'residual', points: samples.map((s) => ({ x: s.x, y: logarithm(s.residual) })) }]}
            ticks={ticks}
        />
    );
}

/** The worst margin as the run saw it; it settles before the residuals have come all the way. */
function Margins({ run, units }: { run: Run; units: UnitSet }) {
    const known = run.samples.flatMap((s) => (s.worstMargin === null ? [] : [{ x: s.seconds, y: s.worstMargin }]));
    if (known.length < 2) return null;
    // The first values come from a flow that hardly exists: the axis follows the second half.
    const settled = known.slice(Math.floor(known.length / 2)).map((p) => p.y);
    const [low, high] = [Math.min(0, ...settled), Math.max(0, ...settled)];
    const room = 0.1 * Math.max(high - low, 1);
    const ends = [...new Set([low < 0 ? low - room : 0, 0, high > 0 ? high + room : 0])];
    return (
        <Curve
            label={`worst margin, ${differenceUnit(units)}`}
            end={`now ${difference(known.at(-1)!.y, units)} ${differenceUnit(units)}`}
            width={240}
            curves={[{ name: 'worst margin', points: known }]}
            ticks={ends.map((at) => ({ at, name: difference(at, units) }))}
        />
    );
}

/** What of the limits and watches comes near its bound is followed by name; the worst few, for more could not be told apart. */
function Watched({ run, outline, units }: { run: Run; outline: Outline; units: UnitSet }) {
    const { palette } = useTheme();
    const samples = run.samples.filter((s) => Object.keys(s.values).length > 0);
    const latest = samples.at(-1)?.values ?? {};
    const margin = (id: string) => {
        const limit = outline.limits.find((l) => l.id === id);
        return limit ? (limit.atMost !== null ? limit.atMost - latest[id]! : latest[id]! - limit.atLeast!) - limit.derating : -Infinity;
    };
    const name = (id: string) => [...outline.limits, ...outline.watches].find((entry) => entry.id === id)?.name ?? id;
    const ids = Object.keys(latest)
        .sort((a, b) => margin(a) - margin(b))
        .slice(0, MOST_WATCHED);
    if (samples.length < 2 || ids.length === 0) return null;
    const values = samples
        .slice(Math.floor(samples.length / 4))
        .flatMap((s) => ids.map((id) => s.values[id] ?? NaN))
        .filter(Number.isFinite);
    const [low, high] = [Math.min(...values), Math.max(...values)];
    const room = Math.max(0.05 * (high - low), 0.5);
    const colours = [palette.primary.main, '#b5493a', '#33658a', '#3f7d4e', '#7a5195'];
    return (
        <Curve
            label={`watched, ${temperatureUnit(units)}`}
            end={`${samples.at(-1)!.seconds.toFixed(1)} s`}
            width={420}
            curves={ids.map((id, n) => ({
                name: shortened(name(id)),
                colour: colours[n],
                points: samples.flatMap((s) => (s.values[id] === undefined ? [] : [{ x: s.seconds, y: s.values[id] }])),
            }))}
            ticks={[low - room, (low + high) / 2, high + room].map((at) => ({ at, name: temperature(at, units) }))}
        />
    );
}

const MOST_WATCHED = 5;

const starts = { rest: 'fluid at rest', flow: 'the flow of an earlier run', checkpoint: 'its own checkpoint' } as const;

const shortened = (name: string): string => (name.length > 24 ? `${name.slice(0, 23)}…` : name);

/** How a run comes near its answer, and what the balance says. */
export function RunCurves({ run, result, outline }: { run: Run | undefined; result: Result | undefined; outline: Outline | undefined }) {
    const units = usePreferences((s) => s.units);
    const keep = useSession().data?.keep;
    // The result has every iteration of its grid; while a run goes on there are moments of it, on one grid after the other.
    const samples =
        result?.solver.residuals.map((residual, i) => ({ x: i + 1, residual })) ?? run?.samples.map((s) => ({ x: s.seconds, residual: s.residual })) ?? [];
    if (!run || samples.length === 0) {
        return (
            <Typography color="text.secondary" sx={{ px: 2, pb: 2 }}>
                {run ? 'This run was over before a residual was noted.' : 'Residuals and the heat balance appear here during a run.'}
            </Typography>
        );
    }
    return (
        <Stack direction="row" sx={{ px: 2, pb: 1.5, gap: 3, overflowX: 'auto' }}>
            <Residuals samples={samples} end={result ? `iteration ${samples.length}` : `${samples.at(-1)!.x.toFixed(1)} s`} deepest={result?.flow ? -4 : -8} />
            {outline && run.samples.some((s) => Object.keys(s.values).length > 0) ? (
                <Watched run={run} outline={outline} units={units} />
            ) : (
                <Margins run={run} units={units} />
            )}
            {result && (
                <Box sx={{ fontSize: 13, lineHeight: 1.9 }}>
                    <div>
                        Heat in {watts(result.balance.in)} W, out {watts(result.balance.out)} W
                    </div>
                    <div>Balance error {scientific(result.balance.error * 100)} %</div>
                    <div>
                        Residual {scientific(result.solver.residual)} after {result.solver.iterations} iterations in {result.solver.passes}{' '}
                        {result.solver.passes === 1 ? 'pass' : 'passes'}
                    </div>
                    {result.levels.length > 1 && (
                        <div>
                            {result.levels.length} grids: {result.levels.map((level) => thousands(level.cells)).join(', ')} cells
                        </div>
                    )}
                    <div>
                        Grid {result.grid.shape.join(' × ')}, cells {(result.grid.smallest * 1e3).toPrecision(2)} to{' '}
                        {(result.grid.largest * 1e3).toPrecision(2)} mm
                    </div>
                    {result.flow && (
                        <Box sx={{ color: 'text.secondary' }}>
                            Started from {starts[result.solver.start.from]}
                            {result.solver.start.frozen ? ', which was kept' : ''}
                        </Box>
                    )}
                    <Box sx={{ color: 'text.secondary' }}>
                        {result.solver.version}, code {result.solver.code.slice(0, 8)}, model {result.model.hash.slice(0, 8)}
                    </Box>
                    {keep && <Box sx={{ color: 'text.secondary' }}>The last {keep.runs} runs of a variant are kept with their fields</Box>}
                </Box>
            )}
        </Stack>
    );
}
