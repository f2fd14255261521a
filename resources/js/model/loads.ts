import { plainNumber } from '../units/units';
import type { ModelDocument } from './document';
import { textOf } from './text';
import { timeOf } from './time';

/** How the watts of a part, or the speed of a fan, may be stated: as they are, against the time, or set by the temperature at a sensor. */
export const loadKinds = {
    constant: 'Constant',
    schedule: 'Table over time',
    pulse: 'Pulses',
    curve: 'Curve of a sensor',
    thermostat: 'Thermostat',
    controller: 'Controller, P or PI',
} as const;
export type LoadKind = keyof typeof loadKinds;

/** How anything else that is given may follow the time. */
export const timedKinds = { constant: loadKinds.constant, schedule: loadKinds.schedule, pulse: loadKinds.pulse } as const;

export type Cell = string | number;

export interface SensorEntry {
    part?: string;
    face?: string;
    lag?: Cell;
    deadTime?: Cell;
    [field: string]: unknown;
}

/** A load that is more than a quantity, as it stands in the document. */
export interface LoadEntry {
    schedule?: Cell[][];
    between?: 'linear' | 'steps';
    repeat?: Cell;
    pulse?: { low?: Cell; high?: Cell; period?: Cell; duty?: Cell; rise?: Cell };
    curve?: Cell[][];
    sensor?: SensorEntry;
    thermostat?: { on?: Cell; off?: Cell; watts?: Cell; speed?: Cell; idle?: Cell; leastOn?: Cell; leastOff?: Cell; sensor?: SensorEntry };
    controller?: { setpoint?: Cell; gain?: Cell; integral?: Cell; atLeast?: Cell; atMost?: Cell; sensor?: SensorEntry };
}

/** What a load is in a document. */
export type Load = string | number | LoadEntry;

/** What a load is where it is more than a quantity. */
export const entryOfLoad = (load: unknown): LoadEntry | null => (typeof load === 'object' && load !== null && !Array.isArray(load) ? load : null);

export function kindOfLoad(load: unknown): LoadKind {
    const entry = entryOfLoad(load);
    return (Object.keys(loadKinds) as LoadKind[]).find((kind) => entry !== null && kind in entry) ?? 'constant';
}

/** What stands in a ledger: the quantity, or what kind of load it is. */
export const loadText = (load: unknown): string => {
    const kind = kindOfLoad(load);
    return kind === 'constant' ? textOf(load) : loadKinds[kind];
};

/** Where the sensor of a load stands; null where it has none. */
export const sensorOf = (entry: LoadEntry): SensorEntry | null => entry.thermostat?.sensor ?? entry.controller?.sensor ?? entry.sensor ?? null;

/** The load with another sensor. */
export function withSensor(entry: LoadEntry, sensor: SensorEntry): LoadEntry {
    if (entry.thermostat) return { thermostat: { ...entry.thermostat, sensor } };
    return entry.controller ? { controller: { ...entry.controller, sensor } } : { ...entry, sensor };
}

/** What a load that follows the time, or the speed of a fan that follows a sensor, begins as: with the value that was there or, where it had none, another, and nothing later on. */
export function timedOfKind(kind: LoadKind, before: unknown, otherwise: string): Load {
    const earlier = entryOfLoad(before);
    const first = textOf(earlier?.schedule?.[0]?.[1] ?? earlier?.pulse?.high);
    const value = textOf(before) || first || otherwise;
    switch (kind) {
        case 'constant':
            return value;
        case 'schedule':
            return {
                schedule: [
                    ['0 s', value],
                    ['5 min', nothing(value)],
                ],
                between: 'steps',
            };
        case 'pulse':
            return { pulse: { high: value, low: nothing(value), period: '60 s', duty: 0.4 } };
        case 'curve':
            return {
                curve: [
                    ['50 degC', 0.3],
                    ['80 degC', 1],
                ],
            };
        case 'thermostat':
            return { thermostat: { on: '60 degC', off: '50 degC', speed: 1, idle: 0.3 } };
        case 'controller':
            return { controller: { setpoint: '70 degC', gain: 0.05, integral: '60 s', atLeast: 0.2 } };
    }
}

/** Zero in the unit of a value; of a temperature, which has no nothing, the value itself. */
function nothing(value: string): string {
    const unit = /^[-+.\de]+(?:\s+(\S+))?$/i.exec(value.trim())?.[1];
    return unit === undefined ? (Number.isNaN(Number(value)) ? value : '0') : /^(degC|degF|K)$/.test(unit) ? value : `0 ${unit}`;
}

/** What the watts of a part begin as, with those that were there. */
export function loadOfKind(kind: LoadKind, before: unknown, part: string): Load {
    const watts = kindOfLoad(before) === 'constant' && textOf(before) !== '' ? textOf(before) : '10 W';
    const sensor = { part };
    switch (kind) {
        case 'constant':
        case 'schedule':
        case 'pulse':
            return timedOfKind(kind, watts, watts);
        case 'curve':
            return {
                curve: [
                    ['5 degC', watts],
                    ['12 degC', '0 W'],
                ],
                sensor,
            };
        case 'thermostat':
            return { thermostat: { on: '40 degC', off: '45 degC', watts, sensor } };
        case 'controller':
            return { controller: { setpoint: '45 degC', gain: '2 W/K', integral: '60 s', atMost: watts, sensor } };
    }
}

const seconds = { s: 1, ms: 1e-3, min: 60, h: 3600 };

/** A time as it is written, in s; null for a formula. */
export const secondsOf = (text: unknown): number | null => plainNumber(textOf(text), seconds);

/** s, at which the course ends that is asked for, as far as a drawing needs it; null where the steady state is. */
export function endOf(document: ModelDocument): number | null {
    const time = timeOf(document);
    return time ? (secondsOf(time.end) ?? 600) : null;
}

const amountOf = (text: unknown): number => Number.parseFloat(textOf(text, '0'));

/** The course of a load for a drawing, up to a time; null where it has formulas, or no course of its own. */
export function pointsOf(entry: LoadEntry, until: number): { x: number; y: number }[] | null {
    const table = entry.pulse ? pulseTable(entry) : entry.schedule?.map(([time, value]) => [secondsOf(time), amountOf(value)] as const);
    const period = secondsOf(entry.pulse?.period ?? entry.repeat ?? '');
    if (!table || table.length === 0 || table.some(([time, value]) => time === null || Number.isNaN(value))) return null;
    const steps = entry.pulse ? !(secondsOf(entry.pulse.rise) ?? 0) : entry.between === 'steps';
    const points: { x: number; y: number }[] = [];
    for (let turn = 0; turn === 0 || (period !== null && period > 0 && turn * period < until); turn++) {
        for (const [time, value] of table) {
            const x = turn * (period ?? 0) + time!;
            if (x > until || points.length > 2000) break;
            if (points.length > 0 && (steps || x - points.at(-1)!.x < 1e-12)) points.push({ x, y: points.at(-1)!.y });
            points.push({ x, y: value });
        }
    }
    return [...points, { x: until, y: points.at(-1)!.y }];
}

function pulseTable({ pulse }: LoadEntry): (readonly [number | null, number])[] {
    const [low, high, period, duty, rise] = [
        amountOf(pulse?.low),
        amountOf(pulse?.high),
        secondsOf(pulse?.period),
        amountOf(pulse?.duty ?? 0.5),
        secondsOf(pulse?.rise ?? 0) ?? 0,
    ];
    const end = period === null ? null : duty * period;
    return rise > 0
        ? [
              [0, low],
              [rise, high],
              [end, high],
              [end === null ? null : end + rise, low],
          ]
        : [
              [0, high],
              [end, low],
          ];
}
