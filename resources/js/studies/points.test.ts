import { describe, expect, it } from 'vitest';
import type { SearchAim, StudyPoint } from '../api/types';
import { aimChoices, aimOf } from './aims';
import { chartOf, chartsFor } from './chartOptions';
import { axesOf, bestOf, sortedBy } from './points';

const point = (number: number, height: string, junction: number | null, fields: Partial<StudyPoint> = {}): StudyPoint => ({
    number,
    texts: [height, '24 W'],
    numbers: [Number.parseFloat(height) / 1000, 24],
    state: junction === null ? 'waiting' : 'solved',
    message: null,
    variant: null,
    run: null,
    worstMargin: junction === null ? null : 353.15 - junction,
    seconds: null,
    aims: [],
    readings:
        junction === null
            ? []
            : [
                  {
                      id: 'l1',
                      name: 'Junction',
                      quantity: 'temperature',
                      reduce: 'max',
                      value: junction,
                      plusMinus: null,
                      margin: 353.15 - junction,
                      verdict: 'met',
                  },
              ],
    ...fields,
});
const points = [point(1, '18 mm', 350.15), point(2, '22 mm', null), point(3, '26 mm', 345.15), point(4, '26 mm', 349.15, { state: 'unsteady' })];
const { parameters, results } = axesOf(['fin_height', 'watts'], points, 'mm');

describe('the numbers of a study', () => {
    it('are the parameters as they are written, the worst margin, and what limits and watches read', () => {
        expect(parameters.map(({ title, unit }) => [title, unit])).toEqual([
            ['fin_height', 'mm'],
            ['watts', 'W'],
        ]);
        expect(parameters[0]!.of(points[2]!)).toBe(26);
        expect(results.map(({ title, unit }) => [title, unit])).toEqual([
            ['Worst margin', 'K'],
            ['Junction', '°C'],
        ]);
        expect(results[1]!.of(points[0]!)).toBeCloseTo(77);
        expect(results[1]!.of(points[1]!)).toBeNull();
    });

    it('are named by the part where a field of one is varied', () => {
        expect(axesOf(['parts/fan/shape/speedFactor', 'watts'], points, 'mm').parameters.map(({ title }) => title)).toEqual(['fan speedFactor', 'watts']);
    });

    it('are SI ones where a parameter is written in several units', () => {
        const mixed = [point(1, '18 mm', 350), point(2, '2 cm', 350, { numbers: [0.02, 24] })];
        const [height] = axesOf(['fin_height', 'watts'], mixed, 'mm').parameters;
        expect([height!.unit, height!.of(mixed[1]!)]).toEqual(['SI', 0.02]);
    });

    it('sort the points, those without a number behind', () => {
        expect(sortedBy(points, results[1], false).map(({ number }) => number)).toEqual([3, 4, 1, 2]);
        expect(sortedBy(points, results[1], true).map(({ number }) => number)).toEqual([1, 4, 3, 2]);
        expect(sortedBy(points, undefined, false).map(({ number }) => number)).toEqual([1, 2, 3, 4]);
    });

    it('name the best of what is solved', () => {
        expect(bestOf(points)?.number).toBe(3);
        expect(bestOf([points[1]!, points[3]!])).toBeNull();
    });
});

describe('the aims of a search', () => {
    const aims: SearchAim[] = [
        { kind: 'formula', of: '2 * fin_height^2', most: false, unit: 'm^2' },
        { kind: 'reading', of: 'l1', most: false },
    ];
    const found = axesOf(['fin_height', 'watts'], [point(1, '18 mm', 350.15, { aims: [0.000648, 350.15] })], 'mm', aims);

    it('come first among the results, a formula with its unit', () => {
        expect(found.aimed.map(({ title, unit }) => [title, unit])).toEqual([
            ['2 * fin_height^2', 'm²'],
            ['Junction', '°C'],
        ]);
        expect(found.results.map(({ id }) => id)).toEqual(['aim 0', 'reading l1', 'margin']);
    });

    it('are chosen from what runs read, and the margin only where there is a limit', () => {
        const choices = aimChoices({ limits: [], watches: [{ id: 'w1', name: 'Flow' }] } as unknown as Parameters<typeof aimChoices>[0]);
        expect(choices.map(({ title }) => title)).toEqual(['Mass', 'Flow', 'Formula of parameters']);
        expect(aimOf({ key: 'reading w1', most: true, formula: 'unused' }, choices)).toEqual({ kind: 'reading', of: 'w1', most: true });
        expect(aimOf({ key: 'formula', most: false, formula: '3 * a' }, choices)).toEqual({ kind: 'formula', of: '3 * a', most: false });
    });
});

describe('the charts of a study', () => {
    const look = { text: '#555', line: '#ddd', strong: '#000' };
    const chosen = { x: parameters[0]!, y: results[0]!, parameters, results: [results[0]!], front: [] };
    type Series = { data: { value: number[]; number: number }[] }[];

    it('are those that tell most of so many parameters', () => {
        expect(chartsFor(1)[0]).toBe('line');
        expect(chartsFor(2)[0]).toBe('map');
        expect(chartsFor(5)[0]).toBe('parallel');
    });

    it('draw what is solved, in the order of the axis, and know their points', () => {
        const series = chartOf('line', points, chosen, look, 3).series as Series;
        const data = series.flatMap((one) => one.data);
        expect(data.map(({ number, value }) => [number, value[0]])).toEqual([
            [1, 18],
            [3, 26],
            [4, 26],
        ]);
    });

    it('are a map where the points lie on a grid, and a cloud where they do not', () => {
        const grid = [18, 22, 26].flatMap((height, n) =>
            ['20 W', '24 W'].map((watts, m) => point(2 * n + m + 1, `${height} mm`, 350, { texts: [`${height} mm`, watts] })),
        );
        const axes = axesOf(['fin_height', 'watts'], grid, 'mm');
        const of = { x: axes.parameters[0]!, y: axes.results[0]!, parameters: axes.parameters, results: [axes.results[0]!], front: [] };
        const kindOf = (of: object) => (of as { series: { type: string }[] }).series[0]!.type;
        expect(kindOf(chartOf('map', grid, of, look, null))).toBe('heatmap');
        const scattered = grid.map((one, n) => ({ ...one, texts: [`${18 + n} mm`, `${20 + 0.3 * n} W`] }));
        expect(kindOf(chartOf('map', scattered, of, look, null))).toBe('scatter');
    });

    it('join the points of a front by their first aim', () => {
        const series = chartOf('scatter', points, { ...chosen, front: [3, 1] }, look, null).series as Series;
        expect(series.map(({ data }) => data.map(({ number }) => number))).toEqual([
            [1, 3, 4],
            [1, 3],
        ]);
    });

    it('lay a line through all axes for every point', () => {
        const option = chartOf('parallel', points, chosen, look, null) as unknown as { parallelAxis: unknown[]; series: Series };
        expect(option.parallelAxis).toHaveLength(3);
        expect(option.series[0]!.data).toHaveLength(3);
    });
});
