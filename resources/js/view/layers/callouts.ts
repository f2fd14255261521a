import type { Outline, OutlinePart, Result } from '../../api/types';
import { isOfTemperature } from '../../model/document';
import { distanceOf } from '../../units/quantities';
import { difference, differenceUnit, temperatureWithUnit, type UnitSet } from '../../units/units';
import type { Field } from '../fields/field';
import type { LabelsLayer, Triple } from '../shown/shown';
import type { Callout } from './Callouts';

const topOf = (part: OutlinePart): Triple => [0.5 * (part.min[0]! + part.max[0]!), 0.5 * (part.min[1]! + part.max[1]!), part.max[2]!];

interface Named {
    part: OutlinePart;
    /** K: of its junction, else of its hottest place. */
    temperature: number;
    /** K, to its closest limit of temperature. */
    margin: number | null;
}

function named(outline: Outline, result: Result): Named[] {
    const parts = new Map(outline.parts.map((part) => [part.id, part]));
    return result.parts.flatMap((computed) => {
        const part = parts.get(computed.id);
        const temperature = computed.nodes?.junction ?? computed.temperature?.max;
        if (!part || temperature === undefined) return [];
        const margins = result.limits
            .filter((limit) => limit.part === part.id && isOfTemperature(limit) && limit.margin !== null)
            .map((limit) => limit.margin!);
        return [{ part, temperature, margin: margins.length > 0 ? Math.min(...margins) : null }];
    });
}

/** Labels of parts with their temperature and what is left to their limit, the worst first. */
export function partLabels(
    layer: LabelsLayer,
    outline: Outline,
    result: Result,
    selection: readonly string[],
    hidden: readonly string[],
    units: UnitSet,
): Callout[] {
    const seen = named(outline, result).filter(({ part }) => !hidden.includes(part.id));
    // What has a limit comes before what has none, the least margin and the hottest first.
    const worst = seen.sort((a, b) => (a.margin ?? Infinity) - (b.margin ?? Infinity) || b.temperature - a.temperature);
    const chosen =
        layer.of === 'selected' ? worst.filter(({ part }) => selection.includes(part.id)) : layer.of === 'worst' ? worst.slice(0, layer.count) : worst;
    return chosen.map(({ part, temperature, margin }) => ({
        id: `label ${part.id}`,
        at: topOf(part),
        title: part.name,
        value: `${temperatureWithUnit(temperature, units)}${margin !== null && margin < 0 ? `, ${difference(-margin, units).replace('+', '')} ${differenceUnit(units)} over` : ''}`,
        tone: margin !== null && margin < 0 ? 'bad' : undefined,
    }));
}

/** So many limits that are missed have a label, the worst first. */
const MOST_MISSED = 8;

/** Where limits are missed, by how much. */
export const missedLabels = (result: Pick<Result, 'limits'>, units: UnitSet): Callout[] =>
    result.limits
        .flatMap((limit) =>
            limit.verdict === 'missed' && limit.place && limit.margin !== null ? [{ limit, at: limit.place as Triple, by: limit.margin }] : [],
        )
        .sort((a, b) => a.by / scaleOf(a.limit) - b.by / scaleOf(b.limit))
        .slice(0, MOST_MISSED)
        .map(({ limit, at, by }) => ({
            id: `missed ${limit.id}`,
            at,
            title: limit.name,
            value: `${distanceOf(limit.quantity, by, units)} ${limit.atMost === null ? 'under' : 'over'}`,
            tone: 'bad' as const,
        }));

/** What a margin counts against: of a temperature a hundred kelvins, of others the limit itself. */
const scaleOf = (limit: Result['limits'][number]): number => (isOfTemperature(limit) ? 100 : Math.abs(limit.atMost ?? limit.atLeast ?? 1) || 1);

/** The hottest and the coldest place of the parts. */
export const extremeLabels = (temperature: Field | undefined, units: UnitSet): Callout[] =>
    temperature?.solid
        ? (['max', 'min'] as const).map((end) => ({
              id: end,
              at: temperature.solid![end].at,
              title: end === 'max' ? 'hottest solid' : 'coldest solid',
              value: temperatureWithUnit(temperature.solid![end].value, units),
              tone: 'quiet' as const,
          }))
        : [];
