import Schedule from '@mui/icons-material/Schedule';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import InputAdornment from '@mui/material/InputAdornment';
import TextField from '@mui/material/TextField';
import { useContext, useState } from 'react';
import { ChoiceField } from '../inspector/ChoiceField';
import { EditField } from '../inspector/EditField';
import {
    entryOfLoad,
    kindOfLoad,
    loadKinds,
    loadText,
    sensorOf,
    timedKinds,
    timedOfKind,
    withSensor,
    type Load,
    type LoadEntry,
    type LoadKind,
} from '../model/loads';
import { textOf } from '../model/text';
import { typed } from '../units/units';
import { ControlFields, CurveField, SensorFields } from './ControlFields';
import { ScheduleFields } from './ScheduleFields';
import { TimeAxis } from './TimeAxis';

interface Props {
    label: string;
    /** Whose it is, in the dialog. */
    name: string;
    /** As it stands in the document. */
    value: unknown;
    /** Unit of a bare number. */
    unit: string;
    hint?: string | undefined;
    disabled: boolean;
    /** Whether a sensor may set it: of the speed of a fan. */
    sensed?: boolean;
    /** Undefined where it is left open; the text is what the edit is called. */
    save: (text: string, load: Load | undefined) => Promise<unknown>;
}

/** A quantity that may follow the time: typed as it is or, where a course in time is asked for, as a table or pulses in a dialog. */
export function TimedField({ label, name, value, unit, hint, disabled, sensed = false, save }: Props) {
    const { until, parts } = useContext(TimeAxis);
    const [opened, setOpened] = useState(false);
    const entry = entryOfLoad(value);
    const sensor = entry && sensorOf(entry);
    const title = `${label} over time${sensed ? ' or by a sensor' : ''}`;
    const open = (until !== null || entry !== null || sensed) && (
        <InputAdornment position="end" sx={{ ml: 0 }}>
            <IconButton size="small" edge="end" aria-label={title} title={title} onClick={() => setOpened(true)}>
                <Schedule fontSize="inherit" color={entry ? 'primary' : 'inherit'} />
            </IconButton>
        </InputAdornment>
    );
    const begun = (kind: LoadKind): Load => {
        const load = timedOfKind(kind, value, textOf(value) || `${hint && /\d/.test(hint) ? hint : 1}${unit && ` ${unit}`}`);
        return typeof load === 'object' && !(kind in timedKinds) ? withSensor(load, { part: Object.keys(parts)[0] ?? '' }) : load;
    };
    const set = (what: string, change: (load: LoadEntry) => LoadEntry) => save(what, change(entry ?? {}));
    return (
        <>
            {entry ? (
                <TextField
                    size="small"
                    fullWidth
                    label={label}
                    value={loadText(value)}
                    disabled={disabled}
                    sx={{ mb: 1.25 }}
                    slotProps={{ input: { readOnly: true, endAdornment: open } }}
                />
            ) : (
                <EditField
                    label={label}
                    hint={hint}
                    value={textOf(value)}
                    disabled={disabled}
                    end={open}
                    save={(text) => save(text === '' ? (hint ?? 'left open') : typed(text, unit), text === '' ? undefined : typed(text, unit))}
                />
            )}
            {opened && (
                <Dialog open onClose={() => setOpened(false)} maxWidth="xs" fullWidth>
                    <DialogTitle>{`${name}: ${title.toLowerCase()}`}</DialogTitle>
                    <DialogContent sx={{ pt: '8px !important' }}>
                        <ChoiceField
                            label={`${label} is`}
                            value={kindOfLoad(value)}
                            choices={(sensed ? loadKinds : timedKinds) as typeof loadKinds}
                            disabled={disabled}
                            save={(kind) => save(loadKinds[kind].toLowerCase(), begun(kind))}
                        />
                        {entry?.thermostat && <ControlFields kind="fan" entry={entry} disabled={disabled} set={set} />}
                        {entry?.controller && <ControlFields kind="fanController" entry={entry} disabled={disabled} set={set} />}
                        {entry?.curve && <CurveField what="speed" entry={entry} disabled={disabled} set={set} />}
                        {entry && sensor && <SensorFields entry={entry} own={Object.keys(parts)[0] ?? ''} disabled={disabled} set={set} />}
                        {entry && !sensor && (
                            <ScheduleFields label={label} name={name} entry={entry} unit={unit} until={until ?? 600} disabled={disabled} set={set} />
                        )}
                    </DialogContent>
                    <DialogActions>
                        <Button onClick={() => setOpened(false)}>Close</Button>
                    </DialogActions>
                </Dialog>
            )}
        </>
    );
}
