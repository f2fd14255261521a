import Box from '@mui/material/Box';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { ChoiceField } from '../inspector/ChoiceField';
import { EditField } from '../inspector/EditField';
import { Chapter } from '../inspector/Chapter';
import { Removable } from '../inspector/Removable';
import type { ModelDocument } from '../model/document';
import type { ModelEditor } from '../model/useModelEditor';
import { CandidatePicker } from './CandidatePicker';
import { candidates, changedTolerance, distributions, nameOfTolerance, suggestedTolerance, tolerancesOf, withoutTolerance, withTolerance } from './tolerances';

interface Props {
    document: ModelDocument;
    editor: ModelEditor;
    disabled: boolean;
}

/** How far parameters and fields may lie from what is given, from one build to the next. */
export function ToleranceFields({ document, editor, disabled }: Props) {
    const known = candidates(document);
    const tolerances = tolerancesOf(document);
    const free = known.filter(({ of }) => tolerances.every((entry) => entry.of !== of));
    return (
        <Chapter title="Tolerances" fields>
            {tolerances.map(({ of, by, distribution }) => {
                const name = nameOfTolerance(of, known);
                const given = known.find((one) => one.of === of)?.formula;
                return (
                    <Removable
                        key={of}
                        label={`Tolerance of ${name}`}
                        disabled={disabled}
                        remove={() => void editor.edit(`No tolerance of ${name}`, (d) => withoutTolerance(d, of)).catch(() => undefined)}
                    >
                        <Box sx={{ mb: 1 }}>
                            {name}
                            {given !== undefined && (
                                <Box component="span" sx={{ color: 'text.secondary', ml: 1 }}>
                                    {given}
                                </Box>
                            )}
                        </Box>
                        <Stack direction="row" sx={{ gap: 0.75 }}>
                            <Box sx={{ flex: '0 0 40%' }}>
                                <EditField
                                    label="±"
                                    value={by}
                                    disabled={disabled}
                                    save={(text) => editor.edit(`Tolerance of ${name}: ± ${text}`, (d) => changedTolerance(d, of, { by: text }))}
                                />
                            </Box>
                            <ChoiceField
                                label="Distribution"
                                value={distribution ?? 'uniform'}
                                choices={distributions}
                                disabled={disabled}
                                save={(choice) =>
                                    editor.edit(`Tolerance of ${name}: ${distributions[choice]}`, (d) => changedTolerance(d, of, { distribution: choice }))
                                }
                            />
                        </Stack>
                    </Removable>
                );
            })}
            {!disabled && (
                <CandidatePicker
                    label="Add tolerance"
                    candidates={free}
                    pick={(one) =>
                        void editor
                            .edit(`Tolerance of ${nameOfTolerance(one.of, known)}`, (d) => withTolerance(d, { of: one.of, by: suggestedTolerance(one) }))
                            .catch(() => undefined)
                    }
                />
            )}
            {tolerances.length === 0 && (
                <Typography variant="body2" color="text.secondary" sx={{ mt: 0.75 }}>
                    Of watts, interfaces, ambient or any other value. Judge then tells in how many builds every limit is met.
                </Typography>
            )}
        </Chapter>
    );
}
