import Ajv2020 from 'ajv/dist/2020';
import { describe, expect, it } from 'vitest';
import schema from '../../../core/schema/foehn-model.schema.json';
import demo from '../../../examples/ridge-radar-processor.json';

const validate = new Ajv2020({ strict: false }).compile(schema);

describe('the published schema of the model document', () => {
    it('accepts the example', () => {
        expect(validate(demo), JSON.stringify(validate.errors)).toBe(true);
    });

    it('accepts what states a textbook case', () => {
        const channel = {
            format: 'foehn-model',
            version: 1,
            space: {
                box: { min: [0, 0, 0], max: [1, 1, 1] },
                sides: { 'x-': { kind: 'inlet', speed: '1 m/s * y/(1 m)', conducts: true }, 'x+': { kind: 'outlet', massFlow: '2 g/s' } },
            },
            parts: [
                {
                    id: 'bar',
                    shape: { kind: 'block', size: [1, 1, 1] },
                    faces: { 'x-': { electric: [{ kind: 'ground', min: [0, 0], max: ['5 mm', '5 mm'] }] } },
                },
            ],
            watches: [
                { id: 'a', of: { section: { axis: 'x', at: 0.5, min: [0, 0], max: [1, 1] } }, quantity: 'bulkTemperature' },
                { id: 'b', of: { side: 'y-' }, quantity: 'nusselt', length: '2 m', reference: { axis: 'x', at: 0.5 } },
                { id: 'c', of: { line: { from: [0, 0, 0], to: [1, 0, 0] } }, quantity: 'speed', reduce: 'zeroAt' },
            ],
            analysis: { convergence: { residual: 1e-7, change: 1e-5, iterations: 300 } },
        };
        expect(validate(channel), JSON.stringify(validate.errors)).toBe(true);
    });

    it.each([
        ['an unknown field', { ...demo, colour: 'red' }],
        ['another format', { ...demo, format: 'text' }],
        ['a model without space', { format: 'foehn-model', version: 1 }],
        ['a shape that is not known', { ...demo, parts: [{ id: 'a', shape: { kind: 'ball' } }] }],
        ['a film without coefficient', { ...demo, space: { ...demo.space, sides: { 'x-': { kind: 'wall', heat: { kind: 'film' } } } } }],
        ['a limit without bound', { ...demo, limits: [{ id: 'l', of: { part: 'board' } }] }],
    ])('refuses %s', (_what, document) => {
        expect(validate(document)).toBe(false);
    });
});
