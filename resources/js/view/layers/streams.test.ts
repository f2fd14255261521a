import { describe, expect, it } from 'vitest';
import type { Outline } from '../../api/types';
import { samplePart } from '../../model/samples';
import { seeds } from './seeds';
import { placeAt, readStreams, slowdown, thinned, type Stream } from './streams';

const line = (times: number[]): Stream => ({ points: new Float32Array(times.flatMap((t) => [t, 2 * t, 0])), times: new Float32Array(times) });

describe('streamlines', () => {
    it('are read as the core writes them', () => {
        const bytes = new ArrayBuffer(4 * 3 + 16 * 3);
        const view = new DataView(bytes);
        [2, 2, 1].forEach((n, i) => view.setUint32(4 * i, n, true));
        [0, 1, 2, -0.5, 3, 4, 5, 0, 6, 7, 8, 9].forEach((x, i) => view.setFloat32(12 + 4 * i, x, true));
        const [first, second] = readStreams(bytes);
        expect([...first!.points]).toEqual([0, 1, 2, 3, 4, 5]);
        expect([...first!.times]).toEqual([-0.5, 0]);
        expect([...second!.points]).toEqual([6, 7, 8]);
    });

    it('lose points that are close to each other and keep their ends', () => {
        const thin = thinned(line([0, 0.1, 0.2, 1, 1.01]), 0.5);
        expect([...thin.times].map((t) => Number(t.toFixed(2)))).toEqual([0, 1, 1.01]);
    });

    it('carry particles from point to point in their time', () => {
        const stream = line([0, 1, 4]);
        expect(placeAt(stream, 2.5, 0)).toEqual({ at: [2.5, 5, 0], segment: 1 });
        expect(placeAt(stream, 0.5, 1).at).toEqual([0.5, 1, 0]);
        expect(slowdown([line([0, 0.1])], 6)).toBe(50);
    });
});

describe('where streamlines start', () => {
    const outline = {
        space: { min: [0, 0, 0], max: [1, 1, 1] },
        openings: [{ name: 'x-', min: [0, 0.2, 0.2], max: [0, 0.8, 0.8], round: false }],
        parts: [
            samplePart({ id: 'fan', kind: 'fan', min: [0.9, 0.4, 0.4], max: [0.9, 0.6, 0.6] }),
            samplePart({ id: 'b', min: [0.4, 0.4, 0], max: [0.6, 0.6, 0.2] }),
        ],
    } as unknown as Outline;

    it('is spread over openings, fans, a section or around a part, inside the space', () => {
        const opening = seeds({ kind: 'openings' }, outline, [], 25);
        expect(opening.length).toBeGreaterThan(15);
        for (const [x, y] of opening) {
            expect(x).toBeCloseTo(0.001);
            expect(y).toBeGreaterThan(0.2);
        }
        for (const [x] of seeds({ kind: 'fans' }, outline, [], 9)) expect(x).toBeCloseTo(0.9);
        const around = seeds({ kind: 'part', part: 'b' }, outline, [], 60);
        expect(around.length).toBeGreaterThan(20);
        for (const point of around) expect(point.every((x) => x >= 0 && x <= 1)).toBe(true);
    });
});
