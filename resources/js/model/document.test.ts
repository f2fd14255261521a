import { describe, expect, it } from 'vitest';
import { limitEntry, withLimit, withPartFields, type ModelDocument } from './document';
import { emptyHistory, historyReducer, type History } from './history';

const document: ModelDocument = {
    format: 'foehn-model',
    parts: [
        { id: 'a', shape: { kind: 'block' }, power: '3 W', note: 'kept' },
        { id: 'b', shape: { kind: 'package' } },
    ],
    limits: [{ id: 'l', of: { part: 'a' }, atMost: '90 degC' }],
};

describe('edits of the document', () => {
    it('change only the parts named and keep unknown fields', () => {
        const changed = withPartFields(document, ['a'], { power: '4 W' });
        expect(changed.parts![0]).toEqual({ id: 'a', shape: { kind: 'block' }, power: '4 W', note: 'kept' });
        expect(changed.parts![1]).toBe(document.parts![1]);
        expect(document.parts![0]!.power).toBe('3 W');
    });

    it('remove a field that is emptied', () => {
        expect('power' in withPartFields(document, ['a'], { power: undefined }).parts![0]!).toBe(false);
    });

    it('limit the junction of a package and the hottest place of anything else', () => {
        const changed = withLimit(document, { id: 'b', name: 'B', kind: 'package' }, '105 degC');
        expect(limitEntry(changed, 'b')).toMatchObject({ of: { part: 'b', node: 'junction' }, atMost: '105 degC' });
        expect(limitEntry(withLimit(changed, { id: 'a', name: 'A', kind: 'block' }, '80 degC'), 'a')?.atMost).toBe('80 degC');
        expect(limitEntry(withLimit(document, { id: 'a', name: 'A', kind: 'block' }, ''), 'a')).toBeUndefined();
    });

    it('get an upper limit beside a lower one', () => {
        const lower = { ...document, limits: [{ id: 'limit-a', of: { part: 'a' }, atLeast: '-20 degC' }] };
        expect(withLimit(lower, { id: 'a', name: 'A', kind: 'block' }, '80 degC').limits!.map((limit) => limit.id)).toEqual(['limit-a', 'limit-a-2']);
    });
});

describe('history', () => {
    const step = (n: number) => ({ label: `step ${n}`, before: n - 1, after: n });
    const play = (...actions: Parameters<typeof historyReducer<number>>[1][]): History<number> =>
        actions.reduce(historyReducer<number>, emptyHistory<number>());

    it('undoes and redoes in order', () => {
        const history = play({ type: 'done', step: step(1) }, { type: 'done', step: step(2) }, { type: 'undone' }, { type: 'undone' }, { type: 'redone' });
        expect(history.past.at(-1)?.label).toBe('step 1');
        expect(history.future[0]?.label).toBe('step 2');
    });

    it('forgets what was undone when something new is done', () => {
        expect(play({ type: 'done', step: step(1) }, { type: 'undone' }, { type: 'done', step: step(5) }).future).toEqual([]);
    });

    it('stays as it is when there is nothing to undo', () => {
        expect(play({ type: 'undone' }, { type: 'redone' })).toEqual(emptyHistory());
    });
});
