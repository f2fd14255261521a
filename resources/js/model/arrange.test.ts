import { describe, expect, it } from 'vitest';
import { withAligned, withFanInstead, withMirrored, withPackageInstead, withSharedWatts, withSizeOf } from './arrange';
import type { ModelDocument } from './document';
import { samplePart } from './samples';

const part = (id: string, min: number[], max: number[]) => samplePart({ id, min, max });
const a = part('a', [0, 0, 0], [0.02, 0.01, 0.002]);
const b = part('b', [0.05, 0.03, 0], [0.06, 0.04, 0.004]);
const document: ModelDocument = {
    parts: [
        { id: 'a', shape: { kind: 'block', size: ['20 mm', '10 mm', '2 mm'] } as never, at: [0, 0, 0] },
        { id: 'b', shape: { kind: 'block', size: ['10 mm', '10 mm', '4 mm'] } as never, at: ['50 mm', 'row', 0] },
    ],
};
const places = (d: ModelDocument) => d.parts?.map((p) => p.at);

describe('several parts', () => {
    it('are aligned with one of them, and formulas stay formulas', () => {
        expect(places(withAligned(document, [a, b], a, 0, 'middle'))).toEqual([
            [0, 0, 0],
            ['5 mm', 'row', 0],
        ]);
        expect(places(withAligned(document, [a, b], a, 1, 'min'))?.[1]).toEqual(['50 mm', 'row - 30 mm', 0]);
    });

    it('are mirrored in the space where they stand', () => {
        expect(places(withMirrored(document, [b], { min: [0, 0, 0], max: [0.1, 0.1, 0.1] }, 0))?.[1]).toEqual(['40 mm', 'row', 0]);
    });

    it('take the size of one about their own middle', () => {
        const matched = withSizeOf(document, [a, b], a).parts?.[1];
        expect([matched?.at, (matched?.shape as unknown as { size: string[] }).size]).toEqual([
            ['45 mm', 'row', 0.001],
            ['20 mm', '10 mm', '2 mm'],
        ]);
    });

    it('share one total by volume or equally, and keep it in one place', () => {
        const shared = withSharedWatts(document, [a, b], '3 W', 'volume');
        expect(shared.parts?.map((p) => p.power)).toEqual(['total_1 * 0.5', 'total_1 * 0.5']);
        expect(shared.parameters).toMatchObject({ total_1: { value: '3 W' } });
        expect(withSharedWatts(shared, [a], '1 W', 'equal').parts?.[0]?.power).toBe('total_2 * 1');
    });

    it('become a package or a fan of their size, standing where they stood', () => {
        const bodies: ModelDocument = { parts: [{ id: 'a', shape: { kind: 'mesh' }, material: 'copper', power: '2 W', faces: {}, at: [0, 0, 0] }] };
        const body = samplePart({ id: 'a', kind: 'mesh', min: [0, 0, 0], max: [0.02, 0.01, 0.002] });
        expect(withPackageInstead(bodies, body).parts![0]).toEqual({
            id: 'a',
            power: '2 W',
            at: ['0 mm', '0 mm', '0 mm'],
            shape: { kind: 'package', size: ['20 mm', '10 mm', '2 mm'], junctionToCase: '5 K/W', junctionToBoard: '10 K/W' },
        });
        expect(withFanInstead(bodies, body).parts![0]).toMatchObject({
            at: ['5 mm', '0 mm', '1 mm'],
            shape: { kind: 'fan', direction: 'z+', diameter: '10 mm' },
        });
        expect(withFanInstead(bodies, body).parts![0]).not.toHaveProperty('material');
    });
});
