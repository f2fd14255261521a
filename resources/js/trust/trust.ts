import type { Result } from '../api/types';
import { distanceOf, readingOf, readingSpreadOf } from '../units/quantities';
import type { UnitSet } from '../units/units';

export interface Answer {
    answer: 'no' | 'yes' | 'cannot say';
    because: string;
}

/** Whether a finer grid would change the verdict: only where every margin is larger than its ± it would not. */
export function finerGrid({ limits }: Pick<Result, 'limits'>, units: UnitSet): Answer {
    if (limits.length === 0) return { answer: 'cannot say', because: 'no limit is stated' };
    const open = limits.filter((limit) => limit.verdict === 'undecided' && limit.plusMinus !== null);
    if (open[0])
        return {
            answer: 'yes',
            because: `${open.length === 1 ? `${open[0].name} has` : `${open.length} limits have, ${open[0].name} among them,`} a margin smaller than its ±: a finer grid may decide it either way`,
        };
    const unknown = limits.find((limit) => limit.plusMinus === null);
    if (unknown) return { answer: 'cannot say', because: `± is unknown: ${unknown.unknown ?? 'nothing is known of what the grid leaves open'}` };
    const closest = [...limits].sort((a, b) => Math.abs(a.margin ?? Infinity) / (a.plusMinus ?? 1) - Math.abs(b.margin ?? Infinity) / (b.plusMinus ?? 1))[0]!;
    return {
        answer: 'no',
        because: `every margin is larger than its ±; nearest is ${closest.name}, ${distanceOf(closest.quantity, closest.margin ?? 0, units)} against ± ${distanceOf(closest.quantity, closest.plusMinus ?? 0, units)}`,
    };
}

/** One value on every grid of the run, and what is still open in it. */
export interface TrustRow {
    id: string;
    name: string;
    /** From the coarsest grid to the one of the answer. */
    values: string[];
    plusMinus: string;
    /** Why it is unknown. */
    reason: string | null;
}

export function trustRows(result: Result, units: UnitSet): TrustRow[] {
    const { levels } = result;
    return [...result.limits.map((limit) => ({ ...limit, reduce: 'max', quantity: limit.quantity ?? 'temperature' })), ...result.watches].map((watch) => {
        const { quantity, reduce } = watch;
        const read = (value: number | null | undefined) => (value == null ? '—' : readingOf({ quantity, reduce, value }, units));
        return {
            id: watch.id,
            name: watch.name,
            values: levels.length > 0 ? levels.map((level) => read(level.values[watch.id])) : [read(watch.value)],
            plusMinus: watch.plusMinus === null ? 'unknown' : `± ${readingSpreadOf({ quantity, reduce, value: watch.plusMinus }, units)}`,
            reason: watch.plusMinus === null ? watch.unknown : null,
        };
    });
}
