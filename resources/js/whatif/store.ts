import { create } from 'zustand';
import type { TriedWatts } from './whatIf';

interface WhatIfStore {
    /** The run whose watts are varied. */
    run: number | null;
    tried: TriedWatts;
    vary: (run: number, part: string, watts: number) => void;
    reset: () => void;
}

const NONE: TriedWatts = {};

/** Watts that are tried on the flow of a run; gone when another run is varied. */
export const useTried = create<WhatIfStore>((set) => ({
    run: null,
    tried: NONE,
    vary: (run, part, watts) => set((state) => ({ run, tried: { ...(state.run === run ? state.tried : NONE), [part]: watts } })),
    reset: () => set({ run: null, tried: NONE }),
}));
