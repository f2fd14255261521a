import { createStore, type StoreApi } from 'zustand/vanilla';
import { ApiError } from '../api/client';
import type { Conflict, Revision } from '../api/types';
import type { ModelDocument } from '../model/document';
import { emptyHistory, historyReducer, type History, type Step } from '../model/history';

/** An edit that could not be saved because another tab saved first. */
export interface PendingConflict {
    label: string;
    mine: ModelDocument;
    current: NonNullable<Conflict['current']>;
}

type Change = (document: ModelDocument) => ModelDocument;

/** An edit that is shown already and waits to be saved. */
interface Waiting {
    label: string;
    change: Change;
    /** Its entry in the history; none of an undo. */
    step?: Step<ModelDocument>;
    resolve: (revision: Revision) => void;
    reject: (reason: unknown) => void;
}

export type SaveState = 'saved' | 'saving' | 'unreachable' | 'signedOut';

export interface Edits {
    /** The last revision that the server has. */
    saved: Revision | null;
    /** The model as it is shown: the saved one with all waiting edits. */
    document: ModelDocument | null;
    history: History<ModelDocument>;
    state: SaveState;
    /** Edits that the server does not have yet. */
    waiting: number;
    /** Why the last edit was refused. */
    error: ApiError | null;
    conflict: PendingConflict | null;
}

export interface EditStore extends StoreApi<Edits> {
    /** Takes a revision that came from the server, unless edits wait or a newer one is known. */
    loaded: (revision: Revision) => void;
    edit: (label: string, change: Change) => Promise<Revision>;
    undo: () => void;
    redo: () => void;
    clearError: () => void;
    takeTheirs: (theirs: Revision) => void;
    keepMine: () => void;
    /** Tries to save at once what waits for the server or a session. */
    retry: () => void;
}

export type Save = (label: string, document: ModelDocument, base: number) => Promise<Revision>;

/** Between two tries to reach the server: ever longer, s. */
const PAUSES = [1, 2, 4, 8, 15];

/**
 * The edits of one variant. An edit is shown at once and saved in the background, one after the other and in order. One that the
 * model refuses is taken out again and those after it are applied without it; while the server cannot be reached or the session
 * is over, edits wait and nothing is lost.
 */
export function makeEditStore(
    save: Save,
    pause: (seconds: number) => Promise<void> = (seconds) => new Promise((go) => setTimeout(go, 1000 * seconds)),
): EditStore {
    const store = createStore<Edits>(() => ({ saved: null, document: null, history: emptyHistory(), state: 'saved', waiting: 0, error: null, conflict: null }));
    let queue: Waiting[] = [];
    let working = false;
    let wake: () => void = () => undefined;

    const { getState: get, setState: set } = store;

    /** Applies what still waits to what is saved. An edit that does not fit there any more is refused as the server would. */
    const present = (saved: Revision): ModelDocument => {
        let document = saved.document as ModelDocument;
        queue = queue.filter((entry) => {
            try {
                document = entry.change(document);
                return true;
            } catch (e) {
                entry.reject(e);
                return false;
            }
        });
        return document;
    };

    const refuse = (entry: Waiting, error: ApiError) => {
        queue.shift();
        const { saved, history } = get();
        // Steps from the refused one on hold documents with what was refused: nothing leads back to them.
        const at = entry.step ? history.past.indexOf(entry.step) : -1;
        set({ error, document: saved && present(saved), waiting: queue.length, history: at < 0 ? history : { past: history.past.slice(0, at), future: [] } });
        entry.reject(error);
    };

    const work = async () => {
        if (working) return;
        working = true;
        for (let tries = 0; queue.length > 0 && get().conflict === null;) {
            const entry = queue[0]!;
            const { saved } = get();
            if (!saved) break;
            let document: ModelDocument;
            try {
                document = entry.change(saved.document);
            } catch (e) {
                refuse(entry, asRefusal(e));
                continue;
            }
            set((s) => ({ state: s.state === 'saved' ? 'saving' : s.state }));
            try {
                const revision = await save(entry.label, document, saved.number);
                tries = 0;
                queue.shift();
                set({ saved: revision, document: present(revision), waiting: queue.length, state: queue.length > 0 ? 'saving' : 'saved' });
                entry.resolve(revision);
            } catch (e) {
                const error = asRefusal(e);
                if (error.status === 409 && error.conflict) {
                    set({ conflict: { label: entry.label, mine: get().document!, current: error.conflict } });
                } else if (error.status === 0 || error.status >= 500 || error.status === 401 || error.status === 419) {
                    set({ state: error.status === 401 || error.status === 419 ? 'signedOut' : 'unreachable' });
                    await Promise.race([
                        pause(PAUSES[Math.min(tries++, PAUSES.length - 1)]!),
                        new Promise<void>((go) => {
                            wake = go;
                        }),
                    ]);
                } else {
                    refuse(entry, error);
                }
            }
        }
        working = false;
        if (queue.length === 0) set({ state: 'saved', waiting: 0 });
    };

    const enqueue = (label: string, change: Change, undoable = false): Promise<Revision> => {
        const { document } = get();
        if (!document) return Promise.reject(new ApiError(0, 'The model is not loaded yet.'));
        let after: ModelDocument;
        try {
            after = change(document);
        } catch (e) {
            // What cannot be done to this model is said as a refusal of the core would be.
            set({ error: asRefusal(e) });
            return Promise.reject(e instanceof Error ? e : new Error(String(e)));
        }
        return new Promise<Revision>((resolve, reject) => {
            const step = undoable ? { label, before: document, after } : undefined;
            queue.push({ label, change, step, resolve, reject });
            if (step) set((s) => ({ history: historyReducer(s.history, { type: 'done', step }) }));
            set({ document: after, waiting: queue.length, state: get().state === 'saved' ? 'saving' : get().state, error: null });
            void work();
        });
    };

    return Object.assign(store, {
        loaded: (revision: Revision) => {
            const { saved } = get();
            if (queue.length > 0 || (saved && revision.number <= saved.number)) return;
            set({ saved: revision, document: revision.document });
        },
        edit: (label: string, change: Change) => enqueue(label, change, true),
        undo: () => {
            const step = get().history.past.at(-1);
            if (!step) return;
            set((s) => ({ history: historyReducer(s.history, { type: 'undone' }) }));
            enqueue(`Undo: ${step.label}`, () => step.before).catch(() => undefined);
        },
        redo: () => {
            const step = get().history.future[0];
            if (!step) return;
            set((s) => ({ history: historyReducer(s.history, { type: 'redone' }) }));
            enqueue(step.label, () => step.after).catch(() => undefined);
        },
        clearError: () => set({ error: null }),
        takeTheirs: (theirs: Revision) => {
            const dropped = queue;
            queue = [];
            set({ conflict: null, saved: theirs, document: theirs.document, history: emptyHistory(), waiting: 0, state: 'saved' });
            dropped.forEach((entry) => entry.reject(new ApiError(409, 'Theirs was taken.')));
        },
        keepMine: () => {
            const { conflict, saved } = get();
            if (!conflict || !saved) return;
            const dropped = queue;
            queue = [];
            // Saved as one revision on top of theirs.
            set({ conflict: null, saved: { ...saved, number: conflict.current.number }, history: emptyHistory() });
            enqueue(conflict.label, () => conflict.mine).then(
                (revision) => dropped.forEach((e) => e.resolve(revision)),
                (reason) => dropped.forEach((e) => e.reject(reason)),
            );
        },
        retry: () => wake(),
    });
}

function asRefusal(e: unknown): ApiError {
    return e instanceof ApiError ? e : new ApiError(422, e instanceof Error ? e.message : String(e));
}

const stores = new Map<number, EditStore>();

/** The edits of a variant, kept while the page is open: another variant has its own, with its own undo. */
export function editsOf(variant: number, save: Save): EditStore {
    const known = stores.get(variant);
    if (known) return known;
    const made = makeEditStore(save);
    stores.set(variant, made);
    return made;
}

/** Whether any variant has edits that the server does not have. */
export const anyUnsaved = (): boolean => [...stores.values()].some((store) => store.getState().waiting > 0);

/** Tries again everywhere, as after signing in anew or when the network is back. */
export const retryAll = (): void => stores.forEach((store) => store.retry());
