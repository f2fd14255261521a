import Stack from '@mui/material/Stack';
import { Lines, plain } from '../charts/Lines';
import { EditField } from '../inspector/EditField';
import { ChoiceField } from '../inspector/ChoiceField';
import { pointsOf, type LoadEntry } from '../model/loads';
import { tableFrom, tableText } from '../model/losses';
import { textOf } from '../model/text';
import { typed } from '../units/units';
import { tableOfFile } from './csv';
import { CsvButton } from './CsvButton';

interface Field {
    key: 'high' | 'low' | 'period' | 'duty' | 'rise';
    label: string;
    hint?: string;
}

interface Props {
    /** What it is of: "Watts", "Speed". */
    label: string;
    name: string;
    entry: LoadEntry;
    /** Unit of a bare value; empty where it has none. */
    unit: string;
    /** s, up to which it is drawn. */
    until: number;
    disabled: boolean;
    set: (label: string, change: (load: LoadEntry) => LoadEntry) => Promise<unknown>;
}

/** A load as a table over time or as pulses, drawn below. */
export function ScheduleFields({ label, name, entry, unit, until, disabled, set }: Props) {
    const own = label.toLowerCase();
    const points = pointsOf(entry, until);
    const pulse: Field[] = [
        { key: 'high', label },
        { key: 'low', label: `${label} in the pause`, hint: `0${unit && ` ${unit}`}` },
        { key: 'period', label: 'Period' },
        { key: 'duty', label: 'Duty, share on', hint: '0.5' },
        { key: 'rise', label: 'Rise time', hint: '0 s' },
    ];
    const unitOf = { high: unit, low: unit, period: 's', duty: '', rise: 's' };
    const importTable = async (chosen: File) => {
        const table = tableOfFile(await chosen.text(), unit);
        await set(`${own} over time from ${chosen.name}`, (now) => ({ ...now, schedule: table }));
    };
    return (
        <>
            {entry.schedule && (
                <>
                    <EditField
                        label={`Time: ${own}`}
                        value={tableText(entry.schedule)}
                        disabled={disabled}
                        save={(text) => set('table over time', (now) => ({ ...now, schedule: tableFrom(text, 's') }))}
                    />
                    <Stack direction="row" sx={{ gap: 0.75 }}>
                        <ChoiceField
                            label="Between times"
                            value={entry.between ?? 'linear'}
                            choices={{ linear: 'Straight lines', steps: 'Steps' }}
                            disabled={disabled}
                            save={(between) => set(`${between} between times`, (now) => ({ ...now, between }))}
                        />
                        <EditField
                            label="Repeats after"
                            value={textOf(entry.repeat)}
                            hint="never"
                            disabled={disabled}
                            save={(text) =>
                                set(`repeats after ${text || 'no time'}`, (now) => ({ ...now, repeat: text === '' ? undefined : typed(text, 's') }))
                            }
                        />
                    </Stack>
                    {!disabled && <CsvButton label="Table from a CSV file" name={`CSV file of ${own} over time`} read={importTable} />}
                </>
            )}
            {entry.pulse &&
                pulse.map(({ key, label: title, hint }) => (
                    <EditField
                        key={key}
                        label={title}
                        value={textOf(entry.pulse?.[key])}
                        disabled={disabled}
                        hint={hint}
                        save={(text) =>
                            set(`${title.toLowerCase()} ${text || (hint ?? '')}`, (now) => ({
                                ...now,
                                pulse: { ...now.pulse, [key]: text === '' ? undefined : typed(text, unitOf[key]) },
                            }))
                        }
                    />
                ))}
            {points && (
                <Lines
                    label={`${label} of ${name} over time`}
                    height={130}
                    x={{ title: 'time, s', format: plain }}
                    y={{ title: unit || own, format: plain, min: Math.min(0, ...points.map((p) => p.y)) }}
                    series={[{ name, points }]}
                />
            )}
        </>
    );
}
