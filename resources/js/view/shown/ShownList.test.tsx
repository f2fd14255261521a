// @vitest-environment jsdom
import { render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { answering, Frame, sampleOutline, sampleResult, sampleRun } from '../../fixtures';
import { samplePart } from '../../model/samples';
import { usePreferences, useScreen } from '../../state/screen';
import { makeField } from '../fields/field';
import { automatic, scaleOf } from '../fields/scale';
import type { Picture } from '../layers/picture';
import { Legends } from './Legends';
import { layersOf, rangeOf, type Pin } from './shown';
import { ShownList } from './ShownList';
import { show, shownNow, useShown } from './store';

const lines = [
    [0, 0.1, 0.2],
    [0, 0.1],
    [0, 0.1],
];
const field = makeField(lines, new Float32Array([300, 350]), new Uint16Array([1, 0]));
const picture = {
    run: 1,
    number: 1,
    result: sampleResult({
        fields: ['temperature', 'velocity', 'pressure'],
        flow: { openings: [], fans: [] } as never,
        parts: [{ id: 'chip', name: 'Chip', temperature: { min: 310, mean: 320, max: 330 } }] as never,
        limits: [{ id: 'l', quantity: 'temperature', atMost: 358.15, derating: 5 }] as never,
    }),
    fields: new Map([['temperature', field]]),
    textures: new Map(),
    surfaces: new Map(),
    scales: new Map([['temperature', scaleOf(automatic, { min: 300, max: 350 })]]),
} as unknown as Picture;
const outline = sampleOutline([samplePart({ id: 'chip', name: 'Chip', power: 3 })]);

/** Every test has a project of its own: what is shown is remembered by project. */
let project = 1000;
const onWatch = vi.fn();
const list = (values: number[] = []) => render(<ShownList outline={outline} picture={picture} values={values} onWatch={onWatch} />, { wrapper: Frame });
const region = () => screen.getByRole('region', { name: 'Shown' });
const add = async (name: string) => {
    await userEvent.click(within(region()).getByRole('button', { name: 'Add' }));
    await userEvent.click(screen.getByRole('menuitem', { name }));
};

describe('the list of what is shown', () => {
    beforeEach(() => {
        usePreferences.setState({ units: 'mm' });
        useScreen.setState({ selection: [], openLayer: null, tool: 'select' });
        show.openProject(project++);
    });

    it('begins with the parts by temperature and their extremes', () => {
        list();
        expect(region()).toHaveTextContent('PartsTemperature');
        expect(region()).toHaveTextContent('Min and maxtemperature');
    });

    it('grows by a line with its settings open, which is hidden and removed', async () => {
        list();
        await add('Section');
        expect(screen.getByRole('slider', { name: 'Position of the section' })).toBeInTheDocument();
        await userEvent.click(screen.getByRole('button', { name: 'x' }));
        expect(layersOf(shownNow(), 'section')[0]).toMatchObject({ normal: [1, 0, 0], visible: true });
        await userEvent.click(screen.getByRole('button', { name: /^Hide Section x/ }));
        expect(layersOf(shownNow(), 'section')[0]!.visible).toBe(false);
        await userEvent.click(screen.getByRole('button', { name: /^Remove Section x/ }));
        expect(layersOf(shownNow(), 'section')).toEqual([]);
    });

    it('refuses a position outside the space and takes one inside it', async () => {
        list();
        await add('Section');
        const typed = screen.getByLabelText('Position of the section, typed');
        await userEvent.clear(typed);
        await userEvent.type(typed, '99999{Enter}');
        expect(typed).toBeInvalid();
        await userEvent.clear(typed);
        await userEvent.type(typed, `${500 * outline.space.max[2]!}{Enter}`);
        expect(typed).toBeValid();
        expect(layersOf(shownNow(), 'section')[0]!.position).toBeCloseTo(0.5 * outline.space.max[2]!);
    });

    it('shows isosurfaces by a value that is typed in the units of the user', async () => {
        list();
        await add('Isosurface');
        const value = screen.getByLabelText('Value');
        await userEvent.clear(value);
        await userEvent.type(value, '60{Enter}');
        expect(layersOf(shownNow(), 'isosurface')[0]!.value).toBeCloseTo(333.15);
    });

    it('has a table of pinned probes that can be copied and taken away', async () => {
        const pins: Pin[] = [
            { at: [0.01, 0.02, 0.03], part: 'chip' },
            { at: [0.1, 0.1, 0.1], part: null },
        ];
        show.add({ kind: 'probes', visible: true, pins });
        useScreen.setState({ openLayer: layersOf(shownNow(), 'probes')[0]!.id });
        const user = userEvent.setup();
        const write = vi.spyOn(navigator.clipboard, 'writeText');
        list([330, 310]);
        expect(region()).toHaveTextContent('1 Chip10 × 20 × 30 mm56.85 °C');
        expect(region()).toHaveTextContent('2 Air');
        await user.click(screen.getByRole('button', { name: 'Copy' }));
        expect(write.mock.calls[0]![0].split('\n')[1]).toBe('1\tChip\t10\t20\t30\t56.85');
        await user.click(screen.getByRole('button', { name: 'Watch probe 1' }));
        expect(onWatch).toHaveBeenCalledWith([0.01, 0.02, 0.03], 'Chip, probe 1');
        await user.click(screen.getByRole('button', { name: 'Along a line' }));
        const dialog = await screen.findByRole('dialog');
        expect(dialog).toHaveTextContent('From 10 × 20 × 30 mm to 100 × 100 × 100 mm');
        within(dialog).getByRole('figure', { name: 'Temperature along a line' });
        await user.click(within(dialog).getByRole('button', { name: 'Close' }));
        await user.click(screen.getByRole('button', { name: 'Remove probe 1' }));
        expect(layersOf(shownNow(), 'probes')[0]!.pins).toEqual([pins[1]]);
    });

    it('is remembered by project', () => {
        const here = project++;
        show.openProject(here);
        show.add({ kind: 'labels', visible: true, of: 'all', count: 5 });
        show.openProject(project++);
        expect(layersOf(shownNow(), 'labels')).toEqual([]);
        show.openProject(here);
        expect(layersOf(shownNow(), 'labels')).toHaveLength(1);
    });
});

describe('a legend', () => {
    function Shown() {
        const layers = useShown((shown) => shown.layers);
        return <Legends layers={layers} picture={picture} project={1} />;
    }

    beforeEach(() => {
        usePreferences.setState({ units: 'mm' });
        useScreen.setState({ selection: [] });
        show.openProject(project++);
        render(<Shown />, { wrapper: Frame });
    });

    it('names its field, its unit and what is coloured by it', () => {
        expect(screen.getByTestId('legend temperature')).toHaveTextContent('Temperature, °C parts');
        expect(screen.getByLabelText('Least of Temperature')).toHaveValue('26.9');
        expect(screen.getByLabelText('Greatest of Temperature')).toHaveValue('76.9');
    });

    it('takes an end that is typed, refuses one beyond the other, and lets go of it when it is emptied', async () => {
        const greatest = screen.getByLabelText('Greatest of Temperature');
        await userEvent.clear(greatest);
        await userEvent.type(greatest, '100{Enter}');
        expect(rangeOf(shownNow(), 'temperature').max).toBeCloseTo(373.15);
        await userEvent.clear(greatest);
        await userEvent.type(greatest, '10{Enter}');
        expect(greatest).toBeInvalid();
        await userEvent.clear(greatest);
        await userEvent.type(greatest, '{Enter}');
        expect(rangeOf(shownNow(), 'temperature').max).toBeNull();
    });

    it('is locked as it is, and unlocked', async () => {
        await userEvent.click(screen.getByRole('button', { name: 'Lock the range of Temperature' }));
        expect(rangeOf(shownNow(), 'temperature')).toMatchObject({ min: 300, max: 350 });
        await userEvent.click(screen.getByRole('button', { name: 'Unlock the range of Temperature' }));
        expect(rangeOf(shownNow(), 'temperature')).toMatchObject({ min: null, max: null });
    });

    it('spans all variants that have been solved, where parts are', async () => {
        const floats = (...values: number[]) => new Float32Array(values).buffer;
        const parts = new Uint16Array([1, 0]).buffer;
        answering({
            'GET /api/projects/1': { variants: [{ id: 1 }, { id: 2 }, { id: 3 }] },
            'GET /api/variants/1/runs': [sampleRun({ id: 11, picture: 2 })],
            'GET /api/variants/2/runs': [sampleRun({ id: 13, picture: 0 }), sampleRun({ id: 12, picture: 1 })],
            'GET /api/variants/3/runs': [],
            'GET /api/runs/11/pictures/2/fields/temperature': floats(320, 280),
            'GET /api/runs/11/pictures/2/fields/parts': parts,
            'GET /api/runs/12/pictures/1/fields/temperature': floats(390, 420),
            'GET /api/runs/12/pictures/1/fields/parts': parts,
        });
        await userEvent.click(screen.getByRole('button', { name: 'Range of Temperature' }));
        await userEvent.click(screen.getByRole('menuitem', { name: 'All variants' }));
        await waitFor(() => expect(rangeOf(shownNow(), 'temperature')).toMatchObject({ min: 300, max: 390 }));
    });

    it('goes up to the highest limit less its derating, and in bands', async () => {
        await userEvent.click(screen.getByRole('button', { name: 'Range of Temperature' }));
        await userEvent.click(screen.getByRole('menuitem', { name: 'Up to the highest limit' }));
        expect(rangeOf(shownNow(), 'temperature').max).toBeCloseTo(353.15);
        await userEvent.click(screen.getByRole('button', { name: 'Range of Temperature' }));
        await userEvent.click(screen.getByRole('menuitem', { name: '6 bands' }));
        expect(rangeOf(shownNow(), 'temperature').bands).toBe(6);
        await userEvent.click(screen.getByRole('button', { name: 'Range of Temperature' }));
        const bands = screen.getByLabelText('Bands');
        await userEvent.clear(bands);
        await userEvent.type(bands, '1{Enter}');
        expect(bands).toHaveAttribute('aria-invalid', 'true');
        await userEvent.clear(bands);
        await userEvent.type(bands, '9{Enter}');
        expect(rangeOf(shownNow(), 'temperature').bands).toBe(9);
    });
});
