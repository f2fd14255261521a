import { describe, expect, it } from 'vitest';
import type { Outline } from '../api/types';
import { standsStraight, withAssembly, withAssemblyName, withAxes, withGroup, withIndependentAssemblies, withoutAxes } from './assemblies';
import { intoAxes } from './axes';
import type { ModelDocument } from './document';
import { withShift } from './parts';
import { samplePart } from './samples';

const document: ModelDocument = {
    parts: [
        { id: 'board', name: 'Board', group: 'Module', at: ['20 mm', '10 mm', 'h'], shape: { kind: 'block' } },
        { id: 'chip', name: 'Chip', group: 'Module', at: ['25 mm', '12 mm', '7 mm'], shape: { kind: 'block' }, repeat: [{ count: 2, step: ['9 mm', 0, 0] }] },
        { id: 'lid', name: 'Lid', at: [0, 0, 0], shape: { kind: 'block' } },
    ],
    limits: [{ id: 'l', of: { part: 'chip' }, atMost: '90 degC' }],
};
// Turned by 90 degrees about z: what points along x inside points along y outside.
const turned = [0, -1, 0, 1, 0, 0, 0, 0, 1];
const board = samplePart({ id: 'board', group: 'Module', min: [0.02, 0.01, 0.005], max: [0.06, 0.04, 0.0066] });
const chip = samplePart({ id: 'chip', group: 'Module', min: [0.025, 0.012, 0.007], max: [0.03, 0.017, 0.009] });
const outline = {
    parts: [board, chip],
    assemblies: {
        Module: {
            at: [0.04, 0.025, 0.007],
            copies: [
                [0, 0, 0],
                [0, 0, 0.02],
            ],
        },
    },
} as unknown as Outline;

describe('assemblies with axes of their own', () => {
    it('begin in the middle of their parts and can end again, with nothing moved', () => {
        const inside = withAxes(document, outline, 'Module');

        expect(inside.assemblies).toEqual({ Module: { at: ['40 mm', '25 mm', '7 mm'] } });
        expect(inside.parts!.map((part) => part.at)).toEqual([
            ['-20 mm', '-15 mm', 'h - 7 mm'],
            ['-15 mm', '-13 mm', '0 mm'],
            [0, 0, 0],
        ]);
        expect(standsStraight(inside.assemblies!.Module!)).toBe(true);
        expect(withoutAxes(inside, outline, 'Module').parts!.slice(1)).toEqual(document.parts!.slice(1));
        expect(withoutAxes(inside, outline, 'Module').assemblies).toEqual({});
    });

    it('move as a whole when all their parts do, and a single part along their axes', () => {
        const inside = withAxes(document, outline, 'Module');
        const whole = withShift(inside, [board, chip], [0.001, 0, 0]);
        const single = withShift(inside, [{ id: 'chip', axes: turned }], [0, 0.001, 0]);

        expect(whole.assemblies!.Module!.at).toEqual(['41 mm', '25 mm', '7 mm']);
        expect(whole.parts).toEqual(inside.parts);
        expect(single.assemblies).toEqual(inside.assemblies);
        expect(single.parts![1]!.at).toEqual(['-14 mm', '-13 mm', '0 mm']);
        expect(intoAxes(turned, [1, 2, 3])).toEqual([2, -1, 3]);
    });

    it('become independent with parts, limits and turn of their own', () => {
        const repeated = withAssembly(withAxes(document, outline, 'Module'), 'Module', {
            turn: [0, 0, '90 deg'],
            repeat: [{ count: 2, step: [0, 0, '20 mm'] }],
        });
        expect(standsStraight(repeated.assemblies!.Module!)).toBe(false);
        const apart = withIndependentAssemblies(repeated, outline, 'Module');

        expect(apart.assemblies).toEqual({
            Module: { at: ['40 mm', '25 mm', '7 mm'], turn: [0, 0, '90 deg'] },
            'Module 2': { at: ['40 mm', '25 mm', '27 mm'], turn: [0, 0, '90 deg'] },
        });
        expect(apart.parts!.map((part) => [part.id, part.group])).toEqual([
            ['board', 'Module'],
            ['chip', 'Module'],
            ['lid', undefined],
            ['board-2', 'Module 2'],
            ['chip-2', 'Module 2'],
        ]);
        expect(apart.parts![4]!.repeat).toEqual(document.parts![1]!.repeat);
        expect(apart.limits!.map((limit) => limit.of.part)).toEqual(['chip', 'chip-2']);
    });

    it('take a part in where it stands, unless they are turned', () => {
        const inside = withAxes(document, outline, 'Module');
        const taken = withGroup(inside, outline, ['lid'], 'Module');

        expect(taken.parts![2]).toMatchObject({ group: 'Module', at: [-0.04, -0.025, -0.007] });
        expect(withGroup(taken, outline, ['lid'], null).parts![2]).toEqual(document.parts![2]);
        expect(() => withGroup(withAssembly(inside, 'Module', { turn: [0, 0, '90 deg'] }), outline, ['lid'], 'Module')).toThrow('Module is turned');
    });

    it('keep their axes under another name', () => {
        const renamed = withAssemblyName(withAxes(document, outline, 'Module'), 'Module', 'Power stage');

        expect(Object.keys(renamed.assemblies!)).toEqual(['Power stage']);
        expect(renamed.parts!.map((part) => part.group)).toEqual(['Power stage', 'Power stage', undefined]);
    });
});
