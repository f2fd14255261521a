import { Lines, plain, type Series } from '../charts/Lines';
import { usePreferences } from '../state/screen';
import { volumeFlowNumber, volumeFlowUnit } from '../units/units';

interface Props {
    /** Flow in m3/s and rise in Pa. */
    curve: readonly (readonly number[])[];
    point?: { flow: number; rise: number };
}

/** Points of the system curve. */
const STEPS = 24;

/** What the system asks for at other flows, as the square of them, through where the fan works on it. */
export function systemCurve(point: { flow: number; rise: number }, most: number): { x: number; y: number }[] {
    const resistance = point.rise / point.flow ** 2;
    return Array.from({ length: STEPS + 1 }, (_, n) => ({ x: (n / STEPS) * most, y: resistance * ((n / STEPS) * most) ** 2 }));
}

/** Pressure rise over flow; once it is known, where the fan works on it, and the system curve through that point. */
export function FanCurve({ curve, point }: Props) {
    const units = usePreferences((s) => s.units);
    const flows = curve.map(([flow]) => flow!);
    const highest = Math.max(...curve.map(([, rise]) => rise!), point?.rise ?? 0);
    const most = Math.max(...flows, point?.flow ?? 0);
    const series: Series[] = [{ name: 'Fan', points: curve.map(([x, y]) => ({ x: x!, y: y! })) }];
    if (point && point.flow > 0 && point.rise > 0) {
        series.push({ name: 'System, by the square of the flow', quiet: true, points: systemCurve(point, most).filter(({ y }) => y <= 1.1 * highest) });
        series.push({ name: 'Operating point', mark: true, points: [{ x: point.flow, y: point.rise }] });
    }
    return (
        <Lines
            label="Fan curve"
            height={point ? 210 : 170}
            x={{ title: volumeFlowUnit(units), number: (at) => volumeFlowNumber(at, units), format: plain, min: 0, max: most }}
            y={{ title: 'Pa', format: plain, min: 0 }}
            series={series}
        />
    );
}
