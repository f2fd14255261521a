import Stack from '@mui/material/Stack';
import { useContext } from 'react';
import { ChoiceField } from '../inspector/ChoiceField';
import { EditField } from '../inspector/EditField';
import { sensorOf, withSensor, type LoadEntry } from '../model/loads';
import { tableFrom, tableText } from '../model/losses';
import { facesOfKind, namesOf } from '../model/partKinds';
import { textOf } from '../model/text';
import { typed } from '../units/units';
import { TimeAxis } from './TimeAxis';

interface Field {
    label: string;
    unit: string;
    hint?: string;
}

const switching: Record<string, Field> = {
    on: { label: 'On at', unit: 'degC' },
    off: { label: 'Off at', unit: 'degC' },
    leastOn: { label: 'Least time on', unit: 's', hint: 'none' },
    leastOff: { label: 'Least time off', unit: 's', hint: 'none' },
};

/** What each kind of control is given by. */
const kinds = {
    thermostat: { watts: { label: 'Watts while on', unit: 'W' }, ...switching },
    fan: { speed: { label: 'Speed while on', unit: '', hint: '1' }, idle: { label: 'Speed while off', unit: '', hint: '0' }, ...switching },
    controller: {
        setpoint: { label: 'Setpoint', unit: 'degC' },
        gain: { label: 'Gain', unit: 'W/K' },
        integral: { label: 'Reset time', unit: 's', hint: 'no integral part' },
        atMost: { label: 'Most watts', unit: 'W' },
        atLeast: { label: 'Least watts', unit: 'W', hint: '0 W' },
    },
    fanController: {
        setpoint: { label: 'Setpoint', unit: 'degC' },
        gain: { label: 'Gain, share of full speed per K', unit: '' },
        integral: { label: 'Reset time', unit: 's', hint: 'no integral part' },
        atMost: { label: 'Greatest speed', unit: '', hint: '1' },
        atLeast: { label: 'Least speed', unit: '', hint: '0' },
    },
} as const satisfies Record<string, Record<string, Field>>;

interface Props {
    entry: LoadEntry;
    disabled: boolean;
    set: (label: string, change: (load: LoadEntry) => LoadEntry) => Promise<unknown>;
}

/** The values of a thermostat or a controller, of watts or of the speed of a fan. */
export function ControlFields({ kind, entry, disabled, set }: Props & { kind: keyof typeof kinds }) {
    const of = kind === 'controller' || kind === 'fanController' ? 'controller' : 'thermostat';
    return Object.entries<Field>(kinds[kind]).map(([key, { label, unit, hint }]) => (
        <EditField
            key={key}
            label={label}
            value={textOf((entry[of] as Record<string, unknown> | undefined)?.[key])}
            disabled={disabled}
            hint={hint}
            save={(text) =>
                set(`${label.toLowerCase()} ${text || (hint ?? '')}`, (now) => ({
                    ...now,
                    [of]: { ...now[of], [key]: text === '' ? undefined : typed(text, unit) },
                }))
            }
        />
    ));
}

/** What a control gives against the temperature at its sensor. */
export function CurveField({ what, entry, disabled, set }: Props & { what: 'watts' | 'speed' }) {
    return (
        <EditField
            label={`Temperature: ${what}`}
            value={tableText(entry.curve ?? [])}
            disabled={disabled}
            save={(text) => set(`curve of ${what}`, (now) => ({ ...now, curve: tableFrom(text, 'degC', what === 'watts' ? 'W' : '') }))}
        />
    );
}

/** Where the sensor of a control stands, and how slow it is. */
export function SensorFields({ entry, own, disabled, set }: Props & { own: string }) {
    const { parts } = useContext(TimeAxis);
    const sensor = sensorOf(entry) ?? {};
    const at = sensor.part ?? own;
    const faces = Object.fromEntries(facesOfKind(parts[at]?.kind ?? '').map((face) => [face, `Mean of face ${face}`]));
    return (
        <>
            <ChoiceField
                label="Sensor at"
                value={at}
                choices={namesOf(parts)}
                disabled={disabled}
                save={(id) => set(`sensor at ${parts[id]?.name ?? id}`, (now) => withSensor(now, { ...sensor, part: id, face: undefined, point: undefined }))}
            />
            <ChoiceField
                label="It reads"
                value={sensor.face ?? ''}
                choices={{ '': 'Mean of the part', ...faces }}
                disabled={disabled}
                save={(face) =>
                    set(`sensor at ${faces[face]?.toLowerCase() ?? 'the whole part'}`, (now) =>
                        withSensor(now, { ...sensor, part: at, face: face || undefined, point: undefined }),
                    )
                }
            />
            <Stack direction="row" sx={{ gap: 0.75 }}>
                {(['lag', 'deadTime'] as const).map((key) => (
                    <EditField
                        key={key}
                        label={key === 'lag' ? 'Time constant' : 'Dead time'}
                        value={textOf(sensor[key])}
                        hint="none"
                        disabled={disabled}
                        save={(text) =>
                            set(`sensor ${key === 'lag' ? 'time constant' : 'dead time'} ${text || 'none'}`, (now) =>
                                withSensor(now, { ...sensor, [key]: text === '' ? undefined : typed(text, 's') }),
                            )
                        }
                    />
                ))}
            </Stack>
        </>
    );
}
