import TextField from '@mui/material/TextField';
import { useRef, useState } from 'react';

interface Props {
    label: string;
    value: string;
    /** What holds while the field is empty. */
    hint?: string;
    disabled: boolean;
    save: (text: string) => Promise<unknown>;
}

/** A field that is saved with Enter or when it is left. */
export function EditField({ label, value, hint, disabled, save }: Props) {
    // What is typed, or was refused and stays to be mended; null while the field shows its value.
    const [draft, setDraft] = useState<{ text: string; refused: boolean } | null>(null);
    const [seen, setSeen] = useState(value);
    if (seen !== value) {
        // A new value takes the place of what was typed over the old one for good, but not of what was refused.
        setSeen(value);
        if (draft !== null && !draft.refused) setDraft(null);
    }
    const text = draft?.text ?? value;
    const refused = draft?.refused ?? false;
    const type = (typed: string) => setDraft({ text: typed, refused: false });
    // Enter and leaving the field right after it are one edit.
    const underWay = useRef<string | null>(null);
    const commit = () => {
        const wanted = text.trim();
        if (wanted === value || wanted === underWay.current || refused) return;
        underWay.current = wanted;
        save(wanted)
            .catch(() => setDraft({ text: wanted, refused: true }))
            .finally(() => {
                underWay.current = null;
            });
    };
    return (
        <TextField
            size="small"
            fullWidth
            label={label}
            placeholder={hint}
            slotProps={hint ? { inputLabel: { shrink: true } } : undefined}
            value={text}
            disabled={disabled}
            error={refused}
            helperText={refused ? 'Not saved; Esc takes it back' : undefined}
            onChange={(e) => type(e.target.value)}
            onBlur={commit}
            onKeyDown={(e) => {
                if (e.key === 'Enter') commit();
                if (e.key === 'Escape') type(value);
            }}
            sx={{ mb: 1.25 }}
        />
    );
}
