import { describe, expect, it } from 'vitest';
import { copperLayers } from './copper';
import type { PartEntry } from './document';
import { drawnOn, nextToDraw, pickedPiece, withDrawn, withNextDrawn } from './drawn';

const board: PartEntry = {
    id: 'b',
    material: 'laminate',
    shape: {
        kind: 'board',
        size: ['40 mm', 'wide'],
        layers: [{ thickness: '35 um', copper: 0.9 }, { thickness: '1.5 mm' }, { thickness: '35 um', copper: '60 %' }],
    } as PartEntry['shape'],
};

describe('copper drawn by hand', () => {
    it('begins as a pour over the board on its upper copper, formulas kept', () => {
        const begun = { ...board, ...withNextDrawn(board) };
        expect(begun.material).toBeUndefined();
        expect(copperLayers(begun)).toEqual(['Top']);
        expect(drawnOn(begun, 'Top')).toEqual([
            {
                kind: 'pour',
                points: [
                    ['0 mm', '0 mm'],
                    ['40 mm', '0 mm'],
                    ['40 mm', 'wide'],
                    ['0 mm', 'wide'],
                ],
            },
        ]);
        expect(nextToDraw(begun)).toBe('Layer 1');
        expect(copperLayers({ ...begun, ...withNextDrawn(begun) })).toEqual(['Layer 1', 'Top']);
        expect(nextToDraw({ ...board, shape: { ...board.shape, layers: [{ thickness: '1.5 mm' }] } as PartEntry['shape'] })).toBeNull();
    });

    it('is added, changed and taken away layer by layer', () => {
        let drawn = { ...board, ...withNextDrawn(board) };
        const track = pickedPiece('track', [
            [0.001, 0.002],
            [0.0111, 0.002],
        ]);
        expect(track).toEqual({
            kind: 'track',
            points: [
                ['1 mm', '2 mm'],
                ['11.1 mm', '2 mm'],
            ],
            width: '1 mm',
        });
        drawn = { ...drawn, ...withDrawn(drawn, 'Layer 1', Infinity, track) };
        drawn = { ...drawn, ...withDrawn(drawn, 'Layer 1', 0, { ...track, clear: true }) };
        expect(drawnOn(drawn, 'Layer 1')).toEqual([{ ...track, clear: true }]);
        expect(copperLayers(drawn)).toEqual(['Layer 1', 'Top']);
        drawn = { ...drawn, ...withDrawn(drawn, 'Layer 1', 0, undefined) };
        expect(copperLayers(drawn)).toEqual(['Top']);
        expect(pickedPiece('pad', [[0.005, 0.005]])).toEqual({ kind: 'pad', at: ['5 mm', '5 mm'], size: ['3 mm', '2 mm'] });
    });
});
