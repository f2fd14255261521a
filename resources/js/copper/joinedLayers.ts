import type { BoardCurrents } from '../api/types';
import { areaOf, pixelAt } from './raster';

/** Places about a via that are looked at. */
const AROUND = 8;

/** Layers on which copper of its net lies about a via, from below: the others it passes within a clearance. */
export function joinedLayers(currents: BoardCurrents, nets: Float32Array, { at, hole }: BoardCurrents['vias'][number]): string[] {
    const area = areaOf(currents);
    const names = currents.layers.map(({ name }) => name);
    const middle = pixelAt(currents, at[0]!, at[1]!);
    if (middle === null) return names;
    const own = names.map((_name, n) => nets[middle + area * n]!).find((net) => !Number.isNaN(net));
    const far = 0.5 * hole + 1.5 * Math.max(currents.size[0]!, currents.size[1]!);
    return names.filter((_name, n) => {
        const hits = Array.from({ length: AROUND }, (_one, k) => {
            const angle = (2 * Math.PI * k) / AROUND;
            const pixel = pixelAt(currents, at[0]! + far * Math.cos(angle), at[1]! + far * Math.sin(angle));
            return pixel !== null && nets[pixel + area * n] === own;
        });
        return hits.filter(Boolean).length > AROUND / 2;
    });
}
