import TextField from '@mui/material/TextField';
import { useEffect, useState } from 'react';

/** A field that is saved with Enter or when it is left. */
export function EditField({ label, value, disabled, save }: { label: string; value: string; disabled: boolean; save: (text: string) => Promise<unknown> }) {
    const [text, setText] = useState(value);
    useEffect(() => setText(value), [value]);
    const commit = () => {
        if (text.trim() !== value) save(text.trim()).catch(() => setText(value));
    };
    return (
        <TextField
            size="small"
            fullWidth
            label={label}
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
