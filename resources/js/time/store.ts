import { create } from 'zustand';

interface MomentState {
    /** The run whose moment is shown. */
    run: number | null;
    /** Which of the moments that are kept; null: the peaks, with the picture of the end. */
    frame: number | null;
    /** Whether the curves are open. */
    curves: boolean;
    show: (run: number, frame: number | null) => void;
    toggleCurves: () => void;
}

/** Which moment of a course in time is looked at. */
export const useMoment = create<MomentState>((set) => ({
    run: null,
    frame: null,
    curves: true,
    show: (run, frame) => set({ run, frame }),
    toggleCurves: () => set(({ curves }) => ({ curves: !curves })),
}));

/** The moment of a run that is looked at; null where it is none. */
export const useFrame = (run: number | undefined): number | null => useMoment((s) => (run !== undefined && s.run === run ? s.frame : null));
