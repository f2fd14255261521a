/** Units that go together. */
export type System = 'mm' | 'si' | 'us';

/** What units are chosen for. */
export const measures = ['length', 'temperature', 'flow'] as const;
export type MeasureKind = (typeof measures)[number];

/**
 * The units that a user reads: one system for all, or one for lengths, one for temperatures and one for flows and speeds, in this order. A
 * matter of display only; the model keeps what was typed.
 */
export type UnitSet = System | `${System} ${System} ${System}`;

export const systems: readonly System[] = ['mm', 'si', 'us'];

/** The system of what is measured. */
export const systemOf = (set: UnitSet, kind: MeasureKind): System => {
    const each = set.split(' ') as System[];
    return each[measures.indexOf(kind)] ?? each[0]!;
};

/** The same with another system for what is measured. */
export function withSystem(set: UnitSet, kind: MeasureKind, system: System): UnitSet {
    const [length, temperature, flow] = measures.map((other) => (other === kind ? system : systemOf(set, other))) as [System, System, System];
    return length === temperature && temperature === flow ? length : `${length} ${temperature} ${flow}`;
}

/** What the units of a set are called. */
export const nameOfUnits = (set: UnitSet): string => `${lengthUnit(set)} · ${temperatureUnit(set)}`;

const lengths: Record<System, { unit: string; factor: number }> = {
    mm: { unit: 'mm', factor: 1e3 },
    si: { unit: 'm', factor: 1 },
    us: { unit: 'in', factor: 1 / 0.0254 },
};

const temperatures: Record<System, { unit: string; typed: string; from: (kelvin: number) => number; perKelvin: number }> = {
    mm: { unit: '°C', typed: 'degC', from: (k) => k - 273.15, perKelvin: 1 },
    si: { unit: 'K', typed: 'K', from: (k) => k, perKelvin: 1 },
    us: { unit: '°F', typed: 'degF', from: (k) => (k * 9) / 5 - 459.67, perKelvin: 9 / 5 },
};

const lengthOf = (set: UnitSet) => lengths[systemOf(set, 'length')];
const temperatureOf = (set: UnitSet) => temperatures[systemOf(set, 'temperature')];

const minus = (text: string): string => text.replace('-', '−');

export const temperatureUnit = (set: UnitSet): string => temperatureOf(set).unit;
export const temperatureNumber = (kelvin: number, set: UnitSet): number => temperatureOf(set).from(kelvin);
export const differenceNumber = (kelvin: number, set: UnitSet): number => kelvin * temperatureOf(set).perKelvin;
/** Kelvin of a bare number in the unit of differences of the set; not a number where it is none. */
export const typedDifference = (text: string, set: UnitSet): number => Number(text.replace(',', '.')) / temperatureOf(set).perKelvin;
export const differenceUnit = (set: UnitSet): string => (systemOf(set, 'temperature') === 'us' ? '°F' : 'K');

export const number = (value: number, digits = 1): string => minus(value.toFixed(digits));

export const temperature = (kelvin: number, set: UnitSet, digits = 1): string => number(temperatureOf(set).from(kelvin), digits);
export const temperatureWithUnit = (kelvin: number, set: UnitSet, digits = 1): string => `${temperature(kelvin, set, digits)} ${temperatureOf(set).unit}`;

/** A difference of temperatures, signed. */
export function difference(kelvin: number, set: UnitSet, digits = 1): string {
    const value = differenceNumber(kelvin, set);
    return `${value > 0 ? '+' : ''}${number(value, digits)}`;
}

/** Thousands apart, as people read counts. */
export const thousands = (value: number): string => value.toLocaleString('en').replace(/,/g, '\u00a0');

/** Memory, in the unit that reads best. */
export const bytes = (value: number): string => (value < 1e9 ? `${number(value / 1e6, 0)}\u00a0MB` : `${number(value / 1e9)}\u00a0GB`);

/** How long something takes, as closely as it can be foretold. */
export function duration(seconds: number): string {
    if (seconds < 60) return `${number(seconds < 10 ? seconds : 5 * Math.round(seconds / 5), 0)}\u00a0s`;
    return seconds < 3600 ? `${number(seconds / 60, 0)}\u00a0min` : `${number(seconds / 3600)}\u00a0h`;
}

/** Heat over time. */
export const joules = (value: number): string => (Math.abs(value) < 1e3 ? `${number(value)}\u00a0J` : `${number(value / 1e3)}\u00a0kJ`);

/** A small number as a power of ten. */
export const scientific = (value: number): string => minus(value.toExponential(1));

/** To so many significant digits, without zeros at the end. */
export const significant = (value: number, digits: number): string => minus(Number(value.toPrecision(digits)).toString());

export const lengthNumber = (metres: number, set: UnitSet): number => metres * lengthOf(set).factor;
export const lengthUnit = (set: UnitSet): string => lengthOf(set).unit;

/** Metres of a bare number in the length unit of the set; not a number where it is none. */
export const typedLength = (text: string, set: UnitSet): number => Number(text.replace(',', '.')) / lengthOf(set).factor;

export function size(metres: readonly number[], set: UnitSet): string {
    const { unit, factor } = lengthOf(set);
    return `${metres.map((m) => Number((m * factor).toPrecision(4)).toString()).join(' × ')} ${unit}`;
}

/** Coordinates in a plane. */
export const place = (metres: readonly number[], set: UnitSet): string =>
    `${metres.map((m) => Number((m * lengthOf(set).factor).toFixed(systemOf(set, 'length') === 'si' ? 5 : 2)).toString()).join(', ')} ${lengthOf(set).unit}`;

/** From m/s. */
const inFeet = (set: UnitSet): boolean => systemOf(set, 'flow') === 'us';
export const speedUnit = (set: UnitSet): string => (inFeet(set) ? 'ft/min' : 'm/s');
export const speedNumber = (metresPerSecond: number, set: UnitSet): number => (inFeet(set) ? metresPerSecond * 196.850394 : metresPerSecond);

const CUBIC_FOOT = 0.3048 ** 3;
const POUND = 0.45359237;

/** How flows are shown, and what a bare number that is typed means. */
const flows: Record<'volume' | 'mass', Record<System, { unit: string; typed: string; factor: number }>> = {
    volume: {
        mm: { unit: 'l/s', typed: 'l/s', factor: 1e3 },
        si: { unit: 'm³/s', typed: 'm^3/s', factor: 1 },
        us: { unit: 'ft³/min', typed: 'ft^3/min', factor: 60 / CUBIC_FOOT },
    },
    mass: {
        mm: { unit: 'g/s', typed: 'g/s', factor: 1e3 },
        si: { unit: 'kg/s', typed: 'kg/s', factor: 1 },
        us: { unit: 'lb/min', typed: 'lb/min', factor: 60 / POUND },
    },
};

const flowOf = (kind: 'volume' | 'mass', set: UnitSet) => flows[kind][systemOf(set, 'flow')];

function flow(kind: 'volume' | 'mass', value: number, set: UnitSet, signed: boolean): string {
    const { unit, factor } = flowOf(kind, set);
    const shown = value * factor;
    // Two decimals, or three digits where these would show nothing.
    return `${signed && value > 0 ? '+' : ''}${shown !== 0 && Math.abs(shown) < 0.1 ? minus(Number(shown.toPrecision(3)).toString()) : number(shown, 2)} ${unit}`;
}

export const volumeFlowUnit = (set: UnitSet): string => flowOf('volume', set).unit;
export const volumeFlowNumber = (value: number, set: UnitSet): number => value * flowOf('volume', set).factor;
export const massFlowUnit = (set: UnitSet): string => flowOf('mass', set).unit;
export const massFlowNumber = (value: number, set: UnitSet): number => value * flowOf('mass', set).factor;

/** A volume flow from m3/s. */
export const volumeFlow = (value: number, set: UnitSet, signed = false): string => flow('volume', value, set, signed);

/** A mass flow from kg/s. */
export const massFlow = (value: number, set: UnitSet): string => flow('mass', value, set, false);

/** Units of bare numbers that are typed. */
export const typedVolumeFlowUnit = (set: UnitSet): string => flowOf('volume', set).typed;
export const typedMassFlowUnit = (set: UnitSet): string => flowOf('mass', set).typed;
export const typedSpeedUnit = (set: UnitSet): string => (inFeet(set) ? 'ft/min' : 'm/s');

export const speed = (metresPerSecond: number, set: UnitSet): string => `${number(speedNumber(metresPerSecond, set), inFeet(set) ? 0 : 2)} ${speedUnit(set)}`;

/** From A and V, as many digits as tell something. */
export const amperes = (current: number): string => `${minus(Number(current.toPrecision(4)).toString())}\u00a0A`;
/** What does not show in its digits has no sign. */
export const volts = (voltage: number): string =>
    Math.abs(voltage) < 1 ? `${number(Math.abs(voltage) < 5e-6 ? 0 : 1e3 * voltage, 2)}\u00a0mV` : `${number(voltage, 3)}\u00a0V`;

export const watts = (value: number): string => number(value, 2);

/** A number with a unit such as "25 Pa" in SI; null where it is a formula or the unit is not among the given. */
export function plainNumber(text: string | number, units: Readonly<Record<string, number>>): number | null {
    const [, value, unit] = /^([-+]?(?:\d+\.?\d*|\.\d+)(?:e[-+]?\d+)?)\s*(\S*)$/i.exec(String(text).trim()) ?? [];
    const factor = unit === '' ? 1 : units[unit ?? ''];
    return value === undefined || factor === undefined ? null : Number(value) * factor;
}

/** Units of lengths that are told apart without the core, for plainNumber. */
const lengthUnits = { m: 1, cm: 1e-2, mm: 1e-3, um: 1e-6, in: 0.0254, mil: 25.4e-6 };

/** Metres of a length that is no formula; null where it is one. */
export const plainLength = (text: string | number): number | null => plainNumber(text, lengthUnits);

/** What the user typed as a formula with a unit: a bare number is meant in the unit of the column. */
export function typed(text: string, unit: string): string {
    const trimmed = text
        .trim()
        .replace('−', '-')
        .replace(/^(-?\d+),(\d+)$/, '$1.$2');
    return /^[-+]?(\d+\.?\d*|\.\d+)(e[-+]?\d+)?$/i.test(trimmed) ? `${trimmed} ${unit}`.trim() : trimmed;
}

export const typedTemperatureUnit = (set: UnitSet): string => temperatureOf(set).typed;
