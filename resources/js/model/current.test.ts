import { describe, expect, it } from 'vitest';
import { firstModel } from '../projects/starts';
import { facesWithTerminals, nextTerminal, terminalFaces, terminalOfKind, terminalsOf, withRectangle, withTerminal } from './current';
import type { ModelDocument, PartEntry } from './document';
import { withFaceHeat } from './heat';
import { questionOf, withQuestion, type Question } from './question';
import { computesCurrents } from './space';

const bar: PartEntry = { id: 'bar', shape: { kind: 'block' } };

describe('where current enters', () => {
    it('stands beside the heat of a face', () => {
        const heated = { ...bar, ...withFaceHeat(bar, 'x-', { kind: 'film' }) };
        const both = { ...heated, ...withTerminal(heated, 'x-', { kind: 'ground' }) };
        expect(both.faces).toEqual({ 'x-': { heat: { kind: 'film' }, electric: { kind: 'ground' } } });
        expect(withFaceHeat(both, 'x-', undefined)).toEqual({ faces: { 'x-': { electric: { kind: 'ground' } } } });
        expect(withTerminal(heated, 'x-', undefined)).toEqual({ faces: { 'x-': { heat: { kind: 'film' } } } });
        expect(withTerminal(bar, 'x-', undefined)).toEqual({ faces: undefined });
        expect(terminalFaces(both)).not.toContain('x-');
        expect(terminalFaces({ ...bar, shape: { kind: 'path' } })).toEqual(['side', 'start', 'end']);
    });

    it('is a current first, and then what takes it back', () => {
        const with1 = { ...bar, ...withTerminal(bar, 'x-', nextTerminal({ parts: [bar] })) };
        expect(terminalsOf(with1)).toEqual([['x-', { kind: 'current', current: '10 A' }, 0]]);
        expect(nextTerminal({ parts: [with1] })).toEqual({ kind: 'ground' });
    });

    it('may be on several rectangles of a face', () => {
        const on = withRectangle({ kind: 'ground' }, true);
        expect(on).toEqual({ kind: 'ground', min: ['0 mm', '0 mm'], max: ['5 mm', '5 mm'] });
        const one = { ...bar, ...withTerminal(bar, 'x-', on) };
        const both = { ...one, ...withTerminal(one, 'x-', { kind: 'voltage' }, 1) };
        expect(terminalsOf(both)).toEqual([
            ['x-', on, 0],
            ['x-', { kind: 'voltage' }, 1],
        ]);
        expect(withTerminal(both, 'x-', undefined, 0)).toEqual({ faces: { 'x-': { electric: { kind: 'voltage' } } } });
        expect(withRectangle(on, false)).toEqual({ kind: 'ground' });
    });

    it('is a question that can be taken back and asked again', () => {
        const asked = withQuestion({ physics: { heat: false, flow: 'auto' } }, 'current');
        expect(asked.physics).toEqual({ heat: true, flow: 'auto', electric: true });
        expect(['current', 'heat', 'air'].map((question) => questionOf(withQuestion(asked, question as Question)))).toEqual(['current', 'heat', 'air']);
        expect(withQuestion({}, 'heat').physics).toEqual({ heat: true });
    });

    it('is asked for by the question of a new project', () => {
        const start = (question: 'heat' | 'current'): ModelDocument =>
            firstModel({ name: 'n', question, start: question === 'heat' ? 'sealed' : 'bars', ambient: '40', altitude: '0', gravity: 'y-' });
        expect(computesCurrents(start('current'))).toBe(true);
        expect(
            start('current')
                .parts!.flatMap((part) => terminalsOf(part))
                .map(([face]) => face),
        ).toEqual(['x-', 'x+']);
        expect(computesCurrents(start('heat'))).toBe(false);
        expect(start('heat').surroundings).toMatchObject({ temperature: '40 degC', gravity: [0, -9.81, 0] });
    });

    it('counts a contact resistance among no terminals', () => {
        const part = {
            id: 'cap',
            shape: { kind: 'block' },
            faces: {
                'z-': { electric: { kind: 'contact', resistance: '1e-9 ohm*m^2' } },
                'x+': { electric: [{ kind: 'power', power: '24 W', voltage: '12 V' }, { kind: 'ground' }] },
            },
        } as unknown as PartEntry;
        expect(facesWithTerminals(part)).toEqual(['x+']);
        expect(terminalOfKind('power')).toEqual({ kind: 'power', power: '12 W', voltage: '12 V' });
    });
});
