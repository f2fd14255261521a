import { describe, expect, it } from 'vitest';
import { withoutParts } from './parts';
import { cellSizeOf, gridOf, refinementsOf, withCellSize, withGrid, withRefinement, withSize } from './refine';

const empty = { parts: [{ id: 'lid', shape: { kind: 'block' } }], analysis: { grid: { grade: 'scout' }, time: { kind: 'steady' } } };

describe('what is asked of the grid by hand', () => {
    it('is the size of the cells of parts, also of their linked copies, and leaves the rest as it is', () => {
        const sized = withCellSize(empty, ['lid#2', 'board'], '1 mm');
        expect(refinementsOf(sized)).toEqual([
            { part: 'lid', size: '1 mm' },
            { part: 'board', size: '1 mm' },
        ]);
        expect(cellSizeOf(sized, 'lid#3')).toBe('1 mm');
        expect(gridOf(sized).grade).toBe('scout');
        expect(refinementsOf(withCellSize(sized, ['lid'], '2 mm'))).toHaveLength(2);
        expect(withCellSize(withCellSize(sized, ['lid'], ''), ['board'], '')).toEqual(empty);
    });

    it('has boxes and faces beside them, which go one by one', () => {
        const faced = withRefinement(withCellSize(empty, ['lid'], '1 mm'), { part: 'lid', face: 'z+', size: '0.2 mm' });
        expect(refinementsOf(withCellSize(faced, ['lid'], ''))).toEqual([{ part: 'lid', face: 'z+', size: '0.2 mm' }]);
        expect(refinementsOf(withSize(faced, 1, '0.5 mm'))[1]!.size).toBe('0.5 mm');
        expect(refinementsOf(withSize(faced, 0, ''))).toHaveLength(1);
    });

    it('goes with the part it is about', () => {
        expect(refinementsOf(withoutParts(withCellSize(empty, ['lid'], '1 mm'), ['lid']))).toEqual([]);
    });

    it('takes settings for the whole grid', () => {
        expect(gridOf(withGrid(empty, { growth: 1.2 })).growth).toBe(1.2);
        expect(withGrid(withGrid(empty, { growth: 1.2 }), { growth: undefined })).toEqual(empty);
    });
});
