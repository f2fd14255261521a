import type { RunReadings, Study, StudyPoint, Variant } from '../api/types';
import { axesOf, nameOf } from '../studies/points';
import { stateTexts } from '../studies/PointTable';
import { amountOf } from '../units/quantities';
import { number, significant, type UnitSet } from '../units/units';

/** A table of a report; the first row is its head. */
export interface ReportTable {
    title: string;
    rows: string[][];
}

/** What the limits of all variants read in the last solved run of each, with what is missed or undecided said. */
export function variantsTable(runs: readonly RunReadings[], variants: readonly Pick<Variant, 'id' | 'name'>[], units: UnitSet): ReportTable | null {
    const last = variants.flatMap(({ id, name }) => {
        const run = runs.filter((one) => one.variant === id).at(-1);
        return run ? [{ name, run }] : [];
    });
    const limits = new Map(
        last.flatMap(({ run }) => run.readings.filter(({ verdict }) => verdict !== null).map((reading) => [reading.id, reading.name] as const)),
    );
    if (last.length < 2 || limits.size === 0) return null;
    const cell = (run: RunReadings, id: string): string => {
        const reading = run.readings.find((one) => one.id === id);
        if (reading?.value == null) return '–';
        return `${amountOf(reading.quantity, reading.value, units)}${reading.verdict === 'met' ? '' : ` ${reading.verdict}`}`;
    };
    return {
        title: 'Variants',
        rows: [['Limit', ...last.map(({ name }) => name)], ...[...limits].map(([id, name]) => [name, ...last.map(({ run }) => cell(run, id))])],
    };
}

/** The points of a study with their parameters, worst margin and what limits read. */
export function studyTable(study: Study, points: readonly StudyPoint[], units: UnitSet): ReportTable {
    const { results } = axesOf(study.names, points, units);
    const axes = results.slice(0, 5);
    const cell = (value: number | null, digits: number) => (value === null ? '–' : Math.abs(value) >= 1 ? number(value, digits) : significant(value, 3));
    return {
        title: `Study: ${study.name}`,
        rows: [
            ['Point', ...study.names.map(nameOf), ...axes.map(({ title, unit }) => `${title}, ${unit}`), 'State'],
            ...points.map((point) => [String(point.number), ...point.texts, ...axes.map((axis) => cell(axis.of(point), 2)), stateTexts[point.state]]),
        ],
    };
}
