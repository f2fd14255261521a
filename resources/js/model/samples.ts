import type { OutlinePart } from '../api/types';

/** A part of an outline for tests: a block of a metre with nothing on it, and the given fields. */
export function samplePart(fields: Partial<OutlinePart> & { id: string }): OutlinePart {
    const { min = [0, 0, 0], max = [1, 1, 1] } = fields;
    const size = max.map((m, n) => m - min[n]!);
    return {
        name: fields.id,
        group: null,
        copyOf: null,
        axes: null,
        colour: null,
        kind: 'block',
        material: null,
        materialTitle: null,
        conductivity: null,
        emissivity: null,
        absorptivity: null,
        power: 0,
        upTo: null,
        touchedAs: null,
        size,
        min,
        max,
        drawing: [],
        ...fields,
    };
}
