import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';

interface Props<T extends string> {
    label: string;
    value: T;
    choices: Readonly<Record<T, string>>;
    disabled: boolean;
    save: (choice: T) => Promise<unknown>;
}

/** One of a few, saved at once. */
export function ChoiceField<T extends string>({ label, value, choices, disabled, save }: Props<T>) {
    return (
        <TextField
            select
            size="small"
            fullWidth
            label={label}
            value={value}
            disabled={disabled}
            sx={{ mb: 1.25 }}
            onChange={(e) => void save(e.target.value as T).catch(() => undefined)}
        >
            {(Object.keys(choices) as T[]).map((choice) => (
                <MenuItem key={choice} value={choice}>
                    {choices[choice]}
                </MenuItem>
            ))}
        </TextField>
    );
}
