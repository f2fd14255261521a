import Box from '@mui/material/Box';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useSession } from '../api/queries';
import type { Course, Outline, Result, Run } from '../api/types';
import { clock } from '../time/course';
import { usePreferences } from '../state/screen';
import { differenceNumber, differenceUnit, joules, scientific, temperatureNumber, temperatureUnit, thousands, watts, type UnitSet } from '../units/units';
import { Lines, plain } from '../charts/Lines';

const HEIGHT = 176;

const whole = (value: number) => value.toFixed(0);
const seconds = (value: number) => value.toFixed(value < 10 ? 1 : 0);

/** Residuals on a logarithmic axis. */
function Residuals({ samples, overIterations }: { samples: { x: number; residual: number }[]; overIterations: boolean }) {
    return (
        <Lines
            label="Relative residual"
            height={HEIGHT}
            x={overIterations ? { title: 'iteration', format: whole } : { title: 'seconds', format: seconds }}
            y={{ title: 'relative residual', format: scientific, logarithmic: true }}
            series={[{ name: 'residual', points: samples.map((s) => ({ x: s.x, y: Math.max(s.residual, 1e-14) })) }]}
        />
    );
}

/** The worst margin as the run saw it; it settles before the residuals have come all the way. */
function Margins({ run, units }: { run: Run; units: UnitSet }) {
    const known = run.samples.flatMap((s) => (s.worstMargin === null ? [] : [{ x: s.seconds, y: s.worstMargin }]));
    if (known.length < 2) return null;
    return (
        <Lines
            label="Worst margin"
            height={HEIGHT}
            x={{ title: 'seconds', format: seconds }}
            y={{
                title: `worst margin, ${differenceUnit(units)}`,
                number: (value) => differenceNumber(value, units),
                format: plain,
                ...settled([known]),
            }}
            series={[{ name: 'worst margin', points: known }]}
        />
    );
}

/** The first values come from a flow that hardly exists: the axis follows the last three quarters. */
function settled(curves: readonly (readonly { y: number }[])[]): { min: number; max: number } {
    const values = curves.flatMap((points) => points.slice(Math.floor(points.length / 4)).map((point) => point.y));
    const [low, high] = [Math.min(...values), Math.max(...values)];
    const room = Math.max(0.05 * (high - low), 0.5);
    return { min: low - room, max: high + room };
}

/** What of the limits and watches comes near its bound is followed by name; the worst few, for more could not be told apart. */
function Watched({ run, outline, units }: { run: Run; outline: Outline; units: UnitSet }) {
    const known = run.samples.filter((s) => Object.keys(s.values).length > 0);
    // A course begins with the way to its steady start, whose curves are over seconds of the computer.
    const samples = known.some((s) => s.moment !== null) ? known.filter((s) => s.moment !== null) : known;
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
    const series = ids.map((id) => ({
        name: name(id),
        points: samples.flatMap((s) => (s.values[id] === undefined ? [] : [{ x: s.moment ?? s.seconds, y: s.values[id] }])),
    }));
    const isCourse = samples.some((s) => s.moment !== null);
    return (
        <Lines
            label="Watched temperatures"
            height={HEIGHT}
            x={{ title: isCourse ? 'time of the course, s' : 'seconds', format: seconds }}
            y={{
                title: `watched, ${temperatureUnit(units)}`,
                number: (value) => temperatureNumber(value, units),
                format: plain,
                ...(isCourse ? {} : settled(series.map(({ points }) => points))),
            }}
            series={series}
        />
    );
}

const MOST_WATCHED = 5;

const starts = { rest: 'fluid at rest', flow: 'the flow of an earlier run', checkpoint: 'its own checkpoint' } as const;

/** How a run comes near its answer, and what the balance says. */
export function RunCurves({ run, result, outline }: { run: Run | undefined; result: Result | undefined; outline: Outline | undefined }) {
    const units = usePreferences((s) => s.units);
    const keep = useSession().data?.keep;
    // The result has every iteration of its grid; while a run goes on there are moments of it, on one grid after the other.
    const samples =
        result?.solver.residuals.map((residual, i) => ({ x: i + 1, residual })) ?? run?.samples.map((s) => ({ x: s.seconds, residual: s.residual })) ?? [];
    const isCourse = result?.time != null || run?.samples.some((s) => s.moment !== null) === true;
    if (!run || (samples.length === 0 && !isCourse)) {
        return (
            <Typography color="text.secondary" sx={{ px: 2, pb: 2 }}>
                {run ? 'This run was over before a residual was noted.' : 'Residuals and the heat balance appear here during a run.'}
            </Typography>
        );
    }
    return (
        <Stack direction="row" sx={{ px: 2, pb: 1.5, gap: 3, overflowX: 'auto' }}>
            {!isCourse && (
                <Box sx={{ width: 320, flexShrink: 0 }}>
                    <Residuals samples={samples} overIterations={result !== undefined} />
                </Box>
            )}
            <Box sx={{ width: 420, flexShrink: 0 }}>
                {outline && run.samples.some((s) => Object.keys(s.values).length > 0) ? (
                    <Watched run={run} outline={outline} units={units} />
                ) : (
                    <Margins run={run} units={units} />
                )}
            </Box>
            {result && (
                <Box sx={{ fontSize: 13, lineHeight: 1.9 }}>
                    {result.time ? (
                        <CourseFacts course={result.time} />
                    ) : (
                        <div>
                            Heat in {watts(result.balance.in)} W, out {watts(result.balance.out)} W
                        </div>
                    )}
                    <div>Balance error {scientific(result.balance.error * 100)} %</div>
                    {!result.time && (
                        <div>
                            Residual {scientific(result.solver.residual)} after {result.solver.iterations} iterations in {result.solver.passes}{' '}
                            {result.solver.passes === 1 ? 'pass' : 'passes'}
                        </div>
                    )}
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

/** How a course was stepped, and its heat. */
function CourseFacts({ course }: { course: Course }) {
    return (
        <>
            <div>
                {course.steps} steps of {clock(course.shortest)} to {clock(course.longest)}, {course.rejected} taken again
            </div>
            <div>
                Heat in {joules(course.balance.in)}, out {joules(course.balance.out)}, stored {joules(course.balance.stored)}
            </div>
        </>
    );
}
