// @vitest-environment jsdom
import { render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it } from 'vitest';
import { answering, editing, press, sampleOutline, sampleResult, sampleRevision } from '../fixtures';
import type { Finding, GridReport } from '../api/types';
import type { ModelDocument } from '../model/document';
import { samplePart } from '../model/samples';
import { usePreferences, useScreen } from '../state/screen';
import { PreflightPanel } from './PreflightPanel';
import { SpaceLimits } from './SpaceLimits';
import { SpaceSummary } from './SpaceSummary';

beforeEach(() => {
    usePreferences.setState({ units: 'mm' });
    useScreen.setState({ stage: 'Solve', selection: [], grade: 'scout' });
});

describe('preflight', () => {
    const grid: GridReport = {
        grade: 'scout',
        cells: 8000,
        shape: [20, 20, 20],
        smallest: 0.01,
        largest: 0.01,
        aspect: 1,
        asked: 8000,
        shortfall: null,
        lines: [],
        memory: 1e8,
        seconds: 30,
        features: [],
        steps: [],
    };
    const board = samplePart({ id: 'board', max: [0.1, 0.1, 0.02] });
    const speck = samplePart({ id: 'speck', min: [0.01, 0.01, 0.02], max: [0.012, 0.012, 0.022] });
    const start = {
        parts: [
            { id: 'board', name: 'board', power: '1 W', shape: { kind: 'block' } },
            { id: 'speck', name: 'speck', power: '0.5 W', shape: { kind: 'block' } },
        ],
    } as unknown as ModelDocument;
    const finding = (fields: Partial<Finding>): Finding => ({
        severity: 'warning',
        stage: 'Load',
        message: 'It is odd.',
        parts: [],
        mend: null,
        subject: null,
        ...fields,
    });

    const panel = (findings: Finding[], parts = [board], mayEdit = true, report = grid) => {
        answering({ 'GET /api/variants/7/grid': report });
        const outline = sampleOutline(parts);
        return editing(start, (d, editor) => (
            <PreflightPanel revision={sampleRevision(d, outline, { preflight: findings })} editor={editor} mayEdit={mayEdit} />
        ));
    };

    it('says that nothing is missing', () => {
        panel([]);
        expect(screen.getByText('Nothing is missing.')).toBeVisible();
    });

    it('leads to the stage and the parts where a finding is mended', async () => {
        panel([finding({ severity: 'error', message: 'Two parts have no material.', stage: 'Build', parts: ['board'] })]);
        expect(screen.getByText('Blocks the run · fix in Build')).toBeVisible();
        await userEvent.click(screen.getByText('Two parts have no material.'));
        expect(useScreen.getState()).toMatchObject({ stage: 'Build', selection: ['board'] });
    });

    it('mends at once what can be', async () => {
        const { document, labels } = panel([finding({ mend: 'moving air' })]);
        await press('Let the air move');
        expect(document().physics).toEqual({ flow: 'auto' });
        expect(labels).toEqual(['Let the air move']);
    });

    it('changes nothing for a viewer', () => {
        panel([finding({ mend: 'moving air' })], [board], false);
        expect(screen.queryByRole('button', { name: 'Let the air move' })).toBeNull();
        expect(screen.getByText('Worth a look · fix in Load')).toBeVisible();
    });

    it('merges parts too small for the grid with what they touch, and their watts with it', async () => {
        const { document, part } = panel([], [board, speck]);
        expect(await screen.findByText(/1 part is smaller than half a cell of this grid/)).toBeVisible();
        await press('Merge with what it touches');
        expect(document().parts!.map((p) => p.id)).toEqual(['board']);
        expect(part('board').power).toBe('1 W + 0.5 W');
    });

    it('tells of gaps that the grid does not resolve and of parts askew to it', async () => {
        panel([], [board], true, {
            ...grid,
            features: [{ part: 'board', feature: 'gap', width: 0.002, cells: 1 }],
            steps: [{ part: 'board', excess: 0.27 }],
        });
        expect(await screen.findByText(/The gaps of "board" have 1 cell at this grade/)).toBeVisible();
        expect(screen.getByText(/"board" stands askew to the grid; its steps have 27 % more surface/)).toBeVisible();
    });
});

describe('limits of the space', () => {
    it('are set on openings before walls', async () => {
        const start: ModelDocument = { physics: { flow: 'auto' }, space: { sides: { 'x+': { kind: 'outlet' } } } };
        const { document } = editing(start, (d, editor) => <SpaceLimits revision={sampleRevision(d)} editor={editor} mayEdit />);
        const outlet = screen.getAllByRole('region')[0]!;
        expect(outlet).toHaveAccessibleName('Side x+');
        await userEvent.click(within(outlet).getByRole('button', { name: 'Limit' }));
        expect(document().limits).toMatchObject([{ of: { side: 'x+' }, quantity: 'outflowTemperature', atMost: '85 degC' }]);
    });
});

describe('what leaves the space', () => {
    const flow = {
        regime: { chosen: 'auto', model: 'turbulent', reynolds: 12345, velocityChange: 0.0002, temperatureMove: 0.015, amplitude: null, densityVaries: false },
        largestVelocity: 2.5,
        openings: [
            { name: 'x-', kind: 'inlet', in: 0.0012, out: 0, heat: 0, area: 0.01, temperature: null },
            { name: 'x+ patch 1', kind: 'outlet', in: 0, out: 0.0012, heat: 20, area: 0.01, temperature: 313.15 },
        ],
        fins: [{ part: 's', name: 'Sink', fins: 20, gap: 0.002, drawn: 20, cells: 4, resolved: true, drawing: [] }],
        fans: [{ part: 'f', name: 'Fan', flow: 0.001, rise: 12, curve: [] }],
        balance: { in: 0.0012, out: 0.0012, error: 0 },
        fluid: { density: 1.2 },
    };
    const result = (fields: object) =>
        sampleResult({
            sides: { 'z+': { heat: 4, temperature: 300, area: 1 }, 'z-': { heat: 1e-6, temperature: 300, area: 1 } },
            balance: { in: 30, out: 30, error: 0 },
            ...fields,
        });
    const shown = () => screen.getByRole('complementary').textContent.replace(/\u00a0/g, ' ');

    it('is heat by walls and by films of parts, where no air moves', () => {
        render(<SpaceSummary run={undefined} tried={false} mayEdit outline={sampleOutline([])} result={result({})} units="mm" />);
        expect(shown()).toContain('Where the heat leavesSide z+4.00 WConvection from parts26.00 W');
        expect(shown()).not.toContain('Side z-');
    });

    it('is the flow through every opening with its heat, and how far the flow is settled', () => {
        render(<SpaceSummary run={undefined} tried={false} mayEdit outline={sampleOutline([])} result={result({ flow })} units="mm" />);
        expect(shown()).toContain('Turbulent, as found, Reynolds number 12');
        expect(shown()).toMatch(/Inlet, side x-In1.00 l\/s/);
        expect(shown()).toMatch(/Outlet, side x\+, opening \d(In.*)?Out1.00 l\/sLeaves with40.0 °CHeat carried out20.00 W/);
        expect(shown()).toContain('Sink'.concat('Fins20, 2 mm apartAir between themresolved, 4 cells per gap'));
        expect(shown()).toContain('Velocities, last step0.020 % changed');
        expect(shown()).toContain('Hottest places, last check1.5 % moved');
    });

    it('is mass where the density changes on the way', () => {
        render(
            <SpaceSummary
                run={undefined}
                tried={false}
                mayEdit
                outline={sampleOutline([])}
                result={result({ flow: { ...flow, regime: { ...flow.regime, densityVaries: true, amplitude: 0.4 } } })}
                units="mm"
            />,
        );
        expect(shown()).toMatch(/Inlet, side x-In1.20 g\/s/);
        expect(shown()).toContain('Temperature fluctuation±0.4 K');
    });

    it('reads what is watched of the space, and shows a line', () => {
        const watch = {
            id: 'w',
            name: 'Mid',
            part: null,
            quantity: 'speed',
            reduce: 'maxAt',
            unit: 'm',
            value: 0.031,
            plusMinus: 0.002,
            order: null,
            unknown: null,
        };
        const profile = { positions: [0, 0.05, 0.1], values: [0, null, 2] };
        render(
            <SpaceSummary
                run={undefined}
                tried={false}
                mayEdit
                outline={sampleOutline([])}
                result={result({
                    watches: [
                        { ...watch, profile },
                        { ...watch, id: 'n', name: 'Wall', quantity: 'nusselt', reduce: 'mean', value: 8.24, profile: null },
                        { ...watch, id: 'p', name: 'Of a part', part: 'chip', profile: null },
                    ],
                })}
                units="mm"
            />,
        );
        expect(shown()).toContain('Mid31 mm ± 2 mm');
        expect(shown()).toContain('Wall8.24 ± 0.00200');
        expect(shown()).not.toContain('Of a part');
        expect(screen.getByRole('figure', { name: 'Mid, along the line' })).toBeVisible();
    });

    it('judges what is bounded of the space', () => {
        const limit = { id: 'l', name: 'Outlet air', part: null, value: 313.15, margin: -3, verdict: 'missed', quantity: 'outflowTemperature' };
        render(
            <SpaceSummary
                run={undefined}
                tried={false}
                mayEdit
                outline={sampleOutline([])}
                result={result({ limits: [limit, { ...limit, id: 'm', name: 'Unknown', value: null, margin: null }] })}
                units="mm"
            />,
        );
        expect(shown()).toContain('Outlet air40.0 °C, −3.0 K');
        expect(shown()).toContain('Unknown—');
    });
});
