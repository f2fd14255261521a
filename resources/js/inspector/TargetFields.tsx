import Add from '@mui/icons-material/Add';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import type { LimitEntry, ModelDocument } from '../model/document';
import {
    boundedBy,
    isAgainstReference,
    limitsOn,
    measuredAs,
    watchesOn,
    whatOf,
    whatsOf,
    withEntry,
    withNewLimit,
    withNewWatch,
    withWhat,
    type Subject,
    type What,
} from '../model/targets';
import type { ModelEditor } from '../model/useModelEditor';
import { textOf } from '../model/text';
import { timeOf } from '../model/time';
import { lengthUnit, typed, typedTemperatureUnit, typedVolumeFlowUnit, type UnitSet } from '../units/units';
import { ChoiceField } from './ChoiceField';
import { EditField } from './EditField';
import { Removable } from './Removable';
import { ViaLimit } from './ViaLimit';

interface Props {
    subject: Subject;
    document: ModelDocument;
    editor: ModelEditor;
    units: UnitSet;
    disabled: boolean;
}

interface Bound {
    title: string;
    unit: (units: UnitSet) => string;
    /** Of what is kept free, where that is another one. */
    free?: (units: UnitSet) => string;
    /** Where a bound begins. */
    start: string;
}

const measures: Readonly<Record<ReturnType<typeof measuredAs>, Bound>> = {
    temperature: { title: 'Temperature', unit: typedTemperatureUnit, free: () => 'K', start: '85 degC' },
    flow: { title: 'Flow', unit: typedVolumeFlowUnit, start: '1 l/s' },
    currentDensity: { title: 'Current density', unit: () => 'A/mm^2', start: '10 A/mm^2' },
    current: { title: 'Current', unit: () => 'A', start: '10 A' },
    voltage: { title: 'Voltage', unit: () => 'V', start: '100 mV' },
    viaCurrent: { title: 'Current', unit: () => 'A', start: '2 A' },
    voltageDrop: { title: 'Voltage drop', unit: () => 'V', start: '50 mV' },
};

const bounds = { atMost: 'At most', atLeast: 'At least' } as const;

/** The limits of a part, a wall or an opening: on its hottest place, a face, a node, what flows; with what is kept free for ageing and tolerances. */
export function LimitFields({ subject, document, editor, units, disabled }: Props) {
    const whats = whatsOf(subject, false);
    const first = Object.keys(whats)[0]!;
    const save = (label: string, change: (d: ModelDocument) => ModelDocument) => editor.edit(`${subject.name}: ${label}`, change);
    return (
        <>
            {limitsOn(document, subject).map((limit, n) => {
                const bound = limit.atMost !== undefined ? 'atMost' : 'atLeast';
                const what = whatOf(limit, subject.kind);
                const measure = measures[measuredAs(what)];
                const [unit, free] = [measure.unit(units), measure.free?.(units) ?? measure.unit(units)];
                return (
                    <Removable
                        key={limit.id}
                        label={`Limit ${n + 1}`}
                        disabled={disabled}
                        remove={() => void save('without a limit', (d) => withEntry(d, 'limits', limit.id, () => null)).catch(() => undefined)}
                    >
                        <ChoiceField
                            label="Of"
                            value={what}
                            choices={named(whats, what, limit)}
                            disabled={disabled}
                            save={(chosen) =>
                                save(`limit of ${whats[chosen]?.toLowerCase() ?? chosen}`, (d) =>
                                    withEntry(d, 'limits', limit.id, (entry) => withWhat(boundFor(entry, what, chosen), subject, chosen)),
                                )
                            }
                        />
                        {what === 'voltageDrop' && (
                            <EditField
                                label="Net"
                                value={limit.of.net ?? ''}
                                disabled={disabled}
                                save={(net) =>
                                    save(`limit on net ${net}`, (d) => withEntry(d, 'limits', limit.id, (entry) => ({ ...entry, of: { ...entry.of, net } })))
                                }
                            />
                        )}
                        {what === 'viaCurrent' ? (
                            <ViaLimit
                                limit={limit}
                                units={units}
                                disabled={disabled}
                                save={(label, vias) => save(label, (d) => withEntry(d, 'limits', limit.id, (entry) => ({ ...entry, vias })))}
                            />
                        ) : (
                            <Stack direction="row" sx={{ gap: 1 }}>
                                <Box sx={{ flex: '0 0 90px' }}>
                                    <ChoiceField
                                        label="Bound"
                                        value={bound}
                                        choices={bounds}
                                        disabled={disabled}
                                        save={(kind) =>
                                            save(bounds[kind].toLowerCase(), (d) =>
                                                withEntry(d, 'limits', limit.id, ({ atMost, atLeast, ...entry }) => ({ ...entry, [kind]: atMost ?? atLeast })),
                                            )
                                        }
                                    />
                                </Box>
                                <EditField
                                    label={measure.title}
                                    value={String(limit[bound] ?? '')}
                                    disabled={disabled}
                                    save={(text) =>
                                        save(`limit ${typed(text, unit)}`, (d) =>
                                            withEntry(d, 'limits', limit.id, (entry) => ({ ...entry, [bound]: typed(text, unit) })),
                                        )
                                    }
                                />
                            </Stack>
                        )}
                        {timeOf(document) && (
                            <EditField
                                label="May be passed for, in all"
                                value={textOf(limit.timeBeyond)}
                                hint="no time"
                                disabled={disabled}
                                save={(text) =>
                                    save(text ? `may be passed for ${typed(text, 's')}` : 'may not be passed', (d) =>
                                        withEntry(d, 'limits', limit.id, ({ timeBeyond: _before, ...entry }) =>
                                            text ? { ...entry, timeBeyond: typed(text, 's') } : entry,
                                        ),
                                    )
                                }
                            />
                        )}
                        <EditField
                            label="Derating"
                            value={String(limit.derating ?? '')}
                            hint={`0 ${free}`}
                            disabled={disabled}
                            save={(text) =>
                                save(text ? `derating ${typed(text, free)}` : 'no derating', (d) =>
                                    withEntry(d, 'limits', limit.id, ({ derating: _before, ...entry }) =>
                                        text ? { ...entry, derating: typed(text, free) } : entry,
                                    ),
                                )
                            }
                        />
                    </Removable>
                );
            })}
            <Button
                size="small"
                color="inherit"
                startIcon={<Add fontSize="small" />}
                disabled={disabled}
                onClick={() => void save('another limit', (d) => withNewLimit(d, subject, first, boundOf(first))).catch(() => undefined)}
            >
                Limit
            </Button>
        </>
    );
}

/** What is followed during a run and kept with it; every limit is followed anyway. */
export function WatchFields({ subject, document, editor, units, disabled }: Props) {
    const whats = whatsOf(subject, true);
    const save = (label: string, change: (d: ModelDocument) => ModelDocument) => editor.edit(`${subject.name}: ${label}`, change);
    const set = (id: string, field: 'reference' | 'length', value: string) =>
        save(`${field} ${value || 'as usual'}`, (d) =>
            withEntry(d, 'watches', id, ({ [field]: _before, ...entry }) => (value ? { ...entry, [field]: value } : entry)),
        );
    return (
        <>
            {watchesOn(document, subject).map((watch, n) => (
                <Removable
                    key={watch.id}
                    label={`Watch ${n + 1}`}
                    disabled={disabled}
                    remove={() => void save('without a watch', (d) => withEntry(d, 'watches', watch.id, () => null)).catch(() => undefined)}
                >
                    <ChoiceField
                        label="What"
                        value={whatOf(watch, subject.kind)}
                        choices={named(whats, whatOf(watch, subject.kind), watch)}
                        disabled={disabled}
                        save={(what) =>
                            save(`watch ${whats[what]?.toLowerCase() ?? what}`, (d) =>
                                withEntry(d, 'watches', watch.id, (entry) => withWhat(entry, subject, what)),
                            )
                        }
                    />
                    {isAgainstReference(watch.quantity) && (
                        <EditField
                            label="Reference temperature"
                            hint="ambient"
                            value={typeof watch.reference === 'object' ? 'bulk temperature' : textOf(watch.reference)}
                            disabled={disabled || typeof watch.reference === 'object'}
                            save={(text) => set(watch.id, 'reference', typed(text, typedTemperatureUnit(units)))}
                        />
                    )}
                    {watch.quantity === 'nusselt' && (
                        <EditField
                            label="Length"
                            value={textOf(watch.length)}
                            disabled={disabled}
                            save={(text) => set(watch.id, 'length', typed(text, lengthUnit(units)))}
                        />
                    )}
                </Removable>
            ))}
            <Button
                size="small"
                color="inherit"
                startIcon={<Add fontSize="small" />}
                disabled={disabled}
                onClick={() => void save('another watch', (d) => withNewWatch(d, subject, Object.keys(whats)[0]!)).catch(() => undefined)}
            >
                Watch
            </Button>
        </>
    );
}

/** The choices, and what an entry of the document says besides under its own name. */
const named = (whats: Record<What, string>, what: What, entry: { id: string; name?: string }): Record<What, string> =>
    what in whats ? whats : { ...whats, [what]: entry.name ?? entry.id };

const boundOf = (what: What): string => measures[measuredAs(what)].start;

/** A bound in °C says nothing of a flow or a current, nor the other way round. */
const boundFor = <T extends LimitEntry>({ atMost, atLeast, derating, ...entry }: T, before: What, after: What): T =>
    (measuredAs(before) === measuredAs(after)
        ? { ...entry, ...(atMost === undefined ? { atLeast } : { atMost }), ...(derating === undefined ? {} : { derating }) }
        : { ...entry, [boundedBy(after)]: boundOf(after) }) as T;
