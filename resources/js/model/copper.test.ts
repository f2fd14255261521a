import { describe, expect, it } from 'vitest';
import type { OutlinePart } from '../api/types';
import {
    copperLayers,
    copperTerminalOfKind,
    outlineOf,
    padsFrom,
    padsText,
    partsOn,
    pickedTerminal,
    withArtwork,
    withCopperTerminal,
    withViaGroup,
    type ChosenFile,
} from './copper';
import type { PartEntry } from './document';

const board: PartEntry = {
    id: 'b',
    material: 'glass-epoxy',
    shape: { kind: 'board', layers: [{ thickness: '1 mm' }, { name: 'Top', thickness: '35 um', artwork: 'x' }] } as PartEntry['shape'],
};

const file = (name: string, position: number, kind: ChosenFile['kind'] = 'copper'): ChosenFile => ({
    name,
    kind,
    position,
    plated: true,
    packed: `packed ${name}`,
    bounds: [0.01, 0.05, 0.02, 0.04],
    area: 4e-4,
});

describe('artwork of a board', () => {
    it('becomes layers from below, an even distance apart, with the share of copper that was counted', () => {
        const files = [file('a', 1), file('b', 3), file('c', 2), file('d', 0, 'drill'), file('e', 0, 'other')];
        const taken = withArtwork(board, files, outlineOf(files)!, { copper: 100e-6, thickness: 1.3e-3, pixel: 2e-4 });
        const { layers, size } = taken.shape as unknown as { layers: Record<string, unknown>[]; size: string[] };

        expect(size).toEqual(['40 mm', '20 mm']);
        expect(layers.map(({ name, thickness }) => [name, thickness])).toEqual([
            ['Bottom', '0.1 mm'],
            [undefined, '0.5 mm'],
            ['Inner 1', '0.1 mm'],
            [undefined, '0.5 mm'],
            ['Top', '0.1 mm'],
        ]);
        expect(layers[0]).toMatchObject({ artwork: 'packed b', copper: 0.5 });
        expect(taken.material).toBeUndefined();
        expect(taken.copper).toMatchObject({ origin: ['10 mm', '20 mm'], pixel: '0.2 mm', drills: [{ name: 'd', file: 'packed d', plated: true }] });
    });

    it('has terminals on several pads, written as pairs', () => {
        const pads = padsFrom('12, 5 mm; 14 mm, 2 * pitch;', 'mm');
        expect(pads).toEqual([
            ['12 mm', '5 mm'],
            ['14 mm', '2 * pitch'],
        ]);
        expect(padsText(pads!)).toBe('12 mm, 5 mm; 14 mm, 2 * pitch');
        expect([padsFrom('', 'mm'), padsFrom('12 mm', 'mm'), padsFrom('1, 2, 3', 'mm')]).toEqual([[], null, null]);
    });

    it('has no outline where nothing is drawn', () => {
        expect(outlineOf([file('e', 0, 'other')])).toBeNull();
        expect(copperLayers(board)).toEqual(['Top']);
    });
});

describe('terminals that are picked', () => {
    it('are a source first, then its return, then loads with names of their own', () => {
        let present = board;
        const kinds = ['Source', 'Return', 'Load', 'Load 2'].map((name) => {
            const terminal = pickedTerminal(present, 'Top', [0.0123456, 0.001]);
            present = { ...present, ...withCopperTerminal(present, Infinity, terminal) };
            expect(terminal).toMatchObject({ name, layer: 'Top', at: ['12.35 mm', '1 mm'] });
            return terminal.electric.kind;
        });
        expect(kinds).toEqual(['voltage', 'ground', 'current', 'current']);
        expect(withCopperTerminal(present, 0, undefined).copper).toMatchObject({ terminals: [{ name: 'Return' }, { name: 'Load' }, { name: 'Load 2' }] });
    });

    it('may be joints with parts that lie on either face of the board', () => {
        const at = (id: string, min: number[], max: number[], copyOf: string | null = null) => ({ id, name: `The ${id}`, min, max, copyOf }) as OutlinePart;
        const parts = [
            at('b', [0, 0, 0], [0.05, 0.05, 0.001]),
            at('bar', [0.01, 0.01, 0.001], [0.02, 0.02, 0.004]),
            at('lug', [-0.01, 0, -0.003], [0.01, 0.01, 0]),
            at('bar#2', [0.03, 0.01, 0.001], [0.04, 0.02, 0.004], 'bar'),
            at('beside', [0.06, 0.01, 0.001], [0.07, 0.02, 0.004]),
            at('above', [0.01, 0.01, 0.005], [0.02, 0.02, 0.006]),
        ];
        expect(partsOn(parts, board)).toEqual({ bar: 'The bar', lug: 'The lug' });
        expect(partsOn(parts, { ...board, shape: { ...board.shape, normal: 'x' } as PartEntry['shape'] })).toEqual({});
        expect(copperTerminalOfKind('joint', partsOn(parts, board))).toEqual({ kind: 'joint', part: 'bar', resistance: '0 ohm*m^2' });
    });

    it('leave vias alone', () => {
        const vias = withViaGroup(board, Infinity, { at: ['1 mm', '1 mm'], drill: '0.3 mm', joins: ['Top'] });
        expect(vias.copper).toEqual({ vias: [{ at: ['1 mm', '1 mm'], drill: '0.3 mm', joins: ['Top'] }] });
    });
});
