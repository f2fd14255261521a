import { describe, expect, it } from 'vitest';
import { colourOf } from './colours';

describe('the colour of a part without a result', () => {
    it('is its own where it has one', () => {
        expect(colourOf({ colour: '#123456', kind: 'block', power: 3 })).toBe('#123456');
    });

    it('tells what heats from what does not, and boards and fins from blocks', () => {
        const of = (kind: string, power = 0) => colourOf({ colour: null, kind: kind, power });
        expect(new Set([of('block'), of('block', 2), of('board'), of('plateFins'), of('shell')]).size).toBe(5);
        expect(of('pinFins')).toBe(of('plateFins'));
    });
});
