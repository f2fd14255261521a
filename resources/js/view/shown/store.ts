import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import type { FieldName } from '../fields/catalogue';
import type { Range } from '../fields/scale';
import { firstShown, readShown, withChange, withLayer, withoutLayer, withRange, type Layer, type NewLayer, type Shown } from './shown';

/** So many projects are remembered. */
const KEPT = 40;

interface ShownStore {
    project: number;
    /** By project, the last one that was looked at at the end. */
    kept: [number, Shown][];
    open: (project: number) => void;
    change: (by: (shown: Shown) => Shown) => void;
}

const shownIn = (state: Pick<ShownStore, 'project' | 'kept'>): Shown => state.kept.find(([project]) => project === state.project)?.[1] ?? firstShown;

/** What the view shows, remembered by project in the browser. */
const useStore = create<ShownStore>()(
    persist(
        (set) => ({
            project: 0,
            kept: [],
            open: (project) => set({ project }),
            change: (by) =>
                set((state) => ({
                    kept: [...state.kept.filter(([project]) => project !== state.project).slice(1 - KEPT), [state.project, by(shownIn(state))]],
                })),
        }),
        {
            name: 'foehn-shown',
            version: 1,
            partialize: ({ kept }) => ({ kept }),
            merge: (stored, state) => {
                const { kept } = (stored ?? {}) as Partial<ShownStore>;
                return { ...state, kept: Array.isArray(kept) ? kept.map(([project, shown]) => [project, readShown(shown)] as [number, Shown]) : [] };
            },
        },
    ),
);

export const useShown = <T>(read: (shown: Shown) => T): T => useStore((state) => read(shownIn(state)));

export const shownNow = (): Shown => shownIn(useStore.getState());

/** Changes what the view shows; the same for every component. */
export const show = {
    openProject: (project: number) => useStore.getState().open(project),
    apply: (shown: Shown) => useStore.getState().change(() => readShown(shown)),
    add: (layer: NewLayer) => useStore.getState().change((shown) => withLayer(shown, layer)),
    remove: (id: number) => useStore.getState().change((shown) => withoutLayer(shown, id)),
    change: <L extends Layer>(layer: L, change: Partial<L>) => useStore.getState().change((shown) => withChange(shown, layer.id, change)),
    range: (field: FieldName, change: Partial<Range>) => useStore.getState().change((shown) => withRange(shown, field, change)),
    toggleFaint: (ids: readonly string[]) =>
        useStore.getState().change((shown) => ({
            ...shown,
            faint: ids.every((id) => shown.faint.includes(id)) ? shown.faint.filter((id) => !ids.includes(id)) : [...new Set([...shown.faint, ...ids])],
        })),
};
