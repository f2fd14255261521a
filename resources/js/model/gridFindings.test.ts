import { describe, expect, it } from 'vitest';
import type { GridReport, Outline } from '../api/types';
import { ofGrid } from './gridFindings';
import { samplePart } from './samples';

describe('what the grid does to the parts', () => {
    const outline = {
        space: { min: [0, 0, 0], max: [0.1, 0.1, 0.05] },
        parts: [
            samplePart({ id: 'lid', name: 'Lid', min: [0, 0, 0], max: [0.1, 0.1, 0.0001] }),
            samplePart({ id: 'crumb', min: [0, 0, 0], max: [0.0004, 0.0004, 0.0004] }),
        ],
    } as unknown as Outline;
    const grid: GridReport = {
        grade: 'scout',
        cells: 1,
        shape: [100, 100, 50],
        smallest: 1e-4,
        largest: 1e-3,
        aspect: 10,
        asked: 4,
        shortfall: 'Too coarse.',
        lines: [],
        memory: 1e8,
        seconds: 30,
        features: [
            { part: 'lid', feature: 'gap', width: 0.001, cells: 1 },
            { part: 'lid', feature: 'wall', width: 0.001, cells: 1 },
        ],
        steps: [{ part: 'lid', excess: 0.27 }],
    };

    it('is said with the parts it is about, and small ones can be merged or removed', () => {
        expect(ofGrid(grid, outline).map(({ message, parts, mends }) => [message, parts, mends])).toEqual([
            ['Too coarse.', [], []],
            ['The gaps of "Lid" have 1 cell at this grade; where air moves, duct correlations stand for them.', ['lid'], []],
            ['"Lid" stands askew to the grid; its steps have 27 % more surface for the air than it has.', ['lid'], []],
            ['1 part is smaller than half a cell of this grid; each costs cells and changes little.', ['crumb'], ['merge', 'drop']],
        ]);
    });
});
