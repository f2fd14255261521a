import Box from '@mui/material/Box';
import Slider from '@mui/material/Slider';
import type { Outline } from '../../api/types';
import { touches } from '../../model/touch';
import { usePreferences, useScreen } from '../../state/screen';
import { fieldKinds, fieldNumber, fieldsOf, typedValue, type FieldName } from '../fields/catalogue';
import type { Content } from '../layers/picture';
import { ProbeTable } from './ProbeTable';
import { Choice, NumberSetting, Toggle } from './Setting';
import { SectionPlaneSettings } from './SectionSettings';
import { layersOf, type IsosurfaceLayer, type Layer, type SectionLayer, type StreamlinesLayer, type Triple } from './shown';
import { show, useShown } from './store';

interface Props {
    outline: Outline;
    picture: Content | null;
    values: readonly (number | null | undefined)[];
    /** Makes a watch of a place; null where the model may not be changed. */
    onWatch: ((at: Triple, name: string) => void) | null;
}

type Of<L extends Layer> = Props & { layer: L };

const NONE = 'none';

/** Fields that may be chosen, and none at all where a name for that is given. */
function FieldChoice({
    label = 'Field',
    value,
    picture,
    among,
    none,
    onChange,
}: {
    label?: string;
    value: FieldName | null;
    picture: Content | null;
    among?: (field: FieldName) => boolean;
    none?: string;
    onChange: (field: FieldName | null) => void;
}) {
    const fields = (picture ? fieldsOf(picture.result) : value ? [value] : []).filter((field) => field === value || (among?.(field) ?? true));
    return (
        <Choice
            label={label}
            value={value ?? NONE}
            options={[...(none ? [[NONE, none] as const] : []), ...fields.map((field) => [field, fieldKinds[field].title] as const)]}
            onChange={(field) => onChange(field === NONE ? null : field)}
        />
    );
}

const inCells = (field: FieldName): boolean => fieldKinds[field].place === 'cells';
const onParts = (field: FieldName): boolean => fieldKinds[field].in !== 'fluid';
const inFluid = (field: FieldName): boolean => inCells(field) && fieldKinds[field].in !== 'solid';

/** What can be set of a line of the list. */
export function LayerSettings({ layer, ...props }: Of<Layer>) {
    const { picture } = props;
    const shaded = usePreferences((s) => s.shaded);
    const setShaded = usePreferences((s) => s.setShaded);
    const touch = usePreferences((s) => s.touch);
    const setTouch = usePreferences((s) => s.setTouch);
    switch (layer.kind) {
        case 'parts':
            return (
                <>
                    <FieldChoice value={layer.field} picture={picture} among={onParts} none="Own colours" onChange={(field) => show.change(layer, { field })} />
                    {layer.field === 'aboveTouchLimit' && <Choice label="Touched" value={touch} options={touches} onChange={setTouch} />}
                    <Toggle label="Only above their limit" on={layer.aboveLimit} onChange={(aboveLimit) => show.change(layer, { aboveLimit })} />
                    <Toggle label="Grid lines" on={layer.gridLines ?? false} onChange={(gridLines) => show.change(layer, { gridLines })} />
                    <Toggle label="Light and shade" on={shaded} onChange={setShaded} />
                </>
            );
        case 'sides':
            return <FieldChoice value={layer.field} picture={picture} among={inCells} onChange={(field) => show.change(layer, { field })} />;
        case 'section':
            return <SectionFields layer={layer} {...props} />;
        case 'streamlines':
            return <StreamlineFields layer={layer} {...props} />;
        case 'isosurface':
            return <IsosurfaceFields layer={layer} {...props} />;
        case 'labels':
            return (
                <>
                    <Choice
                        label="Parts"
                        value={layer.of}
                        options={[
                            ['worst', 'the worst'],
                            ['selected', 'the selected'],
                            ['all', 'all'],
                        ]}
                        onChange={(of) => show.change(layer, { of })}
                    />
                    {layer.of === 'worst' && <Count label="How many" value={layer.count} most={50} onChange={(count) => show.change(layer, { count })} />}
                </>
            );
        case 'missed':
            return <Box sx={{ color: 'text.secondary' }}>Where limits are missed, and by how much; the eight worst.</Box>;
        case 'extremes':
            return <Box sx={{ color: 'text.secondary' }}>The hottest and the coldest place of the parts.</Box>;
        case 'probes':
            return <ProbeTable layer={layer} {...props} />;
    }
}

function Count({ label, value, most, onChange }: { label: string; value: number; most: number; onChange: (value: number) => void }) {
    return (
        <NumberSetting
            label={label}
            text={String(value)}
            unit=""
            onEnter={(text) => {
                const count = Number(text);
                const possible = Number.isInteger(count) && count >= 1 && count <= most;
                if (possible) onChange(count);
                return possible;
            }}
        />
    );
}

function SectionFields({ layer, outline, picture }: Of<SectionLayer>) {
    const flows = picture?.result.flow != null;
    return (
        <>
            <SectionPlaneSettings section={layer} box={outline.space} />
            <FieldChoice value={layer.field} picture={picture} among={inCells} none="None" onChange={(field) => show.change(layer, { field })} />
            {flows && (
                <Choice
                    label="Vectors"
                    value={layer.vectors}
                    options={[
                        ['none', 'none'],
                        ['speed', 'by speed'],
                        ['uniform', 'one length'],
                    ]}
                    onChange={(vectors) => show.change(layer, { vectors })}
                />
            )}
            {layer.vectors !== 'none' && (
                <>
                    <Count label="Vectors across" value={layer.density} most={80} onChange={(density) => show.change(layer, { density })} />
                    <Toggle label="In the plane" on={layer.projected} onChange={(projected) => show.change(layer, { projected })} />
                </>
            )}
            <Toggle label="Grid lines" on={layer.gridLines} onChange={(gridLines) => show.change(layer, { gridLines })} />
        </>
    );
}

function StreamlineFields({ layer, outline, picture }: Of<StreamlinesLayer>) {
    const sections = layersOf(
        useShown((shown) => shown),
        'section',
    );
    const selection = useScreen((s) => s.selection);
    const selected = outline.parts.find((part) => part.id === selection[0]);
    const { from } = layer;
    const part = from.kind === 'part' ? outline.parts.find((p) => p.id === from.part) : undefined;
    const key = from.kind === 'section' ? `section ${from.layer}` : from.kind === 'part' ? `part ${from.part}` : from.kind;
    const options: [string, string][] = [
        ...(outline.openings.length > 0 ? ([['openings', 'openings']] as [string, string][]) : []),
        ...(outline.parts.some((p) => p.kind === 'fan') ? ([['fans', 'fans']] as [string, string][]) : []),
        ...sections.map((section, n): [string, string] => [`section ${section.id}`, `section ${n + 1}`]),
        ...[part, selected].flatMap((p): [string, string][] => (p ? [[`part ${p.id}`, `around ${p.name}`]] : [])),
    ];
    const unique = options.filter(([option], n) => options.findIndex(([other]) => other === option) === n);
    return (
        <>
            <Choice
                label="Start"
                value={key}
                options={unique}
                onChange={(to) => {
                    const [kind, ...rest] = to.split(' ');
                    const id = rest.join(' ');
                    show.change(layer, {
                        from: kind === 'section' ? { kind, layer: Number(id) } : kind === 'part' ? { kind, part: id } : { kind: kind as 'openings' | 'fans' },
                    });
                }}
            />
            <FieldChoice value={layer.field} picture={picture} among={inFluid} onChange={(field) => field && show.change(layer, { field })} />
            <Count label="Lines, about" value={layer.count} most={500} onChange={(count) => show.change(layer, { count })} />
            <Toggle label="Against the flow too" on={layer.back} onChange={(back) => show.change(layer, { back })} />
            <Toggle label="Moving particles" on={layer.particles} onChange={(particles) => show.change(layer, { particles })} />
        </>
    );
}

function IsosurfaceFields({ layer, picture }: Of<IsosurfaceLayer>) {
    const units = usePreferences((s) => s.units);
    const field = picture?.fields.get(layer.colour ?? layer.field);
    const own = layer.colour === null || layer.colour === layer.field ? field : undefined;
    const span = own ? own.max.value - own.min.value : 10;
    return (
        <>
            <FieldChoice
                value={layer.field}
                picture={picture}
                among={(name) => inCells(name) && fieldKinds[name].take !== 0 && fieldKinds[name].take !== 1 && fieldKinds[name].take !== 2}
                onChange={(to) => to && show.change(layer, { field: to })}
            />
            <NumberSetting
                label="Value"
                text={fieldNumber(layer.field, layer.value, span / 10, units)}
                unit={fieldKinds[layer.field].unit(units)}
                onEnter={(text) => {
                    const value = typedValue(layer.field, text, units);
                    if (value !== null) show.change(layer, { value });
                    return value !== null;
                }}
            />
            {own && (
                <Slider
                    size="small"
                    aria-label="Value of the isosurface"
                    min={own.min.value}
                    max={own.max.value}
                    step={span / 100}
                    value={layer.value}
                    onChange={(_e, value) => show.change(layer, { value: Number(value.toPrecision(6)) })}
                />
            )}
            {picture?.result.flow && (
                <Choice
                    label="In"
                    value={layer.in}
                    options={[
                        ['fluid', 'the air'],
                        ['solid', 'the parts'],
                        ['all', 'both'],
                    ]}
                    onChange={(body) => show.change(layer, { in: body })}
                />
            )}
            <FieldChoice
                label="Coloured by"
                value={layer.colour}
                picture={picture}
                among={inCells}
                none="its value"
                onChange={(colour) => show.change(layer, { colour })}
            />
        </>
    );
}
