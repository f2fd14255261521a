import { fieldKinds, type FieldName } from '../fields/catalogue';
import type { Field } from '../fields/field';
import { automatic, scaleOf, type Range, type Scale } from '../fields/scale';
import { fieldsUsed, type Layer } from '../shown/shown';
import type { SurfaceField } from './surfaces';

interface Extent {
    min: number;
    max: number;
}

/** What a scale spans by itself: where only parts show a field, what the parts have; else all of it. */
function extentOf(name: FieldName, field: Field | undefined, surface: SurfaceField | undefined, layers: readonly Layer[]): Extent | null {
    if (surface) return surface.max >= surface.min ? aroundZero(name, surface.min, surface.max) : null;
    if (!field) return null;
    const onParts = layers.every((layer) => layer.kind === 'parts' || layer.kind === 'extremes' || !fieldsUsed(layer).includes(name));
    const { min, max } = onParts && field.solid ? field.solid : field;
    if (Number.isNaN(min.value)) return null;
    return name === 'speed' ? { min: 0, max: max.value } : aroundZero(name, min.value, max.value);
}

/** A scale that diverges has its zero in the middle; that of a limit and of a comparison always, for its colours say on which side a place is. */
function aroundZero(name: FieldName, min: number, max: number): Extent {
    const most = Math.max(Math.abs(min), Math.abs(max));
    const centred = fieldKinds[name].palette === 'diverging' && ((min < 0 && max > 0) || name === 'aboveTouchLimit' || name === 'warmer');
    return centred ? { min: -most, max: most } : { min, max };
}

/** The scale of every field that is shown: as it was asked for, and where nothing was, by what is shown. */
export function scalesOf(
    layers: readonly Layer[],
    ranges: Partial<Record<FieldName, Range>>,
    fields: ReadonlyMap<FieldName, Field>,
    surfaces: ReadonlyMap<FieldName, SurfaceField>,
): ReadonlyMap<FieldName, Scale> {
    const visible = layers.filter((layer) => layer.visible);
    const names = [...fields.keys(), ...surfaces.keys()];
    return new Map(names.map((name) => [name, scaleOf(ranges[name] ?? automatic, extentOf(name, fields.get(name), surfaces.get(name), visible))]));
}
