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
    const [draft, setDraft] = useState<{ text: string; of: string; refused: boolean } | null>(null);
    // A new value takes the place of what was typed over the old one, but not of what was refused.
    const shown = draft !== null && (draft.refused || draft.of === value) ? draft : null;
    const text = shown?.text ?? value;
    const refused = shown?.refused ?? false;
    const type = (typed: string) => setDraft({ text: typed, of: value, refused: false });
    // Enter and leaving the field right after it are one edit.
    const underWay = useRef<string | null>(null);
    const commit = () => {
        const wanted = text.trim();
        if (wanted === value || wanted === underWay.current || refused) return;
        underWay.current = wanted;
        save(wanted)
            .catch(() => setDraft({ text: wanted, of: value, refused: true }))
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
