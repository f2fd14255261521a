import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import { useState } from 'react';

export interface Naming {
    name: string;
    note: string;
}

interface Props extends Naming {
    title: string;
    action: string;
    /** What it does, in a sentence. */
    said?: string;
    error: Error | null;
    busy: boolean;
    onDone: (naming: Naming) => void;
    onClose: () => void;
}

/** Asks for the name of a variant, and what is to be remembered of it. */
export function NameDialog({ title, action, said, name, note, error, busy, onDone, onClose }: Props) {
    const [naming, setNaming] = useState<Naming>({ name, note });
    return (
        <Dialog open onClose={onClose} maxWidth="xs" fullWidth slotProps={{ paper: { 'aria-label': title } }}>
            <form
                onSubmit={(event) => {
                    event.preventDefault();
                    if (naming.name.trim() !== '' && !busy) onDone({ name: naming.name.trim(), note: naming.note });
                }}
            >
                <DialogTitle sx={{ fontSize: 16, fontWeight: 650, pb: 0.5 }}>{title}</DialogTitle>
                <DialogContent>
                    <Stack sx={{ gap: 1.5, pt: 1 }}>
                        {said && <span>{said}</span>}
                        <TextField
                            label="Name"
                            autoFocus
                            value={naming.name}
                            onFocus={(event) => event.target.select()}
                            onChange={(event) => setNaming({ ...naming, name: event.target.value })}
                            slotProps={{ htmlInput: { maxLength: 80 } }}
                        />
                        <TextField
                            label="Note"
                            multiline
                            minRows={2}
                            value={naming.note}
                            onChange={(event) => setNaming({ ...naming, note: event.target.value })}
                            slotProps={{ htmlInput: { maxLength: 2000 } }}
                        />
                        {error && <Alert severity="error">{error.message}</Alert>}
                    </Stack>
                </DialogContent>
                <DialogActions>
                    <Button color="inherit" onClick={onClose}>
                        Cancel
                    </Button>
                    <Button type="submit" variant="contained" disabled={busy || naming.name.trim() === ''}>
                        {action}
                    </Button>
                </DialogActions>
            </form>
        </Dialog>
    );
}
