import { describe, expect, it } from 'vitest';
import { firstShown, readShown, withChange, withLayer, withoutLayer, mayAdd } from '../shown/shown';
import { readContent } from './savedView';

const pose = { position: [1, 2, 3], target: [0, 0, 0], zoom: 900, perspective: false };

describe('a saved view', () => {
    it('is read back as it was written', () => {
        const content = {
            version: 1,
            pose,
            shown: withLayer(firstShown, { kind: 'labels', visible: true, of: 'worst', count: 3 }),
            hidden: ['lid'],
            compare: null,
        };
        expect(readContent(JSON.parse(JSON.stringify(content)))).toEqual(content);
    });

    it('leaves out what is not understood, and is none without a camera', () => {
        const read = readContent({
            pose,
            shown: {
                layers: [
                    { id: 7, kind: 'aurora' },
                    { id: 8, kind: 'extremes', visible: false },
                ],
            },
            hidden: [3, 'lid'],
        });
        expect(read?.shown.layers).toEqual([{ id: 8, kind: 'extremes', visible: false }]);
        expect(read?.hidden).toEqual(['lid']);
        expect(readContent({ shown: firstShown })).toBeNull();
        expect(readContent({ pose: { ...pose, zoom: 'near' } })).toBeNull();
    });
});

describe('what is shown', () => {
    it('grows by lines with numbers of their own, changes and shrinks', () => {
        const more = withLayer(firstShown, { kind: 'probes', visible: true, pins: [] });
        const id = more.layers.at(-1)!.id;
        expect(new Set(more.layers.map((layer) => layer.id)).size).toBe(more.layers.length);
        expect(withChange(more, id, { visible: false }).layers.at(-1)!.visible).toBe(false);
        expect(withoutLayer(more, id)).toEqual(firstShown);
    });

    it('has one of some kinds at most', () => {
        expect(mayAdd(firstShown, 'extremes')).toBe(false);
        expect(mayAdd(firstShown, 'labels')).toBe(true);
        expect(
            mayAdd(withLayer(firstShown, { kind: 'isosurface', visible: true, field: 'temperature', value: 330, in: 'fluid', colour: null }), 'isosurface'),
        ).toBe(true);
    });

    it('begins anew where nothing that was kept is understood', () => {
        expect(readShown(null)).toBe(firstShown);
        expect(readShown({ layers: 'all' })).toBe(firstShown);
    });
});
