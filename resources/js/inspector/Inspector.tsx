import Close from '@mui/icons-material/Close';
import Box from '@mui/material/Box';
import IconButton from '@mui/material/IconButton';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import type { Outline, OutlinePart, Result, ResultPart, Revision } from '../api/types';
import { AssemblyFields } from './AssemblyFields';
import { Chapter, Line } from './Chapter';
import { DeviceFields } from './DeviceFields';
import { FaceFields } from './FaceFields';
import { CellSizeField } from './GridFields';
import { MaterialField } from './MaterialField';
import { PartActions } from './PartActions';
import { RepeatFields } from './RepeatFields';
import { ShapeFields } from './ShapeFields';
import { EditField } from './EditField';
import { ShareWatts } from './ShareWatts';
import { SurfaceFields } from './SurfaceFields';
import { facesWithTerminals } from '../model/current';
import { isElectric, partSubject } from '../model/targets';
import { LimitFields, WatchFields } from './TargetFields';
import { LoadCourse } from '../time/LoadCourse';
import { OverTime } from '../time/OverTime';
import { JunctionField } from './JunctionField';
import { LossFields } from './LossFields';
import { TerminalFields } from './TerminalFields';
import { OperatingPoint } from './OperatingPoint';
import { isLocked, isOfTemperature, limitEntry, ownName, partEntry, withLimit, withPartFields, type ModelDocument } from '../model/document';
import { terminalTitle } from '../model/heat';
import { kindOfLoad, loadText } from '../model/loads';
import { hasOwnMaterial, isDevice, partKinds } from '../model/partKinds';
import { withGroup } from '../model/assemblies';
import type { ModelEditor } from '../model/useModelEditor';
import { usePreferences, useScreen } from '../state/screen';
import {
    amperes,
    difference,
    differenceUnit,
    number,
    size,
    temperatureWithUnit,
    typed,
    typedTemperatureUnit,
    volts,
    watts,
    type UnitSet,
} from '../units/units';
import { networkOf } from '../model/junction';
import { computesCurrents, radiationOf } from '../model/space';
import { RADIATION, SUN } from '../routes/heatRoutes';
import { LadderChapter } from '../routes/LadderChapter';
import { amountOf, marginOf } from '../units/quantities';
import { hasArtwork } from '../model/copper';
import { CopperChapter } from '../copper/CopperChapter';
import { RoutesButton } from '../routes/RoutesButton';
import { verdictColours } from '../theme/verdicts';
import { WhatIfChapter } from '../whatif/WhatIfChapter';

function nameOf(target: string, outline: Outline, radiatesAround: boolean): string {
    const part = outline.parts.find((p) => p.id === target);
    if (part) return part.name;
    if (target.startsWith('side ')) return `side ${target.slice(5)} of the space`;
    if (target === RADIATION) return radiatesAround ? 'what it sees, by radiation' : 'surroundings, by radiation';
    if (target === SUN) return 'the sun';
    return target === 'surroundings' ? 'ambient, by convection' : target;
}

function Routes({ part, outline, result }: { part: ResultPart; outline: Outline; result: Result }) {
    const routes = Object.entries(part.routes)
        .filter(([, heat]) => Math.abs(heat) > 5e-4)
        .sort((a, b) => Math.abs(b[1]) - Math.abs(a[1]));
    const largest = Math.max(...routes.map(([, heat]) => Math.abs(heat)), 1e-9);
    if (routes.length === 0) return null;
    return (
        <>
            <Chapter title="Where its heat goes">
                {routes.map(([target, heat]) => (
                    <Box key={target} sx={{ py: 0.35, display: 'grid', gridTemplateColumns: '1fr auto', columnGap: 1 }}>
                        <Box component="dt">
                            {heat >= 0 ? 'to' : 'from'} {nameOf(target, outline, (result.radiation?.exchange ?? []).length > 0)}
                        </Box>
                        <Box component="dd" sx={{ m: 0, fontWeight: 550, whiteSpace: 'nowrap' }}>
                            {watts(Math.abs(heat))} W
                        </Box>
                        <Box
                            component="dd"
                            aria-hidden
                            sx={{
                                gridColumn: '1 / -1',
                                m: 0,
                                height: 4,
                                width: `${(100 * Math.abs(heat)) / largest}%`,
                                bgcolor: heat >= 0 ? '#c9785f' : '#3b7c96',
                                borderRadius: 0.5,
                            }}
                        />
                    </Box>
                ))}
            </Chapter>
            <RoutesButton label="Follow its heat" of={[part.id]} />
        </>
    );
}

function Temperatures({ part, outline, result, units }: { part: ResultPart; outline: Outline; result: Result; units: UnitSet }) {
    const own = new Set(outline.watches.filter((watch) => watch.part === part.id && ['temperature', 'heat'].includes(watch.quantity)).map((watch) => watch.id));
    const watches = result.watches.filter((watch) => own.has(watch.id));
    const limits = result.limits.filter((l) => l.part === part.id && l.margin !== null && isOfTemperature(l));
    return (
        <Chapter title="Temperatures">
            {part.nodes && <Line label="Junction">{temperatureWithUnit(part.nodes.junction, units)}</Line>}
            {part.nodes && <Line label="Case">{temperatureWithUnit(part.nodes.case, units)}</Line>}
            {part.nodes && <Line label="Board below">{temperatureWithUnit(part.nodes.board, units)}</Line>}
            {part.temperature && !part.nodes && <Line label="Hottest">{temperatureWithUnit(part.temperature.max, units)}</Line>}
            {part.temperature && !part.nodes && <Line label="Mean">{temperatureWithUnit(part.temperature.mean, units)}</Line>}
            {part.temperature && !part.nodes && <Line label="Coldest">{temperatureWithUnit(part.temperature.min, units)}</Line>}
            {limits.map((limit) => (
                <Line
                    key={limit.id}
                    label={`${limits.length > 1 ? `${limit.name}: margin` : 'Margin'} to ${temperatureWithUnit((limit.atMost ?? limit.atLeast)!, units)}${limit.derating > 0 ? ` less ${difference(limit.derating, units).replace('+', '')} ${differenceUnit(units)}` : ''}`}
                >
                    <Box component="span" sx={{ color: verdictColours[limit.verdict] }}>
                        {difference(limit.margin!, units)} {differenceUnit(units)}
                    </Box>
                </Line>
            ))}
            {watches.map((watch) => (
                <Line key={watch.id} label={watch.name}>
                    {watch.value === null ? '—' : watch.quantity === 'heat' ? `${watts(watch.value)} W` : temperatureWithUnit(watch.value, units)}
                </Line>
            ))}
        </Chapter>
    );
}

/** What all of the parts have; nothing where they differ. */
function common(parts: readonly OutlinePart[], of: (part: OutlinePart) => string | number | null | undefined): string {
    const values = new Set(parts.map((part) => String(of(part) ?? '')));
    return values.size === 1 ? [...values][0]! : '';
}

/** Boards and packages are no metal of one piece; air is none at all. */
const conducts = (part: OutlinePart): boolean => !isDevice(part.kind) && !hasOwnMaterial(part.kind) && part.material !== 'fluid';

/** What current does in a part. */
function CurrentLines({ part, result, units }: { part: ResultPart; result: Result; units: UnitSet }) {
    const terminals = result.electric?.terminals.filter((terminal) => terminal.part === part.id) ?? [];
    if (!part.current) return null;
    return (
        <Chapter title="Current">
            {terminals.map((terminal, n) => (
                <Line key={n} label={terminalTitle(terminal)}>
                    {amperes(terminal.current)} at {volts(terminal.voltage)}
                </Line>
            ))}
            <Line label="Makes heat">{watts(part.current.heat)} W</Line>
            <Line label="Greatest density">{number(part.current.density / 1e6, 2)} A/mm²</Line>
            {result.limits.flatMap((limit) =>
                limit.part === part.id && limit.margin !== null && isElectric(limit.quantity) ? (
                    <Line key={limit.id} label={`${limit.name}: margin to ${amountOf(limit.quantity, (limit.atMost ?? limit.atLeast)!, units)}`}>
                        <Box component="span" sx={{ color: verdictColours[limit.verdict], whiteSpace: 'nowrap' }}>
                            {marginOf(limit.quantity, limit.margin, units)}
                        </Box>
                    </Line>
                ) : (
                    []
                ),
            )}
        </Chapter>
    );
}

function Properties({ part, editable, units }: { part: OutlinePart; editable: boolean; units: UnitSet }) {
    const k = part.conductivity;
    return (
        <Chapter title="Properties">
            <Line label="Size">{size(part.size, units)}</Line>
            {!editable && <Line label="Place">{size(part.min, units)}</Line>}
            {part.materialTitle && <Line label="Material">{part.materialTitle}</Line>}
            {k && (
                <Line label="Conductivity">
                    {new Set(k).size === 1 ? `${number(k[0]!, 2)} W/m/K` : `${k.map((v) => number(v, 2)).join(' · ')} W/m/K (x · y · z)`}
                </Line>
            )}
        </Chapter>
    );
}

interface Props {
    revision: Revision;
    /** Whose result it is. */
    run: number | undefined;
    /** Whether the result is of the model as it stands, and not of one of its operating points. */
    asItStands: boolean;
    /** Which picture of the run is shown. */
    picture: number;
    result: Result | undefined;
    stale: boolean;
    editor: ModelEditor;
    mayEdit: boolean;
}

/** Properties of the selection, nothing else. */
export function Inspector({ revision, run, asItStands, picture, result, stale, editor, mayEdit }: Props) {
    const selection = useScreen((s) => s.selection);
    const select = useScreen((s) => s.select);
    const stage = useScreen((s) => s.stage);
    const units = usePreferences((s) => s.units);
    const document = revision.document as ModelDocument;
    const parts = revision.outline.parts.filter((part) => selection.includes(part.id));
    const part = parts[0];
    if (!part) return null;
    const single = parts.length === 1;
    const partResult = result?.parts.find((p) => p.id === part.id);
    const fan = result?.flow?.fans.find((f) => f.part === part.id);
    const entry = partEntry(document, part.id);
    const locked = isLocked(document, part.id);
    const device = single && isDevice(part.kind);
    const withCurrent = computesCurrents(document) ? entry : undefined;
    const subject = partSubject(
        part,
        withCurrent && facesWithTerminals(withCurrent),
        withCurrent && hasArtwork(withCurrent),
        entry && networkOf(entry) !== undefined,
    );
    const temperatureUnit = typedTemperatureUnit(units);
    return (
        <Box component="aside" aria-label="Inspector" sx={{ height: '100%', bgcolor: 'background.paper', p: 1.75, overflowY: 'auto', fontSize: 13 }}>
            <Stack direction="row" sx={{ justifyContent: 'space-between', alignItems: 'start' }}>
                <Box>
                    <Typography component="h2" sx={{ fontWeight: 650, fontSize: 15 }}>
                        {single ? part.name : `${parts.length} parts`}
                    </Typography>
                    <Typography variant="body2" color="text.secondary">
                        {single && part.power === 0
                            ? (partKinds[part.kind] ?? part.kind)
                            : single
                              ? `${partKinds[part.kind] ?? part.kind} · ${watts(part.power)} W`
                              : `${watts(parts.reduce((sum, p) => sum + p.power, 0))} W together`}
                    </Typography>
                </Box>
                <IconButton size="small" aria-label="Close the inspector" onClick={() => select(null)}>
                    <Close fontSize="small" />
                </IconButton>
            </Stack>
            {stage === 'Build' && mayEdit && <PartActions document={document} parts={parts} outline={revision.outline} editor={editor} />}
            <Box sx={{ mt: 1.75 }}>
                {single && part.copyOf !== null && (
                    <Typography variant="body2" color="text.secondary" sx={{ mb: 1.25 }}>
                        Linked copy of {ownName(part)}: what is changed here holds for all of them.
                    </Typography>
                )}
                {single && part.copyOf === null && (
                    <EditField
                        label="Name"
                        value={part.name}
                        disabled={!mayEdit}
                        save={(name) => editor.edit(`Rename ${part.name} to ${name}`, (d) => withPartFields(d, [part.id], { name }))}
                    />
                )}
                {stage === 'Build' && (
                    <EditField
                        label={single ? 'Assembly' : 'Assembly of all of them'}
                        value={common(parts, (p) => p.group)}
                        hint="none"
                        disabled={!mayEdit}
                        save={(group) =>
                            editor.edit(
                                group
                                    ? `${single ? part.name : `${parts.length} parts`} in assembly ${group}`
                                    : `${single ? part.name : `${parts.length} parts`} in no assembly`,
                                (d) =>
                                    withGroup(
                                        d,
                                        revision.outline,
                                        parts.map((p) => p.id),
                                        group || null,
                                    ),
                            )
                        }
                    />
                )}
                {stage === 'Build' && single && entry && !device && (
                    <>
                        {entry.material !== undefined && (
                            <MaterialField
                                document={revision.document}
                                value={entry.material}
                                disabled={!mayEdit}
                                save={(material) => editor.edit(`${part.name}: material ${material}`, (d) => withPartFields(d, [part.id], { material }))}
                            />
                        )}
                        <ShapeFields entry={entry} name={ownName(part)} units={units} editor={editor} disabled={!mayEdit || locked} />
                    </>
                )}
                {device && entry && stage !== 'Limit' && (
                    <DeviceFields
                        entry={entry}
                        name={ownName(part)}
                        units={units}
                        editor={editor}
                        disabled={!mayEdit || locked}
                        works={fan !== undefined && !stale}
                    />
                )}
                {stage === 'Build' && single && entry && <RepeatFields shape={{ entry, name: ownName(part), units, editor, disabled: !mayEdit || locked }} />}
                {stage === 'Build' && part.group !== null && parts.every((p) => p.group === part.group) && (
                    <AssemblyFields
                        name={part.group}
                        document={document}
                        outline={revision.outline}
                        editor={editor}
                        units={units}
                        disabled={!mayEdit || locked}
                    />
                )}
                {!device && stage !== 'Build' && !(single && kindOfLoad(entry?.power) !== 'constant') && (
                    <EditField
                        label={single ? 'Watts' : 'Watts, each'}
                        value={common(parts, (p) => loadText(partEntry(document, p.id)?.power))}
                        disabled={!mayEdit}
                        save={(text) =>
                            editor.edit(`${single ? part.name : `${parts.length} parts`}: ${typed(text, 'W') || 'no watts'}`, (d) =>
                                withPartFields(
                                    d,
                                    parts.map((p) => p.id),
                                    { power: typed(text, 'W') || undefined },
                                ),
                            )
                        }
                    />
                )}
                {!device && stage !== 'Build' && !(single && stage === 'Limit') && (
                    <EditField
                        label={single ? 'Limit' : 'Limit, each'}
                        value={common(parts, (p) => limitEntry(document, p.id)?.atMost)}
                        disabled={!mayEdit}
                        save={(text) =>
                            editor.edit(`${single ? part.name : `${parts.length} parts`}: limit ${typed(text, temperatureUnit) || 'none'}`, (d) =>
                                parts.reduce((doc, p) => withLimit(doc, p, typed(text, temperatureUnit)), d),
                            )
                        }
                    />
                )}
            </Box>
            {stage === 'Limit' && single && part.kind !== 'screen' && (
                <Chapter title="Limits" fields>
                    <LimitFields subject={subject} document={document} editor={editor} units={units} disabled={!mayEdit} />
                </Chapter>
            )}
            {stage === 'Limit' && single && !device && (
                <Chapter title="Other watches" fields>
                    <WatchFields subject={subject} document={document} editor={editor} units={units} disabled={!mayEdit} />
                </Chapter>
            )}
            {stage === 'Solve' && (
                <CellSizeField
                    ids={parts.map((p) => p.id)}
                    name={single ? part.name : `${parts.length} parts`}
                    document={document}
                    editor={editor}
                    disabled={!mayEdit}
                />
            )}
            {stage === 'Load' && !single && mayEdit && <ShareWatts parts={parts.filter((p) => !isDevice(p.kind))} editor={editor} />}
            {stage === 'Load' && single && entry && !device && part.material !== 'fluid' && (
                <LoadCourse entry={entry} name={part.name} units={units} editor={editor} disabled={!mayEdit} document={document} />
            )}
            {stage === 'Load' && single && entry && !device && part.material !== 'fluid' && (
                <>
                    <LossFields entry={entry} name={part.name} units={units} editor={editor} disabled={!mayEdit} document={document} />
                    {part.kind !== 'package' && <JunctionField entry={entry} name={part.name} units={units} editor={editor} disabled={!mayEdit} />}
                </>
            )}
            {stage !== 'Limit' && stage !== 'Solve' && single && entry && part.kind === 'board' && (
                <CopperChapter
                    board={{ entry, name: ownName(part), units, editor, disabled: !mayEdit || (locked && stage === 'Build') }}
                    revision={revision}
                    result={run !== undefined && result && !stale ? { run, picture, document: result } : null}
                />
            )}
            {stage === 'Load' && single && entry && conducts(part) && (
                <TerminalFields entry={entry} name={part.name} units={units} editor={editor} disabled={!mayEdit} />
            )}
            {stage === 'Load' && single && entry && !device && <FaceFields entry={entry} name={part.name} units={units} editor={editor} disabled={!mayEdit} />}
            {stage === 'Load' && entry && parts.every((p) => !isDevice(p.kind) && p.material !== 'fluid') && (
                <SurfaceFields
                    entry={entry}
                    ids={parts.map((p) => p.id)}
                    name={single ? part.name : `${parts.length} parts`}
                    editor={editor}
                    disabled={!mayEdit}
                    radiates={radiationOf(document) !== 'none'}
                />
            )}
            {stage !== 'Build' && single && !device && partResult && !stale && result && (
                <Temperatures part={partResult} outline={revision.outline} result={result} units={units} />
            )}
            {stage === 'Judge' && single && partResult && !stale && result && <OverTime result={result} of={(one) => one.part === part.id} units={units} />}
            {single && fan && !stale && <OperatingPoint fan={fan} limits={result?.limits.filter((limit) => limit.part === fan.part) ?? []} />}
            {stage === 'Judge' && single && partResult && !stale && result && <CurrentLines units={units} part={partResult} result={result} />}
            {stage !== 'Build' && single && partResult && !stale && result && <Routes part={partResult} outline={revision.outline} result={result} />}
            {stage === 'Judge' && single && partResult && !stale && result && (
                <LadderChapter part={partResult.id} outline={revision.outline} result={result} ambient={revision.outline.ambient} units={units} />
            )}
            {stage === 'Judge' && single && partResult && !stale && run !== undefined && asItStands && !result?.time && (
                <WhatIfChapter run={run} outline={revision.outline} units={units} mayEdit={mayEdit} part={partResult.id} />
            )}
            {stage !== 'Build' && single && stale && (
                <Typography color="text.secondary" sx={{ mt: 2 }}>
                    The model has changed since the last run; run again to see temperatures.
                </Typography>
            )}
            {single && <Properties part={part} editable={stage === 'Build'} units={units} />}
        </Box>
    );
}
