// @vitest-environment jsdom
import { render, screen, within } from '@testing-library/react';
import { beforeEach, describe, expect, it } from 'vitest';
import type { OperatingPoint, Result } from '../api/types';
import { answering, editing, fill, Frame, press, sampleResult, sampleRun } from '../fixtures';
import type { ModelDocument } from '../model/document';
import { uses, withRenamed } from '../model/parameters';
import { withoutParts } from '../model/parts';
import { useScreen } from '../state/screen';
import { OperatingPointFields } from './OperatingPointFields';
import { OperatingPoints } from './OperatingPoints';
import { loadsOf, pointsOf, withoutValueOfPoint, withPoint, withValueOfPoint } from './points';
import { cellsOf, pointsTable, valuesOf } from './table';

const model: ModelDocument = {
    surroundings: { temperature: '40 degC' },
    parameters: { amps: '10 A' },
    parts: [{ id: 'chip', name: 'Chip', power: '14 W', shape: { kind: 'block', size: ['10 mm', '10 mm', '2 mm'] } }] as unknown as ModelDocument['parts'],
};
const amps = loadsOf(model)[0]!;

describe('operating points of a document', () => {
    it('change loads and not shapes, and get names of their own', () => {
        expect(loadsOf(model).map(({ of }) => of)).toEqual(['amps', 'surroundings/temperature', 'parts/chip/power']);
        const four = [1, 2, 3, 4].reduce((d) => withPoint(d, amps), model);
        expect(pointsOf(four).map(({ name }) => name)).toEqual(['Idle', 'Full', 'Fault', 'Point 4']);
        expect(pointsOf(four)[0]!.values).toEqual({ amps: '10 A' });
    });

    it('follow the new name of a parameter, go with their part, and end with their last value', () => {
        const given = withValueOfPoint(withPoint(model, amps), 'Idle', 'parts/chip/power', '1 W');
        expect(uses(given, 'amps')).toBe(1);
        expect(pointsOf(withRenamed(given, 'amps', 'current'))[0]!.values).toEqual({ current: '10 A', 'parts/chip/power': '1 W' });
        expect(pointsOf(withoutParts(given, ['chip']))[0]!.values).toEqual({ amps: '10 A' });
        const one = withoutValueOfPoint(given, 'Idle', 'parts/chip/power');
        expect(pointsOf(one)).toEqual([{ name: 'Idle', values: { amps: '10 A' } }]);
        expect(withoutValueOfPoint(one, 'Idle', 'amps')).not.toHaveProperty('operatingPoints');
    });

    it('are changed and removed in the panel', async () => {
        const { document } = editing(withPoint(model, amps), (shown, editor) => <OperatingPointFields document={shown} editor={editor} disabled={false} />);
        await fill('amps', '1 A');
        expect(pointsOf(document())).toEqual([{ name: 'Idle', values: { amps: '1 A' } }]);
        await fill('Name', 'Standby');
        expect(pointsOf(document())[0]!.name).toBe('Standby');
        await press(/^Remove operating point standby/);
        expect(document()).not.toHaveProperty('operatingPoints');
    });
});

const reading = (value: number, margin: number) => ({
    id: 'melts',
    name: 'Strip',
    quantity: 'temperature',
    reduce: 'max',
    value,
    plusMinus: null,
    margin,
    verdict: margin < 0 ? ('missed' as const) : ('met' as const),
});
const point = (fields: Partial<OperatingPoint>): OperatingPoint => ({
    name: 'Fault',
    values: { amps: '15 A' },
    picture: 2,
    state: 'solved',
    message: null,
    missed: 1,
    undecided: 0,
    worstMargin: -87.6,
    worstLimit: 'melts',
    readings: [reading(779.75, -87.6)],
    ...fields,
});
const failed = point({ name: 'Too much', picture: null, state: 'failed', message: 'thermal runaway: steady up to 19 A', readings: [] });
const base: Result = {
    ...sampleResult(),
    limits: [{ ...reading(442.55, 249.6), part: 'strip', node: null }] as unknown as Result['limits'],
    watches: [{ id: 'drop', name: 'Drop', quantity: 'voltageDrop', reduce: 'mean', value: 0.0987 }] as unknown as Result['watches'],
};

describe('operating points of a run', () => {
    beforeEach(() => useScreen.setState({ point: null }));

    it('stand with their verdicts, and a click shows one', async () => {
        const run = sampleRun({ points: [point({}), failed], missed: 0, undecided: 0, worstMargin: 76.9 });
        answering({ 'GET /api/runs/11/pictures/1/result': base });
        render(<OperatingPoints run={run} base={1} shown={null} units="mm" />, { wrapper: Frame });
        expect(screen.getByRole('button', { name: /As it stands.*met, 76.9 K left/ }).getAttribute('aria-pressed')).toBe('true');
        expect(screen.getByRole('alert').textContent).toBe('Too much: thermal runaway: steady up to 19 A');
        await press(/Fault.*1 missed, 87.6 K over/);
        expect(useScreen.getState().point).toBe('Fault');
        await press('Side by side');
        const table = await screen.findByRole('table', { name: 'Operating points' });
        expect(within(table).getByRole('row', { name: /^Strip 169.4 °C \+249.6 K 506.6 °C −87.6 K missed/ })).toBeTruthy();
    });

    it('are one table of limits and watches, with what differs', () => {
        const rows = pointsTable(base, [point({})], 'mm');
        expect(rows.map(({ name, cells }) => [name, ...cells.map(({ text }) => text)])).toEqual([
            ['Strip', '169.4 °C', '506.6 °C'],
            ['Drop', '98.70\u00a0mV', ''],
        ]);
        expect(cellsOf(rows, [point({})])[0]).toEqual(['Limit or watch', 'As it stands', 'As it stands, margin', 'Fault', 'Fault, margin']);
        expect(valuesOf(point({ values: { amps: '15 A', 'parts/chip/power': '3 W', 'surroundings/temperature': '50 degC' } }))).toEqual([
            'amps 15 A',
            'chip power 3 W',
            'temperature 50 degC',
        ]);
    });
});
