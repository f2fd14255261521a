// @vitest-environment jsdom
import { screen } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { choose, editing, fill, press } from '../fixtures';
import { withNewLimit, type Subject, partSubject } from '../model/targets';
import { samplePart } from '../model/samples';
import { LimitFields, WatchFields } from './TargetFields';

const lid = partSubject(samplePart({ id: 'lid', name: 'Lid' }));
const vent: Subject = { id: 'x-', name: 'Side x-', kind: 'opening', of: { side: 'x-' } };

const limits = (subject: Subject, units: 'mm' | 'us' = 'mm', start = {}) => {
    const made = editing(start, (document, editor) => <LimitFields subject={subject} document={document} editor={editor} units={units} disabled={false} />);
    return { ...made, limit: () => made.document().limits?.[0] };
};

describe('the fields of limits', () => {
    it('begin with a limit on the hottest place, and bound it in the unit of the screen', async () => {
        const { limit, labels } = limits(lid, 'us');
        await press('Limit');
        expect(limit()).toMatchObject({ of: { part: 'lid' }, reduce: 'max', atMost: '85 degC' });
        await fill('Temperature', '180');
        expect(limit()?.atMost).toBe('180 degF');
        expect(labels).toEqual(['Lid: another limit', 'Lid: limit 180 degF']);
    });

    it('may be passed for some time where a course in time is asked for', async () => {
        limits(lid, 'mm', withNewLimit({}, lid, 'max', '60 degC'));
        expect(screen.queryByLabelText('May be passed for, in all')).toBeNull();
        const { limit } = limits(lid, 'mm', withNewLimit({ analysis: { time: { kind: 'transient', end: '10 min' } } }, lid, 'max', '60 degC'));
        await fill('May be passed for, in all', '30');
        expect(limit()?.timeBeyond).toBe('30 s');
        await fill('May be passed for, in all', '');
        expect(limit()).not.toHaveProperty('timeBeyond');
    });

    it('turn a bound round without losing its number', async () => {
        const { limit } = limits(lid, 'mm', withNewLimit({}, lid, 'max', '60 degC'));
        await choose('Bound', 'At least');
        expect(limit()).toMatchObject({ atLeast: '60 degC' });
        expect(limit()).not.toHaveProperty('atMost');
    });

    it('keep something free for ageing in kelvin, and nothing where it is emptied', async () => {
        const { limit } = limits(lid, 'mm', withNewLimit({}, lid, 'max', '60 degC'));
        expect(screen.getByLabelText('Derating')).toHaveAttribute('placeholder', '0 K');
        await fill('Derating', '5');
        expect(limit()?.derating).toBe('5 K');
        await fill('Derating', '');
        expect(limit()).not.toHaveProperty('derating');
    });

    it('look at a face instead, with the same bound', async () => {
        const { limit } = limits(lid, 'mm', withNewLimit({}, lid, 'max', '60 degC'));
        await choose('Of', 'Hottest of face z+');
        expect(limit()).toMatchObject({ of: { part: 'lid', face: 'z+' }, atMost: '60 degC', name: 'Lid, hottest of face z+' });
    });

    it('bound a current density, and the current and voltage of a face where current enters', async () => {
        const bar = partSubject(samplePart({ id: 'bar', name: 'Bar' }), ['x-']);
        const { limit } = limits(bar, 'mm', withNewLimit({}, bar, 'max', '60 degC'));
        await choose('Of', 'Current density');
        expect(limit()).toMatchObject({ of: { part: 'bar' }, quantity: 'currentDensity', atMost: '10 A/mm^2' });
        await fill('Current density', '5');
        expect(limit()?.atMost).toBe('5 A/mm^2');
        await choose('Of', 'Voltage of face x-');
        expect(limit()).toMatchObject({ of: { part: 'bar', face: 'x-' }, quantity: 'voltage', atMost: '100 mV', name: 'Bar, voltage of face x-' });
        expect(screen.getByRole('combobox', { name: 'Of' })).toHaveTextContent('Voltage of face x-');
    });

    it('begin anew where a temperature becomes a flow and back: the numbers mean nothing there', async () => {
        const { limit } = limits(vent, 'mm', withNewLimit({}, vent, 'leaving', '60 degC'));
        await fill('Derating', '5');
        await choose('Of', 'Flow out of it');
        expect(limit()).toMatchObject({ quantity: 'volumeFlow', atLeast: '1 l/s' });
        expect(limit()).not.toHaveProperty('atMost');
        expect(limit()).not.toHaveProperty('derating');
        await fill('Flow', '3');
        expect(limit()?.atLeast).toBe('3 l/s');
        await choose('Of', 'Temperature leaving');
        expect(limit()).toMatchObject({ quantity: 'outflowTemperature', atMost: '85 degC' });
    });

    it('take a limit away', async () => {
        const { document } = limits(lid, 'mm', withNewLimit({}, lid, 'max', '60 degC'));
        await press('Remove limit 1');
        expect(document().limits).toEqual([]);
    });

    it('name what they do not offer by its own name', () => {
        const own = { id: 'l', name: 'Median of the lid', of: { part: 'lid' }, reduce: 'median', atMost: '60 degC' };
        limits(lid, 'mm', { limits: [own] });
        expect(screen.getByLabelText('Of', { selector: '[role="combobox"]' })).toHaveTextContent('Median of the lid');
    });
});

describe('the fields of watches', () => {
    it('add one, change what it follows, and take it away', async () => {
        const { document, labels } = editing({}, (d, editor) => <WatchFields subject={lid} document={d} editor={editor} units="mm" disabled={false} />);
        const watches = () => document().watches as { of: object; quantity: string; reduce: string }[];
        await press('Watch');
        await choose('What', 'Heat out of face z-');
        expect(watches()).toMatchObject([{ of: { part: 'lid', face: 'z-' }, quantity: 'heat', reduce: 'total' }]);
        expect(labels).toEqual(['Lid: another watch', 'Lid: watch heat out of face z-']);
        await press('Remove watch 1');
        expect(watches()).toEqual([]);
    });
});
