import Typography from '@mui/material/Typography';
import { partEntry, withPartFields, type ModelDocument } from '../model/document';
import { entryOfLoad, kindOfLoad, loadKinds, loadOfKind, endOf, sensorOf, type LoadEntry, type LoadKind } from '../model/loads';
import { timeOf } from '../model/time';
import { Chapter } from '../inspector/Chapter';
import { ChoiceField } from '../inspector/ChoiceField';
import type { ShapeProps } from '../inspector/ShapeField';
import { ControlFields, CurveField, SensorFields } from './ControlFields';
import { ScheduleFields } from './ScheduleFields';

/** Watts of a part over time, or by the temperature at a sensor. */
export function LoadCourse({ document, ...part }: ShapeProps & { document: ModelDocument }) {
    const load = part.entry.power;
    const kind = kindOfLoad(load);
    const entry = entryOfLoad(load);
    const set = (label: string, change: (load: LoadEntry) => LoadEntry): Promise<unknown> =>
        part.editor.edit(`${part.name}: ${label}`, (d) => {
            const own = partEntry(d, part.entry.id);
            return own ? withPartFields(d, [part.entry.id], { power: change(entryOfLoad(own.power) ?? {}) }) : d;
        });
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
            {entry?.thermostat && <ControlFields kind="thermostat" entry={entry} disabled={part.disabled} set={set} />}
            {entry?.controller && <ControlFields kind="controller" entry={entry} disabled={part.disabled} set={set} />}
            {entry?.curve && <CurveField what="watts" entry={entry} disabled={part.disabled} set={set} />}
            {entry && sensor && <SensorFields entry={entry} own={part.entry.id} disabled={part.disabled} set={set} />}
            {kind !== 'constant' && !timeOf(document) && (
                <Typography variant="body2" color="text.secondary">
                    {sensor ? 'The steady state has the watts at which the control comes to rest.' : 'The steady state has the watts at 0 s.'} Ask in Build how
                    it warms up to see them over time.
                </Typography>
            )}
        </Chapter>
    );
}
