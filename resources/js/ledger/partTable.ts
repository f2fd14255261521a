import type { Outline, Result, ResultPart } from '../api/types';
import { isOfTemperature } from '../model/document';
import { differenceNumber, differenceUnit, temperatureNumber, temperatureUnit, type UnitSet } from '../units/units';

export interface TableColumn {
    id: string;
    title: string;
    unit: (units: UnitSet) => string;
    /** In the unit; null where the part has none. */
    value: (part: ResultPart, result: Result, units: UnitSet) => number | null;
    digits: number;
}

const degrees = (id: string, title: string, of: (part: ResultPart) => number | null | undefined): TableColumn => ({
    id,
    title,
    unit: temperatureUnit,
    value: (part, _result, units) => {
        const kelvin = of(part);
        return kelvin == null ? null : temperatureNumber(kelvin, units);
    },
    digits: 1,
});

const watt = (id: string, title: string, of: (part: ResultPart, result: Result) => number | null): TableColumn => ({
    id,
    title,
    unit: () => 'W',
    value: of,
    digits: 2,
});

/** W that leave a part to places of a kind; null where none do. */
function leaving(part: ResultPart, counts: (to: string) => boolean): number | null {
    const heats = Object.entries(part.routes).flatMap(([to, heat]) => (counts(to) ? [heat] : []));
    return heats.length === 0 ? null : heats.reduce((sum, heat) => sum + heat, 0);
}

/** The limit of temperature of a part with the least margin. */
const limitOf = (part: ResultPart, result: Result) =>
    result.limits.filter((limit) => limit.part === part.id && isOfTemperature(limit) && limit.margin !== null).sort((a, b) => a.margin! - b.margin!)[0];

const isPart = (to: string, result: Result): boolean => result.parts.some((part) => part.id === to);

export const tableColumns: readonly TableColumn[] = [
    watt('power', 'Watts', (part) => part.power + (part.current?.heat ?? 0) || null),
    degrees('min', 'Least', (part) => part.temperature?.min),
    degrees('mean', 'Mean', (part) => part.temperature?.mean),
    degrees('max', 'Greatest', (part) => part.temperature?.max),
    degrees('junction', 'Junction', (part) => part.nodes?.junction),
    degrees('case', 'Case', (part) => part.nodes?.case),
    degrees('board', 'Board below', (part) => part.nodes?.board),
    {
        id: 'limit',
        title: 'Limit',
        unit: temperatureUnit,
        value: (part, result, units) => {
            const limit = limitOf(part, result);
            return limit ? temperatureNumber((limit.atMost ?? limit.atLeast)!, units) : null;
        },
        digits: 1,
    },
    {
        id: 'margin',
        title: 'Margin',
        unit: differenceUnit,
        value: (part, result, units) => {
            const limit = limitOf(part, result);
            return limit ? differenceNumber(limit.margin!, units) : null;
        },
        digits: 1,
    },
    watt('fluid', 'To the air', (part) => leaving(part, (to) => to === 'fluid')),
    watt('parts', 'To other parts', (part, result) => leaving(part, (to) => isPart(to, result))),
    watt('outside', 'To the outside', (part, result) => leaving(part, (to) => to !== 'fluid' && !isPart(to, result))),
];

/** Those that are shown before anything was chosen. */
export const firstColumns: readonly string[] = ['power', 'mean', 'max', 'junction', 'margin', 'fluid', 'parts', 'outside'];

/** Head and rows of the table, numbers as they are shown. */
export function partTable(outline: Outline, result: Result, columns: readonly TableColumn[], units: UnitSet): (string | number)[][] {
    const results = new Map(result.parts.map((part) => [part.id, part]));
    return [
        ['Part', ...columns.map((column) => `${column.title}, ${column.unit(units)}`)],
        ...outline.parts.flatMap((part) => {
            const own = results.get(part.id);
            if (!own?.temperature && !own?.nodes) return [];
            return [[part.name, ...columns.map((column) => written(column, own, result, units))]];
        }),
    ];
}

function written(column: TableColumn, part: ResultPart, result: Result, units: UnitSet): string | number {
    const value = column.value(part, result, units);
    return value === null ? '' : Number(value.toFixed(column.digits));
}
