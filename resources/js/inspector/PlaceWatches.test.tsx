// @vitest-environment jsdom
import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it } from 'vitest';
import { choose, editing, fill, press } from '../fixtures';
import type { ModelDocument } from '../model/document';
import { placeWatches } from '../model/places';
import { usePreferences } from '../state/screen';
import { PlaceWatches } from './PlaceWatches';

beforeEach(() => usePreferences.setState({ units: 'mm' }));

const start: ModelDocument = { space: { sides: { 'y+': { kind: 'outlet' } } } };

describe('watches at places', () => {
    const panel = () =>
        editing(start, (d, editor) => (
            <PlaceWatches document={d} space={{ min: [0, 0, 0], max: [0.2, 0.1, 0.05] }} editor={editor} units="mm" disabled={false} />
        ));

    it('stand in the middle of the space and move with what is typed', async () => {
        const { document, labels } = panel();
        await press('Point');
        await fill('x', '30');
        await choose('At a point', 'Pressure');
        expect(placeWatches(document())).toMatchObject([{ name: 'Pressure at a point', quantity: 'pressure', of: { point: ['30 mm', '50 mm', '25 mm'] } }]);
        await fill('Name', 'Ahead of the fan');
        await choose('At a point', 'Speed');
        expect(placeWatches(document())[0]).toMatchObject({ name: 'Ahead of the fan', quantity: 'speed' });
        await press('Remove ahead of the fan');
        expect(placeWatches(document())).toEqual([]);
        expect(labels.at(-1)).toBe('Without Ahead of the fan');
    });

    it('read a line, or say where along it something is', async () => {
        const { document } = panel();
        await press('Line');
        await fill('To x', '180');
        await choose('Shows', 'First place where it is zero');
        expect(placeWatches(document())[0]).toMatchObject({ reduce: 'zeroAt', of: { line: { to: ['180 mm', expect.anything(), expect.anything()] } } });
    });

    it('count what passes a section across the stream, or a rectangle of it', async () => {
        const { document } = panel();
        await press('Section');
        expect(placeWatches(document())[0]).toMatchObject({ quantity: 'massFlow', of: { section: { axis: 'y', at: '50 mm' } } });
        await fill('At y', '80');
        await fill('x to', '40');
        await fill('z to', '20');
        expect(placeWatches(document())[0]!.of.section).toEqual({ axis: 'y', at: '80 mm', min: ['0 mm', '0 mm'], max: ['40 mm', '20 mm'] });
        await fill('x to', '');
        expect(placeWatches(document())[0]!.of.section).toEqual({ axis: 'y', at: '80 mm' });
        await userEvent.tab();
        expect(screen.queryByText(/Not saved/)).toBeNull();
    });
});
