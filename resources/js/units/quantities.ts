import {
    difference,
    differenceUnit,
    massFlow,
    massFlowNumber,
    massFlowUnit,
    number,
    size,
    speed,
    speedNumber,
    speedUnit,
    temperatureNumber,
    temperatureUnit,
    temperatureWithUnit,
    volts,
    volumeFlow,
    volumeFlowNumber,
    volumeFlowUnit,
    type UnitSet,
} from './units';

const units: Readonly<Record<string, string>> = {
    heat: 'W',
    heatFlux: 'W/m²',
    convectionCoefficient: 'W/m²/K',
    nusselt: '',
    wallShear: 'Pa',
    pressure: 'Pa',
    mass: 'kg',
    current: 'A',
    viaCurrent: 'A',
};

const plain = (unit: string, value: number): string =>
    `${number(Number(value.toPrecision(3)), Math.max(0, 2 - Math.floor(Math.log10(Math.abs(value) || 1))))} ${unit}`.trim();

const isTemperature = (quantity: string | undefined): boolean =>
    quantity === undefined || ['temperature', 'outflowTemperature', 'bulkTemperature'].includes(quantity);

/** Electrical quantities in units of use, for SI. */
const electric: Readonly<Record<string, readonly [unit: string, factor: number]>> = {
    currentDensity: ['A/mm²', 1e-6],
    voltage: ['mV', 1e3],
    voltageDrop: ['mV', 1e3],
};

/** What a limit bounds, with its unit; a temperature where it does not say. */
export function amountOf(quantity: string | undefined, value: number, set: UnitSet): string {
    if (isTemperature(quantity)) return temperatureWithUnit(value, set);
    if (quantity === 'volumeFlow') return volumeFlow(value, set);
    if (quantity === 'massFlow') return massFlow(value, set);
    if (quantity === 'voltage' || quantity === 'voltageDrop') return volts(value);
    const [unit, factor] = electric[quantity!] ?? [units[quantity!], 1];
    return unit === undefined ? speed(value, set) : plain(unit, value * factor);
}

/** The unit of a quantity and numbers in it, from SI, for axes. */
export function measureOf(quantity: string, set: UnitSet): { unit: string; number: (value: number) => number } {
    if (isTemperature(quantity)) return { unit: temperatureUnit(set), number: (value) => temperatureNumber(value, set) };
    if (quantity === 'volumeFlow') return { unit: volumeFlowUnit(set), number: (value) => volumeFlowNumber(value, set) };
    if (quantity === 'massFlow') return { unit: massFlowUnit(set), number: (value) => massFlowNumber(value, set) };
    const [own, factor] = electric[quantity] ?? [units[quantity], 1];
    return own === undefined ? { unit: speedUnit(set), number: (value) => speedNumber(value, set) } : { unit: own, number: (value) => value * factor };
}

/** What a watch reads, with its unit: a place along a line is a length. */
export const readingOf = (watch: { quantity: string; reduce: string; value: number }, set: UnitSet): string =>
    watch.reduce.endsWith('At') ? size([watch.value], set) : amountOf(watch.quantity, watch.value, set);

/** The ± of a watch, with its unit. */
export const readingSpreadOf = (watch: { quantity: string; reduce: string; value: number }, set: UnitSet): string =>
    watch.reduce.endsWith('At') ? size([watch.value], set) : distanceOf(watch.quantity, watch.value, set);

/** How far a value is from a bound, without a sign. */
export function distanceOf(quantity: string | undefined, value: number, set: UnitSet): string {
    const size = Math.abs(value);
    return isTemperature(quantity) ? `${difference(size, set).replace('+', '')} ${differenceUnit(set)}` : amountOf(quantity, size, set);
}

/** What is left to a bound, or missing, signed. */
export const marginOf = (quantity: string | undefined, value: number, set: UnitSet): string =>
    `${value > 0 ? '+' : value < 0 ? '−' : ''}${distanceOf(quantity, value, set)}`;
