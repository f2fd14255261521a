import Stack from '@mui/material/Stack';
import { partEntry, withPartFields, type ModelDocument, type PartEntry } from '../model/document';
import { placeOf, type Length } from '../model/parts';
import type { ModelEditor } from '../model/useModelEditor';
import { lengthUnit, typed, type UnitSet } from '../units/units';
import { EditField } from './EditField';
import { textOf } from '../model/text';

/** What the editors of a part's shape share. */
export interface ShapeProps {
    entry: PartEntry;
    name: string;
    units: UnitSet;
    editor: ModelEditor;
    disabled: boolean;
}

export const shapeFields = (entry: PartEntry): Record<string, unknown> => entry.shape;

/** Saves fields of the part itself. */
export const editPart = ({ entry, name, editor }: ShapeProps, label: string, change: (part: PartEntry) => Partial<PartEntry>): Promise<unknown> =>
    editor.edit(`${name}: ${label}`, (d: ModelDocument) => {
        const part = partEntry(d, entry.id);
        return part ? withPartFields(d, [entry.id], change(part)) : d;
    });

type Fields = Record<string, unknown>;

/** Saves fields of its shape. What follows from its present fields is given as a function: another edit may be under way while this one is made. */
export const editShape = (props: ShapeProps, label: string, fields: Fields | ((shape: Fields) => Fields)): Promise<unknown> =>
    editPart(props, label, (part) => ({ shape: { ...part.shape, ...(typeof fields === 'function' ? fields(shapeFields(part)) : fields) } }));

/** A list with another item in one place. */
export const replaced = <T,>(list: readonly T[], place: number, item: T): T[] => list.map((old, n) => (n === place ? item : old));

/** One quantity of the shape; a bare number gets the given unit, and nothing at all stands for what holds without it. */
export function ShapeField({ shape, field, label, unit, hint }: { shape: ShapeProps; field: string; label: string; unit: string; hint?: string }) {
    return (
        <EditField
            label={label}
            hint={hint}
            value={textOf(shapeFields(shape.entry)[field])}
            disabled={shape.disabled}
            save={(text) =>
                editShape(shape, `${label.toLowerCase()} ${text === '' ? 'left open' : typed(text, unit)}`, {
                    [field]: text === '' ? undefined : typed(text, unit),
                })
            }
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
                    save={(text) =>
                        editShape(shape, `${label.toLowerCase()} ${typed(text, unit)}`, (present) => ({
                            size: replaced(present.size as Length[], n, typed(text, unit)),
                        }))
                    }
                />
            ))}
        </Stack>
    );
}

/** A place or origin along x, y and z. */
export function PlaceRow({
    at,
    units,
    disabled,
    save,
}: {
    at: readonly Length[];
    units: UnitSet;
    disabled: boolean;
    save: (axis: number, length: string) => Promise<unknown>;
}) {
    const unit = lengthUnit(units);
    return (
        <Stack direction="row" sx={{ gap: 1 }}>
            {['x', 'y', 'z'].map((axis, n) => (
                <EditField key={axis} label={`At ${axis}`} value={String(at[n])} disabled={disabled} save={(text) => save(n, typed(text, unit))} />
            ))}
        </Stack>
    );
}

/** The place of the part. */
export function PlaceFields({ shape }: { shape: ShapeProps }) {
    return (
        <PlaceRow
            at={placeOf(shape.entry)}
            units={shape.units}
            disabled={shape.disabled}
            save={(n, length) => editPart(shape, `${'xyz'[n]} at ${length}`, (part) => ({ at: replaced(placeOf(part), n, length) }))}
        />
    );
}

const straight = (angle: Length): boolean => angle === 0 || /^[-+]?0(\.0*)?\s*(deg|rad)?$/.test(String(angle));

/** Turned angles with another one; none where all are zero. */
export function turnedBy(turn: Length[] | undefined, axis: number, angle: string): Length[] | undefined {
    const next = replaced(turn ?? [0, 0, 0], axis, angle || 0);
    return next.every(straight) ? undefined : next;
}

/** Angles about x, y and z. */
export function TurnRow({
    turn = [0, 0, 0],
    disabled,
    save,
}: {
    turn?: readonly Length[] | undefined;
    disabled: boolean;
    save: (axis: number, angle: string) => Promise<unknown>;
}) {
    const shown = (angle: Length): string => (typeof angle === 'number' ? `${Number(((angle * 180) / Math.PI).toFixed(4))} deg` : angle);
    return (
        <Stack direction="row" sx={{ gap: 1 }}>
            {['x', 'y', 'z'].map((axis, n) => (
                <EditField key={axis} label={`Rotate ${axis}`} value={shown(turn[n] ?? 0)} disabled={disabled} save={(text) => save(n, typed(text, 'deg'))} />
            ))}
        </Stack>
    );
}

/** How the part is turned about its middle. */
export function TurnFields({ shape }: { shape: ShapeProps }) {
    return (
        <TurnRow
            turn={shape.entry.turn as Length[] | undefined}
            disabled={shape.disabled}
            save={(n, angle) =>
                editPart(shape, `turned by ${angle || '0 deg'} about ${'xyz'[n]}`, (part) => ({ turn: turnedBy(part.turn as Length[] | undefined, n, angle) }))
            }
        />
    );
}
