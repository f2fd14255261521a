import type { Outline, Result } from '../../api/types';
import type { Box } from '../../model/box';
import { axisNormal } from './planes';
import type { IsosurfaceLayer, Layer, SectionLayer, StreamlinesLayer } from './shown';
import type { FieldName } from '../fields/catalogue';

type New<L extends Layer> = Omit<L, 'id'>;

/** A section through the middle, across z, that cuts away what lies above it. */
export const newSection = ({ min, max }: Box, field: FieldName | null): New<SectionLayer> => ({
    kind: 'section',
    visible: true,
    field,
    normal: axisNormal(2),
    position: 0.5 * (min[2]! + max[2]!),
    clips: true,
    flipped: false,
    vectors: 'none',
    density: 30,
    projected: true,
    gridLines: false,
});

/** Lines from where the air comes in: openings, else fans, else around the first part that heats. */
export function newStreamlines(outline: Outline): New<StreamlinesLayer> {
    const heating = outline.parts.find((part) => part.power > 0) ?? outline.parts[0];
    const from =
        outline.openings.length > 0 ? ({ kind: 'openings' } as const) : outline.parts.some((part) => part.kind === 'fan') ? ({ kind: 'fans' } as const) : null;
    return {
        kind: 'streamlines',
        visible: true,
        field: 'speed',
        from: from ?? { kind: 'part', part: heating?.id ?? '' },
        count: 60,
        back: true,
        particles: false,
    };
}

/** Of the air, halfway between the ambient and the hottest of the parts. */
export function newIsosurface(result: Result): New<IsosurfaceLayer> {
    const temperatures = result.parts.flatMap((part) => (part.temperature ? [part.temperature.min, part.temperature.max] : []));
    const value = temperatures.length > 0 ? 0.5 * (Math.min(...temperatures) + Math.max(...temperatures)) : 300;
    return { kind: 'isosurface', visible: true, field: 'temperature', value: Number(value.toFixed(1)), in: result.flow ? 'fluid' : 'all', colour: null };
}
