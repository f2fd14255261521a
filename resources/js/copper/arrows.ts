import { areaOf, extremes, pixelAt, type Raster } from './raster';
import type { Sight } from './LayerPicture';

/** Which way a current flows at a place, as long as it is drawn, m. */
export interface Arrow {
    at: readonly [number, number];
    along: readonly [number, number];
}

/** Arrows across the longer side of what is seen. */
const ACROSS = 30;

/** Below this share of the greatest density of the layer there is none. */
const LEAST = 2e-3;

/**
 * Currents of a layer as arrows, down the slope of the potential; their lengths follow the root of the density, so that weak ones are seen too.
 *
 * @param potential V of every pixel of all layers, not a number where no copper is
 * @param density A/m2 of every pixel
 */
export function arrowsOf(raster: Raster, potential: Float32Array, density: Float32Array, layer: number, { x, y, zoom }: Sight): Arrow[] {
    const [nx, ny] = [raster.pixels[0]!, raster.pixels[1]!];
    const [dx, dy] = [raster.size[0]!, raster.size[1]!];
    const from = areaOf(raster) * layer;
    const most = extremes(density, from, areaOf(raster), false)?.max ?? 0;
    const [width, height] = [(dx * nx) / zoom, (dy * ny) / zoom];
    const step = Math.max(width, height) / ACROSS;
    /** Slope along an axis at a pixel from what copper it has beside it, V/m. */
    const slope = (at: number, place: number, count: number, stride: number, distance: number): number => {
        const up = place + 1 < count ? potential[at + stride]! : NaN;
        const down = place > 0 ? potential[at - stride]! : NaN;
        const [high, low] = [Number.isNaN(up) ? potential[at]! : up, Number.isNaN(down) ? potential[at]! : down];
        const over = (Number.isNaN(up) ? 0 : distance) + (Number.isNaN(down) ? 0 : distance);
        return over === 0 ? 0 : (high - low) / over;
    };
    const arrows: Arrow[] = [];
    for (let q = y - height / 2 + step / 2; q < y + height / 2; q += step) {
        for (let p = x - width / 2 + step / 2; p < x + width / 2; p += step) {
            const pixel = pixelAt(raster, p, q);
            if (pixel === null) continue;
            const at = from + pixel;
            const strength = density[at]! / most;
            if (Number.isNaN(potential[at]!) || !(strength > LEAST)) continue;
            const [u, v] = [slope(at, pixel % nx, nx, 1, dx), slope(at, Math.floor(pixel / nx), ny, nx, dy)];
            const steepness = Math.hypot(u, v);
            if (steepness === 0) continue;
            const length = 0.9 * step * Math.max(0.25, Math.sqrt(strength));
            arrows.push({ at: [p, q], along: [(-u * length) / steepness, (-v * length) / steepness] });
        }
    }
    return arrows;
}

/** Shafts and heads of arrows as the path of a picture in millimetres whose y counts downwards. */
export const pathOf = (arrows: readonly Arrow[]): string =>
    arrows
        .map(({ at: [x, y], along: [u, v] }) => {
            const point = (forward: number, aside: number) =>
                `${(1e3 * (x + forward * u - aside * v)).toFixed(4)} ${(-1e3 * (y + forward * v + aside * u)).toFixed(4)}`;
            return `M${point(-0.5, 0)}L${point(0.5, 0)}M${point(0.15, 0.22)}L${point(0.5, 0)}L${point(0.15, -0.22)}`;
        })
        .join('');
