// @vitest-environment jsdom
import { screen } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { choose, editing, fill, press } from '../fixtures';
import type { ModelDocument } from '../model/document';
import { typicalFans } from '../model/typical';
import { DeviceFields } from './DeviceFields';

const fields = (shape: Record<string, unknown>) =>
    editing({ parts: [{ id: 'd', name: 'Device', at: [0, 0, 0], shape }] } as unknown as ModelDocument, (document, editor) => (
        <DeviceFields entry={document.parts![0]!} name="Device" units="mm" editor={editor} disabled={false} />
    ));

const fan = {
    kind: 'fan',
    direction: 'x+',
    diameter: '60 mm',
    curve: [
        ['0 l/s', '40 Pa'],
        ['10 l/s', '0 Pa'],
    ],
};

describe('the fields of a fan', () => {
    it('turn it, size it and slow it down', async () => {
        const { shape, labels } = fields(fan);
        await choose('Direction', 'Direction −y');
        await fill('Diameter', '80');
        await fill('Speed', '0.7');
        expect(shape('d')).toMatchObject({ direction: 'y-', diameter: '80 mm', speedFactor: '0.7' });
        expect(labels[0]).toBe('Device: direction −y');
    });

    it('edit the curve with units, and keep two points of it', async () => {
        const { shape } = fields(fan);
        expect(screen.getByRole('figure', { name: 'Fan curve' })).toBeVisible();
        expect(screen.getByRole('button', { name: 'Remove curve point 1' })).toBeDisabled();
        await fill('Rise', '50');
        await fill('Flow', '25 m^3/h', 1);
        expect(shape('d').curve).toEqual([
            ['0 l/s', '50 Pa'],
            ['25 m^3/h', '0 Pa'],
        ]);
        await press('Point');
        expect(shape('d').curve).toHaveLength(3);
        expect((shape('d').curve as string[][])[2]).toEqual(['1.25 * (25 m^3/h)', '0 Pa']);
        await press('Remove curve point 2');
        expect((shape('d').curve as string[][]).map(([flow]) => flow)).toEqual(['0 l/s', '1.25 * (25 m^3/h)']);
    });

    it('draw no curve that they cannot read', () => {
        fields({
            ...fan,
            curve: [
                ['0 l/s', 'rise'],
                ['10 l/s', '0 Pa'],
            ],
        });
        expect(screen.queryByRole('figure', { name: 'Fan curve' })).toBeNull();
        expect(screen.getAllByRole('textbox', { name: 'Rise' })[0]).toHaveValue('rise');
    });

    it('take over a typical fan', async () => {
        const { shape } = fields(fan);
        const name = Object.keys(typicalFans).at(-1)!;
        await choose('Typical fan', name);
        expect(shape('d')).toMatchObject(typicalFans[name]!);
        expect(shape('d').direction).toBe('x+');
    });
});

describe('the fields of a screen', () => {
    it('ask for a loss coefficient where that is given, and for nothing of holes', async () => {
        const { shape } = fields({ kind: 'screen', normal: 'x', size: ['40 mm', '40 mm'], lossCoefficient: '2' });
        await fill('Loss coefficient', '3.5');
        await choose('Plane', 'Across z');
        expect(shape('d')).toMatchObject({ lossCoefficient: '3.5', normal: 'z' });
        expect(screen.queryByRole('combobox', { name: 'Holes' })).toBeNull();
    });

    it('ask for sizes of holes in a thick plate alone, and forget them for a thin one', async () => {
        const { shape } = fields({ kind: 'screen', normal: 'x', size: ['40 mm', '40 mm'], freeArea: '0.5' });
        expect(screen.queryByRole('textbox', { name: 'Hole size' })).toBeNull();
        await choose('Holes', 'Slots in a thick plate');
        expect(shape('d')).toMatchObject({ holes: 'slot', holeSize: '3 mm', thickness: '1 mm' });
        await fill('Slot width', '4');
        await choose('Holes', 'Square, in a thick plate');
        expect(screen.getByRole('textbox', { name: 'Hole size' })).toHaveValue('4 mm');
        await choose('Holes', 'Net of wires');
        expect([shape('d').holeSize, shape('d').thickness]).toEqual([undefined, undefined]);
    });
});
