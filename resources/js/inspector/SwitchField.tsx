import FormControlLabel from '@mui/material/FormControlLabel';
import Switch from '@mui/material/Switch';

interface Props {
    label: string;
    on: boolean;
    disabled: boolean;
    /** Room below it. */
    below?: number;
    save: (on: boolean) => Promise<unknown>;
}

/** Yes or no, saved at once. */
export function SwitchField({ label, on, disabled, below = 1, save }: Props) {
    return (
        <FormControlLabel
            sx={{ mb: below, '& .MuiTypography-root': { fontSize: 13 } }}
            control={<Switch size="small" checked={on} disabled={disabled} onChange={(_e, chosen) => void save(chosen).catch(() => undefined)} />}
            label={label}
        />
    );
}
