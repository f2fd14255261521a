import { difference, differenceUnit, massFlow, number, speed, temperatureWithUnit, volumeFlow, type UnitSet } from './units';

const units: Readonly<Record<string, string>> = { heat: 'W', heatFlux: 'W/m²', pressure: 'Pa' };

const plain = (quantity: string, value: number): string =>
    `${number(Number(value.toPrecision(3)), Math.max(0, 2 - Math.floor(Math.log10(Math.abs(value) || 1))))} ${units[quantity]}`;

const isTemperature = (quantity: string | undefined): boolean => quantity === undefined || quantity === 'temperature' || quantity === 'outflowTemperature';

/** What a limit bounds, with its unit; a temperature where it does not say. */
export function amountOf(quantity: string | undefined, value: number, set: UnitSet): string {
    if (isTemperature(quantity)) return temperatureWithUnit(value, set);
    if (quantity === 'volumeFlow') return volumeFlow(value, set);
    if (quantity === 'massFlow') return massFlow(value, set);
    return units[quantity!] === undefined ? speed(value, set) : plain(quantity!, value);
}

/** How far a value is from a bound, without a sign. */
export function distanceOf(quantity: string | undefined, value: number, set: UnitSet): string {
    const size = Math.abs(value);
    return isTemperature(quantity) ? `${difference(size, set).replace('+', '')} ${differenceUnit(set)}` : amountOf(quantity, size, set);
}

/** What is left to a bound, or missing, signed. */
export const marginOf = (quantity: string | undefined, value: number, set: UnitSet): string =>
    `${value > 0 ? '+' : value < 0 ? '−' : ''}${distanceOf(quantity, value, set)}`;
