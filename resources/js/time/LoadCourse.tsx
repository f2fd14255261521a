import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { partEntry, withPartFields, type ModelDocument } from '../model/document';
import { entryOfLoad, kindOfLoad, loadKinds, loadOfKind, endOf, sensorOf, withSensor, type LoadEntry, type LoadKind } from '../model/loads';
import { tableFrom, tableText } from '../model/losses';
import { textOf } from '../model/text';
import { timeOf } from '../model/time';
import { typed } from '../units/units';
import { Chapter } from '../inspector/Chapter';
import { ChoiceField } from '../inspector/ChoiceField';
import { EditField } from '../inspector/EditField';
import type { ShapeProps } from '../inspector/ShapeField';
import { ScheduleFields } from './ScheduleFields';

interface Field {
    label: string;
    unit: string;
    hint?: string;
}

const thermostat: Record<string, Field> = {
    watts: { label: 'Watts while on', unit: 'W' },
    on: { label: 'On at', unit: 'degC' },
    off: { label: 'Off at', unit: 'degC' },
    leastOn: { label: 'Least time on', unit: 's', hint: 'none' },
    leastOff: { label: 'Least time off', unit: 's', hint: 'none' },
};
const controller: Record<string, Field> = {
    setpoint: { label: 'Setpoint', unit: 'degC' },
    gain: { label: 'Gain', unit: 'W/K' },
    integral: { label: 'Reset time', unit: 's', hint: 'no integral part' },
    atMost: { label: 'Most watts', unit: 'W' },
    atLeast: { label: 'Least watts', unit: 'W', hint: '0 W' },
};

/** Watts of a part over time, or by the temperature at a sensor. */
export function LoadCourse({ document, parts, ...part }: ShapeProps & { document: ModelDocument; parts: Readonly<Record<string, string>> }) {
    const load = part.entry.power;
    const kind = kindOfLoad(load);
    const entry = entryOfLoad(load);
    const set = (label: string, change: (load: LoadEntry) => LoadEntry): Promise<unknown> =>
        part.editor.edit(`${part.name}: ${label}`, (d) => {
            const own = partEntry(d, part.entry.id);
            return own ? withPartFields(d, [part.entry.id], { power: change(entryOfLoad(own.power) ?? {}) }) : d;
        });
    const fields = (of: 'thermostat' | 'controller', all: Record<string, Field>) =>
        Object.entries(all).map(([key, { label, unit, hint }]) => (
            <EditField
                key={`${of} ${key}`}
                label={label}
                value={textOf((entry?.[of] as Record<string, unknown> | undefined)?.[key])}
                disabled={part.disabled}
                {...(hint && { hint })}
                save={(text) =>
                    set(`${label.toLowerCase()} ${text || (hint ?? '')}`, (now) => ({
                        ...now,
                        [of]: { ...now[of], [key]: text === '' ? undefined : typed(text, unit) },
                    }))
                }
            />
        ));
    const until = endOf(document) ?? 600;
    const sensor = entry && sensorOf(entry);
    return (
        <Chapter title="Watts over time" fields>
            <ChoiceField
                label="Watts are"
                value={kind}
                choices={loadKinds}
                disabled={part.disabled}
                save={(chosen: LoadKind) =>
                    part.editor.edit(`${part.name}: watts ${loadKinds[chosen].toLowerCase()}`, (d) =>
                        withPartFields(d, [part.entry.id], { power: loadOfKind(chosen, partEntry(d, part.entry.id)?.power, part.entry.id) }),
                    )
                }
            />
            {entry && !sensor && <ScheduleFields label="Watts" name={part.name} entry={entry} unit="W" until={until} disabled={part.disabled} set={set} />}
            {entry?.thermostat && fields('thermostat', thermostat)}
            {entry?.controller && fields('controller', controller)}
            {entry?.curve && (
                <EditField
                    label="Temperature: watts"
                    value={tableText(entry.curve)}
                    disabled={part.disabled}
                    save={(text) => set('curve of watts', (now) => ({ ...now, curve: tableFrom(text, 'degC') }))}
                />
            )}
            {entry && sensor && (
                <>
                    <ChoiceField
                        label="Sensor at"
                        value={sensor.part ?? part.entry.id}
                        choices={parts}
                        disabled={part.disabled}
                        save={(id) => set(`sensor at ${parts[id]}`, (now) => withSensor(now, { ...sensor, part: id, face: undefined, point: undefined }))}
                    />
                    <Stack direction="row" sx={{ gap: 0.75 }}>
                        {(['lag', 'deadTime'] as const).map((key) => (
                            <EditField
                                key={key}
                                label={key === 'lag' ? 'Time constant' : 'Dead time'}
                                value={textOf(sensor[key])}
                                hint="none"
                                disabled={part.disabled}
                                save={(text) =>
                                    set(`sensor ${key === 'lag' ? 'time constant' : 'dead time'} ${text || 'none'}`, (now) =>
                                        withSensor(now, { ...sensor, [key]: text === '' ? undefined : typed(text, 's') }),
                                    )
                                }
                            />
                        ))}
                    </Stack>
                </>
            )}
            {kind !== 'constant' && !timeOf(document) && (
                <Typography variant="body2" color="text.secondary">
                    {sensor ? 'The steady state has the watts at which the control comes to rest.' : 'The steady state has the watts at 0 s.'} Ask in Build how
                    it warms up to see them over time.
                </Typography>
            )}
        </Chapter>
    );
}
