import Add from '@mui/icons-material/Add';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import type { ModelDocument, Place, SectionPlace } from '../model/document';
import { quietly } from '../model/partCommands';
import { across } from '../model/parts';
import {
    lineReductions,
    placeKindOf,
    placeKinds,
    placeWatches,
    quantitiesOf,
    withPlaceQuantity,
    withPlaceWatch,
    type Extent,
    type PlaceKind,
} from '../model/places';
import { withEntry, type WatchEntry } from '../model/targets';
import { textOf } from '../model/text';
import type { ModelEditor } from '../model/useModelEditor';
import { lengthUnit, typed, type UnitSet } from '../units/units';
import { Chapter } from './Chapter';
import { ChoiceField } from './ChoiceField';
import { compact, EditField } from './EditField';
import { RectangleFields } from './RectangleFields';
import { Removable } from './Removable';
import { replaced } from './ShapeField';

interface Props {
    document: ModelDocument;
    space: Extent;
    editor: ModelEditor;
    units: UnitSet;
    disabled: boolean;
}

const axes = { x: 'x', y: 'y', z: 'z' } as const;

/** Watches at points, along lines and through sections of the space. */
export function PlaceWatches({ document, space, editor, units, disabled }: Props) {
    return (
        <Chapter title="Points, lines and sections" fields>
            {placeWatches(document).map((watch) => (
                <PlaceFields key={watch.id} watch={watch} editor={editor} units={units} disabled={disabled} />
            ))}
            <Stack direction="row" sx={{ gap: 0.5 }}>
                {(Object.keys(placeKinds) as PlaceKind[]).map((kind) => (
                    <Button
                        key={kind}
                        size="small"
                        color="inherit"
                        startIcon={<Add fontSize="small" />}
                        disabled={disabled}
                        onClick={() => quietly(editor.edit(`Watch ${placeKinds[kind].toLowerCase()}`, (d) => withPlaceWatch(d, kind, space)))}
                    >
                        {kind[0]!.toUpperCase() + kind.slice(1)}
                    </Button>
                ))}
            </Stack>
        </Chapter>
    );
}

function PlaceFields({ watch, editor, units, disabled }: { watch: WatchEntry } & Omit<Props, 'document' | 'space'>) {
    const kind = placeKindOf(watch)!;
    const name = watch.name ?? watch.id;
    const { point, line, section } = watch.of;
    const quantity = textOf(watch.quantity, 'temperature');
    const change = (label: string, to: (entry: WatchEntry) => WatchEntry) => editor.edit(`${name}: ${label}`, (d) => withEntry(d, 'watches', watch.id, to));
    const move = (label: string, of: WatchEntry['of']) => change(label, (entry) => ({ ...entry, of }));
    const written = (text: string) => typed(text, lengthUnit(units));
    const triple = (label: string, place: Place, of: (moved: Place) => WatchEntry['of']) => (
        <Stack direction="row" sx={compact}>
            {['x', 'y', 'z'].map((axis, n) => (
                <EditField
                    key={axis}
                    label={`${label}${axis}`}
                    value={String(place[n])}
                    disabled={disabled}
                    save={(text) => move(`${label}${axis} ${written(text)}`, of(replaced(place, n, written(text))))}
                />
            ))}
        </Stack>
    );
    return (
        <Removable
            label={name}
            disabled={disabled}
            remove={() => quietly(editor.edit(`Without ${name}`, (d) => withEntry(d, 'watches', watch.id, () => null)))}
        >
            <EditField
                label="Name"
                value={name}
                disabled={disabled}
                save={(text) => change(`named ${text}`, (entry) => ({ ...entry, name: text || watch.id }))}
            />
            <ChoiceField
                label={placeKinds[kind]}
                value={quantity}
                choices={quantitiesOf[kind]}
                disabled={disabled}
                save={(to) => change(quantitiesOf[kind][to]!.toLowerCase(), (entry) => withPlaceQuantity(entry, to))}
            />
            {point && triple('', point, (moved) => ({ point: moved }))}
            {line && (
                <>
                    {triple('From ', line.from, (from) => ({ line: { ...line, from } }))}
                    {triple('To ', line.to, (to) => ({ line: { ...line, to } }))}
                    <ChoiceField
                        label="Shows"
                        value={textOf(watch.reduce, 'mean')}
                        choices={lineReductions}
                        disabled={disabled}
                        save={(reduce) => change(lineReductions[reduce]!.toLowerCase(), (entry) => ({ ...entry, reduce }))}
                    />
                </>
            )}
            {section && <SectionFields section={section} move={move} unit={lengthUnit(units)} disabled={disabled} />}
        </Removable>
    );
}

function SectionFields({
    section,
    move,
    unit,
    disabled,
}: {
    section: SectionPlace;
    move: (label: string, of: WatchEntry['of']) => Promise<unknown>;
    unit: string;
    disabled: boolean;
}) {
    const { min, max, ...whole } = section;
    return (
        <>
            <Stack direction="row" sx={{ gap: 0.5 }}>
                <ChoiceField
                    label="Across"
                    value={section.axis}
                    choices={axes}
                    disabled={disabled}
                    save={(axis) => move(`across ${axis}`, { section: { axis, at: section.at } })}
                />
                <EditField
                    label={`At ${section.axis}`}
                    value={String(section.at)}
                    disabled={disabled}
                    save={(text) => move(`at ${section.axis} ${typed(text, unit)}`, { section: { ...section, at: typed(text, unit) } })}
                />
            </Stack>
            <RectangleFields
                names={across[section.axis]!}
                value={(end, n) => textOf(section[end]?.[n])}
                hint="whole"
                unit={unit}
                disabled={disabled}
                save={(label, end, n, text) => {
                    if (text === '') return move('the whole section', { section: whole });
                    const other = { min: min ?? ['0 mm', '0 mm'], max: max ?? [text, text] };
                    return move(label, { section: { ...whole, ...other, [end]: replaced(other[end], n, text) } });
                }}
            />
        </>
    );
}
