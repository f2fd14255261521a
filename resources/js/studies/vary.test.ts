import { describe, expect, it } from 'vitest';
import type { ModelDocument, PartEntry } from '../model/document';
import { nameFor, suggestedRange, variablesOf, withVariable } from './vary';

const sink: PartEntry = {
    id: 'sink',
    name: 'Heat sink',
    shape: { kind: 'plateFins', size: ['40 mm', 30, 'fin_height'], thickness: '1 mm' } as PartEntry['shape'],
    at: ['10 mm', 0, '2 * gap'],
    power: '14 W',
    faces: { 'z-': { heat: { kind: 'contact', resistance: '2e-5 m^2*K/W' } } },
};
const document: ModelDocument = { parts: [sink, { id: 'board', shape: { kind: 'block' } }], parameters: { fin_height: '22 mm' } };

describe('what of a part can be varied', () => {
    it('are its numbers, not what parameters say already', () => {
        expect(variablesOf(sink).map(({ title, formula }) => `${title}: ${formula}`)).toEqual([
            'Size x: 40 mm',
            'Size y: 30',
            'Thickness: 1 mm',
            'Position x: 10 mm',
            'Position y: 0',
            'Watts: 14 W',
            'Face z- resistance: 2e-5 m^2*K/W',
        ]);
    });

    it('becomes a parameter of the same value under a free name', () => {
        const thickness = variablesOf(sink)[2]!;
        const name = nameFor('Heat sink', thickness.title, document);
        expect(name).toBe('heat_sink_thickness');
        const changed = withVariable(document, 'sink', thickness, name);
        expect(changed.parameters).toEqual({ fin_height: '22 mm', heat_sink_thickness: '1 mm' });
        expect(changed.parts![0]).toEqual({ ...sink, shape: { ...sink.shape, thickness: name } });
        expect(changed.parts![1]).toBe(document.parts![1]);
        expect(nameFor('Heat sink', thickness.title, changed)).toBe('heat_sink_thickness_2');
        const resistance = variablesOf(sink)[6]!;
        expect(withVariable(document, 'sink', resistance, 'paste').parts![0]!.faces).toEqual({ 'z-': { heat: { kind: 'contact', resistance: 'paste' } } });
    });

    it('has a range around its value', () => {
        expect(suggestedRange('22 mm')).toBe('17.6 mm .. 26.4 mm : 5');
        expect(suggestedRange('8 W/m^2/K')).toBe('6.4 W/m^2/K .. 9.6 W/m^2/K : 5');
        expect(suggestedRange('0')).toBe('0 .. 1 : 5');
        expect(suggestedRange('2 * gap')).toBe('2 * gap');
    });
});
