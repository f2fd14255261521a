import { useState } from 'react';
import { useLocation, useNavigate } from 'react-router';
import { useVariantChange } from '../api/queries';
import type { Project, Variant } from '../api/types';
import type { ModelEditor } from '../model/useModelEditor';
import { useScreen } from '../state/screen';
import type { Naming } from './NameDialog';

/** What stands over the screen for a variant. */
export type VariantDialog = 'clone' | 'rename' | 'delete' | 'deleted' | 'history' | 'differences' | 'study' | 'impedance';

export interface Variants {
    project: Project;
    list: readonly Variant[];
    current: Variant;
    mayEdit: boolean;
    /** Shows another variant in the same stage. */
    open: (variant: number) => void;
    /** The next one, or with -1 the one before; the first follows the last. */
    step: (by: 1 | -1) => void;
    move: (by: 1 | -1) => void;
    dialog: VariantDialog | null;
    show: (dialog: VariantDialog | null) => void;
    clone: (naming: Naming) => Promise<void>;
    rename: (naming: Naming) => Promise<void>;
    remove: () => Promise<void>;
    restore: (variant: Variant) => Promise<void>;
    /** The variant that was deleted last, as long as that can be undone by a click. */
    removed: Variant | null;
    forget: () => void;
    error: Error | null;
    busy: boolean;
}

/** The variants of a project and what can be done with the one on screen; null until they are known. */
export function useVariants(project: Project | undefined, variant: number, editor: ModelEditor, mayEdit: boolean): Variants | null {
    const navigate = useNavigate();
    const { search } = useLocation();
    const change = useVariantChange(project?.id ?? 0);
    const [dialog, setDialog] = useState<VariantDialog | null>(null);
    const [removed, setRemoved] = useState<Variant | null>(null);
    const current = project?.variants.find(({ id }) => id === variant);
    if (!project || !current) return null;
    const list = project.variants;
    const at = list.indexOf(current);
    const open = (id: number) => void navigate(`/projects/${project.id}/variants/${id}${search}`);
    const beside = (by: 1 | -1) => list[(at + by + list.length) % list.length]!;
    const show = (next: VariantDialog | null) => {
        change.reset();
        setDialog(next);
    };
    return {
        project,
        list,
        current,
        mayEdit,
        open,
        step: (by) => open(beside(by).id),
        move: (by) => {
            const to = at + by;
            if (to < 0 || to >= list.length) return;
            change.mutate({ change: variant, by: { before: list[by === 1 ? to + 1 : to]?.id ?? null } });
        },
        dialog,
        show,
        clone: async ({ name, note }) => {
            // What is taken is what is on screen and saved.
            const made = await change.mutateAsync({ clone: variant, revision: editor.revision?.number ?? 1, name });
            if (note !== '') await change.mutateAsync({ change: made!.id, by: { note } });
            setDialog(null);
            open(made!.id);
        },
        rename: async (by) => {
            await change.mutateAsync({ change: variant, by });
            setDialog(null);
        },
        remove: async () => {
            const next = list[at + 1] ?? list[at - 1];
            await change.mutateAsync({ remove: variant });
            // Nothing is held against what is gone.
            if (useScreen.getState().against?.variant === variant) useScreen.getState().set({ against: null });
            setDialog(null);
            setRemoved(current);
            if (next) open(next.id);
        },
        restore: async ({ id }) => {
            await change.mutateAsync({ restore: id });
            setRemoved(null);
            setDialog(null);
            open(id);
        },
        removed,
        forget: () => setRemoved(null),
        error: change.error,
        busy: change.isPending,
    };
}
