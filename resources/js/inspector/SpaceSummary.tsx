import Typography from '@mui/material/Typography';
import Box from '@mui/material/Box';
import type { ReactNode } from 'react';
import { bypassPercent } from '../routes/bypass';
import { RoutesButton } from '../routes/RoutesButton';
import { Lines, plain } from '../charts/Lines';
import type { Outline, Result, ResultLimit } from '../api/types';
import { amountOf, marginOf, measureOf, readingOf, readingSpreadOf } from '../units/quantities';
import { terminalTitle } from '../model/heat';
import {
    amperes,
    difference,
    differenceUnit,
    lengthNumber,
    lengthUnit,
    massFlow,
    number,
    size,
    speed,
    temperatureWithUnit,
    thousands,
    volts,
    volumeFlow,
    watts,
    type UnitSet,
} from '../units/units';
import { Chapter, Line } from './Chapter';
import { keptFields } from '../time/course';
import { OverTime } from '../time/OverTime';
import { Panel } from './Panel';
import { WhatIfChapter } from '../whatif/WhatIfChapter';
import { verdictColours } from '../theme/verdicts';

type Flow = NonNullable<Result['flow']>;

const percent = (share: number): string => `${number(100 * share, share < 0.001 ? 3 : 1)} %`;

interface Props {
    run: number | undefined;
    result: Result;
    /** Whether the result is that of other watts, which tell nothing of where the heat goes. */
    tried: boolean;
    outline: Outline;
    units: UnitSet;
    mayEdit: boolean;
    /** The operating points that were computed with it. */
    points?: ReactNode;
    /** What can be tried by another run. */
    trials?: ReactNode;
    /** What tolerances do to the margins. */
    tolerances?: ReactNode;
    /** Who radiates to whom. */
    radiation?: ReactNode;
}

/** What leaves the space and how it was computed: what Judge shows while no part is selected. */
export function SpaceSummary({ run, result, tried, outline, units, mayEdit, points, trials, tolerances, radiation }: Props) {
    const { flow } = result;
    const limits = result.limits.filter((limit) => limit.part === null);
    const sides = Object.entries(result.sides).flatMap(([side, sum]) => (sum && Math.abs(sum.heat) > 5e-4 ? [[side, sum.heat] as const] : []));
    // Films on faces of parts take heat straight to the surroundings.
    const fromParts =
        result.balance.out - sides.reduce((sum, [, heat]) => sum + heat, 0) - (flow?.openings ?? []).reduce((sum, opening) => sum + opening.heat, 0);
    const radiated = result.radiation?.out ?? 0;
    // What is radiated by what touches a side is in the heat of that side.
    const radiatedFromParts = radiated - Object.values(result.sides).reduce((sum, side) => sum + (side?.radiated ?? 0), 0);
    const convected = fromParts - radiatedFromParts;
    const least = 0.005 * result.balance.out;
    return (
        <Panel
            label={flow ? 'Flow' : 'Space'}
            title={flow ? 'Flow' : 'Space'}
            note={flow ? regimeOf(flow) : 'What leaves it; the parts show when they are selected'}
        >
            {points}
            {result.fields.includes('temperature') && !tried && result.frame === undefined && <RoutesButton label="Heat routes" outlined of={null} />}
            {result.frame !== undefined && (
                <Typography color="text.secondary">
                    Only temperatures {keptFields(result).includes('velocity') && 'and velocities '}are kept of a moment on the way. Peaks shows where the heat
                    goes at the end.
                </Typography>
            )}
            <OverTime result={result} of={() => true} units={units} />
            {tolerances}
            {result.fields.includes('temperature') && run !== undefined && !result.time && (
                <WhatIfChapter run={run} outline={outline} units={units} mayEdit={mayEdit} part={null} />
            )}
            {trials}
            {limits.length > 0 && (
                <Chapter title="Limits of the space">
                    {limits.map((limit) => (
                        <Line key={limit.id} label={limit.name}>
                            <Judged limit={limit} units={units} />
                        </Line>
                    ))}
                </Chapter>
            )}
            <Watches result={result} units={units} />
            {result.electric && (
                <Chapter title="Current">
                    {result.electric.terminals.map((terminal, n) => (
                        <Line key={n} label={`${terminal.name}, ${terminalTitle(terminal).toLowerCase()}`}>
                            {amperes(terminal.current)} at {volts(terminal.voltage)}
                        </Line>
                    ))}
                    <Line label="Joule heat">{watts(result.electric.power)} W</Line>
                </Chapter>
            )}
            {flow && <FlowChapters flow={flow} tried={tried} units={units} />}
            {!tried && result.frame === undefined && (sides.length > 0 || fromParts > least || result.radiation) && (
                <Chapter title={`${flow ? 'Heat out through the walls' : 'Where the heat leaves'}${result.time ? ', in the end' : ''}`}>
                    {sides.map(([side, heat]) => (
                        <Line key={side} label={`Side ${side}`}>
                            {watts(heat)} W
                        </Line>
                    ))}
                    {convected > least && <Line label="Convection from parts">{watts(convected)} W</Line>}
                    {radiatedFromParts > least && <Line label="Radiation from parts">{watts(radiatedFromParts)} W</Line>}
                    {result.radiation && (
                        <Line label={`Of all that, radiated to ${temperatureWithUnit(result.radiation.towards, units)}`}>
                            {watts(radiated)} W{result.balance.out > 0 && `, ${((100 * radiated) / result.balance.out).toFixed(0)} %`}
                        </Line>
                    )}
                </Chapter>
            )}
            {!tried && radiation}
        </Panel>
    );
}

/** What is watched of the space: its sides, points, lines with what they read along them, and sections. */
function Watches({ result, units }: { result: Result; units: UnitSet }) {
    const watches = result.watches.filter((watch) => watch.part === null);
    if (watches.length === 0) return null;
    return (
        <>
            <Chapter title="Watches of the space">
                {watches.map((watch) => (
                    <Line key={watch.id} label={watch.name}>
                        {watch.value === null ? '—' : readingOf({ ...watch, value: watch.value }, units)}
                        {watch.value !== null && watch.plusMinus !== null && ` ± ${readingSpreadOf({ ...watch, value: watch.plusMinus }, units)}`}
                        {watch.value !== null && watch.unknown !== null && <span title={`± unknown: ${watch.unknown}`}> ±?</span>}
                    </Line>
                ))}
            </Chapter>
            {watches.map((watch) => watch.profile && <Profile key={watch.id} watch={watch} profile={watch.profile} units={units} />)}
        </>
    );
}

type ResultWatch = Result['watches'][number];

/** What the watch of a line reads, over the way along it. */
function Profile({ watch, profile, units }: { watch: ResultWatch; profile: NonNullable<ResultWatch['profile']>; units: UnitSet }) {
    const points = profile.positions.flatMap((x, n) => (profile.values[n] == null ? [] : [{ x, y: profile.values[n] }]));
    if (points.length < 2) return null;
    const { unit, number: shown } = measureOf(watch.quantity, units);
    return (
        <Lines
            label={`${watch.name}, along the line`}
            height={170}
            x={{
                title: `along the line, ${lengthUnit(units)}`,
                number: (at) => lengthNumber(at, units),
                format: plain,
                min: 0,
                max: profile.positions.at(-1) ?? 0,
            }}
            y={{ title: unit, number: shown, format: plain }}
            series={[{ name: watch.name, points }]}
        />
    );
}

function Judged({ limit, units }: { limit: ResultLimit; units: UnitSet }) {
    if (limit.value === null || limit.margin === null) return <>—</>;
    return (
        <>
            {amountOf(limit.quantity, limit.value, units)},{' '}
            <Box component="span" sx={{ color: verdictColours[limit.verdict], whiteSpace: 'nowrap' }}>
                {marginOf(limit.quantity, limit.margin, units)}
            </Box>
        </>
    );
}

const regimeOf = ({ regime }: Flow): string =>
    [
        regime.model === 'turbulent' ? 'Turbulent' : 'Laminar',
        regime.chosen === 'auto' && 'as found',
        regime.densityVaries && 'density by temperature',
        regime.reynolds !== null && `Reynolds number ${thousands(Math.round(regime.reynolds))}`,
    ]
        .filter(Boolean)
        .join(', ');

/** The flow through every opening and fan. */
function FlowChapters({ flow, tried, units }: { flow: Flow; tried: boolean; units: UnitSet }) {
    const { regime } = flow;
    // Where the density changes on the way, only the mass is the same everywhere.
    const through = (mass: number) => (regime.densityVaries ? massFlow(mass, units) : volumeFlow(mass / flow.fluid.density, units));
    return (
        <>
            {flow.openings.map((opening) => (
                <Chapter
                    key={opening.name}
                    title={`${opening.kind === 'open' ? 'Open' : opening.kind === 'inlet' ? 'Inlet' : 'Outlet'}, side ${opening.name.replace(/ patch (\d+)/, (_m, n: string) => `, opening ${Number(n) + 1}`)}`}
                >
                    {opening.in > 1e-9 && <Line label="In">{through(opening.in)}</Line>}
                    {opening.out > 1e-9 && <Line label="Out">{through(opening.out)}</Line>}
                    {opening.temperature !== null && !tried && <Line label="Leaves with">{temperatureWithUnit(opening.temperature, units)}</Line>}
                    {!tried && <Line label="Heat carried out">{number(opening.heat, 2)} W</Line>}
                </Chapter>
            ))}
            {flow.fans.map((fan) => (
                <Chapter key={fan.part} title={fan.name}>
                    <Line label="Flow">{volumeFlow(fan.flow, units)}</Line>
                    <Line label="Pressure rise">{number(fan.rise, 1)} Pa</Line>
                </Chapter>
            ))}
            {flow.sinks?.map((sink) => (
                <Chapter key={sink.part} title={`${sink.name}: air`}>
                    <Line label="Through the fins">{volumeFlow(sink.through, units)}</Line>
                    <Line label="Bypasses them">
                        {volumeFlow(sink.beside, units)}, {bypassPercent(sink)} %
                    </Line>
                </Chapter>
            ))}
            {flow.fins?.map((block) => (
                <Chapter key={block.part} title={block.name}>
                    <Line label="Fins">
                        {block.fins}, {size([block.gap], units)} apart
                    </Line>
                    <Line label="Air between them">
                        {block.resolved
                            ? `resolved, ${block.cells} cells per gap`
                            : block.drawn < block.fins
                              ? `modelled, as ${block.drawn} thicker fins`
                              : 'modelled, by duct correlations'}
                    </Line>
                </Chapter>
            ))}
            <Chapter title="Whole space">
                <Line label="Peak velocity">{speed(flow.largestVelocity, units)}</Line>
                {flow.openings.length > 0 && (
                    <Line label="Mass in, out">
                        {massFlow(flow.balance.in, units)}, {massFlow(flow.balance.out, units)}
                    </Line>
                )}
                {regime.velocityChange !== null && <Line label="Velocities, last step">{percent(regime.velocityChange)} changed</Line>}
                {regime.temperatureMove !== null && <Line label="Hottest places, last check">{percent(regime.temperatureMove)} moved</Line>}
                {regime.amplitude !== null && (
                    <Line label="Temperature fluctuation">
                        ±{difference(regime.amplitude, units).replace('+', '')} {differenceUnit(units)}
                    </Line>
                )}
            </Chapter>
        </>
    );
}
