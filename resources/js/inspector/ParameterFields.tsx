import Add from '@mui/icons-material/Add';
import DeleteOutlined from '@mui/icons-material/DeleteOutlined';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import Stack from '@mui/material/Stack';
import Tooltip from '@mui/material/Tooltip';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { ModelDocument } from '../model/document';
import { circle, freeParameter, parametersOf, uses, withoutParameter, withParameter, withRenamed } from '../model/parameters';
import type { ModelEditor } from '../model/useModelEditor';
import { Chapter } from './Chapter';
import { EditField } from './EditField';

interface Props {
    document: ModelDocument;
    editor: ModelEditor;
    mayEdit: boolean;
}

/** Named values that any field may use by formula, as in "2 * gap + 1 mm". */
export function ParameterFields({ document, editor, mayEdit }: Props) {
    const [refusal, setRefusal] = useState<string | null>(null);
    const parameters = parametersOf(document);
    const quietly = (edit: Promise<unknown>) => void edit.catch(() => undefined);
    const rename = (from: string, to: string): Promise<unknown> => {
        const problem = !/^[A-Za-z_][A-Za-z0-9_]{0,63}$/.test(to)
            ? `"${to}" is no name: letters, digits and _ , beginning with a letter.`
            : to in parameters
              ? `There is a parameter "${to}" already.`
              : null;
        setRefusal(problem);
        return problem ? Promise.reject(new Error(problem)) : editor.edit(`Parameter ${from} is called ${to}`, (d) => withRenamed(d, from, to));
    };
    const assign = (name: string, formula: string): Promise<unknown> => {
        const round = circle({ ...parameters, [name]: formula }, name);
        setRefusal(round ? `${name} would depend on itself: ${round.join(' → ')}.` : null);
        return round ? Promise.reject(new Error('circle')) : editor.edit(`Parameter ${name}: ${formula}`, (d) => withParameter(d, name, formula));
    };
    return (
        <Chapter title="Parameters" fields>
            {Object.entries(parameters).map(([name, formula]) => {
                const count = uses(document, name);
                return (
                    <Box key={name} sx={{ mb: 1.25, '& .MuiTextField-root': { mb: 0.25 } }}>
                        <Stack direction="row" sx={{ gap: 0.75, alignItems: 'start' }}>
                            <Box sx={{ flex: '0 1 42%' }}>
                                <EditField label="Name" value={name} disabled={!mayEdit} save={(to) => rename(name, to)} />
                            </Box>
                            <EditField label="Value" value={formula} disabled={!mayEdit} save={(text) => assign(name, text)} />
                            <Tooltip title={count > 0 ? 'Used by a formula: it cannot be removed' : `Remove ${name}`}>
                                <span>
                                    <IconButton
                                        size="small"
                                        aria-label={`Remove parameter ${name}`}
                                        disabled={!mayEdit || count > 0}
                                        onClick={() => quietly(editor.edit(`Remove parameter ${name}`, (d) => withoutParameter(d, name)))}
                                    >
                                        <DeleteOutlined fontSize="small" />
                                    </IconButton>
                                </span>
                            </Tooltip>
                        </Stack>
                        <Box sx={{ fontSize: 12, color: count === 0 ? 'warning.main' : 'text.secondary' }}>
                            {count === 0 ? 'not used yet' : count === 1 ? 'used once' : `used ${count} times`}
                        </Box>
                    </Box>
                );
            })}
            {refusal && (
                <Typography role="alert" variant="body2" color="error">
                    {refusal}
                </Typography>
            )}
            <Button
                size="small"
                color="inherit"
                startIcon={<Add fontSize="small" />}
                disabled={!mayEdit}
                onClick={() => {
                    const name = freeParameter(document);
                    quietly(editor.edit(`Parameter ${name}`, (d) => withParameter(d, name, '10 mm')));
                }}
            >
                Add parameter
            </Button>
        </Chapter>
    );
}
