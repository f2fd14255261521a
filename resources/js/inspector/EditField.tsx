import TextField from '@mui/material/TextField';
import { useRef, useState, type ReactNode } from 'react';
import { useStateFor } from '../state/hooks';

interface Props {
    label: string;
    value: string;
    /** What holds while the field is empty. */
    hint?: string | undefined;
    disabled: boolean;
    /** What stands at its end. */
    end?: ReactNode;
    save: (text: string) => Promise<unknown>;
}

/** A row of three fields in the column, with room for a length with its unit in each. */
export const compact = {
    gap: 0.5,
    '& .MuiInputBase-input': { px: 0.75, fontSize: 13 },
    '& .MuiInputLabel-root': { ml: -0.75 },
    '& legend': { ml: -0.75 },
} as const;

/** A field that is saved with Enter or when it is left. */
export function EditField({ label, value, hint, disabled, end, save }: Props) {
    // What is typed over a value is gone with it; what was refused stays to be mended.
    const [typed, setTyped] = useStateFor<string, string | null>(value, null);
    const [kept, setKept] = useState<string | null>(null);
    const refused = kept !== null;
    const text = kept ?? typed ?? value;
    const type = (next: string) => {
        setKept(null);
        setTyped(next);
    };
    // Enter and leaving the field right after it are one edit.
    const underWay = useRef<string | null>(null);
    const commit = () => {
        const wanted = text.trim();
        if (wanted === value || wanted === underWay.current || refused) return;
        underWay.current = wanted;
        save(wanted)
            .then(
                // From now on the value speaks, even where it has stayed as it was.
                () => setTyped((now) => (now?.trim() === wanted ? null : now)),
                () => setKept(wanted),
            )
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
            slotProps={{ ...(hint && { inputLabel: { shrink: true } }), ...(end && { input: { endAdornment: end } }) }}
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
