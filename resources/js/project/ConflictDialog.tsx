import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Typography from '@mui/material/Typography';
import type { ModelEditor } from '../model/useModelEditor';

/** Two tabs edited the same variant: both versions stay in the history whatever is chosen. */
export function ConflictDialog({ editor }: { editor: ModelEditor }) {
    const conflict = editor.conflict;
    if (!conflict) return null;
    const { current } = conflict;
    return (
        <Dialog open aria-labelledby="conflict-title">
            <DialogTitle id="conflict-title">This variant was saved somewhere else</DialogTitle>
            <DialogContent>
                <Typography sx={{ mb: 1 }}>
                    {current.by ?? 'Someone'} saved revision {current.number} (“{current.step}”) while you worked on “{conflict.label}”.
                </Typography>
                <Typography color="text.secondary">
                    Take theirs drops your last edit. Keep mine saves this page's model as the next revision; theirs stays in the history as revision{' '}
                    {current.number}.
                </Typography>
            </DialogContent>
            <DialogActions>
                <Button onClick={() => void editor.takeTheirs()}>Take theirs</Button>
                <Button variant="contained" onClick={() => void editor.keepMine()}>
                    Keep mine
                </Button>
            </DialogActions>
        </Dialog>
    );
}
