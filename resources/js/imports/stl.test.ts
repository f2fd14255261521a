import { describe, expect, it } from 'vitest';
import { ImportError, moved, withBodies } from './plan';
import { readStl } from './stl';

type Point = [number, number, number];

/** The facets of a box, optionally without its lid. */
function box(min: Point, max: Point, open = false): Point[][] {
    const at = (i: number): Point => [i & 1 ? max[0] : min[0], i & 2 ? max[1] : min[1], i & 4 ? max[2] : min[2]];
    const quads = [[0, 2, 3, 1], [0, 1, 5, 4], [1, 3, 7, 5], [3, 2, 6, 7], [2, 0, 4, 6], ...(open ? [] : [[4, 5, 7, 6]])];
    return quads.flatMap(([a, b, c, d]) => [
        [at(a!), at(b!), at(c!)],
        [at(a!), at(c!), at(d!)],
    ]);
}

function binary(facets: Point[][]): ArrayBuffer {
    const view = new DataView(new ArrayBuffer(84 + 50 * facets.length));
    view.setUint32(80, facets.length, true);
    facets.forEach((facet, f) => facet.flat().forEach((v, n) => view.setFloat32(84 + 50 * f + 12 + 4 * n, v, true)));
    return view.buffer;
}

const text = (facets: Point[][]): ArrayBuffer =>
    new TextEncoder().encode(
        `solid s\n${facets.map((f) => `facet normal 0 0 0\nouter loop\n${f.map((p) => `vertex ${p.join(' ')}`).join('\n')}\nendloop\nendfacet`).join('\n')}\nendsolid s\n`,
    ).buffer;

describe('an STL file', () => {
    const two = [...box([0, 0, 0], [20, 10, 5]), ...box([30, 0, 0], [40, 10, 5])];

    it.each([
        ['binary', binary(two)],
        ['text', text(two)],
    ])('is split into its bodies, %s', (_kind, bytes) => {
        const plan = readStl(bytes, 'Bracket.stl', 'mm');
        expect(plan.bodies.map((b) => b.name)).toEqual(['Bracket 1', 'Bracket 2']);
        expect(plan.bodies[0]!.note).toBe('12 facets');
        const sizes = plan.bodies.map((b) => [0, 1, 2].map((n) => Number((b.max[n]! - b.min[n]!).toFixed(6))));
        expect(sizes).toEqual([
            [0.02, 0.01, 0.005],
            [0.01, 0.01, 0.005],
        ]);
    });

    it('tells holes and takes the unit asked for', () => {
        const plan = readStl(binary(box([0, 0, 0], [1, 1, 1], true)), 'Cup.stl', 'inch');
        expect(plan.bodies[0]!.note).toBe('10 facets, not closed: 4 open edges');
        expect(plan.bodies[0]!.max[0]).toBeCloseTo(0.0254, 9);
    });

    it.each([
        ['a web page', new TextEncoder().encode(`<!DOCTYPE html><html>${' '.repeat(200)}</html>`).buffer, /web page/],
        ['a cut-off binary file', binary(two).slice(0, 500), /cut off/],
        ['a cut-off text file', text(two).slice(0, 1500), /cut off/],
        ['an empty file', new ArrayBuffer(0), /not an STL file/],
    ])('%s is refused in words', (_what, bytes, words) => {
        expect(() => readStl(bytes, 'x.stl', 'mm')).toThrow(ImportError);
        expect(() => readStl(bytes, 'x.stl', 'mm')).toThrow(words);
    });

    it('keeps what a part of the same name was given, and the space grows', () => {
        const space = { min: [0, 0, 0], max: [0.01, 0.01, 0.01] };
        const plan = readStl(binary(box([0, 0, 0], [20, 10, 5])), 'Bracket.stl', 'mm');
        const first = withBodies({ parts: [], space: { box: {}, fluid: 'air' } }, space, plan.bodies);
        expect(first.document.space).toEqual({ box: { min: ['0 mm', '0 mm', '0 mm'], max: ['20 mm', '10 mm', '10 mm'] }, fluid: 'air' });
        const given = { ...first.document, parts: first.document.parts!.map((p) => ({ ...p, power: '3 W', material: 'copper' })) };
        const again = withBodies(given, space, readStl(binary(box([0, 0, 0], [25, 10, 5])), 'Bracket.stl', 'mm').bodies);
        expect(moved(plan.bodies, [0.001, 0, -0.002])[0]).toMatchObject({ min: [0.001, 0, -0.002], fields: { at: ['1 mm', '0 mm', '-2 mm'] } });
        expect(again.replaced).toBe(1);
        expect(again.document.parts).toHaveLength(1);
        expect(again.document.parts![0]).toMatchObject({ id: 'bracket', power: '3 W', material: 'copper' });
        expect(again.document.parts![0]!.shape).not.toEqual(given.parts[0]!.shape);
        expect(again.document.parts![0]!.at).toEqual(['0 mm', '0 mm', '0 mm']);
    });

    it('keeps the formulas that place and scale a part', () => {
        const space = { min: [0, 0, 0], max: [1, 1, 1] };
        const plan = readStl(binary(box([0, 0, 0], [20, 10, 5])), 'Bracket.stl', 'mm');
        const first = withBodies({ parts: [], space: { box: {}, fluid: 'air' } }, space, plan.bodies).document;
        const driven = {
            ...first,
            parts: first.parts!.map((p) => ({ ...p, at: ['edge + 2 mm', '3 mm', '0 mm'], shape: { ...p.shape, scale: 'size' } as typeof p.shape })),
        };
        const again = withBodies(driven, space, moved(plan.bodies, [0.001, 0.001, 0])).document.parts![0]!;
        expect(again.at).toEqual(['edge + 2 mm', '1 mm', '0 mm']);
        expect(again.shape).toMatchObject({ scale: 'size' });
    });
});
