import { describe, expect, it } from 'vitest';
import { place } from './placing';

const picture = { width: 400, height: 300 };
const label = (x: number, y: number) => ({ x, y, width: 80, height: 20 });

describe('labels', () => {
    it('stand above what they name where there is room', () => {
        expect(place([label(200, 150)], picture)).toEqual([{ x: 160, y: 114 }]);
    });

    it('do not overlap, and stay in the picture', () => {
        const anchors = Array.from({ length: 12 }, (_, n) => label(180 + 5 * n, 100 + 3 * n));
        const placed = place(anchors, picture).filter((p) => p !== null);
        expect(placed.length).toBeGreaterThan(8);
        placed.forEach((a, n) => {
            expect(a.x >= 0 && a.y >= 0 && a.x + 80 <= 400 && a.y + 20 <= 300).toBe(true);
            for (const b of placed.slice(n + 1)) expect(Math.abs(a.x - b.x) >= 80 || Math.abs(a.y - b.y) >= 20).toBe(true);
        });
    });

    it('keep clear of what stands over the picture', () => {
        const panel = { x: 100, y: 60, width: 200, height: 80 };
        const [at] = place([label(200, 150)], picture, [panel]);
        expect(at!.y).toBeGreaterThan(142);
    });

    it('of what is out of the picture are left out', () => {
        expect(place([label(-5, 10), label(500, 10)], picture)).toEqual([null, null]);
    });
});
