import { describe, expect, it } from 'vitest';
import type { Outline } from '../api/types';
import { partEntry, withLimit, withPartFields, type ModelDocument } from './document';
import { withShift, withoutParts } from './parts';
import { repeatOf, withIndependentCopies, withRepeat, withoutCopies } from './repeat';
import { draggableFaces, withFaceMoved } from './resize';
import { samplePart } from './samples';

const outlined = (id: string, name: string, x: number, copyOf: string | null) =>
    samplePart({ id, name, copyOf, min: [x, 0, 0], max: [x + 0.004, 0.004, 0.002] });
const outline = {
    assemblies: {},
    parts: [outlined('chip', 'Chip', 0, null), outlined('chip#2', 'Chip 2', 0.01, 'chip'), outlined('lid', 'Lid', 0.1, null)],
} as unknown as Outline;
const document: ModelDocument = {
    parts: [
        {
            id: 'chip',
            name: 'Chip',
            at: ['0 mm', '0 mm', 'h'],
            shape: { kind: 'block', size: ['4 mm', 'w', '2 mm'] } as never,
            repeat: [{ count: 2, step: ['10 mm', 0, 0] }],
        },
        { id: 'lid', name: 'Lid', locked: true, at: [0, 0, 0], shape: { kind: 'cylinder', axis: 'x', radius: '1 mm', length: '5 mm' } as never },
    ],
};

describe('linked copies', () => {
    it('are their original to every edit', () => {
        expect(partEntry(document, 'chip#2')?.name).toBe('Chip');
        expect(withPartFields(document, ['chip', 'chip#2'], { power: '3 W' }).parts![0]!.power).toBe('3 W');
        expect(withShift(document, [{ id: 'chip#2' }, { id: 'chip' }], [0.001, 0, 0]).parts![0]!.at).toEqual(['1 mm', '0 mm', 'h']);
        expect(withLimit(document, outline.parts[1]!, '90 degC').limits).toEqual([
            expect.objectContaining({ id: 'limit-chip', name: 'Chip', of: { part: 'chip' } }),
        ]);
        expect(withoutCopies(outline.parts).map((part) => part.id)).toEqual(['chip', 'lid']);
    });

    it('become parts of their own where they stand, with the limits of the original', () => {
        const free = withIndependentCopies(withLimit(document, outline.parts[0]!, '90 degC'), outline, 'chip#2');
        expect(free.parts!.map((part) => [part.name, (part.at as string[])[0], repeatOf(part).length])).toEqual([
            ['Chip', '0 mm', 0],
            ['Lid', 0, 0],
            ['Chip 2', '10 mm', 0],
        ]);
        expect(free.limits).toHaveLength(2);
        expect(withRepeat(free, ['chip'], [{ count: 3, step: ['1 mm', 0, 0] }]).parts![0]!.repeat).toHaveLength(1);
    });
});

describe('locked parts', () => {
    it('are neither moved nor removed', () => {
        expect(withShift(document, [{ id: 'lid' }], [1, 1, 1])).toEqual(document);
        expect(withoutParts(document, ['chip', 'lid']).parts!.map((part) => part.id)).toEqual(['lid']);
    });
});

describe('dragged faces', () => {
    it('change the size, and the place where the lower face is dragged; formulas stay', () => {
        const wider = withFaceMoved(document, outline.parts[0]!, { axis: 1, upper: true }, 0.001);
        expect(wider.parts![0]!.shape).toMatchObject({ size: ['4 mm', 'w + 1 mm', '2 mm'] });
        const lower = withFaceMoved(document, outline.parts[1]!, { axis: 0, upper: false }, 0.002);
        expect(lower.parts![0]).toMatchObject({ shape: { size: ['6 mm', 'w', '2 mm'] }, at: ['-2 mm', '0 mm', 'h'] });
    });

    it('are those that a size of the part belongs to', () => {
        expect(draggableFaces(document.parts![0]!, null)).toHaveLength(6);
        expect(draggableFaces(document.parts![1]!, null)).toEqual([
            { axis: 0, upper: false },
            { axis: 0, upper: true },
        ]);
        expect(draggableFaces({ ...document.parts![0]!, turn: [0, 0, '30 deg'] }, null)).toEqual([]);
        expect(draggableFaces(document.parts![0]!, [0, -1, 0, 1, 0, 0, 0, 0, 1])).toEqual([]);
    });
});
