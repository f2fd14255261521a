import { describe, expect, it } from 'vitest';
import type { Result } from '../../api/types';
import { facesOfBand } from './litFaces';

// Two cells along x: a chip, and a board beside it whose other end is at a side of the space. Rows: cell, direction, part and part beyond.
const elements = {
    lines: [
        [0, 1, 3],
        [0, 1],
        [0, 2],
    ],
    rows: new Uint32Array([0, 1, 1, 2, 1, 0, 2, 1, 0, 5, 1, 0, 1, 1, 2, 0, 0, 0, 0, 0]),
};
const result = { parts: [{ id: 'chip' }, { id: 'board' }] } as unknown as Result;
const outline = { openings: [{ name: 'Vent', kind: 'open' as const, round: false, min: [3, 0, 0], max: [3, 1, 2] }] };
const lit = (from: string, to: string) => [...facesOfBand({ from, to }, elements, result, outline)];
const along = (faces: number[], axis: number) => [...new Set(faces.filter((_x, n) => n % 3 === axis))];

describe('the faces of a band', () => {
    it('of two parts are those where they touch', () => {
        const faces = lit('chip', 'board');
        expect(faces).toHaveLength(2 * 18);
        expect([along(faces, 0), along(faces, 1), along(faces, 2)]).toEqual([[1], [0, 1], [0, 2]]);
    });

    it('to the air are what lies open, and to a side what meets it', () => {
        expect(along(lit('chip', 'fluid'), 2)).toEqual([2]);
        expect(along(lit('board', 'side x+'), 0)).toEqual([3]);
        expect(along(lit('fluid', 'side x-'), 0)).toEqual([0]);
        expect(lit('chip', 'side x+')).toEqual([]);
    });

    it('through an opening are that opening', () => {
        const faces = lit('fluid', 'opening Vent');
        expect([along(faces, 0), along(faces, 1).sort(), along(faces, 2).sort()]).toEqual([[3], [0, 1], [0, 2]]);
    });
});
