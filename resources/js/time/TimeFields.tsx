import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useGridReport } from '../api/queries';
import { Chapter } from '../inspector/Chapter';
import { ChoiceField } from '../inspector/ChoiceField';
import { EditField } from '../inspector/EditField';
import type { StageProps } from '../inspector/Panel';
import type { ModelDocument } from '../model/document';
import { flowOf } from '../model/space';
import { textOf } from '../model/text';
import { airs, timeOf, withTime, type TimeEntry } from '../model/time';
import { useScreen } from '../state/screen';
import { bytes, thousands, typed } from '../units/units';
import { StartFields } from './StartFields';

const KEPT = 10;

/** Whether the steady state or a course in time is computed, in what steps, and what is kept of it. */
export function TimeFields({ revision, editor, mayEdit }: StageProps) {
    const grade = useScreen((s) => s.grade);
    const report = useGridReport(revision.variant.id, revision.number, grade, true);
    const document = revision.document as ModelDocument;
    const time = timeOf(document);
    const set = (label: string, fields: Partial<TimeEntry> | null) => editor.edit(label, (d) => withTime(d, fields));
    const tolerance = typeof time?.step === 'object' ? time.step.tolerance : undefined;
    const fixed = typeof time?.step === 'string' || typeof time?.step === 'number' ? time.step : undefined;
    const [flows, air] = [flowOf(document) !== 'none', time?.air ?? 'frozen'];
    const count = Array.isArray(time?.keep) ? time.keep.length : (time?.keep ?? KEPT);
    return (
        <Chapter title="Time" fields>
            <ChoiceField
                label="Computes"
                value={time ? 'transient' : 'steady'}
                choices={{ steady: 'The steady state', transient: 'The course in time' }}
                disabled={!mayEdit}
                save={(chosen) => set(chosen === 'steady' ? 'Steady state' : 'Course in time', chosen === 'steady' ? null : {})}
            />
            {time && (
                <>
                    <Stack direction="row" sx={{ gap: 0.75 }}>
                        <EditField label="End" value={textOf(time.end)} disabled={!mayEdit} save={(text) => set(`End at ${text}`, { end: typed(text, 's') })} />
                        <EditField
                            label="Pictures"
                            value={Array.isArray(time.keep) ? time.keep.join('; ') : textOf(time.keep)}
                            hint={`${KEPT}`}
                            disabled={!mayEdit}
                            save={(text) => set(`Pictures ${text || KEPT}`, { keep: keptFrom(text) })}
                        />
                    </Stack>
                    <Stack direction="row" sx={{ gap: 0.75 }}>
                        <ChoiceField
                            label="Step"
                            value={fixed === undefined ? 'adaptive' : 'fixed'}
                            choices={{ adaptive: 'By its error', fixed: 'As given' }}
                            disabled={!mayEdit}
                            save={(chosen) => set(chosen === 'fixed' ? 'Given step' : 'Step by its error', { step: chosen === 'fixed' ? '1 s' : undefined })}
                        />
                        {fixed === undefined ? (
                            <EditField
                                label="Tolerance"
                                value={textOf(tolerance)}
                                hint="0.1 K"
                                disabled={!mayEdit}
                                save={(text) => set(`Tolerance ${text || '0.1 K'}`, { step: text === '' ? undefined : { tolerance: typed(text, 'K') } })}
                            />
                        ) : (
                            <EditField
                                label="Of"
                                value={textOf(fixed)}
                                disabled={!mayEdit}
                                save={(text) => set(`Step of ${text}`, { step: typed(text, 's') })}
                            />
                        )}
                    </Stack>
                    <StartFields time={time} variant={revision.variant.id} mayEdit={mayEdit} set={set} />
                    {flows && (
                        <ChoiceField
                            label="Air"
                            value={air}
                            choices={{ frozen: airs.frozen[0], follows: airs.follows[0], unsteady: airs.unsteady[0] }}
                            disabled={!mayEdit || time.start === 'periodic'}
                            save={(chosen) => set(`Air: ${airs[chosen][0].toLowerCase()}`, { air: chosen })}
                        />
                    )}
                    <Typography variant="body2" color="text.secondary">
                        {typeof time.start === 'object' ? '' : 'What is under control is off before 0 s. '}
                        {flows ? `${airs[air][1]} ` : ''}
                        {report.data
                            ? `${count} pictures of ${thousands(report.data.cells)} cells take ${bytes((flows && air !== 'frozen' ? 16 : 4) * count * report.data.cells)}. The times below are those of a steady state.`
                            : ''}
                    </Typography>
                </>
            )}
        </Chapter>
    );
}

/** A number of pictures, or the times of them. */
function keptFrom(text: string): TimeEntry['keep'] {
    if (text === '') return undefined;
    if (/^\d+$/.test(text.trim())) return Number(text);
    return text
        .split(/[;\n]/)
        .filter((time) => time.trim() !== '')
        .map((time) => typed(time.trim(), 's'));
}
