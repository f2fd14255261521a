import { describe, expect, it } from 'vitest';
import type { FieldName } from '../fields/catalogue';
import { makeField } from '../fields/field';
import type { Layer } from '../shown/shown';
import { scalesOf } from './scales';
import { surfaceField } from './surfaces';

const lines = [
    [0, 1, 2, 3],
    [0, 1],
    [0, 1],
];
const parts: Layer = { id: 1, kind: 'parts', visible: true, field: 'temperature', aboveLimit: false };
const spanOf = (name: FieldName, values: number[], layers: Layer[] = [parts]) => {
    const scale = scalesOf(layers, {}, new Map([[name, makeField(lines, new Float32Array(values), new Uint16Array([1, 1, 0]))]]), new Map()).get(name)!;
    return [scale.min, scale.max];
};
const surfaceSpanOf = (name: FieldName, values: number[]) => {
    const rows = new Uint32Array(values.flatMap((_v, n) => [n, 1, 1, 0]));
    const scale = scalesOf([parts], {}, new Map(), new Map([[name, surfaceField({ lines, rows }, new Float32Array(values))]])).get(name)!;
    return [scale.min, scale.max];
};

describe('what a scale spans by itself', () => {
    it('is what the parts have, where only they show it', () => {
        expect(spanOf('temperature', [300, 320, 350])).toEqual([300, 320]);
        const section = { ...parts, kind: 'section', field: 'temperature' } as unknown as Layer;
        expect(spanOf('temperature', [300, 320, 350], [section])).toEqual([300, 350]);
    });

    it('begins at rest for a speed', () => {
        expect(spanOf('speed', [1, 2, 4], [{ ...parts, kind: 'section', field: 'speed' } as unknown as Layer])).toEqual([0, 4]);
    });

    it('has zero in the middle where its colours diverge, at surfaces too', () => {
        expect(surfaceSpanOf('surfaceHeatFlux', [-10, 40])).toEqual([-40, 40]);
        expect(surfaceSpanOf('surfaceHeatFlux', [10, 40])).toEqual([10, 40]);
        expect(surfaceSpanOf('aboveTouchLimit', [-30, -5])).toEqual([-30, 30]);
    });
});
