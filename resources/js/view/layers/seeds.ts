import { Vector3 } from 'three';
import type { Outline } from '../../api/types';
import type { Box } from '../../model/box';
import { axisNormal, pattern, polygonOf } from '../shown/planes';
import type { SectionLayer, SeedPlace, Triple } from '../shown/shown';

/** The core traces no more lines at once. */
export const MOST_SEEDS = 1000;

/** Of the size of a box, so far outside of it a part is seeded. */
const BESIDE = 0.04;

const flatAxis = ({ min, max }: Box): 0 | 1 | 2 => {
    const sizes = max.map((m, n) => m - min[n]!);
    return sizes.indexOf(Math.min(...sizes)) as 0 | 1 | 2;
};

/** Rectangles from which lines start: a position along an axis, and what bounds it. */
function rectangles(from: SeedPlace, outline: Outline, sections: readonly SectionLayer[]): { polygon: Vector3[]; normal: Triple }[] {
    const across = (box: Box, axis: 0 | 1 | 2, position: number) => {
        const [min, max] = [[...box.min], [...box.max]];
        // A flat shape has no thickness to be cut in.
        [min[axis], max[axis]] = [position - 1e-6, position + 1e-6];
        return { polygon: polygonOf({ normal: axisNormal(axis), position }, { min, max }), normal: axisNormal(axis) };
    };
    switch (from.kind) {
        case 'openings':
            return outline.openings.map(({ min, max }) => {
                const axis = flatAxis({ min, max });
                const inwards = min[axis]! <= outline.space.min[axis]! + 1e-9 ? 1 : -1;
                return across({ min, max }, axis, min[axis]! + inwards * 1e-3 * (outline.space.max[axis]! - outline.space.min[axis]!));
            });
        case 'fans':
            return outline.parts
                .filter((part) => part.kind === 'fan')
                .map((part) => {
                    const axis = flatAxis(part);
                    return across(part, axis, 0.5 * (part.min[axis]! + part.max[axis]!));
                });
        case 'section': {
            const section = sections.find((layer) => layer.id === from.layer);
            return section ? [{ polygon: polygonOf(section, outline.space), normal: section.normal }] : [];
        }
        case 'part': {
            const part = outline.parts.find((p) => p.id === from.part);
            if (!part) return [];
            const by = BESIDE * Math.max(...part.max.map((m, n) => m - part.min[n]!));
            return ([0, 1, 2] as const).flatMap((axis) => [across(part, axis, part.min[axis]! - by), across(part, axis, part.max[axis]! + by)]);
        }
    }
}

const areaOf = (polygon: readonly Vector3[]): number =>
    polygon.slice(2).reduce((sum, corner, n) => sum + 0.5 * polygon[n + 1]!.clone().sub(polygon[0]!).cross(corner.clone().sub(polygon[0]!)).length(), 0);

/** About so many points from which streamlines start, evenly over the areas that are meant, inside the space. */
export function seeds(from: SeedPlace, outline: Outline, sections: readonly SectionLayer[], count: number): Triple[] {
    const all = rectangles(from, outline, sections).filter(({ polygon }) => polygon.length >= 3);
    const whole = all.reduce((sum, { polygon }) => sum + areaOf(polygon), 0);
    const step = Math.sqrt(whole / Math.max(1, count));
    const inside = (point: Vector3) => point.toArray().every((x, n) => x >= outline.space.min[n]! && x <= outline.space.max[n]!);
    return all
        .flatMap(({ polygon, normal }) => {
            const longest = Math.max(...polygon.map((corner, n) => corner.distanceTo(polygon[(n + 1) % polygon.length]!)));
            return pattern(polygon, normal, Math.max(1, longest / step)).points;
        })
        .filter(inside)
        .slice(0, Math.min(MOST_SEEDS, 2 * count))
        .map((point) => point.toArray());
}
