/**
 * Colour scales of our own. The lightness of the first two rises or falls evenly, so that they read without telling red from green; the
 * third goes from one dark hue over a light middle to another.
 */
export const palettes = {
    heat: ['#20234f', '#4a3578', '#84418a', '#bb5178', '#e0715a', '#f3a046', '#fbd27a', '#fdf3cf'],
    air: ['#cfe5ea', '#abd0da', '#7fb5c7', '#5595b0', '#357495', '#235477', '#163650'],
    diverging: ['#14506b', '#4f8da3', '#a3c4cc', '#f2efe6', '#e0b18c', '#bd703d', '#8a3b14'],
} as const;
export type PaletteName = keyof typeof palettes;

export const gradientOf = (name: PaletteName, bands = 0): string => {
    if (bands === 0) return `linear-gradient(90deg, ${palettes[name].join(', ')})`;
    const stops = Array.from({ length: bands }, (_, n) => {
        const colour = cssAt(name, (n + 0.5) / bands);
        return `${colour} ${(100 * n) / bands}% ${(100 * (n + 1)) / bands}%`;
    });
    return `linear-gradient(90deg, ${stops.join(', ')})`;
};

const channels = (hex: string): [number, number, number] => [1, 3, 5].map((i) => parseInt(hex.slice(i, i + 2), 16)) as [number, number, number];

const stopsOf = Object.fromEntries(Object.entries(palettes).map(([name, stops]) => [name, stops.map(channels)])) as Record<
    PaletteName,
    [number, number, number][]
>;

/** Red, green and blue from 0 to 255 at a share of a scale. */
export function colourAt(name: PaletteName, share: number): [number, number, number] {
    const stops = stopsOf[name];
    const place = Math.min(Math.max(share, 0), 1) * (stops.length - 1);
    const low = Math.min(Math.floor(place), stops.length - 2);
    const [from, to] = [stops[low]!, stops[low + 1]!];
    const mixed = (c: 0 | 1 | 2) => Math.round(from[c] + (to[c] - from[c]) * (place - low));
    return [mixed(0), mixed(1), mixed(2)];
}

export const cssAt = (name: PaletteName, share: number): string => `rgb(${colourAt(name, share).join(', ')})`;

/** RGBA bytes of a scale with so many steps, for a texture. */
export function scaleBytes(name: PaletteName, steps: number): Uint8Array {
    const bytes = new Uint8Array(steps * 4);
    for (let i = 0; i < steps; i++) bytes.set([...colourAt(name, i / (steps - 1)), 255], 4 * i);
    return bytes;
}

/** Dark on light colours and light on dark ones, red, green and blue from 0 to 1. */
export function inkOn(name: PaletteName, share: number): [number, number, number] {
    const [r, g, b] = colourAt(name, share);
    return 0.2126 * r + 0.7152 * g + 0.0722 * b > 115 ? [0.08, 0.1, 0.12] : [0.96, 0.94, 0.89];
}
