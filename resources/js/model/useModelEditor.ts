import { useQueryClient } from '@tanstack/react-query';
import { useCallback, useReducer, useRef, useState } from 'react';
import { api, ApiError } from '../api/client';
import { revisionKey, useRevision } from '../api/queries';
import type { Conflict, Revision } from '../api/types';
import type { ModelDocument } from './document';
import { emptyHistory, historyReducer, type HistoryAction, type History } from './history';

/** An edit that could not be saved because another tab saved first. */
export interface PendingConflict {
    label: string;
    mine: ModelDocument;
    current: NonNullable<Conflict['current']>;
}

export interface ModelEditor {
    revision: Revision | undefined;
    loading: boolean;
    saving: boolean;
    error: ApiError | null;
    clearError: () => void;
    /** Saves an edit as a new revision; resolves when it is stored, rejects when it was refused. */
    edit: (label: string, change: (document: ModelDocument) => ModelDocument) => Promise<Revision>;
    undo: () => void;
    redo: () => void;
    undoLabel: string | undefined;
    redoLabel: string | undefined;
    conflict: PendingConflict | null;
    takeTheirs: () => Promise<void>;
    keepMine: () => Promise<void>;
}

export function useModelEditor(variant: number): ModelEditor {
    const client = useQueryClient();
    const query = useRevision(variant);
    const [history, dispatch] = useReducer(historyReducer as (h: History<ModelDocument>, a: HistoryAction<ModelDocument>) => History<ModelDocument>, emptyHistory<ModelDocument>());
    const [error, setError] = useState<ApiError | null>(null);
    const [conflict, setConflict] = useState<PendingConflict | null>(null);
    const [waiting, setWaiting] = useState(0);
    const chain = useRef<Promise<unknown>>(Promise.resolve());

    const present = useCallback(() => client.getQueryData<Revision>(revisionKey(variant)), [client, variant]);

    const save = useCallback(
        async (label: string, document: ModelDocument, base: number): Promise<Revision> => {
            try {
                const saved = await api.put<Revision>(`/api/variants/${variant}/model`, { document, base, step: label });
                client.setQueryData(revisionKey(variant), saved);
                void client.invalidateQueries({ queryKey: ['projects'] });
                setError(null);
                return saved;
            } catch (e) {
                const refused = e instanceof ApiError ? e : new ApiError(0, String(e));
                if (refused.status === 409 && refused.conflict) setConflict({ label, mine: document, current: refused.conflict });
                else setError(refused);
                throw refused;
            }
        },
        [client, variant],
    );

    /** Edits wait for each other, so that quick ones do not conflict among themselves. */
    const enqueue = useCallback(<T>(work: () => Promise<T>): Promise<T> => {
        setWaiting((n) => n + 1);
        const result = chain.current.then(work);
        chain.current = result.catch(() => undefined).finally(() => setWaiting((n) => n - 1));
        return result;
    }, []);

    const edit = useCallback(
        (label: string, change: (document: ModelDocument) => ModelDocument) =>
            enqueue(async () => {
                const revision = present();
                if (!revision) throw new ApiError(0, 'The model is not loaded yet.');
                const before = revision.document as ModelDocument;
                let after: ModelDocument;
                try {
                    after = change(before);
                } catch (e) {
                    // What cannot be done to this model is said as a refusal of the core would be.
                    setError(new ApiError(422, e instanceof Error ? e.message : String(e)));
                    throw e;
                }
                const saved = await save(label, after, revision.number);
                dispatch({ type: 'done', step: { label, before, after } });
                return saved;
            }),
        [enqueue, present, save],
    );

    const step = useCallback(
        (direction: 'undone' | 'redone', target: ModelDocument, label: string) => {
            void enqueue(async () => {
                const revision = present();
                if (!revision) return;
                await save(label, target, revision.number);
                dispatch({ type: direction });
            }).catch(() => undefined);
        },
        [enqueue, present, save],
    );

    const last = history.past.at(-1);
    const next = history.future[0];

    const takeTheirs = useCallback(async () => {
        await query.refetch();
        dispatch({ type: 'cleared' });
        setConflict(null);
    }, [query]);

    const keepMine = useCallback(async () => {
        if (!conflict) return;
        setConflict(null);
        await save(conflict.label, conflict.mine, conflict.current.number).catch(() => undefined);
        dispatch({ type: 'cleared' });
    }, [conflict, save]);

    return {
        revision: query.data,
        loading: query.isPending,
        saving: waiting > 0,
        error: error ?? (query.error instanceof ApiError ? query.error : null),
        clearError: () => setError(null),
        edit,
        undo: () => last && step('undone', last.before, `Undo: ${last.label}`),
        redo: () => next && step('redone', next.after, next.label),
        undoLabel: last?.label,
        redoLabel: next?.label,
        conflict,
        takeTheirs,
        keepMine,
    };
}
