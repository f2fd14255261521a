// @vitest-environment jsdom
import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it } from 'vitest';
import { answering, choose, editing, fill, pick, press } from '../fixtures';
import { computesCurrents } from '../model/space';
import { samplePart } from '../model/samples';
import { useScreen } from '../state/screen';
import { FaceFields } from './FaceFields';
import { ShareWatts } from './ShareWatts';
import { SurfaceFields } from './SurfaceFields';
import { TerminalFields } from './TerminalFields';
import type { ShapeProps } from './ShapeField';

type Faces = Record<string, { heat?: Record<string, unknown>; electric?: Record<string, unknown> }>;

const block = { id: 'bar', name: 'Bar', material: 'copper', shape: { kind: 'block', size: ['1 mm', '1 mm', '1 mm'] } };

/** The fields of one part under the given component. */
const fields = (Fields: (part: ShapeProps) => React.ReactNode, faces?: Faces, units: 'mm' | 'us' = 'mm') => {
    const made = editing({ parts: [{ ...block, ...(faces ? { faces } : {}) }] }, (document, editor) => (
        <Fields entry={document.parts![0]!} name="Bar" units={units} editor={editor} disabled={false} />
    ));
    return { ...made, faces: () => made.part('bar').faces as Faces | undefined };
};

beforeEach(() => useScreen.setState({ face: null }));

describe('heat at the faces of a part', () => {
    it('begins as convection on the face that is picked from the menu', async () => {
        const { faces, labels } = fields(FaceFields);
        await pick('Condition on a face', 'Face x+');
        expect(faces()).toEqual({ 'x+': { heat: { kind: 'film', coefficient: '8 W/m^2/K' } } });
        expect(labels).toEqual(['Bar: face x+: film']);
    });

    it('begins on the face that was clicked in the view', async () => {
        useScreen.setState({ face: { part: 'bar', name: 'z-' } });
        const { faces } = fields(FaceFields);
        await press('Condition on the picked face z-');
        expect(Object.keys(faces() ?? {})).toEqual(['z-']);
    });

    it('changes its kind with values of that kind alone, and goes with "adiabatic"', async () => {
        const { faces } = fields(FaceFields, { 'x+': { heat: { kind: 'film', coefficient: '8 W/m^2/K' } } });
        await choose('Face x+', 'Given heat flux');
        expect(faces()?.['x+']?.heat).toEqual({ kind: 'flux', flux: '100 W/m^2' });
        await fill('Heat flux in', '250');
        expect(faces()?.['x+']?.heat?.flux).toBe('250 W/m^2');
        await choose('Face x+', 'Contact resistance');
        await fill('Contact resistance (area-specific)', '1e-4');
        expect(faces()?.['x+']?.heat).toEqual({ kind: 'contact', resistance: '1e-4 m^2*K/W' });
        await choose('Face x+', 'Adiabatic');
        expect(faces()).toBeUndefined();
    });

    it('takes the ambient temperature where none is typed, and reads one in the unit of the screen', async () => {
        const { faces, labels } = fields(FaceFields, { 'x+': { heat: { kind: 'film', coefficient: '8 W/m^2/K' } } }, 'us');
        expect(screen.getByLabelText('Ambient')).toHaveAttribute('placeholder', 'ambient');
        await fill('Ambient', '104');
        expect(faces()?.['x+']?.heat?.temperature).toBe('104 degF');
        await fill('Ambient', '');
        expect(faces()?.['x+']?.heat).toEqual({ kind: 'film', coefficient: '8 W/m^2/K' });
        expect(labels.at(-1)).toBe('Bar: face x+: ambient ambient');
    });

    it('leaves single faces out of all bare ones', async () => {
        const { faces, labels } = fields(FaceFields, { bare: { heat: { kind: 'film', coefficient: '8 W/m^2/K' } } });
        await press('y-');
        expect(faces()?.['y-']).toEqual({ heat: { kind: 'adiabatic' } });
        expect(screen.getByRole('button', { name: 'y-' })).toHaveAttribute('aria-pressed', 'true');
        await press('y-');
        expect(faces()?.['y-']).toBeUndefined();
        expect(labels).toEqual(['Bar: all bare faces except its face y-', 'Bar: its face y- among all bare ones again']);
    });
});

describe('current at the faces of a part', () => {
    it('enters at the first face, leaves at the second, and is computed from then on', async () => {
        const { faces, document } = fields(TerminalFields, { 'x-': { heat: { kind: 'film' } } });
        await pick('Current at a face', 'Face x-');
        expect(faces()?.['x-']).toEqual({ heat: { kind: 'film' }, electric: { kind: 'current', current: '10 A' } });
        expect(computesCurrents(document())).toBe(true);
        await pick('Current at a face', 'Face x+');
        expect(faces()?.['x+']).toEqual({ electric: { kind: 'ground' } });
    });

    it('changes its value and kind, and is taken away without the heat of the face', async () => {
        const { faces } = fields(TerminalFields, { 'x-': { heat: { kind: 'film' }, electric: { kind: 'current', current: '10 A' } } });
        await fill('Current in', '25');
        expect(faces()?.['x-']?.electric).toEqual({ kind: 'current', current: '25 A' });
        await choose('Face x-', 'Given voltage');
        await fill('Voltage', '50 mV');
        expect(faces()?.['x-']?.electric).toEqual({ kind: 'voltage', voltage: '50 mV' });
        await press('Remove current at face x-');
        expect(faces()).toEqual({ 'x-': { heat: { kind: 'film' } } });
    });

    it('is offered on no face twice', async () => {
        fields(TerminalFields, { 'x-': { electric: { kind: 'ground' } } });
        await press('Current at a face');
        const items = within(screen.getByRole('menu')).getAllByRole('menuitem');
        expect(items.map((item) => item.textContent)).toEqual(['Face x+', 'Face y-', 'Face y+', 'Face z-', 'Face z+']);
    });
});

describe('the finish of parts', () => {
    it('sets one on all of them, or values of their own, or that of the material', async () => {
        answering({ 'GET /api/finishes': [{ id: 'anodised-black', title: 'Anodised, black', emissivity: 0.84, absorptivity: 0.88, source: '' }] });
        const made = editing({ parts: [block, { ...block, id: 'rod' }] }, (document, editor) => (
            <SurfaceFields entry={document.parts![0]!} ids={['bar', 'rod']} name="2 parts" editor={editor} disabled={false} radiates={false} />
        ));
        const surfaces = () => ['bar', 'rod'].map((id) => made.part(id).surface);
        await choose('Finish', 'Anodised, black (ε 0.84, sun 0.88)');
        expect(surfaces()).toEqual([{ finish: 'anodised-black' }, { finish: 'anodised-black' }]);
        await choose('Finish', 'Own values');
        await fill('Emissivity', '0.33');
        await fill('Absorptivity of sunlight', '');
        expect(surfaces()).toEqual([{ emissivity: 0.33 }, { emissivity: 0.33 }]);
        await choose('Finish', 'As its material');
        expect(surfaces()).toEqual([undefined, undefined]);
        screen.getByText(/Radiation is not computed/);
        await choose('Touched as', 'Plastic');
        expect(['bar', 'rod'].map((id) => made.part(id).touchedAs)).toEqual(['plastic', 'plastic']);
        expect(made.labels.at(-1)).toBe('2 parts: touched as plastic');
    });
});

describe('one total of watts over parts', () => {
    it('is shared by volume or evenly, and the field is empty after it', async () => {
        const parts = [samplePart({ id: 'bar', max: [1, 1, 3] }), samplePart({ id: 'rod' })];
        const made = editing({ parts: [block, { ...block, id: 'rod' }] }, (_document, editor) => <ShareWatts parts={parts} editor={editor} />);
        expect(screen.getByRole('button', { name: 'Distribute' })).toBeDisabled();
        await fill('Total', '8');
        await userEvent.click(screen.getByRole('button', { name: 'Distribute' }));
        expect(made.labels).toEqual(['8 W over 2 parts']);
        const [[name, total]] = Object.entries(made.document().parameters as Record<string, { value: string }>) as [[string, { value: string }]];
        expect(total.value).toBe('8 W');
        expect(screen.getByLabelText('Total')).toHaveValue('');
        expect(['bar', 'rod'].map((id) => made.part(id).power)).toEqual([`${name} * 0.75`, `${name} * 0.25`]);
    });
});
