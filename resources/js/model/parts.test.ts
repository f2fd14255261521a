import { describe, expect, it } from 'vitest';
import type { Outline, OutlinePart } from '../api/types';
import { fieldOffsets } from '../inspector/CopiesDialog';
import type { ModelDocument } from './document';
import { boardLayers, satOn, withCopies, withNewPart, withOrder, withoutParts, withShift } from './parts';
import { samplePart } from './samples';

const box = (id: string, min: number[], max: number[]) => samplePart({ id, min, max });
const outline = { space: { min: [0, 0, 0], max: [0.2, 0.1, 0.05], fluid: 'air' }, parts: [] } as unknown as Outline;
const document: ModelDocument = {
    parts: [
        { id: 'base', name: 'Base', shape: { kind: 'block' }, at: ['10 mm', 'edge', 0] },
        { id: 'chip', name: 'Chip', shape: { kind: 'block' }, at: ['15 mm', '20 mm', '5 mm'] },
    ],
    limits: [{ id: 'l', of: { part: 'chip' }, atMost: '85 degC' }],
    watches: [{ id: 'w', of: { part: 'chip' } }],
};

describe('parts', () => {
    it('puts a new part on the floor or on the selected one, within the space and under a free id', () => {
        const first = withNewPart(document, outline, 'block');
        expect(first.document.parts?.[2]).toMatchObject({ id: 'block', name: 'Block', at: ['90 mm', '40 mm', '0 mm'] });
        const second = withNewPart(first.document, outline, 'block', box('base', [0, 0, 0], [0.02, 0.02, 0.004]));
        expect(second.document.parts?.[3]).toMatchObject({ id: 'block-2', name: 'Block 2', at: ['0 mm', '0 mm', '4 mm'] });
    });

    it('puts a new part on the floor inside a box with walls', () => {
        const housing: OutlinePart = {
            ...box('housing', [0, 0, 0], [0.1, 0.1, 0.05]),
            kind: 'shell',
            drawing: [{ kind: 'box', wall: 'z-', min: [0, 0, 0], max: [0.1, 0.1, 0.002] }],
        };
        expect(withNewPart(document, outline, 'block', housing).document.parts?.[2]).toMatchObject({ at: ['40 mm', '40 mm', '2 mm'] });
    });

    it('covers a part with an interface pad', () => {
        const pad = withNewPart(document, outline, 'pad', box('chip', [0.01, 0.01, 0.005], [0.03, 0.025, 0.007])).document.parts?.[2];
        expect(pad).toMatchObject({ material: 'gap-pad', at: ['10 mm', '10 mm', '7 mm'], shape: { size: ['20 mm', '15 mm', '1 mm'] } });
    });

    it('copies with the limits and shifts plain lengths and formulas', () => {
        const { document: copied, ids } = withCopies(
            document,
            [{ id: 'base' }, { id: 'chip' }],
            fieldOffsets(
                [3, 1],
                [
                    [0.02, 0.001, 0],
                    [0, 0, 0],
                ],
            ),
        );
        expect(ids).toEqual(['base-2', 'chip-2', 'base-3', 'chip-3']);
        expect(copied.parts?.[4]?.at).toEqual(['50 mm', 'edge + 2 mm', 0]);
        expect(copied.limits?.map((l) => l.of.part)).toEqual(['chip', 'chip-2', 'chip-3']);
    });

    it('makes a field of copies around the original', () => {
        expect(
            fieldOffsets(
                [2, 2],
                [
                    [0.01, 0, 0],
                    [0, 0.02, 0],
                ],
            ),
        ).toEqual([
            [0.01, 0, 0],
            [0, 0.02, 0],
            [0.01, 0.02, 0],
        ]);
    });

    it('removes parts with what refers to them', () => {
        const without = withoutParts(document, ['chip']);
        expect([without.parts?.length, without.limits, without.watches]).toEqual([1, [], []]);
    });

    it('changes the carving order and stops at its ends', () => {
        expect(withOrder(document, 'base', 1).parts?.map((p) => p.id)).toEqual(['chip', 'base']);
        expect(withOrder(document, 'base', -1)).toBe(document);
    });

    it('sits a part on another one, centred where it stood beside it', () => {
        const chip = box('chip', [0.1, 0.02, 0.01], [0.11, 0.03, 0.012]);
        expect(satOn(document, chip, box('base', [0, 0, 0], [0.04, 0.04, 0.005])).parts?.[1]?.at).toEqual(['-70 mm', '15 mm', '0 mm']);
        expect(withShift(document, [{ id: 'chip' }], [0, -0.001, 0]).parts?.[1]?.at).toEqual(['15 mm', '19 mm', '5 mm']);
    });

    it('stacks a board of its full thickness', () => {
        for (const count of [1, 2, 4, 8]) expect(boardLayers(count).reduce((sum, l) => sum + parseFloat(l.thickness), 0)).toBeCloseTo(1.6, 9);
    });
});
