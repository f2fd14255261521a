import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import type { Grade } from '../api/types';
import { firstColumns } from '../ledger/partTable';
import type { Touch } from '../model/touch';
import type { Scheme } from '../theme/theme';
import type { UnitSet } from '../units/units';
import type { Band } from '../view/layers/litFaces';

export const stages = ['Build', 'Load', 'Limit', 'Solve', 'Judge'] as const;
export type Stage = (typeof stages)[number];

/** What a click in the view does. */
export type Tool = 'select' | 'box' | 'probe' | 'measure';

interface ScreenState {
    stage: Stage;
    selection: string[];
    hidden: string[];
    tool: Tool;
    /** Parts that something on the page speaks of, lit up in the view. */
    lit: string[];
    /** The band of the heat routes whose faces are lit up in the view. */
    band: Band | null;
    /** The heat routes beside the view: the parts that are followed first, null for all; nothing while they are closed. */
    routes: { of: readonly string[] | null } | null;
    /** Whether the view shows parts in the colour of their finish. */
    byFinish: boolean;
    /** What the model is held against: a variant as it is saved, or one of its revisions. */
    against: { variant: number; revision: number | null; name: string } | null;
    /** Parts that differ from it. */
    marked: string[];
    /** The run that was opened from the list; null: the newest one. */
    openRun: number | null;
    /** The operating point that is shown, by its name; null: the model as it stands. */
    point: string | null;
    /** The saved view that was shown last. */
    savedView: number | null;
    /** Which line of the list of what is shown is open for its settings. */
    openLayer: number | null;
    perspective: boolean;
    /** The face of a part that was clicked in the view, in Load. */
    face: { part: string; name: string } | null;
    /** A place of the space that something was found at. */
    pointed: { at: [number, number, number]; text: string } | null;
    grade: Grade;
    set: (change: Partial<Omit<ScreenState, 'set' | 'select' | 'toggleHidden' | 'toggleTool'>>) => void;
    select: (id: string | null, adding?: boolean) => void;
    toggleHidden: (ids: string[]) => void;
    /** Takes a tool up, or lays it down where it is in hand. */
    toggleTool: (tool: Tool) => void;
}

/** What is looked at on the project screen; nothing of the model. */
export const useScreen = create<ScreenState>((set) => ({
    stage: 'Judge',
    selection: [],
    hidden: [],
    tool: 'select',
    openLayer: null,
    savedView: null,
    openRun: null,
    point: null,
    lit: [],
    band: null,
    routes: null,
    byFinish: false,
    against: null,
    marked: [],
    perspective: false,
    face: null,
    pointed: null,
    grade: 'scout',
    set: (change) => set(change),
    select: (id, adding = false) =>
        set((state) => {
            if (id === null) return { selection: [] };
            if (!adding) return { selection: [id] };
            return { selection: state.selection.includes(id) ? state.selection.filter((s) => s !== id) : [...state.selection, id] };
        }),
    toggleHidden: (ids) =>
        set((state) => ({
            hidden: ids.every((id) => state.hidden.includes(id)) ? state.hidden.filter((h) => !ids.includes(h)) : [...new Set([...state.hidden, ...ids])],
        })),
    toggleTool: (tool) => set((state) => ({ tool: state.tool === tool ? 'select' : tool })),
}));

interface Preferences {
    units: UnitSet;
    scheme: Scheme;
    /** Whether light falls on coloured parts; without it their colours are exactly those of the scale. */
    shaded: boolean;
    setShaded: (on: boolean) => void;
    /** How long surfaces may be touched, for their limits. */
    touch: Touch;
    setTouch: (touch: Touch) => void;
    /** Which columns the table of all parts has. */
    partColumns: readonly string[];
    setPartColumns: (columns: readonly string[]) => void;
    /** Whether every edit starts a coarse run. */
    live: boolean;
    setLive: (live: boolean) => void;
    /** Whether single letters and digits act on the project screen. */
    letterKeys: boolean;
    setLetterKeys: (on: boolean) => void;
    setUnits: (units: UnitSet) => void;
    setScheme: (scheme: Scheme) => void;
}

/** Kept in the browser. */
export const usePreferences = create<Preferences>()(
    persist(
        (set) => ({
            units: 'mm',
            scheme: 'light',
            shaded: true,
            letterKeys: true,
            live: false,
            setLive: (live) => set({ live }),
            touch: 'seconds',
            setTouch: (touch) => set({ touch }),
            partColumns: firstColumns,
            setPartColumns: (partColumns) => set({ partColumns }),
            setShaded: (shaded) => set({ shaded }),
            setLetterKeys: (letterKeys) => set({ letterKeys }),
            setUnits: (units) => set({ units }),
            setScheme: (scheme) => set({ scheme }),
        }),
        { name: 'foehn-preferences' },
    ),
);
