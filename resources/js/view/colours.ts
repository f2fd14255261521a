import type { Outline, OutlinePart } from '../api/types';

/** Colour of a part where no result is shown: its own, or a neutral one by what it is. */
export function colourOf({ colour, kind, power }: Pick<OutlinePart, 'colour' | 'kind' | 'power'>): string {
    if (colour !== null) return colour;
    if (kind === 'shell') return '#c9c5ba';
    if (kind === 'board') return '#7f9a84';
    if (kind === 'plateFins' || kind === 'pinFins') return '#aab6bd';
    return power > 0 ? '#caa06a' : '#a5a299';
}

/** Emissivity up to which a finish has each colour, and what surfaces of the kind are. */
export const finishColours = [
    { upTo: 0.15, colour: '#c4d3da', title: 'bare, polished' },
    { upTo: 0.4, colour: '#8fb0b5', title: 'dull metal' },
    { upTo: 0.7, colour: '#5f8b86', title: 'oxidised' },
    { upTo: 0.87, colour: '#46727a', title: 'anodised, ceramic' },
    { upTo: 1, colour: '#2d4a55', title: 'painted, plastic' },
] as const;

/** Of what has no finish, and what does not radiate. */
export const NO_FINISH = '#d9a08c';

/** The outline with the parts in the colours of their emissivity. */
export const colouredByFinish = (outline: Outline, on: boolean): Outline =>
    on
        ? {
              ...outline,
              parts: outline.parts.map((part) => ({
                  ...part,
                  colour: part.emissivity ? (finishColours.find(({ upTo }) => part.emissivity! <= upTo)?.colour ?? NO_FINISH) : NO_FINISH,
              })),
          }
        : outline;

/** Of handles along x, y and z. */
export const axisColours = ['#b5493a', '#3f7d4e', '#33658a'] as const;
