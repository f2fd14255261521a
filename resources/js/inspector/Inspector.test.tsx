// @vitest-environment jsdom
import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it } from 'vitest';
import { answering, editing, fill, press, sampleOutline, sampleResult, sampleRevision } from '../fixtures';
import type { Outline, OutlinePart, Result } from '../api/types';
import type { ModelDocument } from '../model/document';
import { samplePart } from '../model/samples';
import { usePreferences, useScreen, type Stage } from '../state/screen';
import { Inspector } from './Inspector';

const bar = samplePart({
    id: 'bar',
    name: 'Bar',
    material: 'copper',
    materialTitle: 'Copper',
    conductivity: [390, 390, 390],
    power: 5,
    max: [0.1, 0.02, 0.01],
});
const chip = samplePart({ id: 'chip', name: 'Chip', kind: 'package', power: 2 });
const fan = samplePart({ id: 'fan', name: 'Fan', kind: 'fan' });

const start = {
    parts: [
        { id: 'bar', name: 'Bar', material: 'copper', power: '5 W', shape: { kind: 'block', size: ['100 mm', '20 mm', '10 mm'] } },
        {
            id: 'chip',
            name: 'Chip',
            power: '2 W',
            shape: { kind: 'package', size: ['5 mm', '5 mm', '1 mm'], junctionToCase: '1 K/W', junctionToBoard: '2 K/W' },
        },
        {
            id: 'fan',
            name: 'Fan',
            shape: {
                kind: 'fan',
                direction: 'x+',
                diameter: '40 mm',
                curve: [
                    ['0 l/s', '9 Pa'],
                    ['9 l/s', '0 Pa'],
                ],
            },
        },
    ],
} as unknown as ModelDocument;

interface Given {
    stage: Stage;
    selection: string[];
    result?: Result;
    stale?: boolean;
    mayEdit?: boolean;
    parts?: OutlinePart[];
    outline?: Partial<Outline>;
    document?: ModelDocument;
}

function inspector({ stage, selection, result, stale = false, mayEdit = true, parts = [bar, chip, fan], outline: more, document = start }: Given) {
    useScreen.setState({ stage, selection });
    const outline = sampleOutline(parts, more);
    return editing(
        document,
        (d, editor) => (
            <Inspector
                revision={sampleRevision(d, outline)}
                run={undefined}
                asItStands
                picture={0}
                result={result}
                stale={stale}
                editor={editor}
                mayEdit={mayEdit}
            />
        ),
        outline,
    );
}

const text = () => screen.getByRole('complementary', { name: 'Inspector' }).textContent.replace(/\u00a0/g, ' ');
const chapter = (title: string) => screen.getByRole('heading', { name: title }).parentElement!;

const solved = sampleResult({
    parts: [
        {
            id: 'bar',
            name: 'Bar',
            cells: 100,
            power: 5,
            temperature: { min: 300, mean: 310, max: 320 },
            nodes: null,
            faces: {},
            routes: { chip: 3, surroundings: 1.5, fan: -0.5, 'side z+': 1e-5 },
            interfaces: {},
            current: { heat: 0.4, density: 2e6 },
        },
        {
            id: 'chip',
            name: 'Chip',
            cells: 10,
            power: 2,
            temperature: null,
            nodes: { junction: 350, case: 340, board: 330, toCase: 1, toBoard: 1 },
            faces: {},
            routes: {},
            interfaces: {},
        },
    ],
    limits: [
        {
            id: 'l',
            name: 'Bar',
            part: 'bar',
            node: null,
            value: 320,
            atMost: 333.15,
            atLeast: null,
            margin: 8.15,
            verdict: 'met',
            plusMinus: null,
            order: null,
            derating: 5,
        },
        {
            id: 'd',
            name: 'Bar, density',
            part: 'bar',
            quantity: 'currentDensity',
            value: 2e6,
            atMost: 5e6,
            atLeast: null,
            margin: 3e6,
            verdict: 'met',
            derating: 0,
        },
    ],
    electric: { terminals: [{ part: 'bar', name: 'Bar', face: 'x-', current: 20, voltage: 0.02 }], power: 0.4 },
} as unknown as Partial<Result>);

beforeEach(() => {
    usePreferences.setState({ units: 'mm' });
    answering({ 'GET /api/materials': [] });
});

describe('the inspector', () => {
    it('shows nothing while nothing is selected', () => {
        inspector({ stage: 'Build', selection: [] });
        expect(screen.queryByRole('complementary')).toBeNull();
    });

    it('renames a part, puts it into an assembly, and shows what it is', async () => {
        const { part, labels } = inspector({ stage: 'Build', selection: ['bar'] });
        expect(text()).toContain('block · 5.00 W');
        expect(text()).toContain('Size100 × 20 × 10 mm');
        expect(text()).toContain('Conductivity390.00 W/m/K');
        await fill('Name', 'Busbar');
        await fill('Assembly', 'Stage');
        expect(part('bar')).toMatchObject({ name: 'Busbar', group: 'Stage' });
        expect(labels[0]).toBe('Rename Bar to Busbar');
    });

    it('gives several parts the same watts and the same limit, and asks for nothing that one part alone has', async () => {
        const { part, document, labels } = inspector({ stage: 'Load', selection: ['bar', 'chip'] });
        expect(text()).toContain('2 parts7.00 W together');
        await fill('Watts, each', '3');
        await fill('Limit, each', '90');
        expect([part('bar').power, part('chip').power]).toEqual(['3 W', '3 W']);
        expect(document().limits!.map((limit) => limit.atMost)).toEqual(['90 degC', '90 degC']);
        expect(labels).toEqual(['2 parts: 3 W', '2 parts: limit 90 degC']);
        expect(screen.queryByRole('heading', { name: 'Faces' })).toBeNull();
    });

    it('takes watts away where the field is emptied', async () => {
        const { part } = inspector({ stage: 'Load', selection: ['bar'] });
        await fill('Watts', '');
        expect(part('bar').power).toBeUndefined();
    });

    it('offers current to metal alone and heat to no fan', () => {
        inspector({ stage: 'Load', selection: ['chip'] });
        expect(screen.queryByRole('heading', { name: 'Current' })).toBeNull();
        expect(screen.getByRole('heading', { name: 'Faces' })).toBeVisible();
    });

    it('asks a fan for its curve and no watts', () => {
        inspector({ stage: 'Load', selection: ['fan'] });
        expect(screen.queryByLabelText('Watts')).toBeNull();
        expect(screen.getByLabelText('Diameter')).toHaveValue('40 mm');
    });

    it('changes no locked shape', () => {
        const locked = { parts: start.parts!.map((part) => ({ ...part, locked: true })) } as ModelDocument;
        inspector({ stage: 'Build', selection: ['bar'], document: locked });
        expect(screen.getByLabelText('Size x')).toBeDisabled();
        expect(screen.getByLabelText('Name')).toBeEnabled();
    });

    it('changes nothing for a viewer', () => {
        inspector({ stage: 'Build', selection: ['bar'], mayEdit: false });
        expect(screen.queryByRole('toolbar', { name: 'Part' })).toBeNull();
        for (const field of screen.getAllByRole('textbox')) expect(field).toBeDisabled();
    });

    it('says of a linked copy whose copy it is', () => {
        const copy = samplePart({ ...bar, id: 'bar#2', copyOf: 'bar', name: 'Bar 2' });
        inspector({ stage: 'Build', selection: ['bar#2'], parts: [bar, copy] });
        expect(text()).toMatch(/Linked copy of .*: what is changed here holds for all of them/);
        expect(screen.queryByLabelText('Name')).toBeNull();
    });

    it('makes a part of air: a carve-out', async () => {
        const { part } = inspector({ stage: 'Build', selection: ['bar'] });
        await userEvent.click(screen.getByLabelText('Material'));
        await userEvent.click(await screen.findByText('Carve-out: the air of the space'));
        expect(part('bar').material).toBe('fluid');
    });

    it('is closed by its button', async () => {
        inspector({ stage: 'Build', selection: ['bar'] });
        await press('Close the inspector');
        expect(useScreen.getState().selection).toEqual([]);
    });
});

describe('what a run says of a part', () => {
    it('is its temperatures with their margin, less what is kept free', () => {
        inspector({ stage: 'Judge', selection: ['bar'], result: solved });
        expect(chapter('Temperatures')).toHaveTextContent(/Hottest46.9.°C/);
        expect(chapter('Temperatures')).toHaveTextContent(/Margin to 60.0.°C less 5.0.K\+8.2.K/);
    });

    it('is the nodes of a package', () => {
        inspector({ stage: 'Judge', selection: ['chip'], result: solved });
        expect(chapter('Temperatures')).toHaveTextContent(/Junction76.9.°CCase66.9.°CBoard below56.9.°C/);
    });

    it('is where its heat goes, the largest way first, without what is next to nothing', () => {
        inspector({ stage: 'Judge', selection: ['bar'], result: solved });
        const ways = within(chapter('Where its heat goes')).getAllByRole('term');
        expect(ways.map((way) => way.textContent)).toEqual(['to Chip', 'to ambient, by convection', 'from Fan']);
    });

    it('is its current and the heat that makes', () => {
        inspector({ stage: 'Judge', selection: ['bar'], result: solved });
        expect(chapter('Current')).toHaveTextContent(/Face x-20.A at 20.00.mV/);
        expect(chapter('Current')).toHaveTextContent(/Greatest density2.00.A\/mm²/);
        expect(chapter('Current')).toHaveTextContent('Bar, density: margin to 5.00 A/mm²+3.00 A/mm²');
    });

    it('is not shown of an older model', () => {
        inspector({ stage: 'Judge', selection: ['bar'], result: solved, stale: true });
        expect(text()).toContain('run again to see temperatures');
        for (const name of ['Temperatures', 'Where its heat goes', 'Current']) expect(screen.queryByRole('heading', { name })).toBeNull();
    });

    it('is where a fan works on its curve', () => {
        const curve = [
            [0, 9],
            [0.009, 0],
        ];
        const result = sampleResult({
            flow: { fans: [{ part: 'fan', name: 'Fan', flow: 0.0045, rise: 4.5, curve }] } as never,
            limits: [{ id: 'f', part: 'fan', margin: 0.0005, verdict: 'met', atLeast: 0.004, atMost: null, quantity: 'volumeFlow' }] as never,
        });
        inspector({ stage: 'Judge', selection: ['fan'], result });
        expect(chapter('Operating point')).toHaveTextContent(/Flow4.50.l\/s.*Margin to at least 4.00.l\/s\+0.50.l\/s.*Pressure rise4.5.Pa/);
        expect(screen.getByRole('figure', { name: 'Fan curve' })).toBeInTheDocument();
    });
});

describe('an assembly as a whole', () => {
    const grouped = {
        parts: [
            {
                id: 'bar',
                name: 'Bar',
                group: 'Stage',
                material: 'copper',
                at: ['10 mm', '0 mm', '0 mm'],
                shape: { kind: 'block', size: ['1 mm', '1 mm', '1 mm'] },
            },
        ],
    };
    const inStage = samplePart({ ...bar, group: 'Stage', min: [0.01, 0, 0], max: [0.11, 0.02, 0.01] });

    it('is renamed', async () => {
        const { part } = inspector({ stage: 'Build', selection: ['bar'], parts: [inStage], document: grouped });
        await fill('Name of the assembly', 'Output');
        expect(part('bar').group).toBe('Output');
    });

    it('gets axes in its middle, by which nothing moves', async () => {
        const { part, document } = inspector({ stage: 'Build', selection: ['bar'], parts: [inStage], document: grouped });
        await press('Give it axes of its own');
        expect(document().assemblies).toEqual({ Stage: { at: ['60 mm', '10 mm', '5 mm'] } });
        expect(part('bar').at).toEqual(['-50 mm', '-10 mm', '-5 mm']);
    });

    it('moves, turns and repeats, and gives its axes back only where it stands straight and once', async () => {
        const { document } = inspector({
            stage: 'Build',
            selection: ['bar'],
            parts: [inStage],
            outline: { assemblies: { Stage: { at: [0, 0, 0], copies: [[0, 0, 0]] } } },
            document: { ...grouped, assemblies: { Stage: { at: ['0 mm', '0 mm', '0 mm'] } } },
        });
        const stage = () => document().assemblies!.Stage;
        const whole = () => within(chapter('The assembly as a whole'));
        await userEvent.click(whole().getByRole('button', { name: 'Linked copies' }));
        expect(stage()!.repeat).toEqual([{ count: 2, step: [0, '20 mm', 0] }]);
        await fill('Step y', '30');
        await fill('How many, with the original', '3');
        expect(stage()!.repeat).toEqual([{ count: 3, step: [0, '30 mm', 0] }]);
        expect(whole().getByRole('button', { name: 'Back to the axes of the space' })).toBeDisabled();
        await press('Remove direction 1');
        expect(stage()!.repeat).toBeUndefined();
        await userEvent.click(whole().getByRole('button', { name: 'Back to the axes of the space' }));
        expect(document().assemblies).toEqual({});
    });
});
