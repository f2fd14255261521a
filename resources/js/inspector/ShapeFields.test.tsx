// @vitest-environment jsdom
import { screen } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { choose, editing, fill, press } from '../fixtures';
import type { ModelDocument } from '../model/document';
import { typicalPackages } from '../model/typical';
import { ShapeFields } from './ShapeFields';

/** The fields of a part with the given shape. */
const fields = (shape: Record<string, unknown>, more: Record<string, unknown> = {}) =>
    editing({ parts: [{ id: 'p', name: 'Part', material: 'copper', at: [0, 0, 0], shape, ...more }] } as unknown as ModelDocument, (document, editor) => (
        <ShapeFields entry={document.parts![0]!} name="Part" units="mm" editor={editor} disabled={false} />
    ));

const wire = {
    kind: 'path',
    diameter: '2 mm',
    points: [
        ['0 mm', '0 mm', '0 mm'],
        ['10 mm', '0 mm', '0 mm'],
    ],
};

describe('the fields of a shape', () => {
    it('give a bare number the unit of the screen and keep a unit that was typed', async () => {
        const { shape, labels } = fields({ kind: 'block', size: ['10 mm', '20 mm', '30 mm'] });
        await fill('Size y', '25');
        await fill('Size z', '0.5 in');
        expect(shape('p').size).toEqual(['10 mm', '25 mm', '0.5 in']);
        expect(labels).toEqual(['Part: size y 25 mm', 'Part: size z 0.5 in']);
    });

    it('place a part and turn it, and forget a turn of nothing', async () => {
        const { part } = fields({ kind: 'block', size: ['1 mm', '1 mm', '1 mm'] });
        await fill('At x', '4');
        expect(part('p').at).toEqual(['4 mm', 0, 0]);
        await fill('Rotate z', '30');
        expect(part('p').turn).toEqual([0, 0, '30 deg']);
        await fill('Rotate z', '0');
        expect(part('p').turn).toBeUndefined();
    });

    it('turn a cylinder another way without touching its sizes', async () => {
        const { shape } = fields({ kind: 'cylinder', axis: 'z', radius: '3 mm', length: '9 mm' });
        await choose('Axis', 'Along y');
        await fill('Radius', '4');
        expect(shape('p')).toEqual({ kind: 'cylinder', axis: 'y', radius: '4 mm', length: '9 mm' });
    });

    it('count fins in whole numbers, and leave anything else to be refused as it was typed', async () => {
        const { shape } = fields({ kind: 'plateFins', size: ['50 mm', '50 mm'], base: '4 mm', height: '20 mm', count: 10, thickness: '1 mm', along: 'x' });
        await fill('Fins', '12');
        expect(shape('p').count).toBe(12);
        await fill('Fins', 'twelve');
        expect(shape('p').count).toBe('twelve');
        await choose('Fin direction', 'Down (z−)');
        await choose('Fins run', 'Along y');
        expect(shape('p')).toMatchObject({ up: 'z-', along: 'y' });
    });

    it('make pins square and round again', async () => {
        const { shape } = fields({ kind: 'pinFins', size: ['9 mm', '9 mm'], base: '1 mm', height: '5 mm', columns: 3, rows: 3, width: '1 mm' });
        await choose('Pins are', 'Square');
        expect(shape('p').round).toBe(false);
        await choose('Pins are', 'Round');
        expect(shape('p').round).toBe(true);
        await fill('Rows', '5');
        expect(shape('p')).toMatchObject({ rows: 5, columns: 3 });
    });

    it('give a path one section or the other, never both', async () => {
        const { shape } = fields(wire);
        await choose('Section', 'Flat strip');
        expect(shape('p')).toMatchObject({ width: '2 mm', thickness: '0.5 mm' });
        expect(shape('p').diameter).toBeUndefined();
        await choose('Plane', 'Across y');
        await choose('Section', 'Round wire');
        expect(shape('p').diameter).toBe('1 mm');
        expect([shape('p').width, shape('p').thickness, shape('p').normal]).toEqual([undefined, undefined, undefined]);
    });

    it('lengthen a path straight on and never leave fewer than two points', async () => {
        const { shape } = fields(wire);
        expect(screen.getByRole('button', { name: 'Remove point 1' })).toBeDisabled();
        await press('Point');
        expect((shape('p').points as string[][])[2]![0]).toBe('2 * (10 mm) - (0 mm)');
        await fill('y 2', '3');
        await press('Remove point 1');
        expect(shape('p').points).toEqual([
            ['10 mm', '3 mm', '0 mm'],
            ['2 * (10 mm) - (0 mm)', '2 * (0 mm) - (0 mm)', '2 * (0 mm) - (0 mm)'],
        ]);
    });

    it('put a corner of a profile between its last and its first', async () => {
        const triangle = [
            ['0 mm', '0 mm'],
            ['8 mm', '0 mm'],
            ['0 mm', '8 mm'],
        ];
        const { shape } = fields({ kind: 'profile', axis: 'z', length: '5 mm', points: triangle });
        expect(screen.getByRole('button', { name: 'Remove corner 1' })).toBeDisabled();
        await press('Corner');
        expect((shape('p').points as string[][])[3]).toEqual(['0.5 * (0 mm) + 0.5 * (0 mm)', '0.5 * (8 mm) + 0.5 * (0 mm)']);
    });

    it('name the corners of a profile by the axes across it', () => {
        fields({
            kind: 'profile',
            axis: 'x',
            length: '5 mm',
            points: [
                ['1 mm', '2 mm'],
                ['8 mm', '0 mm'],
                ['0 mm', '8 mm'],
            ],
        });
        expect(screen.getByRole('textbox', { name: 'y 1' })).toHaveValue('1 mm');
        expect(screen.getByRole('textbox', { name: 'z 1' })).toHaveValue('2 mm');
    });

    it('leave the plating of vias open where none is given', async () => {
        const { shape, labels } = fields({ kind: 'vias', size: ['5 mm', '5 mm'], thickness: '1.6 mm', count: 9, drill: '0.3 mm', plating: '20 um' });
        await fill('Plating', ' ');
        expect(shape('p').plating).toBeUndefined();
        expect(labels).toEqual(['Part: plating left open']);
        expect(screen.getByRole('textbox', { name: 'Plating' })).toHaveAttribute('placeholder', '25 um');
        await fill('Plating', '30');
        expect(shape('p').plating).toBe('30 um');
    });

    it('take over a typical package, and say so until a field is changed', async () => {
        const { shape } = fields({ kind: 'package', size: ['1 mm', '1 mm', '1 mm'], junctionToCase: '1 K/W', junctionToBoard: '2 K/W' });
        const [name, typical] = Object.entries(typicalPackages)[0]!;
        expect(screen.getByRole('combobox', { name: 'Typical outline' })).toHaveTextContent('own values');
        await choose('Typical outline', name);
        expect(shape('p')).toMatchObject(typical);
        expect(screen.getByRole('combobox', { name: 'Typical outline' })).toHaveTextContent(name);
        await fill('Junction to case', '3.3');
        expect(shape('p').junctionToCase).toBe('3.3 K/W');
        expect(screen.getByRole('combobox', { name: 'Typical outline' })).toHaveTextContent('own values');
    });

    it('do not turn a shell or a package, which stand along the axes', () => {
        fields({ kind: 'shell', size: ['1 mm', '1 mm', '1 mm'], wall: '1 mm' });
        expect(screen.queryByRole('textbox', { name: 'Rotate x' })).toBeNull();
        expect(screen.getByRole('textbox', { name: 'Wall thickness' })).toHaveValue('1 mm');
    });
});

describe('the layers of a board', () => {
    const board = {
        kind: 'board',
        size: ['80 mm', '60 mm'],
        normal: 'z',
        layers: [
            { thickness: '1.5 mm', copper: 0 },
            { thickness: '35 um', copper: 0.4 },
        ],
    };

    it('show the share of copper in per cent and read per cent and shares', async () => {
        const { shape } = fields(board);
        expect(screen.getAllByRole('textbox', { name: 'Copper' }).map((field) => (field as HTMLInputElement).value)).toEqual(['0 %', '40 %']);
        await fill('Copper', '65 %', 1);
        await fill('Copper', '0.1');
        expect((shape('p').layers as { copper: unknown }[]).map((layer) => layer.copper)).toEqual([0.1, 0.65]);
        await fill('Copper', 'cover / 2');
        expect((shape('p').layers as { copper: unknown }[])[0]!.copper).toBe('cover / 2');
    });

    it('come one by one or as a common stack, and one stays', async () => {
        const { shape } = fields(board);
        await press('Layer');
        expect(shape('p').layers).toHaveLength(3);
        await press('Remove layer 3');
        await press('Remove layer 1');
        expect(shape('p').layers).toEqual([{ thickness: '35 um', copper: 0.4 }]);
        expect(screen.getByRole('button', { name: 'Remove layer 1' })).toBeDisabled();
        await choose('Common stack', '4 copper layers');
        expect((shape('p').layers as { copper: number }[]).filter((layer) => layer.copper > 0)).toHaveLength(4);
    });
});
