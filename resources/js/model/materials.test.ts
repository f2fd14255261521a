import { describe, expect, it } from 'vitest';
import type { Material } from '../api/types';
import type { ModelDocument } from './document';
import {
    allMaterials,
    conductivityFrom,
    materialUses,
    resistivityOf,
    withMaterialProperty,
    withOwnCopy,
    withoutMaterial,
    materialsFrom,
    materialsText,
} from './materials';

const silicon: Material = {
    id: 'silicon',
    title: 'Silicon',
    category: 'semiconductor',
    fluid: false,
    conductivity: [148, 148, 148],
    conductivityByTemperature: [
        [300, 148],
        [400, 98.9],
    ],
    density: 2330,
    specificHeat: 712,
    emissivity: null,
    viscosity: null,
    expansion: null,
    melting: null,
    resistivity: null,
    source: 'a book',
};
const pad: Material = { ...silicon, id: 'pad', title: 'Pad', conductivity: [3, 3, 3], conductivityByTemperature: null };
const empty: ModelDocument = { parts: [{ id: 'a', material: 'pad', shape: { kind: 'block' } }] };

describe('materials of a project', () => {
    it('are copied from the library with their tables, and edited', () => {
        const { document, id } = withOwnCopy(empty, silicon);
        expect(id).toBe('silicon-own');
        expect(document.materials).toEqual({
            'silicon-own': {
                title: 'Silicon, own',
                conductivity: {
                    table: [
                        [300, 148],
                        [400, 98.9],
                    ],
                },
                density: 2330,
                specificHeat: 712,
                source: 'copied from Silicon',
            },
        });
        expect(withOwnCopy(document, silicon).id).toBe('silicon-own-2');
        expect(allMaterials(document, [])[0]).toMatchObject({
            conductivity: [148, 148, 148],
            conductivityByTemperature: [
                [300, 148],
                [400, 98.9],
            ],
        });
        const harder = withMaterialProperty(withMaterialProperty(document, id, 'emissivity', 0.7), id, 'density', undefined);
        expect(harder.materials).toMatchObject({ 'silicon-own': { emissivity: 0.7 } });
        expect((harder.materials as Record<string, object>)['silicon-own']).not.toHaveProperty('density');
        expect(withoutMaterial(document, id).materials).toEqual({});
    });

    it('are copied with their resistivity, which may follow the temperature', () => {
        const copied = (resistivity: number[][]) =>
            (withOwnCopy(empty, { ...pad, resistivity }).document.materials as Record<string, { resistivity: unknown }>)['pad-own']!.resistivity;
        expect(copied([[293.15, 2e-8]])).toBe(2e-8);
        expect(
            copied([
                [120, 1e-8],
                [1300, 9e-8],
            ]),
        ).toEqual({
            table: [
                [120, 1e-8],
                [1300, 9e-8],
            ],
        });
        expect(
            resistivityOf({
                resistivity: [
                    [200, 1e-8],
                    [400, 3e-8],
                ],
            }),
        ).toBeCloseTo(2e-8, 12);
    });

    it('stand before the library, and in place of what they are called like', () => {
        const document = { ...empty, materials: { pad: { title: 'Better pad', conductivity: '5 W/m/K' } } };
        expect(allMaterials(document, [silicon, pad]).map((m) => [m.id, m.title, m.conductivity])).toEqual([
            ['pad', 'Better pad', [5, 5, 5]],
            ['silicon', 'Silicon', [148, 148, 148]],
        ]);
        expect(materialUses(document, 'pad')).toBe(1);
        expect(materialUses(document, 'silicon')).toBe(0);
    });

    it.each([
        ['180', 180],
        ['180 W/m/K', '180 W/m/K'],
        ['20, 20, 0.3', [20, 20, 0.3]],
    ])('read a conductivity of %s', (text, value) => expect(conductivityFrom(text)).toEqual(value));

    it('go out as JSON and come in from JSON or CSV', () => {
        const document: ModelDocument = { materials: { pad: { conductivity: 3.5, density: 2000 } } };
        expect(materialsFrom(materialsText(document))).toEqual(document.materials);
        expect(materialsFrom('id;title;conductivity;density\nfoil;Foil;400 W/m/K;8900')).toEqual({
            foil: { title: 'Foil', conductivity: '400 W/m/K', density: 8900 },
        });
        expect(() => materialsFrom('{"pad": {"density": 1}}')).toThrow('"pad" has no conductivity');
        expect(() => materialsFrom('name;k\nA;1')).toThrow('A first line with "id"');
    });
});
