import TextField from '@mui/material/TextField';
import { useEffect, useRef, useState } from 'react';

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
    const [text, setText] = useState(value);
    // What was refused stays in the field, to be mended.
    const refused = useRef(false);
    useEffect(() => {
        if (!refused.current) setText(value);
    }, [value]);
    const type = (typed: string) => {
        refused.current = false;
        setText(typed);
    };
    // Enter and leaving the field right after it are one edit.
    const underWay = useRef<string | null>(null);
    const commit = () => {
        const wanted = text.trim();
        if (wanted === value || wanted === underWay.current || refused.current) return;
        underWay.current = wanted;
        save(wanted)
            .catch(() => {
                refused.current = true;
                setText(wanted);
            })
            .finally(() => { underWay.current = null; });
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
            error={refused.current}
            helperText={refused.current ? 'Not saved; Esc takes it back' : undefined}
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
