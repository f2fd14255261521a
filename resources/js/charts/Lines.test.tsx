// @vitest-environment jsdom
import { render } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { FanCurve, systemCurve } from '../inspector/FanCurve';
import { usePreferences } from '../state/screen';
import type { ChartProps } from './Chart';
import { Lines, plain } from './Lines';

interface Drawn {
    xAxis: { name: string; min: number; max: number };
    yAxis: { name: string; type: string; axisLabel: { formatter: (value: number) => string } };
    legend: { show: boolean };
    series: { name: string; data: [number, number][]; lineStyle: { type: unknown } }[];
}

let drawn: ChartProps;
vi.mock('./Chart', () => ({
    Chart: (props: ChartProps) => {
        drawn = props;
        return null;
    },
}));
const option = () => drawn.option as unknown as Drawn;

describe('curves', () => {
    beforeEach(() => usePreferences.setState({ units: 'mm' }));

    it('are drawn in the unit of the axis, and so are their numbers in a file', () => {
        render(
            <Lines
                label="Watched"
                height={100}
                x={{ title: 'seconds', format: plain }}
                y={{ title: '°C', number: (kelvin) => kelvin - 273.15, format: plain }}
                series={[{ name: 'A', points: [{ x: 1, y: 300 }] }]}
            />,
        );
        expect(option().series[0]!.data).toEqual([[1, 300 - 273.15]]);
        expect(drawn.table()).toEqual([
            ['Curve', 'seconds', '°C'],
            ['A', 1, 26.85],
        ]);
        expect(option().legend.show).toBe(false);
    });

    it('are told apart by more than their colour', () => {
        const points = [{ x: 0, y: 1 }];
        render(
            <Lines
                label="R"
                height={100}
                x={{ title: 'x', format: plain }}
                y={{ title: 'y', format: plain, logarithmic: true }}
                series={['A', 'B', 'C'].map((name) => ({ name, points }))}
            />,
        );
        expect(new Set(option().series.map(({ lineStyle }) => JSON.stringify(lineStyle.type))).size).toBe(3);
        expect(option().legend.show).toBe(true);
        expect(option().yAxis.type).toBe('log');
    });

    it('of a fan show where it works, on the curve of the system', () => {
        expect(systemCurve({ flow: 2, rise: 8 }, 4).at(-1)).toEqual({ x: 4, y: 32 });
        render(
            <FanCurve
                curve={[
                    [0, 60],
                    [0.004, 0],
                ]}
                point={{ flow: 0.003, rise: 10 }}
            />,
        );
        expect(option().xAxis).toMatchObject({ name: 'l/s', min: 0, max: 4 });
        expect(option().series.map(({ name }) => name)).toEqual(['Fan', 'System, by the square of the flow', 'Operating point']);
        expect(option().series[2]!.data).toEqual([[3, 10]]);
        // A fan that has not run has no system curve.
        render(
            <FanCurve
                curve={[
                    [0, 60],
                    [0.004, 0],
                ]}
            />,
        );
        expect(option().series.map(({ name }) => name)).toEqual(['Fan']);
    });
});
