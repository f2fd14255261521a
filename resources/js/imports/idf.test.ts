import { describe, expect, it } from 'vitest';
import { readIdf } from './idf';
import { sampleBoard, sampleLibrary } from './idfSample';

const board = sampleBoard(
    [100, 60],
    ['"BGA 20" "FH-100" U1', '50 30 0 90 TOP PLACED', '"CAP" "C-1" C1', '20 20 0.1 45 BOTTOM PLACED', '"MISSING" "X" X9', '1 1 0 0 TOP PLACED'],
    2,
);
const library = `${sampleLibrary([{ geometry: 'BGA 20', part: 'FH-100', size: [20, 10, 2] }], true)}.ELECTRICAL\nCAP C-1 THOU 100\n0 0 0 0\n0 100 0 360\n.END_ELECTRICAL\n`;

const millimetres = (v: readonly number[]) => v.map((x) => Number((1e3 * x).toFixed(3)));

describe('an IDF 3.0 pair', () => {
    const { bodies, notes } = readIdf(board, library);

    it('becomes a board with its components where they stand', () => {
        expect(bodies.map((b) => b.name)).toEqual(['Board', 'U1', 'C1']);
        expect(millimetres(bodies[0]!.max)).toEqual([100, 60, 1.6]);
        // Turned by 90 degrees: 10 wide, 20 deep, on top of the board.
        expect(millimetres(bodies[1]!.min)).toEqual([45, 20, 1.6]);
        expect(millimetres(bodies[1]!.max)).toEqual([55, 40, 3.6]);
        // Under the board, 100 thou high, 0.1 mm off it.
        expect(millimetres([bodies[2]!.min[2], bodies[2]!.max[2]])).toEqual([-2.64, -0.1]);
    });

    it('says what was simplified and left out', () => {
        expect(notes.join('; ')).toBe(
            '2 drilled holes left out; 1 component outline simplified to rectangles; 1 turned component fills the straight rectangle around it; Not in the library, left out: X9',
        );
    });

    it.each([
        ['without placement', board.replace(/\.PLACEMENT[\s\S]*/, ''), /lacks \.PLACEMENT/],
        ['cut off', board.slice(0, 260), /cut off/],
        ['in an odd unit', board.replace('gateway" MM', 'gateway" FEET'), /knows MM and THOU/],
        ['that is none', 'hello', /no IDF 3\.0 file/],
    ])('a board file %s is refused in words', (_what, text, words) => expect(() => readIdf(text, library)).toThrow(words));
});
