import type { EChartsCoreOption } from 'echarts/core';
import type { StudyPoint } from '../api/types';
import { seriesColours } from '../charts/colours';
import { plain } from '../charts/Lines';
import type { Axis } from './points';

export type ChartKind = 'line' | 'map' | 'scatter' | 'parallel' | 'spread';

/** What can be drawn over so many parameters, the most telling first. */
export const chartsFor = (parameters: number, spread = false): ChartKind[] =>
    spread
        ? ['spread', 'scatter', 'parallel']
        : parameters === 1
          ? ['line', 'scatter']
          : parameters === 2
            ? ['map', 'line', 'scatter', 'parallel']
            : ['parallel', 'scatter', 'line'];

export interface Chosen {
    x: Axis;
    y: Axis;
    parameters: readonly Axis[];
    results: readonly Axis[];
    /** Numbers of the points of a front, which a line joins where its two aims are drawn. */
    front: readonly number[];
}

export interface Look {
    text: string;
    line: string;
    strong: string;
}

/** From dark and cold to light and warm; the colours stay apart in lightness alone. */
const SCALE = ['#1d4e68', '#3b86a0', '#a9c9cf', '#f0d9b5', '#d98a3d', '#9a3d12'];

const MISSED = '#b3362c';

interface Datum {
    value: (number | string)[];
    number: number;
}

/** The option of a chart of the solved points. */
export function chartOf(kind: ChartKind, points: readonly StudyPoint[], chosen: Chosen, look: Look, selected: number | null): EChartsCoreOption {
    const solved = points.filter((point) => chosen.y.of(point) !== null);
    switch (kind) {
        case 'line':
            return lines(solved, chosen, look, selected);
        case 'map':
            return map(solved, chosen, look, selected);
        case 'scatter':
            return scatter(solved, chosen, look, selected);
        case 'parallel':
            return parallel(solved, chosen, look, selected);
        case 'spread':
            return spread(solved, chosen, look);
    }
}

const named = ({ title, unit }: Axis): string => (unit === '' ? title : `${title}, ${unit}`);
const reading = (axis: Axis, point: StudyPoint): string => {
    const value = axis.of(point);
    return value === null ? '' : `${axis.title} <b>${plain(value)}${axis.unit === '' ? '' : ` ${axis.unit}`}</b>`;
};

const tooltip = (points: readonly StudyPoint[], { parameters, results, x }: Chosen) => ({
    trigger: 'item',
    confine: true,
    textStyle: { fontSize: 12 },
    formatter: ({ data }: { data?: Datum }) => {
        const point = points.find(({ number }) => number === data?.number);
        const axes = [...new Set([...parameters, x, ...results])];
        return point ? [`Point ${point.number}`, ...axes.map((axis) => reading(axis, point))].join('<br>') : '';
    },
});

const valueAxis = (axis: Axis, { text, line }: Look, vertical: boolean) => ({
    type: 'value',
    scale: true,
    name: named(axis),
    nameLocation: vertical ? 'end' : 'middle',
    nameGap: vertical ? 8 : 24,
    nameTextStyle: { color: text, fontSize: 11, align: vertical ? 'left' : 'center' },
    axisLabel: { color: text, fontSize: 11, formatter: plain, hideOverlap: true },
    axisLine: { lineStyle: { color: line } },
    splitLine: { show: vertical, lineStyle: { color: line } },
});

const frame = { left: 8, right: 24, top: 34, bottom: 28, containLabel: true };

const mark = (selected: number | null, { strong }: Look) => ({
    symbol: 'circle',
    symbolSize: (_value: unknown, { data }: { data: Datum }) => (data.number === selected ? 13 : 7),
    itemStyle: { borderColor: strong, borderWidth: 0 },
});

function lines(points: readonly StudyPoint[], chosen: Chosen, look: Look, selected: number | null): EChartsCoreOption {
    const { x, y, parameters } = chosen;
    // One curve for each combination of the other parameters, as long as these are few.
    const others = parameters.filter((axis) => axis !== x);
    const groups = new Map<string, StudyPoint[]>();
    for (const point of points) {
        const key = others.map((axis) => `${axis.title} ${plain(axis.of(point) ?? NaN)} ${axis.unit}`).join(', ');
        groups.set(key, [...(groups.get(key) ?? []), point]);
    }
    return {
        grid: { ...frame, top: groups.size > 1 ? 56 : 34 },
        legend: { show: groups.size > 1 && groups.size <= 12, type: 'scroll', top: 0, left: 0, right: 40, textStyle: { color: look.text, fontSize: 11 } },
        tooltip: tooltip(points, chosen),
        xAxis: valueAxis(x, look, false),
        yAxis: valueAxis(y, look, true),
        series: [...groups].map(([name, members], n) => ({
            name,
            type: 'line',
            color: seriesColours[n % seriesColours.length],
            lineStyle: { width: 1.8 },
            ...mark(selected, look),
            data: members
                .map((point): Datum => ({ value: [x.of(point)!, y.of(point)!], number: point.number }))
                .sort((a, b) => Number(a.value[0]) - Number(b.value[0])),
        })),
    };
}

const visual = (values: readonly number[], dimension: number, axis: Axis, { text }: Look) => ({
    type: 'continuous',
    min: Math.min(...values),
    max: Math.max(...values, Math.min(...values) + 1e-9),
    dimension,
    // What is good is cold, as everywhere.
    inRange: { color: axis.better === 1 ? [...SCALE].reverse() : SCALE },
    orient: 'vertical',
    right: 0,
    top: 'middle',
    itemHeight: 150,
    text: [`${plain(Math.max(...values))} ${axis.unit}`, `${plain(Math.min(...values))} ${axis.unit}`],
    formatter: plain,
    textStyle: { color: text, fontSize: 11 },
});

function map(points: readonly StudyPoint[], chosen: Chosen, look: Look, selected: number | null): EChartsCoreOption {
    const { y, parameters } = chosen;
    const [a, b] = [parameters[0]!, parameters[1]!];
    const places = (axis: Axis) => [...new Set(points.map((point) => axis.of(point) ?? NaN))].sort((one, other) => one - other);
    const [columns, rows] = [places(a), places(b)];
    // Points on no common grid are a cloud in the colours of the result.
    if (columns.length * rows.length > 2 * points.length + 4) return cloud(points, chosen, look, selected, a, b);
    const category = (axis: Axis, values: readonly number[], vertical: boolean) => ({
        ...valueAxis(axis, look, vertical),
        type: 'category',
        data: values.map(plain),
        axisLabel: { color: look.text, fontSize: 11 },
        splitLine: { show: false },
        splitArea: { show: false },
    });
    const values = points.map((point) => y.of(point)!);
    return {
        grid: { ...frame, right: 110 },
        tooltip: tooltip(points, chosen),
        xAxis: category(a, columns, false),
        yAxis: category(b, rows, true),
        visualMap: visual(values, 2, y, look),
        series: [
            {
                type: 'heatmap',
                label: {
                    show: points.length <= 80,
                    formatter: ({ value }: { value: [number, number, number] }) => plain(Number(value[2].toPrecision(3))),
                    fontSize: 11,
                },
                // The selected one lies over its neighbours.
                data: [...points]
                    .sort((one, other) => Number(one.number === selected) - Number(other.number === selected))
                    .map((point): Datum & { itemStyle?: object } => ({
                        value: [columns.indexOf(a.of(point)!), rows.indexOf(b.of(point)!), y.of(point)!],
                        number: point.number,
                        ...(point.number === selected && { itemStyle: { borderColor: look.strong, borderWidth: 2.5 } }),
                    })),
            },
        ],
    };
}

function cloud(points: readonly StudyPoint[], chosen: Chosen, look: Look, selected: number | null, a: Axis, b: Axis): EChartsCoreOption {
    const { y } = chosen;
    return {
        grid: { ...frame, right: 110 },
        tooltip: tooltip(points, chosen),
        xAxis: valueAxis(a, look, false),
        yAxis: valueAxis(b, look, true),
        visualMap: visual(
            points.map((point) => y.of(point)!),
            2,
            y,
            look,
        ),
        series: [
            {
                type: 'scatter',
                ...mark(selected, look),
                symbolSize: (_value: unknown, { data }: { data: Datum }) => (data.number === selected ? 18 : 12),
                data: points.map((point): Datum => ({ value: [a.of(point)!, b.of(point)!, y.of(point)!], number: point.number })),
            },
        ],
    };
}

function scatter(points: readonly StudyPoint[], chosen: Chosen, look: Look, selected: number | null): EChartsCoreOption {
    const { x, y, front } = chosen;
    const shown = points.filter((point) => x.of(point) !== null);
    const datum = (point: StudyPoint): Datum => ({ value: [x.of(point)!, y.of(point)!], number: point.number });
    return {
        grid: frame,
        tooltip: tooltip(points, chosen),
        xAxis: valueAxis(x, look, false),
        yAxis: valueAxis(y, look, true),
        dataZoom: [{ type: 'inside', zoomOnMouseWheel: 'ctrl', moveOnMouseWheel: false }],
        series: [
            {
                type: 'scatter',
                color: seriesColours[0],
                large: shown.length > 2000,
                ...mark(selected, look),
                data: shown.map(datum),
            },
            ...(front.length === 0
                ? []
                : [
                      {
                          type: 'line',
                          color: seriesColours[1],
                          lineStyle: { width: 1.5, type: 'dashed' },
                          ...mark(selected, look),
                          data: shown
                              .filter(({ number }) => front.includes(number))
                              .map(datum)
                              .sort((a, b) => Number(a.value[0]) - Number(b.value[0])),
                      },
                  ]),
        ],
    };
}

function parallel(points: readonly StudyPoint[], chosen: Chosen, look: Look, selected: number | null): EChartsCoreOption {
    const { y, parameters } = chosen;
    const axes = [...parameters, y];
    const values = points.map((point) => y.of(point)!);
    return {
        parallel: {
            left: 40,
            right: 130,
            top: 40,
            bottom: 20,
            parallelAxisDefault: {
                nameTextStyle: { color: look.text, fontSize: 11 },
                axisLabel: { color: look.text, fontSize: 11, formatter: plain },
                axisLine: { lineStyle: { color: look.line } },
            },
        },
        parallelAxis: axes.map((axis, dim) => ({ dim, name: named(axis), scale: true, type: 'value' })),
        visualMap: visual(values, axes.length - 1, y, look),
        series: [
            {
                type: 'parallel',
                lineStyle: { width: 1.4, opacity: points.length > 500 ? 0.25 : 0.7 },
                progressive: 500,
                data: points.map((point) => ({
                    value: axes.map((axis) => axis.of(point) ?? NaN),
                    number: point.number,
                    ...(point.number === selected && { lineStyle: { width: 4, opacity: 1 } }),
                })),
            },
        ],
    };
}

/** How many points read how much: bars of equal width, about the square root of the points of them; red where no margin is left. */
function spread(points: readonly StudyPoint[], { y }: Chosen, look: Look): EChartsCoreOption {
    const values = points.map((point) => y.of(point)!);
    const low = Math.min(...values);
    const count = Math.max(1, Math.ceil(Math.sqrt(values.length)));
    const width = (Math.max(...values) - low) / count || 1;
    const bars = Array.from({ length: count }, (_, n) => [low + (n + 0.5) * width, 0] as [number, number]);
    for (const value of values) bars[Math.min(count - 1, Math.floor((value - low) / width))]![1]++;
    const said = ([middle, many]: [number, number]) =>
        `${plain(middle - width / 2)} to ${plain(middle + width / 2)} ${y.unit}: <b>${many}</b> of ${values.length}`;
    return {
        grid: frame,
        tooltip: { trigger: 'item', confine: true, textStyle: { fontSize: 12 }, formatter: ({ value }: { value: [number, number] }) => said(value) },
        xAxis: valueAxis(y, look, false),
        yAxis: { ...valueAxis({ ...y, title: 'Builds', unit: '' }, look, true), scale: false, minInterval: 1 },
        series: [
            {
                type: 'bar',
                barWidth: '92%',
                data: bars.map((value) => ({ value, itemStyle: { color: y.id === 'margin' && value[0] < 0 ? MISSED : seriesColours[1] } })),
            },
        ],
    };
}
