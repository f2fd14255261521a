// @vitest-environment jsdom
import { cleanup, render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { answering, editing, fill, press, sampleOutline, sampleRevision } from '../fixtures';
import type { Material } from '../api/types';
import type { ModelDocument } from '../model/document';
import { samplePart } from '../model/samples';
import { MaterialComparison } from './MaterialComparison';
import MaterialsDialog from './MaterialsDialog';

const material = (id: string, title: string, fields: Partial<Material> = {}): Material => ({
    id,
    title,
    category: 'Metals',
    fluid: false,
    conductivity: [10],
    conductivityByTemperature: null,
    viscosity: null,
    expansion: null,
    melting: null,
    density: 1000,
    specificHeat: 500,
    emissivity: 0.1,
    resistivity: null,
    source: 'made up',
    ...fields,
});

const library = [
    material('copper', 'Copper', { conductivity: [390], resistivity: [[300, 1.7e-8]] }),
    material('silicon', 'Silicon', {
        category: 'Semiconductors',
        conductivity: [148],
        conductivityByTemperature: [
            [300, 148],
            [400, 99],
        ],
    }),
    material('laminate', 'Laminate', { category: 'Boards', conductivity: [0.8, 0.8, 0.3] }),
    material('air', 'Air', { category: 'Gases', fluid: true, conductivity: [0.026] }),
];

const own = { goo: { title: 'Goo', conductivity: 3, source: 'measured here' } };

function dialog(document: ModelDocument = {}, selection: string[] = []) {
    const close = vi.fn();
    answering({
        'GET /api/materials': library,
        'GET /api/materials/of-projects': [
            { project: { id: 3, name: 'This one' }, materials: { goo: {} } },
            { project: { id: 9, name: 'Charger' }, materials: { pad: { title: 'Pad', conductivity: 5 } } },
        ],
    });
    const start: ModelDocument = { parts: [{ id: 'bar', name: 'Bar', material: 'copper', shape: { kind: 'block' } }], ...document };
    const outline = sampleOutline([samplePart({ id: 'bar', name: 'Bar' }), samplePart({ id: 'chip', kind: 'package' })]);
    const made = editing(start, (d, editor) => (
        <MaterialsDialog revision={sampleRevision(d, outline)} editor={editor} mayEdit selection={selection} onClose={close} />
    ));
    return { ...made, close };
}

const row = async (title: string) => within(await screen.findByRole('grid', { name: 'Materials' })).findByText(title);

describe('the materials', () => {
    beforeEach(() => vi.stubGlobal('scrollTo', () => {}));

    it('are found by title and kind; one that differs by direction carries a star', async () => {
        dialog();
        expect(await screen.findByText('0.800 *')).toBeInTheDocument();
        await userEvent.type(screen.getByLabelText('Find material'), 'semi');
        expect(await row('Silicon')).toBeInTheDocument();
        expect(screen.queryByText('Copper')).toBeNull();
        await userEvent.type(screen.getByLabelText('Find material'), 'xyz');
        expect(await screen.findByText('No material is called "semixyz"')).toBeInTheDocument();
    });

    it('show their values with units and where they come from, and how often they are used', async () => {
        dialog();
        await userEvent.click(await row('Copper'));
        expect(screen.getByText('made up · used once')).toBeInTheDocument();
        for (const text of ['390 W/m/K', '1000 kg/m³', '500 J/kg/K', '1.7e-8 ohm m']) expect(screen.getByText(text)).toBeInTheDocument();
    });

    it('are given to the selected parts that are made of something', async () => {
        const { part, labels, close } = dialog({}, ['bar', 'chip']);
        await userEvent.click(await row('Silicon'));
        await press('Assign to Bar');
        expect(part('bar').material).toBe('silicon');
        expect(labels).toEqual(['Material Silicon for Bar']);
        await waitFor(() => expect(close).toHaveBeenCalled());
    });

    it('cannot be given to nothing, nor a fluid to a part', async () => {
        dialog({}, ['bar']);
        await userEvent.click(await row('Air'));
        expect(screen.getByRole('button', { name: 'Assign to Bar' })).toBeDisabled();
        cleanup();
        dialog();
        await userEvent.click(await row('Copper'));
        expect(screen.getByRole('button', { name: 'Select parts to assign it to' })).toBeDisabled();
    });

    it('are copied to be changed; the copy is of this project', async () => {
        const { document } = dialog();
        await userEvent.click(await row('Copper'));
        await press('Copy to edit');
        await fill('Density, kg/m³', '8900');
        await fill('Emissivity', '0.1 * worn');
        await fill('Conductivity, W/m/K, or three for x, y, z', '380, 380, 20');
        const [copy] = Object.values(document().materials as Record<string, Record<string, unknown>>);
        expect(copy).toMatchObject({ density: 8900, emissivity: '0.1 * worn', conductivity: [380, 380, 20] });
    });

    it('of the project go only where no part uses them', async () => {
        const { document } = dialog({ materials: own, parts: [] });
        await userEvent.click(await row('Goo'));
        await press('Remove');
        expect(document().materials).toEqual({});
    });

    it('in use stay', async () => {
        dialog({ materials: own, parts: [{ id: 'bar', material: 'goo', shape: { kind: 'block' } }] });
        await userEvent.click(await row('Goo'));
        expect(screen.getByRole('button', { name: 'Remove' })).toBeDisabled();
    });

    it('come from another project of the user', async () => {
        const { document } = dialog();
        await press('From a project');
        await userEvent.click(await screen.findByText('Charger: one material'));
        expect(document().materials).toEqual({ pad: { title: 'Pad', conductivity: 5 } });
        expect(screen.queryByText(/This one/)).toBeNull();
    });

    it('come from a file, which is refused in words where it is none', async () => {
        const { labels } = dialog();
        await userEvent.upload(screen.getByLabelText('File of materials'), new File(['hello'], 'notes.csv'));
        expect(await screen.findByRole('alert')).not.toBeEmptyDOMElement();
        expect(labels).toEqual([]);
    });
});

describe('materials side by side', () => {
    it('have a column each, with a dash for what is not known', () => {
        render(<MaterialComparison materials={[library[0]!, { ...library[2]!, density: null }]} />);
        const cells = (name: string) =>
            within(screen.getByRole('row', { name: new RegExp(name) }))
                .getAllByRole('cell')
                .map((cell) => cell.textContent);
        expect(cells('Conductivity')).toEqual(['390', '0.8, 0.3']);
        expect(cells('Density')).toEqual(['1000', '—']);
    });
});
