import { describe, expect, it } from 'vitest';
import { difference, differenceUnit, nameOfUnits, plainNumber, size, speed, temperature, temperatureWithUnit, typed, volumeFlow, withSystem } from './units';

describe('units', () => {
    it('shows temperatures and differences in the chosen set', () => {
        expect(temperature(378.15, 'mm')).toBe('105.0');
        expect(temperatureWithUnit(378.15, 'us')).toBe('221.0 °F');
        expect(temperatureWithUnit(253.15, 'mm')).toBe('−20.0 °C');
        expect(difference(-1.5, 'mm')).toBe('−1.5');
        expect(difference(10, 'us')).toBe('+18.0');
    });

    it('shows sizes with one unit', () => {
        expect(size([0.2, 0.14, 0.0016], 'mm')).toBe('200 × 140 × 1.6 mm');
        expect(size([0.0254], 'us')).toBe('1 in');
    });

    it('reads a bare number in the unit of its column and leaves formulas alone', () => {
        expect(typed(' 14 ', 'W')).toBe('14 W');
        expect(typed('2,5', 'W')).toBe('2.5 W');
        expect(typed('−3', 'degC')).toBe('-3 degC');
        expect(typed('95 degF', 'degC')).toBe('95 degF');
        expect(typed('total / 4', 'W')).toBe('total / 4');
        expect(typed('', 'W')).toBe('');
        expect(typed('0.7', '')).toBe('0.7');
    });

    it('reads a plain number with a unit, and no formula', () => {
        expect(['2.5 l/s', '40', '1e-3 m^3/s', '2 * 3 l/s', '4 furlong', 7].map((text) => plainNumber(text, { 'l/s': 1e-3, 'm^3/s': 1 }))).toEqual([
            0.0025,
            40,
            0.001,
            null,
            null,
            7,
        ]);
    });
});

describe('units by kind', () => {
    it('are of one system, or one each for lengths, temperatures and flows', () => {
        const mixed = withSystem(withSystem('mm', 'flow', 'us'), 'length', 'us');
        expect(mixed).toBe('us mm us');
        expect([size([0.0254], mixed), temperatureWithUnit(298.15, mixed), volumeFlow(0.01, mixed), speed(0.508, mixed)]).toEqual([
            '1 in',
            '25.0 °C',
            '21.19 ft³/min',
            '100 ft/min',
        ]);
        expect([differenceUnit(mixed), nameOfUnits(mixed)]).toEqual(['K', 'in · °C']);
        expect(withSystem(mixed, 'temperature', 'us')).toBe('us');
    });
});
