import { describe, expect, it } from 'vitest';
import type { OutlinePart } from '../api/types';
import { housings } from './housings';

const part = (id: string, kind: string, min: number[], max: number[]) => ({ id, kind, min, max }) as unknown as OutlinePart;

describe('walls that are seen through', () => {
    it('are those of shells and of imported bodies that hold something', () => {
        const parts = [
            part('shell', 'shell', [0, 0, 0], [9, 9, 9]),
            part('case', 'mesh', [0, 0, 0], [5, 5, 5]),
            part('chip', 'block', [1, 1, 1], [2, 2, 2]),
            part('lump', 'mesh', [6, 6, 6], [7, 7, 7]),
        ];
        expect([...housings(parts)]).toEqual(['shell', 'case']);
    });
});
