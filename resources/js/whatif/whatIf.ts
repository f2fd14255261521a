import type { Result, ResultLimit, WhatIf } from '../api/types';
import { electricQuantities } from '../model/targets';

/** Watts of heated parts as they are tried, by part; those that are not named stay as they are. */
export type TriedWatts = Readonly<Record<string, number>>;

/** How far the watts of each source are from those of the run, W. */
export const changesOf = (whatIf: WhatIf, tried: TriedWatts): number[] => whatIf.sources.map(({ part, power }) => (tried[part] ?? power) - power);

type Value = WhatIf['values'][number];

/** A temperature at other watts: the extreme of the sums at the places where it may be, K. */
export function predicted({ reduce, places }: Value, changes: readonly number[]): number {
    const values = places.map(({ value, perWatt }) => perWatt.reduce((sum, kelvin, source) => sum + kelvin * (changes[source] ?? 0), value));
    return reduce === 'min' ? Math.min(...values) : Math.max(...values);
}

/** K per W of a source, at the place where the value is now. */
export const perWatt = ({ places }: Value, source: number): number => places[0]?.perWatt[source] ?? 0;

/** The limit where it sees another value. */
export function judged(limit: ResultLimit, value: number): ResultLimit {
    const margin = (limit.atMost != null ? limit.atMost - value : value - (limit.atLeast ?? 0)) - limit.derating;
    const undecided = limit.plusMinus !== null && Math.abs(margin) < limit.plusMinus;
    return { ...limit, value, margin, verdict: undecided ? 'undecided' : margin < 0 ? 'missed' : 'met' };
}

/** The body of a package is two halves of one temperature each. */
const ofHalves = (one: number, other: number) => ({ min: Math.min(one, other), mean: 0.5 * (one + other), max: Math.max(one, other) });

/** What other watts leave as it is. */
const KEPT: ReadonlySet<string> = new Set([
    'speed',
    'velocityX',
    'velocityY',
    'velocityZ',
    'pressure',
    'massFlow',
    'volumeFlow',
    'wallShear',
    ...electricQuantities,
]);

/**
 * The result as it would be at other watts, with the flow, the currents and the properties of the run kept. What does not follow from
 * the influence, such as where the heat goes, is left out.
 */
export function resultAt(result: Result, whatIf: WhatIf, tried: TriedWatts): Result {
    const changes = changesOf(whatIf, tried);
    const ofPart = new Map<string, number>();
    const ofTarget = new Map<string, number>();
    for (const value of whatIf.values) {
        if (value.id === null) ofPart.set(`${value.part} ${value.node ?? value.reduce}`, predicted(value, changes));
        else ofTarget.set(value.id, predicted(value, changes));
    }
    const parts = result.parts.map((part) => {
        const at = (what: string, known: number) => ofPart.get(`${part.id} ${what}`) ?? known;
        const { temperature, nodes } = part;
        return {
            ...part,
            power: tried[part.id] ?? part.power,
            temperature:
                temperature &&
                (nodes
                    ? ofHalves(at('case', nodes.case), at('board', nodes.board))
                    : { min: at('min', temperature.min), mean: at('mean', temperature.mean), max: at('max', temperature.max) }),
            nodes: nodes && { ...nodes, junction: at('junction', nodes.junction), case: at('case', nodes.case), board: at('board', nodes.board) },
            routes: {},
            interfaces: {},
        };
    });
    const limits = result.limits.map((limit): ResultLimit => {
        const value = ofTarget.get(limit.id);
        if (value !== undefined) return judged(limit, value);
        return KEPT.has(limit.quantity ?? '') ? limit : { ...limit, value: null, margin: null, verdict: 'undecided' };
    });
    const watches = result.watches.map((watch) => ({
        ...watch,
        value: ofTarget.get(watch.id) ?? (KEPT.has(watch.quantity) ? watch.value : null),
        profile: KEPT.has(watch.quantity) ? watch.profile : null,
    }));
    // As the core does: the worst margin is one of temperature.
    const known = limits.filter((limit) => limit.margin !== null && limit.quantity === 'temperature').sort((a, b) => a.margin! - b.margin!);
    const more = changes.reduce((sum, change) => sum + change, 0);
    const count = (verdict: ResultLimit['verdict']) => limits.filter((limit) => limit.verdict === verdict).length;
    return {
        ...result,
        parts,
        limits,
        watches,
        balance: { ...result.balance, in: result.balance.in + more, out: result.balance.out + more },
        verdict: {
            ...result.verdict,
            missed: count('missed'),
            undecided: count('undecided'),
            worst: known[0]?.id ?? null,
            worstMargin: known[0]?.margin ?? null,
        },
    };
}

/** How far buoyancy makes the influence wrong: with other watts it drives another flow (Incropera et al., Fundamentals of Heat and Mass Transfer: negligible below 0.1, decisive above 1). */
export function reliability({ richardson }: WhatIf): 'good' | 'fair' | 'poor' {
    if (richardson === null || richardson > 1) return 'poor';
    return richardson > 0.1 ? 'fair' : 'good';
}
