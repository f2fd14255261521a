import { create } from 'zustand';
import { boxAround, type Box } from '../../model/box';
import type { Triple } from '../shown/shown';

/** Where the camera is and what it looks at. */
export interface Pose {
    position: Triple;
    target: Triple;
    /** Pixels per metre of the parallel view; of the central one the distance says it. */
    zoom: number;
    perspective: boolean;
}

export type Facing = 'home' | 'x' | 'y' | 'z' | '-x' | '-y' | '-z';

export type Order = { kind: 'face'; facing: Facing; box: Box | null } | { kind: 'fit'; box: Box } | { kind: 'pose'; pose: Pose };

interface AimStore {
    /** The last order to the camera; a new object for every order. */
    order: Order | null;
    give: (order: Order) => void;
    /** Reads the camera of the view that is on screen. */
    read: (() => Pose) | null;
    /** Whether the camera moves. */
    moving: boolean;
    /** A picture of what is on screen, so many pixels wide, as a data address; a small one where nothing is said. */
    snapshot: ((width?: number) => string) | null;
    /** What is on screen on a canvas of its own, with so many pixels for one of the page. */
    render: ((ratio: number) => HTMLCanvasElement) | null;
}

/** Orders to the camera of the view, and where it is. */
export const useAim = create<AimStore>((set) => ({
    order: null,
    give: (order) => set({ order }),
    read: null,
    moving: false,
    snapshot: null,
    render: null,
}));

/** Brings parts into view, or everything where none are given. */
export const fit = (parts: readonly Box[]): void =>
    useAim.getState().give(parts.length > 0 ? { kind: 'fit', box: boxAround(parts) } : { kind: 'face', facing: 'home', box: null });

export const directionOf: Readonly<Record<Facing, Triple>> = {
    home: [-0.9, -1.25, 1.05],
    x: [1, 0, 0],
    y: [0, 1, 0],
    z: [0, -1e-4, 1],
    '-x': [-1, 0, 0],
    '-y': [0, -1, 0],
    '-z': [0, -1e-4, -1],
};
