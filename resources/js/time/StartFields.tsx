import Stack from '@mui/material/Stack';
import { useRuns } from '../api/queries';
import { ChoiceField } from '../inspector/ChoiceField';
import { EditField } from '../inspector/EditField';
import { textOf } from '../model/text';
import type { TimeEntry } from '../model/time';
import { usePreferences } from '../state/screen';
import { typed, typedTemperatureUnit } from '../units/units';

const starts = { steady: 'Steady state at 0 s', uniform: 'One temperature', periodic: 'As it ends: periodic', run: 'A run' } as const;

interface Props {
    time: TimeEntry;
    variant: number;
    mayEdit: boolean;
    set: (label: string, fields: Partial<TimeEntry>) => Promise<unknown>;
}

/** The temperatures that a course in time begins with. */
export function StartFields({ time, variant, mayEdit, set }: Props) {
    const units = usePreferences((s) => s.units);
    const runs = (useRuns(variant).data ?? []).filter((run) => run.picture > 0);
    const given = typeof time.start === 'object' ? time.start : undefined;
    const uniform = given && 'uniform' in given ? given : undefined;
    const from = given && 'run' in given ? given.run : undefined;
    const chosen = uniform ? 'uniform' : from !== undefined ? 'run' : time.start === 'periodic' ? 'periodic' : 'steady';
    const first = runs[0]?.id;
    const choices = Object.fromEntries(Object.entries(starts).filter(([kind]) => kind !== 'run' || from !== undefined || first !== undefined)) as typeof starts;
    const begin = (kind: keyof typeof starts) => {
        const start = kind === 'uniform' ? { uniform: '20 degC' } : kind === 'run' ? { run: first ?? 1 } : kind;
        return set(`Start: ${starts[kind].toLowerCase()}`, { start, ...(kind === 'periodic' ? { air: undefined } : {}) });
    };
    const listed: Record<string, string> = from === undefined ? {} : { [from]: `Run ${from}` };
    for (const run of runs) listed[run.id] = `Run ${run.id}, revision ${run.revision}`;
    return (
        <Stack direction="row" sx={{ gap: 0.75 }}>
            <ChoiceField label="Starts from" value={chosen} choices={choices} disabled={!mayEdit} save={begin} />
            {uniform && (
                <EditField
                    label="Temperature"
                    value={textOf(uniform.uniform)}
                    disabled={!mayEdit}
                    save={(text) => set(`Start at ${text}`, { start: { ...uniform, uniform: typed(text, typedTemperatureUnit(units)) } })}
                />
            )}
            {from !== undefined && (
                <ChoiceField
                    label="Run"
                    value={String(from)}
                    choices={listed}
                    disabled={!mayEdit}
                    save={(id) => set(`Start from run ${id}`, { start: { run: Number(id) } })}
                />
            )}
        </Stack>
    );
}
