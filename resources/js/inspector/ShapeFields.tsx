import Stack from '@mui/material/Stack';
import type { ReactNode } from 'react';
import { typicalOf, typicalPackages } from '../model/typical';
import { lengthUnit } from '../units/units';
import { ChoiceField } from './ChoiceField';
import { EditField } from './EditField';
import { CornerFields } from './CornerFields';
import { LayerFields } from './LayerFields';
import { editShape, PlaceFields, ShapeField, shapeFields, SizeFields, TurnFields, type ShapeProps } from './ShapeField';
import { textOf } from '../model/text';

const axisChoices = { x: 'Along x', y: 'Along y', z: 'Along z' } as const;
const normalChoices = { x: 'Across x', y: 'Across y', z: 'Across z' } as const;
const faceChoices = { 'z-': 'Below (z−)', 'z+': 'Above (z+)', 'x-': 'At x−', 'x+': 'At x+', 'y-': 'At y−', 'y+': 'At y+' } as const;
const upChoices = { 'z+': 'Up (z+)', 'z-': 'Down (z−)', 'x+': 'Along x', 'x-': 'Against x', 'y+': 'Along y', 'y-': 'Against y' } as const;

function Choice<T extends string>({
    shape,
    field,
    label,
    choices,
    otherwise,
}: {
    shape: ShapeProps;
    field: string;
    label: string;
    choices: Readonly<Record<T, string>>;
    otherwise: T;
}) {
    return (
        <ChoiceField
            label={label}
            value={(shapeFields(shape.entry)[field] as T | undefined) ?? otherwise}
            choices={choices}
            disabled={shape.disabled}
            save={(choice) => editShape(shape, `${label.toLowerCase()} ${choices[choice].toLowerCase()}`, { [field]: choice })}
        />
    );
}

/** A whole number of the shape. */
function Count({ shape, field, label }: { shape: ShapeProps; field: string; label: string }) {
    return (
        <EditField
            label={label}
            value={textOf(shapeFields(shape.entry)[field])}
            disabled={shape.disabled}
            save={(text) => editShape(shape, `${text} ${label.toLowerCase()}`, { [field]: /^\d+$/.test(text) ? Number(text) : text })}
        />
    );
}

/** Takes the fields of a typical part over; says which it is while none of them is changed. */
export function Typical({ shape, label, typical }: { shape: ShapeProps; label: string; typical: Readonly<Record<string, object>> }) {
    const own = 'own values';
    return (
        <ChoiceField
            label={label}
            value={typicalOf(typical, shapeFields(shape.entry)) ?? own}
            choices={Object.fromEntries([own, ...Object.keys(typical)].map((name) => [name, name]))}
            disabled={shape.disabled}
            save={(name) => (name === own ? Promise.resolve() : editShape(shape, `as ${name}`, { ...typical[name] }))}
        />
    );
}

function FinFields({ shape }: { shape: ShapeProps }) {
    const length = lengthUnit(shape.units);
    return (
        <>
            <SizeFields shape={shape} labels={['Width', 'Depth']} />
            <ShapeField shape={shape} field="base" label="Base thickness" unit={length} />
            <ShapeField shape={shape} field="height" label="Fin height" unit={length} />
            <Count shape={shape} field="count" label="Fins" />
            <ShapeField shape={shape} field="thickness" label="Fin thickness" unit={length} />
            <Choice shape={shape} field="along" label="Fins run" choices={axisChoices} otherwise="x" />
            <Choice shape={shape} field="up" label="Fin direction" choices={upChoices} otherwise="z+" />
        </>
    );
}

/** The editor of each kind of solid; fans and screens have their own. */
const editors: Record<string, (shape: ShapeProps) => ReactNode> = {
    block: (shape) => <SizeFields shape={shape} labels={['Size x', 'Size y', 'Size z']} />,
    cylinder: (shape) => (
        <>
            <Choice shape={shape} field="axis" label="Axis" choices={axisChoices} otherwise="z" />
            <ShapeField shape={shape} field="radius" label="Radius" unit={lengthUnit(shape.units)} />
            <ShapeField shape={shape} field="length" label="Length" unit={lengthUnit(shape.units)} />
        </>
    ),
    profile: (shape) => (
        <>
            <Choice shape={shape} field="axis" label="Axis" choices={axisChoices} otherwise="z" />
            <ShapeField shape={shape} field="length" label="Length" unit={lengthUnit(shape.units)} />
            <CornerFields shape={shape} />
        </>
    ),
    path: (shape) => {
        const round = shapeFields(shape.entry).diameter !== undefined;
        return (
            <>
                <ChoiceField
                    label="Section"
                    value={round ? 'round' : 'flat'}
                    choices={{ round: 'Round wire', flat: 'Flat strip' }}
                    disabled={shape.disabled}
                    save={(form) =>
                        editShape(
                            shape,
                            `${form} section`,
                            form === 'round'
                                ? { diameter: '1 mm', width: undefined, thickness: undefined, normal: undefined }
                                : { diameter: undefined, width: '2 mm', thickness: '0.5 mm' },
                        )
                    }
                />
                {round ? (
                    <ShapeField shape={shape} field="diameter" label="Diameter" unit={lengthUnit(shape.units)} />
                ) : (
                    <>
                        <Stack direction="row" sx={{ gap: 1 }}>
                            <ShapeField shape={shape} field="width" label="Width" unit={lengthUnit(shape.units)} />
                            <ShapeField shape={shape} field="thickness" label="Thickness" unit={lengthUnit(shape.units)} />
                        </Stack>
                        <Choice shape={shape} field="normal" label="Plane" choices={normalChoices} otherwise="z" />
                    </>
                )}
                <CornerFields shape={shape} />
            </>
        );
    },
    vias: (shape) => (
        <>
            <SizeFields shape={shape} labels={['Width', 'Depth']} />
            <ShapeField shape={shape} field="thickness" label="Board thickness" unit={lengthUnit(shape.units)} />
            <Count shape={shape} field="count" label="Holes" />
            <Stack direction="row" sx={{ gap: 1 }}>
                <ShapeField shape={shape} field="drill" label="Drill" unit={lengthUnit(shape.units)} />
                <ShapeField shape={shape} field="plating" label="Plating" unit="um" hint="25 um" />
            </Stack>
        </>
    ),
    shell: (shape) => (
        <>
            <SizeFields shape={shape} labels={['Size x', 'Size y', 'Size z']} />
            <ShapeField shape={shape} field="wall" label="Wall thickness" unit={lengthUnit(shape.units)} />
        </>
    ),
    plateFins: (shape) => <FinFields shape={shape} />,
    pinFins: (shape) => (
        <>
            <SizeFields shape={shape} labels={['Width', 'Depth']} />
            <ShapeField shape={shape} field="base" label="Base thickness" unit={lengthUnit(shape.units)} />
            <ShapeField shape={shape} field="height" label="Pin height" unit={lengthUnit(shape.units)} />
            <Stack direction="row" sx={{ gap: 1 }}>
                <Count shape={shape} field="columns" label="Columns" />
                <Count shape={shape} field="rows" label="Rows" />
            </Stack>
            <ShapeField shape={shape} field="width" label="Pin width" unit={lengthUnit(shape.units)} />
            <ChoiceField
                label="Pins are"
                value={shapeFields(shape.entry).round === false ? 'square' : 'round'}
                choices={{ round: 'Round', square: 'Square' }}
                disabled={shape.disabled}
                save={(form) => editShape(shape, `${form} pins`, { round: form === 'round' })}
            />
            <Choice shape={shape} field="up" label="Pins stand" choices={upChoices} otherwise="z+" />
        </>
    ),
    board: (shape) => (
        <>
            <SizeFields shape={shape} labels={['Length', 'Width']} />
            <Choice shape={shape} field="normal" label="Plane" choices={normalChoices} otherwise="z" />
            <LayerFields shape={shape} />
        </>
    ),
    mesh: (shape) => <ShapeField shape={shape} field="scale" label="Scale" unit="" hint="1 is as drawn" />,
    package: (shape) => (
        <>
            <Typical shape={shape} label="Typical outline" typical={typicalPackages} />
            <SizeFields shape={shape} labels={['Size x', 'Size y', 'Size z']} />
            <ShapeField shape={shape} field="junctionToCase" label="Junction to case" unit="K/W" />
            <ShapeField shape={shape} field="junctionToBoard" label="Junction to board" unit="K/W" />
            <Choice shape={shape} field="boardFace" label="Board" choices={faceChoices} otherwise="z-" />
        </>
    ),
};

/** Sizes and place of a solid part, as its kind has them. */
export function ShapeFields(shape: ShapeProps) {
    return (
        <>
            {editors[shape.entry.shape.kind]?.(shape)}
            <PlaceFields shape={shape} />
            {!['shell', 'package'].includes(shape.entry.shape.kind) && <TurnFields shape={shape} />}
        </>
    );
}
