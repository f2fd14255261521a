/** How long a surface is touched. */
export type Touch = 'minutes' | 'minute' | 'seconds' | 'moment';

export const touches: readonly (readonly [Touch, string])[] = [
    ['minutes', 'longer than 1 min'],
    ['minute', 'up to 1 min'],
    ['seconds', 'up to 10 s'],
    ['moment', 'up to 1 s'],
];

/** What a surface is to a hand. */
export type Surface = 'metal' | 'glass' | 'plastic';

const ZERO_CELSIUS = 273.15;

/** Touch temperature limits of energy source class TS1 for accessible parts, °C (IEC 62368-1:2018, table 38). */
const limits: Readonly<Record<Touch, Readonly<Record<Surface, number>>>> = {
    minutes: { metal: 48, glass: 48, plastic: 48 },
    minute: { metal: 51, glass: 56, plastic: 60 },
    seconds: { metal: 60, glass: 71, plastic: 77 },
    moment: { metal: 70, glass: 85, plastic: 94 },
};

/** Kinds of surface by the category of the material; what is not known counts as metal, whose limits are the lowest. */
const surfaces: Readonly<Record<string, Surface>> = { ceramic: 'glass', semiconductor: 'glass', glass: 'glass', polymer: 'plastic', board: 'plastic' };

/** What a surface of a material of this category is; a package has a plastic body. */
export const surfaceBy = (category: string | undefined, kind: string): Surface =>
    kind === 'package' || kind === 'board' ? 'plastic' : (surfaces[category ?? ''] ?? 'metal');

/** K. */
export const touchLimit = (surface: Surface, touch: Touch): number => ZERO_CELSIUS + limits[touch][surface];
