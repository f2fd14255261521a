import { useTheme } from '@mui/material/styles';
import { useMemo } from 'react';
import { Chart } from './Chart';
import { seriesColours } from './colours';

export interface Series {
    name: string;
    points: readonly { x: number; y: number }[];
    /** Drawn in dashes, in the colour of the text: something to compare with. */
    quiet?: boolean;
    /** A single point, marked. */
    mark?: boolean;
}

interface Axis {
    title: string;
    /** From SI to the unit of the axis, a straight line; as they come where it is not given. */
    number?: (value: number) => number;
    /** A number of the axis, in its unit, with as many digits as are worth it. */
    format: (value: number) => string;
    /** Ends of the axis, SI. */
    min?: number;
    max?: number;
}

interface Props {
    /** What it shows, for the name of its files and for who does not see it. */
    label: string;
    height: number;
    x: Axis & { logarithmic?: boolean };
    y: Axis & { logarithmic?: boolean };
    series: readonly Series[];
    /** A place along x that was clicked, in the numbers of the axis. */
    onPlace?: ((x: number) => void) | undefined;
}

/** A number with four digits. */
export const plain = (value: number): string => String(Number(value.toPrecision(4))).replace('-', '−');

const as = (value: number): number => value;

const DASHES = ['solid', 'dashed', 'dotted', [8, 3, 2, 3], [2, 2]];

/** Curves over one axis: hover reads them, the wheel with Ctrl or two fingers zooms, dragging moves what was zoomed. */
export function Lines({ label, height, x, y, series, onPlace }: Props) {
    const { palette } = useTheme();
    const [shownX, shownY] = [x.number ?? as, y.number ?? as];
    const option = useMemo(() => {
        const quiet = { color: palette.text.secondary, fontSize: 11 };
        const axis = ({ title, format, min, max, number = as }: Axis) => ({
            name: title,
            nameTextStyle: quiet,
            nameLocation: 'end',
            nameGap: 8,
            min: min === undefined ? undefined : number(min),
            max: max === undefined ? undefined : number(max),
            axisLabel: { ...quiet, formatter: format, hideOverlap: true },
            axisLine: { lineStyle: { color: palette.divider } },
            splitLine: { lineStyle: { color: palette.divider } },
        });
        const named = series.filter(({ mark }) => !mark);
        return {
            grid: { left: 8, right: 16, top: named.length > 1 ? 44 : 26, bottom: 20, containLabel: true },
            legend: {
                show: named.length > 1,
                type: 'scroll',
                top: 0,
                left: 0,
                width: '80%',
                itemWidth: 22,
                textStyle: quiet,
                data: named.map(({ name }) => name),
            },
            tooltip: {
                trigger: 'axis',
                confine: true,
                textStyle: { fontSize: 12 },
                formatter: (points: { seriesName: string; marker: string; value: [number, number] }[]) =>
                    [
                        `${x.title} ${x.format(points[0]!.value[0])}`,
                        ...points.map((point) => `${point.marker}${point.seriesName}: <b>${y.format(point.value[1])}</b>`),
                    ].join('<br>'),
            },
            dataZoom: [{ type: 'inside', zoomOnMouseWheel: 'ctrl', moveOnMouseWheel: false }],
            xAxis: { type: x.logarithmic ? 'log' : 'value', scale: true, ...axis(x), nameLocation: 'middle', nameGap: 22, splitLine: { show: false } },
            yAxis: { type: y.logarithmic ? 'log' : 'value', scale: true, ...axis(y), nameTextStyle: { ...quiet, align: 'left' } },
            series: series.map((one, n) => ({
                name: one.name,
                type: 'line',
                showSymbol: one.mark ?? false,
                symbol: 'circle',
                symbolSize: one.mark ? 9 : 5,
                color: one.quiet ? palette.text.secondary : seriesColours[n % seriesColours.length],
                lineStyle: { width: 1.8, type: one.quiet ? 'dashed' : DASHES[n % DASHES.length] },
                data: one.points.map((point) => [shownX(point.x), shownY(point.y)]),
            })),
        };
    }, [palette, series, x, y, shownX, shownY]);
    const table = () => [
        ['Curve', x.title, y.title],
        ...series.flatMap(({ name, points }) => points.map((point) => [name, Number(shownX(point.x).toPrecision(7)), Number(shownY(point.y).toPrecision(7))])),
    ];
    return <Chart label={label} height={height} option={option} table={table} onPlace={onPlace} />;
}
