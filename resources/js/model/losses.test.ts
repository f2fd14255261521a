import { describe, expect, it } from 'vitest';
import type { ModelDocument, PartEntry } from './document';
import { kindOfLosses, lossChoices, lossesOfKind, tableFrom, tableText } from './losses';

const die: PartEntry = { id: 'die', shape: { kind: 'block' } };
const bar = { id: 'bar', name: 'Bar', shape: { kind: 'block' }, faces: { 'x-': { electric: { kind: 'current', current: '10 A' } } } } as unknown as PartEntry;

describe('losses', () => {
    it('are offered against a current only where there is one', () => {
        expect(Object.keys(lossChoices({ parts: [die] }))).toEqual(['none', 'temperature']);
        const document: ModelDocument = { parts: [die, bar] };
        expect(Object.keys(lossChoices(document))).toEqual(['none', 'temperature', 'current']);
        expect(lossesOfKind('current', document)?.of).toEqual({ part: 'bar', face: 'x-' });
        expect(lossesOfKind('none', document)).toBeUndefined();
        expect(kindOfLosses({ ...die, losses: lossesOfKind('temperature', document) })).toBe('temperature');
    });

    it('are typed as pairs, with units where none is given', () => {
        const table = tableFrom('25: 10; 125 degC: 14 W;', 'degC');
        expect(table).toEqual([
            ['25 degC', '10 W'],
            ['125 degC', '14 W'],
        ]);
        expect(tableText(table)).toBe('25 degC: 10 W; 125 degC: 14 W');
        expect(tableFrom('25', 'degC')).toEqual([['25 degC']]);
    });
});
