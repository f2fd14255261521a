import { describe, expect, it } from 'vitest';
import { ApiError } from '../api/client';
import type { Revision } from '../api/types';
import type { ModelDocument } from '../model/document';
import { makeEditStore, type Save } from './edits';

const revisionOf = (number: number, document: ModelDocument): Revision =>
    ({ variant: { id: 1, name: 'First', projectId: 1 }, number, step: '', hash: '', document, outline: {}, preflight: [] }) as unknown as Revision;

/** A server that keeps revisions, and answers the next requests as told. */
function server(answers: (ApiError | 'wait')[] = []) {
    const saved: { label: string; document: ModelDocument }[] = [];
    let number = 1;
    let release: () => void = () => undefined;
    const save: Save = async (label, document, base) => {
        const answer = answers.shift();
        if (answer === 'wait')
            await new Promise<void>((go) => {
                release = go;
            });
        if (answer instanceof ApiError) throw answer;
        if (base !== number) throw new ApiError(409, 'conflict', [], { number, step: 'theirs', by: 'Bea', at: null });
        saved.push({ label, document });
        return revisionOf(++number, document);
    };
    return {
        save,
        saved,
        release: () => release(),
        theirs: () => {
            number++;
        },
    };
}

const start = (save: Save) => {
    const store = makeEditStore(save, () => Promise.resolve());
    store.loaded(revisionOf(1, { name: 'a' }));
    return store;
};

const named =
    (name: string) =>
    (document: ModelDocument): ModelDocument => ({ ...document, name });
const settled = () => new Promise((go) => setTimeout(go, 5));

describe('edits of a variant', () => {
    it('shows an edit at once and saves it behind', async () => {
        const host = server(['wait']);
        const store = start(host.save);
        const done = store.edit('Name b', named('b'));

        expect(store.getState()).toMatchObject({ document: { name: 'b' }, state: 'saving', waiting: 1, saved: { number: 1 } });
        await settled();
        host.release();
        await done;
        expect(store.getState()).toMatchObject({ state: 'saved', waiting: 0, saved: { number: 2 } });
    });

    it('saves quick edits one by one and in order', async () => {
        const host = server();
        const store = start(host.save);
        await Promise.all([store.edit('b', named('b')), store.edit('c', named('c')), store.edit('note', (d) => ({ ...d, note: 1 }))]);

        expect(host.saved.map((s) => s.label)).toEqual(['b', 'c', 'note']);
        expect(host.saved.at(-1)!.document).toEqual({ name: 'c', note: 1 });
    });

    it('takes back two steps for two quick undos', async () => {
        const host = server();
        const store = start(host.save);
        await Promise.all([store.edit('b', named('b')), store.edit('c', named('c'))]);
        store.undo();
        store.undo();
        expect(store.getState().document).toEqual({ name: 'a' });
        await settled();
        expect(host.saved.slice(2).map((s) => s.document.name)).toEqual(['b', 'a']);
        store.redo();
        await settled();
        expect(host.saved.at(-1)!.document.name).toBe('b');
    });

    it('keeps the undo of one variant apart from that of another', async () => {
        const [one, two] = [start(server().save), start(server().save)];
        await one.edit('b', named('b'));
        two.undo();
        expect([two.getState().document, two.getState().history.past]).toEqual([{ name: 'a' }, []]);
        expect(one.getState().document).toEqual({ name: 'b' });
    });

    it('takes a refused edit out and keeps those after it', async () => {
        const host = server([new ApiError(422, 'The model cannot be used as it stands.')]);
        const store = start(host.save);
        const refused = store.edit('b', named('b'));
        const kept = store.edit('note', (d) => ({ ...d, note: 1 }));

        await expect(refused).rejects.toThrow('cannot be used');
        await kept;
        expect(store.getState()).toMatchObject({ document: { name: 'a', note: 1 }, error: { status: 422 }, history: { past: [] } });
        expect(host.saved.map((s) => s.document)).toEqual([{ name: 'a', note: 1 }]);
    });

    it('waits while the server is away, and loses nothing', async () => {
        const host = server([new ApiError(0, 'away'), new ApiError(502, 'away')]);
        const states: string[] = [];
        const store = start(host.save);
        store.subscribe((s) => states.push(s.state));
        await Promise.all([store.edit('b', named('b')), store.edit('c', named('c'))]);

        expect(states).toContain('unreachable');
        expect(store.getState()).toMatchObject({ state: 'saved', document: { name: 'c' } });
        expect(host.saved).toHaveLength(2);
    });

    it.each([401, 419])('waits for a new session after status %i', async (status) => {
        const host = server([new ApiError(status, 'over')]);
        let signedIn: () => void = () => undefined;
        const store = makeEditStore(
            host.save,
            () =>
                new Promise((go) => {
                    signedIn = go;
                }),
        );
        store.loaded(revisionOf(1, { name: 'a' }));
        const done = store.edit('b', named('b'));
        await settled();
        expect(store.getState()).toMatchObject({ state: 'signedOut', document: { name: 'b' }, waiting: 1 });
        signedIn();
        await done;
        expect(host.saved).toHaveLength(1);
    });

    it('asks which version to keep when another tab saved first', async () => {
        const host = server();
        const store = start(host.save);
        host.theirs();
        const done = store.edit('b', named('b'));
        await settled();
        expect(store.getState().conflict).toMatchObject({ label: 'b', mine: { name: 'b' }, current: { number: 2 } });
        store.keepMine();
        await done;
        expect(store.getState()).toMatchObject({ conflict: null, saved: { number: 3 }, document: { name: 'b' } });
    });

    it('drops what waited when theirs is taken', async () => {
        const host = server();
        const store = start(host.save);
        host.theirs();
        const dropped = store.edit('b', named('b'));
        await settled();
        store.takeTheirs(revisionOf(2, { name: 'theirs' }));
        await expect(dropped).rejects.toThrow('Theirs');
        expect(store.getState()).toMatchObject({ document: { name: 'theirs' }, waiting: 0, conflict: null });
    });
});
