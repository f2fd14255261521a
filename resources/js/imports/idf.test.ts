import { describe, expect, it } from 'vitest';
import { readIdf } from './idf';

const board = `.HEADER
BOARD_FILE 3.0 "Made up" 2026/11/24.10:00:00 1
"mast gateway" MM
.END_HEADER
.BOARD_OUTLINE ECAD
1.6
0 0 0 0
0 100 0 0
0 100 60 0
0 0 60 0
0 0 0 0
.END_BOARD_OUTLINE
.DRILLED_HOLES
3.0 5 5 PTH BOARD MTG ECAD
3.0 95 5 PTH BOARD MTG ECAD
.END_DRILLED_HOLES
.PLACEMENT
"BGA 20" "FH-100" U1
50 30 0 90 TOP PLACED
"CAP" "C-1" C1
20 20 0.1 45 BOTTOM PLACED
"MISSING" "X" X9
1 1 0 0 TOP PLACED
.END_PLACEMENT
`;
const library = `.HEADER
LIBRARY_FILE 3.0 "Made up" 2026/11/24.10:00:00 1
.END_HEADER
.ELECTRICAL
"BGA 20" "FH-100" MM 2.0
0 -10 -5 0
0 10 -5 0
0 10 5 0
0 -10 5 0
0 -10 -5 0
.END_ELECTRICAL
.ELECTRICAL
CAP C-1 THOU 100
0 0 0 0
0 100 0 360
.END_ELECTRICAL
`;

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
        expect(notes.join('; ')).toBe('2 drilled holes left out; 1 component outline simplified to rectangles; 1 turned component fills the straight rectangle around it; Not in the library, left out: X9');
    });

    it.each([
        ['without placement', board.replace(/\.PLACEMENT[\s\S]*/, ''), /lacks \.PLACEMENT/],
        ['cut off', board.slice(0, 300), /cut off/],
        ['in an odd unit', board.replace('gateway" MM', 'gateway" FEET'), /knows MM and THOU/],
        ['that is none', 'hello', /no IDF 3\.0 file/],
    ])('a board file %s is refused in words', (_what, text, words) => expect(() => readIdf(text, library)).toThrow(words));
});
