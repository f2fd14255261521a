import { describe, expect, it } from 'vitest';
import { amountOf, marginOf } from './quantities';
import { amperes, volts } from './units';

describe('what a limit bounds', () => {
    it('has the unit of its kind', () => {
        expect(amountOf(undefined, 333.15, 'mm')).toBe('60.0 °C');
        expect(amountOf('outflowTemperature', 333.15, 'us')).toBe('140.0 °F');
        expect(amountOf('volumeFlow', 0.0035, 'mm')).toBe('3.50 l/s');
        expect(amountOf('heat', -12.346, 'mm')).toBe('−12.3 W');
        expect(amountOf('massFlow', 0.001234, 'si')).toBe('0.00123 kg/s');
        expect(['volumeFlow', 'massFlow', 'speed'].map((quantity) => amountOf(quantity, 0.01, 'us'))).toEqual(['21.19 ft³/min', '1.32 lb/min', '2 ft/min']);
    });

    it('is missed by a signed amount', () => {
        expect(marginOf('outflowTemperature', -2, 'us')).toBe('−3.6 °F');
        expect(marginOf('volumeFlow', 0.0004, 'mm')).toBe('+0.40 l/s');
        expect(marginOf('heat', 1.25, 'mm')).toBe('+1.25 W');
    });

    it('of a current keeps number and unit on one line', () => {
        expect([amperes(-200.04), amperes(0.01234567)]).toEqual(['−200\u00a0A', '0.01235\u00a0A']);
        expect([volts(0.02047), volts(12.3456), volts(-1e-15)]).toEqual(['20.47\u00a0mV', '12.346\u00a0V', '0.00\u00a0mV']);
        expect([amountOf('currentDensity', 2.5e6, 'mm'), amountOf('voltage', 0.02, 'mm')]).toEqual(['2.50 A/mm²', '20.00\u00a0mV']);
    });
});
