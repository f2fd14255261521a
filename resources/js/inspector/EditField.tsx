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
    useEffect(() => setText(value), [value]);
    // Enter and leaving the field right after it are one edit.
    const underWay = useRef<string | null>(null);
    const commit = () => {
        const wanted = text.trim();
        if (wanted === value || wanted === underWay.current) return;
        underWay.current = wanted;
        save(wanted)
            .catch(() => setText(value))
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
            onChange={(e) => setText(e.target.value)}
            onBlur={commit}
            onKeyDown={(e) => {
                if (e.key === 'Enter') commit();
                if (e.key === 'Escape') setText(value);
            }}
            sx={{ mb: 1.25 }}
        />
    );
}
