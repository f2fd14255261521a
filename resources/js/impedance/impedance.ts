import type { Impedance, Result } from '../api/types';
import type { Cells } from '../charts/table';
import { isOfTemperature } from '../model/document';

/** Limits and watches that an impedance leads to, by id. */
export const choicesOf = (result: Result): Record<string, string> =>
    Object.fromEntries([...result.watches.filter(({ unit }) => unit === 'K'), ...result.limits.filter(isOfTemperature)].map(({ id, name }) => [id, name]));

/** Whether the course is that of one part which alone is heated from the start. */
export const isOfOneSource = (result: Result): boolean => result.time !== null && result.parts.filter(({ power }) => power > 0).length === 1;

/** The curve, then the network. */
export const impedanceTable = ({ curve, pairs }: Impedance): Cells => [
    ['time, s', 'Zth, K/W', 'Foster network, K/W'],
    ...curve.map((row) => row.map((value) => Number(value.toPrecision(7)))),
    ['R, K/W', 'tau, s', 'C, J/K'],
    ...pairs.map(({ resistance, tau }) => [resistance, tau, tau / resistance].map((value) => Number(value.toPrecision(5)))),
];

/** As it is typed for the junction in a part. */
export const networkText = ({ pairs }: Impedance): string =>
    pairs.map(({ resistance, tau }) => `${Number(resistance.toPrecision(4))}: ${Number(tau.toPrecision(4))}`).join('; ');
