import type { Course, Result } from '../api/types';
import { isOfTemperature } from '../model/document';
import type { Scale } from '../view/fields/scale';
import { temperatureNumber, temperatureUnit, type UnitSet } from '../units/units';
import { judged } from '../whatif/whatIf';

/** A moment of a course in time, in the unit that reads best. */
export function clock(seconds: number): string {
    if (seconds > 0 && seconds < 1) return `${Number((1e3 * seconds).toPrecision(3))}\u00a0ms`;
    if (seconds < 120) return `${Number(seconds.toPrecision(3))}\u00a0s`;
    if (seconds < 7200) return `${Number((seconds / 60).toFixed(1))}\u00a0min`;
    return `${Number((seconds / 3600).toFixed(1))}\u00a0h`;
}

/** Fields that do not change over time, and so belong to every moment. */
const STANDING = ['conductivity', 'cellsAcross'];

/** Fields of which there is a picture at every moment that is kept. */
export const keptFields = (result: Result): readonly string[] => result.time?.kept ?? ['temperature'];

/** The result as it was at one of the moments that are kept: temperatures, watches and margins of then; what is not kept of it is left out. */
export function atMoment(result: Result, frame: number): Result {
    const kept = result.time?.frames[frame];
    if (!kept) return result;
    return {
        ...result,
        frame,
        fields: result.fields.filter((field) => keptFields(result).includes(field) || STANDING.includes(field)),
        parts: result.parts.map((part, n) => ({
            ...part,
            temperature: kept.parts[n] ?? null,
            nodes: null,
            routes: {},
            faces: {},
            interfaces: {},
            peak: null,
            current: null,
        })),
        watches: result.watches.map((watch) => ({ ...watch, value: kept.values[watch.id] ?? null, overTime: null })),
        limits: result.limits.map((limit) => {
            const value = kept.values[limit.id] ?? null;
            return { ...(value === null ? { ...limit, value, margin: null, verdict: 'missed' } : judged(limit, value)), overTime: null };
        }),
    };
}

/** The result of a course with the hottest that every part ever was; any other as it is. */
export const withPeaks = (result: Result): Result =>
    !result.time
        ? result
        : {
              ...result,
              parts: result.parts.map((part) => (part.peak && part.temperature ? { ...part, temperature: { ...part.temperature, max: part.peak.max } } : part)),
          };

/** Least and greatest temperature over all that is kept of a course, K, so that colours mean the same at every moment. */
export function rangeOver(course: Course, result: Result): { min: number; max: number } {
    const all = [...course.frames.flatMap((frame) => frame.parts), ...result.parts.map((part) => part.temperature)].filter((t) => t != null);
    return { min: Math.min(...all.map((t) => t.min)), max: Math.max(...all.map((t) => t.max)) };
}

/** A scale of temperatures over the whole course; ends that were typed stay. */
export const scaleOver = (scale: Scale, range: { min: number | null; max: number | null } | undefined, over: { min: number; max: number }): Scale => ({
    ...scale,
    min: range?.min ?? Math.min(scale.min, over.min),
    max: range?.max ?? Math.max(scale.max, over.max),
});

export interface Curve {
    id: string;
    name: string;
    points: { x: number; y: number }[];
}

const curveOf = (time: Course, { id, name }: { id: string; name: string }): Curve => ({
    id,
    name,
    points: (time.series[id] ?? []).flatMap((y, n) => (y === null ? [] : [{ x: time.times[n]!, y }])),
});

/** Temperatures over time of the limits and watches that have them. */
export function curvesOf(result: Result): Curve[] {
    const { time } = result;
    return time ? [...result.limits.filter(isOfTemperature), ...result.watches.filter((watch) => watch.unit === 'K')].map((one) => curveOf(time, one)) : [];
}

/** What else is watched over time, by its unit. */
export function otherCurvesOf(result: Result): [unit: string, curves: Curve[]][] {
    const { time } = result;
    const groups = new Map<string, Curve[]>();
    if (!time) return [];
    for (const watch of result.watches) if (watch.unit !== 'K') groups.set(watch.unit, [...(groups.get(watch.unit) ?? []), curveOf(time, watch)]);
    return [...groups];
}

/** Temperatures and watches at given moments, one row for each moment: temperatures in a unit of their own, everything else in SI units. */
export function momentsTable(result: Result, times: readonly number[], units: UnitSet): (string | number)[][] {
    const all = [
        ...curvesOf(result).map((curve) => ({ ...curve, unit: 'K' })),
        ...otherCurvesOf(result).flatMap(([unit, curves]) => curves.map((curve) => ({ ...curve, unit }))),
    ];
    const shown = (unit: string, value: number | null) =>
        value === null ? '' : Number((unit === 'K' ? temperatureNumber(value, units) : value).toPrecision(5));
    return [
        ['Time s', ...all.map(({ name, unit }) => `${name} ${unit === 'K' ? temperatureUnit(units) : unit}`)],
        ...times.map((time) => [time, ...all.map(({ points, unit }) => shown(unit, valueOn(points, time)))]),
    ];
}

/** A value on a curve, on straight lines between its points; null beyond its ends. */
export function valueOn(points: readonly { x: number; y: number }[], x: number): number | null {
    const after = points.findIndex((point) => point.x >= x);
    if (after < 0 || points.length === 0 || x < points[0]!.x) return null;
    const [p, q] = [points[Math.max(after - 1, 0)]!, points[after]!];
    return q.x === p.x ? q.y : p.y + ((q.y - p.y) * (x - p.x)) / (q.x - p.x);
}

/** How far a curve is from a reference: the greatest and the root mean square of what differs at the points of the reference; null where they have no time in common. */
export function differenceFrom(curve: Curve, reference: readonly { x: number; y: number }[]): { greatest: number; at: number; rms: number } | null {
    const apart = reference.flatMap(({ x, y }) => {
        const own = valueOn(curve.points, x);
        return own === null ? [] : [{ at: x, by: own - y }];
    });
    if (apart.length === 0) return null;
    const worst = apart.reduce((one, other) => (Math.abs(other.by) > Math.abs(one.by) ? other : one));
    return { greatest: worst.by, at: worst.at, rms: Math.sqrt(apart.reduce((sum, { by }) => sum + by * by, 0) / apart.length) };
}

/** Which of the moments that are kept is nearest to a time, s; null where none is. */
export const nearestFrame = (frames: readonly { time: number }[], time: number): number | null =>
    frames.reduce<number | null>((best, { time: own }, n) => (best === null || Math.abs(own - time) < Math.abs(frames[best]!.time - time) ? n : best), null);
