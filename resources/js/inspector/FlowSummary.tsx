import type { Result } from '../api/types';
import { litres, number, size, temperatureWithUnit, thousands, type UnitSet } from '../units/units';
import { Chapter, Line } from './Chapter';
import { Panel } from './Panel';

type Flow = NonNullable<Result['flow']>;

const percent = (share: number): string => `${number(100 * share, share < 0.001 ? 3 : 1)} %`;

/** The flow through every opening and fan, and how it was computed: what Judge shows while no part is selected. */
export function FlowSummary({ flow, units }: { flow: Flow; units: UnitSet }) {
    const { regime } = flow;
    const grams = (mass: number) => `${number(1e3 * mass, 2)} g/s`;
    // Where the density changes on the way, only the mass is the same everywhere.
    const through = (mass: number) => (regime.densityVaries ? grams(mass) : litres(mass / flow.fluid.density));
    return (
        <Panel
            label="Flow"
            title="Flow"
            note={[regime.model === 'turbulent' ? 'Turbulent' : 'Laminar', regime.chosen === 'auto' && 'as found', regime.densityVaries && 'density by temperature', regime.reynolds !== null && `Reynolds number ${thousands(Math.round(regime.reynolds))}`].filter(Boolean).join(', ')}
        >
            {flow.openings.map((opening) => (
                <Chapter key={opening.name} title={`${opening.kind === 'open' ? 'Open' : opening.kind === 'inlet' ? 'Inlet' : 'Outlet'}, side ${opening.name.replace(/ patch (\d+)/, (_m, n: string) => `, opening ${Number(n) + 1}`)}`}>
                    {opening.in > 1e-9 && <Line label="In">{through(opening.in)}</Line>}
                    {opening.out > 1e-9 && <Line label="Out">{through(opening.out)}</Line>}
                    {opening.temperature !== null && <Line label="Leaves with">{temperatureWithUnit(opening.temperature, units)}</Line>}
                    <Line label="Heat carried out">{number(opening.heat, 2)} W</Line>
                </Chapter>
            ))}
            {flow.fans.map((fan) => (
                <Chapter key={fan.part} title={fan.name}>
                    <Line label="Flow">{litres(fan.flow)}</Line>
                    <Line label="Pressure rise">{number(fan.rise, 1)} Pa</Line>
                </Chapter>
            ))}
            {flow.fins?.map((block) => (
                <Chapter key={block.part} title={block.name}>
                    <Line label="Fins">{block.fins}, {size([block.gap], units)} apart</Line>
                    <Line label="Air between them">{block.resolved ? `resolved, ${block.cells} cells per gap` : block.drawn < block.fins ? `modelled, as ${block.drawn} thicker fins` : 'modelled, by duct correlations'}</Line>
                </Chapter>
            ))}
            <Chapter title="Whole space">
                <Line label="Fastest">{number(flow.largestVelocity, 2)} m/s</Line>
                <Line label="Mass in, out">{grams(flow.balance.in)}, {grams(flow.balance.out)}</Line>
                <Line label="Velocities, last step">{percent(regime.velocityChange)} changed</Line>
                {regime.temperatureMove !== null && <Line label="Hottest places, last check">{percent(regime.temperatureMove)} moved</Line>}
                {regime.amplitude !== null && <Line label="Temperatures swing">±{number(regime.amplitude, 1)} K</Line>}
            </Chapter>
        </Panel>
    );
}
