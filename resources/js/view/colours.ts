import type { OutlinePart } from '../api/types';

/** Colour of a part where no result is shown: its own, or a neutral one by what it is. */
export function colourOf({ colour, kind, power }: Pick<OutlinePart, 'colour' | 'kind' | 'power'>): string {
    if (colour !== null) return colour;
    if (kind === 'shell') return '#c9c5ba';
    if (kind === 'board') return '#7f9a84';
    if (kind === 'plateFins' || kind === 'pinFins') return '#aab6bd';
    return power > 0 ? '#caa06a' : '#a5a299';
}

/** Of handles along x, y and z. */
export const axisColours = ['#b5493a', '#3f7d4e', '#33658a'] as const;
