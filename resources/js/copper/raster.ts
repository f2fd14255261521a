import { colourAt, type PaletteName } from '../view/fields/palettes';
import { shareOf, type Scale } from '../view/fields/scale';

/** The pixels of a board: number along both axes, corner and size in metres. */
export interface Raster {
    pixels: readonly number[];
    origin: readonly number[];
    size: readonly number[];
}

export const areaOf = ({ pixels }: Raster): number => pixels[0]! * pixels[1]!;

/** Number within a layer of the pixel at a place in metres; null beyond the board. */
export function pixelAt({ pixels, origin, size }: Raster, x: number, y: number): number | null {
    const [i, j] = [Math.floor((x - origin[0]!) / size[0]!), Math.floor((y - origin[1]!) / size[1]!)];
    return i >= 0 && i < pixels[0]! && j >= 0 && j < pixels[1]! ? i + pixels[0]! * j : null;
}

export type Colour = readonly [number, number, number];

/** Colours of nets lie a golden angle apart, so that any few of them differ. */
export function netColour(net: number): Colour {
    const hue = (40 + net * 137.508) % 360;
    const channel = (n: number) => {
        const k = (n + hue / 30) % 12;
        return Math.round(255 * (0.58 - 0.17 * Math.max(-1, Math.min(k - 3, 9 - k, 1))));
    };
    return [channel(0), channel(8), channel(4)];
}

/** A colour for every value of a scale, by a table. */
export function coloursOf(palette: PaletteName, scale: Scale): (value: number) => Colour | null {
    const steps = 256;
    const table = Array.from({ length: steps }, (_, n): Colour => colourAt(palette, n / (steps - 1)));
    return (value) => (Number.isNaN(value) ? null : table[Math.round(shareOf(value, scale) * (steps - 1))]!);
}

/** Least and greatest of a layer; the least above zero where a logarithmic scale is wanted. */
export function extremes(values: ArrayLike<number>, from: number, count: number, positive: boolean): { min: number; max: number } | null {
    let [min, max] = [Infinity, -Infinity];
    for (let n = from; n < from + count; n++) {
        const value = values[n]!;
        if (Number.isNaN(value) || (positive && value <= 0)) continue;
        if (value < min) min = value;
        if (value > max) max = value;
    }
    return max < min ? null : { min, max };
}

/** A layer as a picture, y upwards; nothing where there is no copper. */
export function pictureOf(raster: Raster, colour: (at: number) => Colour | null, layer: number): string {
    const [nx, ny] = [raster.pixels[0]!, raster.pixels[1]!];
    const canvas = document.createElement('canvas');
    [canvas.width, canvas.height] = [nx, ny];
    const context = canvas.getContext('2d');
    if (!context) return '';
    const image = context.createImageData(nx, ny);
    for (let j = 0; j < ny; j++) {
        let to = 4 * nx * (ny - 1 - j);
        for (let i = 0, at = nx * (j + ny * layer); i < nx; i++, at++, to += 4) {
            const found = colour(at);
            if (found) image.data.set([found[0], found[1], found[2], 255], to);
        }
    }
    context.putImageData(image, 0, 0);
    return canvas.toDataURL();
}
