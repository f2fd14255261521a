import { describe, expect, it } from 'vitest';
import { shareOut } from './shares';

const part = (id: string, power: number) => ({ id, name: id.toUpperCase(), power });

describe('who makes the watts', () => {
    it('names the largest and sums up the others', () => {
        const shares = shareOut([part('a', 1), part('b', 6), part('c', 0), part('d', 2), part('e', 1)], 3);
        expect(shares.map(({ name, ids, power }) => [name, ids, power])).toEqual([
            ['B', ['b'], 6],
            ['D', ['d'], 2],
            ['2 others', ['a', 'e'], 2],
        ]);
        expect(shares.map(({ share }) => share)).toEqual([0.6, 0.2, 0.2]);
    });

    it('names all where there are few, and none where nothing heats', () => {
        expect(shareOut([part('a', 1), part('b', 3)], 3).map(({ name }) => name)).toEqual(['B', 'A']);
        expect(shareOut([part('a', 0)], 3)).toEqual([]);
    });
});
