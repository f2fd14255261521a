import Dialog from '@mui/material/Dialog';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import FormControlLabel from '@mui/material/FormControlLabel';
import Stack from '@mui/material/Stack';
import Switch from '@mui/material/Switch';
import { keys } from './keys';
import { usePreferences } from '../state/screen';

export function KeysDialog({ open, onClose }: { open: boolean; onClose: () => void }) {
    const letters = usePreferences((s) => s.letterKeys);
    const setLetters = usePreferences((s) => s.setLetterKeys);
    return (
        <Dialog open={open} onClose={onClose}>
            <DialogTitle>Keys</DialogTitle>
            <DialogContent>
                {keys
                    .filter((key) => key.shown)
                    .map((key) => (
                        <Stack key={key.shown} direction="row" sx={{ gap: 2, py: 0.5, opacity: key.plain && !letters ? 0.5 : 1 }}>
                            <kbd style={{ minWidth: 160, fontFamily: 'inherit', fontWeight: 600 }}>{key.shown}</kbd>
                            <span>{key.meaning}</span>
                        </Stack>
                    ))}
                <FormControlLabel
                    sx={{ mt: 1 }}
                    control={<Switch size="small" checked={letters} onChange={(_e, on) => setLetters(on)} />}
                    label="Single letters and digits act"
                />
            </DialogContent>
        </Dialog>
    );
}
