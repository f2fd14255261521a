import { describe, expect, it } from 'vitest';
import type { ModelDocument } from '../model/document';
import { differences, partsIn, taking } from './differences';

const shape = (kind: string, fields: object): { kind: string } => ({ kind, ...fields });

const base: ModelDocument = {
    format: 'foehn-model',
    version: 1,
    name: 'Box',
    parameters: { fin_height: { value: '22 mm', note: 'base to tip' } },
    surroundings: { temperature: '45 degC', gravity: [0, 0, -9.81] },
    parts: [
        { id: 'fan', name: 'Fan 40', shape: shape('fan', { radius: '19 mm' }), at: ['10 mm', 0, 0] },
        {
            id: 'sink',
            name: 'Heat sink',
            shape: shape('block', { size: [1, 2, 3] }),
            material: 'aluminium-6061',
            faces: { 'z+': { heat: { kind: 'film', coefficient: '8 W/m^2/K' } } },
        },
    ],
    limits: [{ id: 'l1', name: 'Processor junction', of: { part: 'sink' }, atMost: '100 degC' }],
};
const other: ModelDocument = {
    ...base,
    parameters: { fin_height: { value: '30 mm', note: 'base to tip' } },
    surroundings: { temperature: '55 degC', gravity: [0, 0, -9.81] },
    parts: [
        { ...base.parts![1]!, material: 'copper', faces: { 'z+': { heat: { kind: 'film', coefficient: '12 W/m^2/K' } } } },
        { ...base.parts![0]!, at: ['30 mm', 0, 0] },
        { id: 'baffle', name: 'Baffle', shape: shape('block', { size: ['1 mm', '20 mm', '30 mm'] }) },
    ],
    limits: [],
};

describe('differences of two models', () => {
    it('are told by part and property, whatever the order of the parts', () => {
        expect(differences(base, other).map(({ subject, property, from, to }) => [subject, property, from, to])).toEqual([
            ['Parameters', 'fin_height', '22 mm', '30 mm'],
            ['Surroundings', 'Temperature', '45 degC', '55 degC'],
            ['Fan 40', 'Position', '10 mm, 0, 0', '30 mm, 0, 0'],
            ['Heat sink', 'Material', 'aluminium-6061', 'copper'],
            ['Heat sink', 'Face · Z+ · Coefficient', '8 W/m^2/K', '12 W/m^2/K'],
            ['Baffle', 'Part', null, 'Baffle, shape block, size 1 mm, 20 mm, 30 mm'],
            ['Limit: Processor junction', 'Limit', 'Processor junction, of part sink, at most 100 degC', null],
        ]);
        expect(partsIn(differences(base, other))).toEqual(['fan', 'sink', 'baffle']);
        expect(differences(base, structuredClone(base))).toEqual([]);
    });

    it('tell a shape of another kind as a whole', () => {
        const turned = { ...base, parts: [{ ...base.parts![0]!, shape: shape('cylinder', { radius: '19 mm' }) }, base.parts![1]!] };
        expect(differences(base, turned)).toMatchObject([{ property: 'Shape', from: 'fan, radius 19 mm', to: 'cylinder, radius 19 mm' }]);
    });

    it('are taken over one by one, and all of them make the other model', () => {
        const all = differences(base, other);
        const fan = all.filter(({ part }) => part === 'fan');
        expect(taking(base, other, fan)).toEqual({ ...base, parts: [{ ...base.parts![0]!, at: ['30 mm', 0, 0] }, base.parts![1]!] });
        expect(differences(taking(base, other, all), other)).toEqual([]);
        expect(differences(taking(other, base, all), base)).toEqual([]);
    });
});
