import type { OutlinePart } from '../api/types';

/** Stops of the temperature scale: lightness rises evenly from night blue to cream, readable without telling red from green. */
export const stops = ['#20234f', '#4a3578', '#84418a', '#bb5178', '#e0715a', '#f3a046', '#fbd27a', '#fdf3cf'] as const;

export const gradient = `linear-gradient(90deg, ${stops.join(', ')})`;

const channels = (hex: string): [number, number, number] => [1, 3, 5].map((i) => parseInt(hex.slice(i, i + 2), 16)) as [number, number, number];

/** RGBA bytes of the scale with so many steps, for a texture. */
export function scaleBytes(steps: number): Uint8Array {
    const bytes = new Uint8Array(steps * 4);
    for (let i = 0; i < steps; i++) {
        const place = (i / (steps - 1)) * (stops.length - 1);
        const low = Math.min(Math.floor(place), stops.length - 2);
        const a = channels(stops[low]!);
        const b = channels(stops[low + 1]!);
        for (let c = 0; c < 3; c++) bytes[4 * i + c] = Math.round(a[c]! + (b[c]! - a[c]!) * (place - low));
        bytes[4 * i + 3] = 255;
    }
    return bytes;
}

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
