import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { reasonsOf } from '../api/client';
import { useImpedanceVariant } from '../api/queries';
import type { Variant } from '../api/types';
import { ChoiceField } from '../inspector/ChoiceField';
import { secondsOf } from '../model/loads';
import { bodiesOf, namesOf } from '../model/partKinds';
import type { ModelEditor } from '../model/useModelEditor';
import { useScreen } from '../state/screen';

interface Props {
    variant: Variant;
    project: number;
    editor: ModelEditor;
    onMade: (variant: number) => void;
    onClose: () => void;
}

/** Which part is heated alone, and for how long: a variant is made of it and computed. */
export function NewImpedance({ variant, project, editor, onMade, onClose }: Props) {
    const { revision } = editor;
    const bodies = bodiesOf(revision?.outline);
    const selection = useScreen((s) => s.selection);
    const grade = useScreen((s) => s.grade);
    const hottest = [...(revision?.outline.parts ?? [])].sort((a, b) => b.power - a.power)[0]?.id;
    const [source, setSource] = useState(selection.find((id) => id in bodies) ?? hottest ?? '');
    const [end, setEnd] = useState('600 s');
    const make = useImpedanceVariant(project);
    const seconds = secondsOf(end);
    const start = () =>
        void make
            .mutateAsync({ of: variant.id, revision: revision?.number ?? 1, source, end: seconds ?? 0, grade })
            .then((made) => onMade(made.id))
            .catch(() => undefined);
    return (
        <Dialog open onClose={onClose} maxWidth="xs" fullWidth slotProps={{ paper: { 'aria-label': 'Thermal impedance' } }}>
            <DialogTitle>Thermal impedance</DialogTitle>
            <DialogContent sx={{ pt: '8px !important', display: 'grid', gap: 1 }}>
                <Typography variant="body2" color="text.secondary" sx={{ mb: 1.5 }}>
                    One part alone is heated from 0 s on; the rise of any limit or watch over its watts is the thermal impedance Zth. A variant is made for it
                    and computed.
                </Typography>
                <ChoiceField
                    label="Heated part"
                    value={source}
                    choices={namesOf(bodies)}
                    disabled={false}
                    save={(id) => {
                        setSource(id);
                        return Promise.resolve();
                    }}
                />
                <TextField
                    size="small"
                    label="For"
                    value={end}
                    error={seconds === null || seconds <= 0}
                    helperText={seconds === null || seconds <= 0 ? 'A time above 0 is expected, such as 600 s or 10 min' : 'Until it is as warm as it becomes'}
                    onChange={(event) => setEnd(event.target.value)}
                />
                {make.error && <Alert severity="error">{reasonsOf(make.error).join(' ')}</Alert>}
            </DialogContent>
            <DialogActions>
                <Button color="inherit" onClick={onClose}>
                    Cancel
                </Button>
                <Button
                    variant="contained"
                    disabled={make.isPending || editor.state !== 'saved' || source === '' || seconds === null || seconds <= 0}
                    onClick={start}
                >
                    Compute
                </Button>
            </DialogActions>
        </Dialog>
    );
}
