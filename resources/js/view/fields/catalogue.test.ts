import { describe, expect, it } from 'vitest';
import { fieldKinds, fieldNames, fieldsOf, fieldValue, typedValue } from './catalogue';

describe('the fields that can be shown', () => {
    it('are those that the result has', () => {
        expect(fieldsOf({ fields: ['velocity', 'pressure', 'cellsAcross'] })).toEqual([
            'speed',
            'velocityX',
            'velocityY',
            'velocityZ',
            'pressure',
            'cellsAcross',
        ]);
        expect(fieldsOf({ fields: ['temperature', 'convectionCoefficient'] })).toEqual(['temperature', 'convectionCoefficient']);
    });

    it('are typed as they are read, in every set of units', () => {
        for (const name of fieldNames) {
            for (const set of ['mm', 'si', 'us'] as const) {
                expect(typedValue(name, String(fieldKinds[name].number(321.5, set)), set)).toBeCloseTo(321.5, 6);
            }
        }
        expect(typedValue('temperature', 'warm', 'mm')).toBeNull();
        expect(typedValue('temperature', ' ', 'mm')).toBeNull();
        expect(typedValue('temperature', '−5,5', 'mm')).toBeCloseTo(267.65);
    });

    it('have as many digits as tell a range apart, and their unit', () => {
        expect(fieldValue('temperature', 318.15, 60, 'mm')).toBe('45.0 °C');
        expect(fieldValue('speed', 0.251, 0.3, 'mm')).toBe('0.251 m/s');
        expect(fieldValue('surfaceHeatFlux', 1234.4, 5000, 'mm')).toBe('1234 W/m²');
        expect(fieldValue('heatResidual', -2.345e-8, 1e-7, 'mm')).toBe('−2.3e-5 mW');
    });
});
