import DeleteOutlined from '@mui/icons-material/DeleteOutlined';
import IconButton from '@mui/material/IconButton';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { Chapter } from '../inspector/Chapter';
import { EditField } from '../inspector/EditField';
import { Removable } from '../inspector/Removable';
import type { ModelDocument } from '../model/document';
import { quietly } from '../model/partCommands';
import type { ModelEditor } from '../model/useModelEditor';
import { CandidatePicker } from '../tolerances/CandidatePicker';
import { nameOfTolerance } from '../tolerances/tolerances';
import { loadsOf, pointsOf, withNameOfPoint, withoutPoint, withoutValueOfPoint, withPoint, withValueOfPoint } from './points';

interface Props {
    document: ModelDocument;
    editor: ModelEditor;
    disabled: boolean;
}

/** Other loads of the same design, such as idle or a fault, that every run computes too. */
export function OperatingPointFields({ document, editor, disabled }: Props) {
    const points = pointsOf(document);
    const known = loadsOf(document);
    return (
        <Chapter title="Operating points" fields>
            {points.map(({ name, values }) => (
                <Removable
                    key={name}
                    label={`Operating point ${name}`}
                    disabled={disabled}
                    remove={() => quietly(editor.edit(`No operating point ${name}`, (d) => withoutPoint(d, name)))}
                >
                    <EditField
                        label="Name"
                        value={name}
                        disabled={disabled}
                        save={(to) =>
                            to === '' || points.some((point) => point.name === to)
                                ? Promise.reject(new Error('a name of its own is expected'))
                                : editor.edit(`Operating point ${name} is called ${to}`, (d) => withNameOfPoint(d, name, to))
                        }
                    />
                    {Object.entries(values).map(([of, value]) => (
                        <Stack key={of} direction="row" sx={{ alignItems: 'start', gap: 0.25 }}>
                            <EditField
                                label={nameOfTolerance(of, known)}
                                value={String(value)}
                                disabled={disabled}
                                save={(text) => editor.edit(`${name}: ${nameOfTolerance(of, known)} ${text}`, (d) => withValueOfPoint(d, name, of, text))}
                            />
                            {Object.keys(values).length > 1 && (
                                <IconButton
                                    size="small"
                                    aria-label={`Remove ${nameOfTolerance(of, known)} of ${name}`}
                                    disabled={disabled}
                                    onClick={() =>
                                        quietly(editor.edit(`${name}: ${nameOfTolerance(of, known)} as it stands`, (d) => withoutValueOfPoint(d, name, of)))
                                    }
                                >
                                    <DeleteOutlined fontSize="small" />
                                </IconButton>
                            )}
                        </Stack>
                    ))}
                    {!disabled && (
                        <CandidatePicker
                            label="Add value"
                            candidates={known.filter(({ of }) => !(of in values))}
                            pick={({ of, formula }) =>
                                quietly(editor.edit(`${name}: ${nameOfTolerance(of, known)}`, (d) => withValueOfPoint(d, name, of, formula)))
                            }
                        />
                    )}
                </Removable>
            ))}
            {!disabled && (
                <CandidatePicker
                    label="Add operating point"
                    candidates={known}
                    pick={(one) => quietly(editor.edit('Operating point', (d) => withPoint(d, one)))}
                />
            )}
            {points.length === 0 && (
                <Typography variant="body2" color="text.secondary" sx={{ mt: 0.75 }}>
                    Idle, full load, a fault: a run computes each of them after the model as it stands, and Judge shows them side by side.
                </Typography>
            )}
        </Chapter>
    );
}
