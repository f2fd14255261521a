import { useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useMemo } from 'react';
import { useStore } from 'zustand';
import { api, ApiError } from '../api/client';
import { revisionKey, useRevision } from '../api/queries';
import type { Revision } from '../api/types';
import { anyUnsaved, editsOf, retryAll, type PendingConflict, type Save, type SaveState } from '../state/edits';
import type { ModelDocument } from './document';

export interface ModelEditor {
    /** The last saved revision, with the document as it is shown: edits that are still being saved are in it. */
    revision: Revision | undefined;
    state: SaveState;
    error: ApiError | null;
    clearError: () => void;
    /** Shows an edit at once and saves it as a new revision; resolves when it is stored, rejects when it was refused. */
    edit: (label: string, change: (document: ModelDocument) => ModelDocument) => Promise<Revision>;
    undo: () => void;
    redo: () => void;
    undoLabel: string | undefined;
    redoLabel: string | undefined;
    conflict: PendingConflict | null;
    takeTheirs: () => Promise<void>;
    keepMine: () => void;
    retry: () => void;
}

export function useModelEditor(variant: number): ModelEditor {
    const client = useQueryClient();
    const query = useRevision(variant);
    const save = useCallback<Save>(
        async (label, document, base) => {
            const saved = await api.put<Revision>(`/api/variants/${variant}/model`, { document, base, step: label });
            client.setQueryData(revisionKey(variant), saved);
            void client.invalidateQueries({ queryKey: ['projects'] });
            void client.invalidateQueries({ queryKey: ['project'] });
            return saved;
        },
        [client, variant],
    );
    const store = editsOf(variant, save);
    const edits = useStore(store);
    useEffect(() => {
        if (query.data) store.loaded(query.data);
    }, [store, query.data]);
    useEffect(() => {
        const warn = (event: BeforeUnloadEvent) => {
            if (anyUnsaved()) event.preventDefault();
        };
        window.addEventListener('beforeunload', warn);
        window.addEventListener('online', retryAll);
        return () => {
            window.removeEventListener('beforeunload', warn);
            window.removeEventListener('online', retryAll);
        };
    }, []);

    const { saved, document } = edits;
    const revision = useMemo(() => (saved && document ? { ...saved, document: document } : undefined), [saved, document]);
    const { refetch } = query;
    const takeTheirs = useCallback(async () => {
        const theirs = await refetch();
        if (theirs.data) store.takeTheirs(theirs.data);
    }, [refetch, store]);

    return useMemo(
        () => ({
            revision,
            state: edits.state,
            error: edits.error ?? (query.error instanceof ApiError ? query.error : null),
            clearError: store.clearError,
            edit: store.edit,
            undo: store.undo,
            redo: store.redo,
            undoLabel: edits.history.past.at(-1)?.label,
            redoLabel: edits.history.future[0]?.label,
            conflict: edits.conflict,
            takeTheirs,
            keepMine: store.keepMine,
            retry: store.retry,
        }),
        [revision, edits, query.error, store, takeTheirs],
    );
}
