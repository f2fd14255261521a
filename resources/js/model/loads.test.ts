import { describe, expect, it } from 'vitest';
import { kindOfLoad, loadKinds, loadOfKind, loadText, pointsOf, secondsOf, sensorOf, timedOfKind, withSensor, type LoadEntry, type LoadKind } from './loads';
import { questionOf, withQuestion } from './question';
import { timeOf, withTime } from './time';

describe('loads', () => {
    it('begin as every kind with the watts that were there', () => {
        for (const kind of Object.keys(loadKinds) as LoadKind[]) {
            const load = loadOfKind(kind, '7 W', 'chip');
            expect(kindOfLoad(load)).toBe(kind);
            expect(JSON.stringify(load)).toContain('7 W');
        }
        expect(loadText('7 W')).toBe('7 W');
        expect(loadText(loadOfKind('pulse', 3, 'chip'))).toBe('Pulses');
    });

    it('of anything else begin with the value that was there and, later on, nothing in its unit', () => {
        expect(timedOfKind('schedule', '2 m/s', '1 m/s')).toMatchObject({
            schedule: [
                ['0 s', '2 m/s'],
                ['5 min', '0 m/s'],
            ],
        });
        expect(timedOfKind('pulse', undefined, '1')).toMatchObject({ pulse: { high: '1', low: '0' } });
        expect(timedOfKind('schedule', '45 degC', '')).toMatchObject({
            schedule: [
                ['0 s', '45 degC'],
                ['5 min', '45 degC'],
            ],
        });
        expect(timedOfKind('constant', { schedule: [['0 s', '3 A']] }, '1 A')).toBe('3 A');
    });

    it('keep their other fields with another sensor', () => {
        const thermostat = loadOfKind('thermostat', '7 W', 'chip') as LoadEntry;
        const moved = withSensor(thermostat, { part: 'lid' });
        expect(sensorOf(moved)).toEqual({ part: 'lid' });
        expect(moved.thermostat).toMatchObject({ watts: '7 W', on: '40 degC' });
    });

    it('are drawn over time where they are numbers', () => {
        expect(['20 min', '1.5', '3 ms', 't_on'].map(secondsOf)).toEqual([1200, 1.5, 0.003, null]);
        expect(
            pointsOf(
                {
                    schedule: [
                        ['0 s', '4 W'],
                        ['10 s', '2 W'],
                    ],
                    between: 'steps',
                },
                20,
            ),
        ).toEqual([
            { x: 0, y: 4 },
            { x: 10, y: 4 },
            { x: 10, y: 2 },
            { x: 20, y: 2 },
        ]);
        const pulses = pointsOf({ pulse: { high: '5 W', period: '10 s', duty: 0.4 } }, 20)!;
        expect(pulses.filter(({ x }) => x === 10).map(({ y }) => y)).toEqual([0, 5]);
        expect(pointsOf({ schedule: [['t_on', '4 W']] }, 20)).toBeNull();
    });
});

describe('the time of a model', () => {
    it('is asked for and taken back by its question', () => {
        const asked = withQuestion({}, 'time');
        expect(timeOf(asked)).toMatchObject({ end: '10 min', start: 'steady' });
        expect(questionOf(asked)).toBe('time');
        expect(timeOf(withQuestion(asked, 'heat'))).toBeNull();
    });

    it('keeps what is not changed, and the grid', () => {
        const document = withTime(withTime({ analysis: { grid: { grade: 'scout' } } }, { end: '1 h' }), { step: '1 s' });
        expect(document.analysis).toEqual({ grid: { grade: 'scout' }, time: { kind: 'transient', end: '1 h', start: 'steady', step: '1 s' } });
        expect(withTime(document, { step: undefined }).analysis).toEqual({
            grid: { grade: 'scout' },
            time: { kind: 'transient', end: '1 h', start: 'steady' },
        });
    });
});
