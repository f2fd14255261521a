import { create } from 'zustand';
import type { SectionLayer } from './shown';
import { show } from './store';

/** The section that is on its way, and where it is now, m: only what draws it follows, until it is put down. */
const useMoving = create<{ id: number | null; position: number }>(() => ({ id: null, position: 0 }));

/** Where a section is, while it moves too. */
export const positionOf = ({ id, position }: Pick<SectionLayer, 'id' | 'position'>, moving = useMoving.getState()): number =>
    moving.id === id ? moving.position : position;

export const usePosition = (section: Pick<SectionLayer, 'id' | 'position'>): number => useMoving((moving) => positionOf(section, moving));

export const onMoving = (listener: () => void): (() => void) => useMoving.subscribe(listener);

export const moveSection = ({ id }: Pick<SectionLayer, 'id'>, position: number): void => useMoving.setState({ id, position });

/** Puts a section down where it is. */
export function dropSection(section: SectionLayer): void {
    const { id, position } = useMoving.getState();
    if (id !== section.id) return;
    show.change(section, { position });
    useMoving.setState({ id: null });
}
