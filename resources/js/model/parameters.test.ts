import { describe, expect, it } from 'vitest';
import type { ModelDocument } from './document';
import { circle, parametersOf, uses, withParameter, withRenamed } from './parameters';

const document: ModelDocument = {
    name: 'gap study',
    parameters: { gap: { value: '2 mm', note: 'gap of the pads' }, fin_gap: 'gap / 2', watts: 3 },
    parts: [
        {
            id: 'gap',
            name: 'gap filler',
            material: 'gap',
            shape: { kind: 'block', size: ['2*gap + 1 mm', '10 mm', 'fin_gap'] } as { kind: string },
            power: 'watts * 1 W',
        },
        { id: 'b', shape: { kind: 'block', size: ['gap', 'gap', '1 mm'] } as { kind: string } },
    ],
};

describe('parameters', () => {
    it('are counted where formulas use them, not in names or longer words', () => {
        expect(uses(document, 'gap')).toBe(4);
        expect(uses(document, 'fin_gap')).toBe(1);
        expect(uses(document, 'other')).toBe(0);
    });

    it('are renamed in every formula and nowhere else', () => {
        const after = withRenamed(document, 'gap', 'clearance');
        expect(after.parameters).toEqual({ clearance: { value: '2 mm', note: 'gap of the pads' }, fin_gap: 'clearance / 2', watts: 3 });
        expect(after.parts?.[0]).toMatchObject({ id: 'gap', name: 'gap filler', material: 'gap', shape: { size: ['2*clearance + 1 mm', '10 mm', 'fin_gap'] } });
        expect(after.name).toBe('gap study');
    });

    it('keep the words about them when their value changes', () => {
        expect(withParameter(document, 'gap', '3 mm').parameters).toMatchObject({ gap: { value: '3 mm', note: 'gap of the pads' } });
        expect(parametersOf(document)).toEqual({ gap: '2 mm', fin_gap: 'gap / 2', watts: '3' });
    });

    it('tell when they depend on themselves', () => {
        expect(circle({ a: '2 * b', b: 'c + 1 mm', c: '3 mm' }, 'a')).toBeNull();
        expect(circle({ a: '2 * b', b: 'c + 1 mm', c: 'a' }, 'b')).toEqual(['b', 'c', 'a', 'b']);
        expect(circle({ a: 'a + 1 mm' }, 'a')).toEqual(['a', 'a']);
    });
});
