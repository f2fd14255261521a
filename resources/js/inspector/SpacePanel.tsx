import Add from '@mui/icons-material/Add';
import DeleteOutlined from '@mui/icons-material/DeleteOutlined';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import type { Outline } from '../api/types';
import type { ModelDocument } from '../model/document';
import {
    buoyancyOf,
    computesCurrents,
    flowOf,
    radiantOf,
    radiationOf,
    sideNames,
    sideOf,
    sunOf,
    withBuoyancy,
    withCurrents,
    withFlow,
    withHeatOfSide,
    withPatch,
    withRadiant,
    withRadiation,
    withSide,
    type FlowChoice,
    type PatchEntry,
    type RadiationChoice,
    type SideName,
} from '../model/space';
import { across, millimetres } from '../model/parts';
import { OperatingPointFields } from '../operating/OperatingPointFields';
import { withoutOpening } from '../model/targets';
import type { ModelEditor } from '../model/useModelEditor';
import { usePreferences } from '../state/screen';
import { lengthUnit, typed, typedTemperatureUnit, type UnitSet } from '../units/units';
import type { HeatEntry } from '../model/heat';
import { ChoiceField } from './ChoiceField';
import { EditField } from './EditField';
import { HeatFields } from './HeatFields';
import { OpeningFields } from './OpeningFields';
import { Panel, type StageProps } from './Panel';
import { RectangleFields } from './RectangleFields';
import { replaced } from './ShapeField';
import { CoverFields } from './CoverFields';
import { SunFields } from './SunFields';
import { SwitchField } from './SwitchField';

const flowChoices: Record<FlowChoice, string> = {
    none: 'Still (convection coefficients on the walls)',
    auto: 'Moving; laminar or turbulent as found',
    laminar: 'Moving, laminar',
    turbulent: 'Moving, turbulent',
};

const radiationChoices: Record<RadiationChoice, string> = {
    none: 'Not computed',
    surroundings: 'To the surroundings',
    surfaces: 'Between surfaces and to the surroundings',
};

/** The air and the six sides of the space with their openings: what the Load stage shows while no part is selected. */
export function SpacePanel({ revision, editor, mayEdit }: StageProps) {
    const units = usePreferences((s) => s.units);
    const document = revision.document as ModelDocument;
    const moving = flowOf(document) !== 'none';
    const radiates = radiationOf(document) !== 'none';
    return (
        <Panel label="Space" title="Space" note="The air in it and what passes its sides">
            <ChoiceField
                label="Air"
                value={flowOf(document)}
                choices={flowChoices}
                disabled={!mayEdit}
                save={(flow) => editor.edit(`Air: ${flowChoices[flow].toLowerCase()}`, (d) => withFlow(d, flow))}
            />
            {moving && (
                <SwitchField
                    label="Warm air rises"
                    on={buoyancyOf(document)}
                    disabled={!mayEdit}
                    save={(on) => editor.edit(on ? 'Warm air rises' : 'No buoyancy', (d) => withBuoyancy(d, on))}
                />
            )}
            <ChoiceField
                label="Radiation"
                value={radiationOf(document)}
                choices={radiationChoices}
                disabled={!mayEdit}
                save={(radiation) => editor.edit(`Radiation: ${radiationChoices[radiation].toLowerCase()}`, (d) => withRadiation(d, radiation))}
            />
            {radiates && (
                <EditField
                    label="Radiant temperature"
                    value={radiantOf(document)}
                    hint="as ambient"
                    disabled={!mayEdit}
                    save={(text) =>
                        editor.edit(`Radiant temperature ${typed(text, typedTemperatureUnit(units)) || 'as ambient'}`, (d) =>
                            withRadiant(d, typed(text, typedTemperatureUnit(units))),
                        )
                    }
                />
            )}
            {(radiates || sunOf(document)) && (
                <SunFields document={document} sun={revision.outline.sun} gravity={revision.outline.gravity} editor={editor} disabled={!mayEdit} />
            )}
            <SwitchField
                label="Currents heat what they flow through"
                on={computesCurrents(document)}
                disabled={!mayEdit}
                save={(on) => editor.edit(on ? 'Currents are computed' : 'No currents', (d) => withCurrents(d, on))}
            />
            {!moving && (
                <Typography color="text.secondary" sx={{ mb: 1.5 }}>
                    Openings, fans and screens take part when the air moves.
                </Typography>
            )}
            <Box sx={{ mb: 2 }}>
                <OperatingPointFields document={document} editor={editor} disabled={!mayEdit} />
            </Box>
            {sideNames.map((side) => (
                <SideFields
                    key={side}
                    side={side}
                    moving={moving}
                    document={document}
                    space={revision.outline.space}
                    editor={editor}
                    units={units}
                    disabled={!mayEdit}
                />
            ))}
        </Panel>
    );
}

function SideFields({
    side,
    moving,
    document,
    space,
    editor,
    units,
    disabled,
}: {
    side: SideName;
    moving: boolean;
    document: ModelDocument;
    space: Outline['space'];
    editor: ModelEditor;
    units: UnitSet;
    disabled: boolean;
}) {
    const entry = sideOf(document, side);
    const add = () =>
        editor.edit(`Opening in side ${side}`, (d) => withSide(d, side, (e) => ({ ...e, patches: [...(e.patches ?? []), newPatch(space, side)] })));
    return (
        <Box component="section" aria-label={`Side ${side}`} sx={{ borderTop: 1, borderColor: 'divider', pt: 1.5, mb: 1 }}>
            {moving && (
                <OpeningFields
                    name={`Side ${side}`}
                    entry={entry}
                    units={units}
                    disabled={disabled}
                    save={(label, change) => editor.edit(label, (d) => withSide(d, side, change))}
                />
            )}
            {(entry.kind ?? 'wall') === 'wall' && (
                <HeatFields
                    label={moving ? 'Heat through this wall' : `Side ${side}`}
                    entry={entry.heat as HeatEntry | undefined}
                    units={units}
                    disabled={disabled}
                    save={(label, change) =>
                        editor.edit(`Side ${side}: ${label}`, (d) =>
                            withSide(d, side, ({ heat: before, ...e }) => {
                                const heat = change(before as HeatEntry | undefined);
                                return heat ? { ...e, heat } : e;
                            }),
                        )
                    }
                />
            )}
            {radiationOf(document) !== 'none' && (
                <CoverFields
                    name={`Side ${side}`}
                    entry={entry}
                    sunny={sunOf(document) !== undefined}
                    disabled={disabled}
                    save={(label, change) => editor.edit(label, (d) => withSide(d, side, change))}
                />
            )}
            {(entry.kind ?? 'wall') === 'wall' && entry.heat !== undefined && (
                <Button
                    size="small"
                    color="inherit"
                    disabled={disabled}
                    onClick={() => void editor.edit(`All walls as side ${side}`, (d) => withHeatOfSide(d, side)).catch(() => undefined)}
                    sx={{ mb: 0.5 }}
                >
                    The same on all walls
                </Button>
            )}
            {moving &&
                (entry.patches ?? []).map((patch, n) => (
                    <PatchFields key={n} side={side} index={n} patch={patch} document={document} editor={editor} units={units} disabled={disabled} />
                ))}
            {moving && (
                <Button size="small" color="inherit" startIcon={<Add fontSize="small" />} disabled={disabled} onClick={() => void add().catch(() => undefined)}>
                    Opening in this side
                </Button>
            )}
        </Box>
    );
}

/** In the middle of the side, half as large. */
function newPatch({ min, max }: Outline['space'], side: SideName): PatchEntry {
    const places = across[side[0]!]!.map((name) => 'xyz'.indexOf(name));
    const share = (at: number) => places.map((axis) => millimetres(min[axis]! + at * (max[axis]! - min[axis]!)));
    return { min: share(0.25), max: share(0.75), kind: 'open' };
}

function PatchFields({
    side,
    index,
    patch,
    document,
    editor,
    units,
    disabled,
}: {
    side: SideName;
    index: number;
    patch: PatchEntry;
    document: ModelDocument;
    editor: ModelEditor;
    units: UnitSet;
    disabled: boolean;
}) {
    const name = `Opening ${index + 1} in ${side}`;
    const change = (label: string, to: (entry: PatchEntry) => PatchEntry) => editor.edit(label, (d) => withPatch(d, side, index, to));
    return (
        <Box sx={{ pl: 1.25, borderLeft: 2, borderColor: 'divider', mb: 1.25 }}>
            <OpeningFields name={name} entry={patch} units={units} disabled={disabled} save={(label, to) => change(label, to)} />
            {radiationOf(document) !== 'none' && (
                <CoverFields name={name} entry={patch} sunny={sunOf(document) !== undefined} disabled={disabled} save={(label, to) => change(label, to)} />
            )}
            <RectangleFields
                names={across[side[0]!]!}
                value={(end, n) => String(patch[end][n])}
                unit={lengthUnit(units)}
                gap={1}
                disabled={disabled}
                save={(label, end, n, text) => change(`${name}: ${label}`, (p) => ({ ...p, [end]: replaced(p[end], n, text) }))}
            />
            <Stack direction="row" sx={{ justifyContent: 'space-between', alignItems: 'center' }}>
                <SwitchField
                    label="Round"
                    on={patch.round ?? false}
                    below={0}
                    disabled={disabled}
                    save={(round) => change(`${name}: ${round ? 'round' : 'rectangular'}`, (p) => ({ ...p, round }))}
                />
                <IconButton
                    size="small"
                    aria-label={`Remove ${name.toLowerCase()}`}
                    disabled={disabled}
                    onClick={() => void editor.edit(`Remove ${name.toLowerCase()}`, (d) => withoutOpening(d, side, index)).catch(() => undefined)}
                >
                    <DeleteOutlined fontSize="small" />
                </IconButton>
            </Stack>
        </Box>
    );
}
