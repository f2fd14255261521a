import ContentPaste from '@mui/icons-material/ContentPaste';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import type { Outline } from '../api/types';
import { readTable, withLimits, withPowers } from '../model/table';
import type { ModelEditor } from '../model/useModelEditor';
import { usePreferences } from '../state/screen';
import { typedTemperatureUnit } from '../units/units';

const kinds = {
    watts: { title: 'Watts from a table', what: 'watts', change: withPowers, example: 'U1\t2.5\nMemory*\t0.75' },
    limits: { title: 'Limits from a table', what: 'highest temperature', change: withLimits, example: 'U1\t105\nC*\t85' },
} as const;

interface Props {
    kind: keyof typeof kinds;
    outline: Outline;
    editor: ModelEditor;
}

/** Watts or limits of many parts at once, from lines copied out of a spreadsheet or a CSV file. */
export function PasteTable({ kind, outline, editor }: Props) {
    const units = usePreferences((s) => s.units);
    const [text, setText] = useState<string | null>(null);
    const [busy, setBusy] = useState(false);
    const { title, what, change, example } = kinds[kind];
    const lines = readTable(text ?? '', outline.parts, kind === 'watts' ? 'W' : typedTemperatureUnit(units));
    const good = lines.filter((line) => line.problem === null);
    const reached = new Set(good.flatMap((line) => line.parts.map((part) => part.id))).size;
    const apply = () => {
        setBusy(true);
        editor
            .edit(`${title}: ${reached} parts`, (d) => change(d, lines))
            .then(
                () => setText(null),
                () => undefined,
            )
            .finally(() => setBusy(false));
    };
    return (
        <>
            <Button size="small" color="inherit" startIcon={<ContentPaste fontSize="small" />} onClick={() => setText('')} sx={{ whiteSpace: 'nowrap' }}>
                Paste table
            </Button>
            <Dialog open={text !== null} onClose={() => setText(null)} maxWidth="sm" fullWidth aria-labelledby="paste-title">
                <DialogTitle id="paste-title">{title}</DialogTitle>
                <DialogContent>
                    <TextField
                        autoFocus
                        multiline
                        minRows={6}
                        maxRows={12}
                        fullWidth
                        label={`Name or pattern, ${what}`}
                        placeholder={example}
                        helperText={`One part to a line; columns by tab, semicolon or comma. * stands for any letters. Without a unit, ${kind === 'watts' ? 'W' : typedTemperatureUnit(units)} is meant.`}
                        value={text ?? ''}
                        onChange={(e) => setText(e.target.value)}
                        slotProps={{ inputLabel: { shrink: true } }}
                        sx={{ mt: 1 }}
                    />
                    <Box component="ul" aria-label="What the table means" sx={{ pl: 2.5, mb: 0, fontSize: 13, maxHeight: 180, overflowY: 'auto' }}>
                        {lines.map((line, n) => (
                            <Box component="li" key={n} sx={{ color: line.problem ? 'error.main' : 'text.primary' }}>
                                {line.problem
                                    ? `${line.pattern || `Line ${n + 1}`}: ${line.problem}`
                                    : `${line.parts.map((p) => p.name).join(', ')}${line.forCopies ? ' and their linked copies' : ''}: ${line.value}`}
                            </Box>
                        ))}
                    </Box>
                </DialogContent>
                <DialogActions>
                    <Button color="inherit" onClick={() => setText(null)}>
                        Cancel
                    </Button>
                    <Button variant="contained" disabled={reached === 0} loading={busy} onClick={apply}>
                        {reached === 0 ? 'Apply' : `Apply to ${reached} ${reached === 1 ? 'part' : 'parts'}`}
                    </Button>
                </DialogActions>
            </Dialog>
        </>
    );
}
