import Stack from '@mui/material/Stack';
import { partEntry, withPartFields, type ModelDocument, type PartEntry } from '../model/document';
import { placeOf } from '../model/parts';
import type { ModelEditor } from '../model/useModelEditor';
import { lengthUnit, typed, type UnitSet } from '../units/units';
import { EditField } from './EditField';

/** What the editors of a part's shape share. */
export interface ShapeProps {
    entry: PartEntry;
    name: string;
    units: UnitSet;
    editor: ModelEditor;
    disabled: boolean;
}

export type Length = string | number;

export const shapeFields = (entry: PartEntry): Record<string, unknown> => entry.shape as Record<string, unknown>;

/** Saves fields of the part itself. */
export const editPart = ({ entry, name, editor }: ShapeProps, label: string, change: (part: PartEntry) => Partial<PartEntry>): Promise<unknown> =>
    editor.edit(`${name}: ${label}`, (d: ModelDocument) => {
        const part = partEntry(d, entry.id);
        return part ? withPartFields(d, [entry.id], change(part)) : d;
    });

/** Saves fields of its shape. */
export const editShape = (props: ShapeProps, label: string, fields: Record<string, unknown>): Promise<unknown> => editPart(props, label, (part) => ({ shape: { ...part.shape, ...fields } }));

/** One quantity of the shape; a bare number gets the given unit. */
export function ShapeField({ shape, field, label, unit, hint }: { shape: ShapeProps; field: string; label: string; unit: string; hint?: string }) {
    return (
        <EditField
            label={label}
            hint={hint}
            value={String(shapeFields(shape.entry)[field] ?? '')}
            disabled={shape.disabled}
            save={(text) => editShape(shape, `${label.toLowerCase()} ${typed(text, unit)}`, { [field]: typed(text, unit) })}
        />
    );
}

/** The sizes of the shape, side by side. */
export function SizeFields({ shape, labels }: { shape: ShapeProps; labels: readonly string[] }) {
    const size = (shapeFields(shape.entry).size as Length[] | undefined) ?? [];
    const unit = lengthUnit(shape.units);
    return (
        <Stack direction="row" sx={{ gap: 1 }}>
            {labels.map((label, n) => (
                <EditField
                    key={label}
                    label={label}
                    value={String(size[n] ?? '')}
                    disabled={shape.disabled}
                    save={(text) => editShape(shape, `${label.toLowerCase()} ${typed(text, unit)}`, { size: size.map((s, i) => (i === n ? typed(text, unit) : s)) })}
                />
            ))}
        </Stack>
    );
}

/** The place of the part. */
export function PlaceFields({ shape }: { shape: ShapeProps }) {
    const at = placeOf(shape.entry);
    const unit = lengthUnit(shape.units);
    return (
        <Stack direction="row" sx={{ gap: 1 }}>
            {['x', 'y', 'z'].map((axis, n) => (
                <EditField
                    key={axis}
                    label={`At ${axis}`}
                    value={String(at[n])}
                    disabled={shape.disabled}
                    save={(text) => editPart(shape, `${axis} at ${typed(text, unit)}`, () => ({ at: at.map((a, i) => (i === n ? typed(text, unit) : a)) }))}
                />
            ))}
        </Stack>
    );
}
