import Ajv2020 from 'ajv/dist/2020';
import { describe, expect, it } from 'vitest';
import schema from '../../../core/schema/foehn-model.schema.json';
import demo from '../../../examples/ridge-radar-processor.json';

const validate = new Ajv2020({ strict: false }).compile(schema);

describe('the published schema of the model document', () => {
    it('accepts the example', () => {
        expect(validate(demo), JSON.stringify(validate.errors)).toBe(true);
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
