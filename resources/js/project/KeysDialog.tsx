import Dialog from '@mui/material/Dialog';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Stack from '@mui/material/Stack';

const keys: [string, string][] = [
    ['Ctrl+K', 'Find a command or a part'],
    ['1 – 5', 'Stages Build to Judge'],
    ['Enter', 'Edit the cell of the ledger; again to save'],
    ['Ctrl+Z, Ctrl+Shift+Z', 'Undo, redo'],
    ['Space', 'Select the row; with Ctrl one more, with Shift all up to it'],
    ['Ctrl+D', 'Duplicate the selected parts'],
    ['Delete', 'Remove the selected parts; Ctrl+Z brings them back'],
    ['H', 'Hide or show the selected parts'],
    ['M', 'Measure between two clicks in the view'],
    ['Esc', 'Clear the selection, end probing and measuring'],
    ['?', 'This list'],
];

export function KeysDialog({ open, onClose }: { open: boolean; onClose: () => void }) {
    return (
        <Dialog open={open} onClose={onClose}>
            <DialogTitle>Keys</DialogTitle>
            <DialogContent>
                {keys.map(([key, meaning]) => (
                    <Stack key={key} direction="row" sx={{ gap: 2, py: 0.5 }}>
                        <kbd style={{ minWidth: 160, fontFamily: 'inherit', fontWeight: 600 }}>{key}</kbd>
                        <span>{meaning}</span>
                    </Stack>
                ))}
            </DialogContent>
        </Dialog>
    );
}
