import Box from '@mui/material/Box';
import InputBase from '@mui/material/InputBase';
import MenuItem from '@mui/material/MenuItem';
import Select from '@mui/material/Select';
import Stack from '@mui/material/Stack';
import Switch from '@mui/material/Switch';
import { useState, type ReactNode } from 'react';

/** A setting of what is shown: its name, and what it is set to. */
export function Setting({ label, children }: { label: string; children: ReactNode }) {
    return (
        <Stack direction="row" component="label" sx={{ alignItems: 'center', justifyContent: 'space-between', gap: 1, minHeight: 26 }}>
            <Box component="span" sx={{ color: 'text.secondary', whiteSpace: 'nowrap' }}>
                {label}
            </Box>
            {children}
        </Stack>
    );
}

export function Choice<V extends string>({
    label,
    value,
    options,
    onChange,
}: {
    label: string;
    value: V;
    options: readonly (readonly [V, string])[];
    onChange: (value: V) => void;
}) {
    return (
        <Setting label={label}>
            <Select
                variant="standard"
                disableUnderline
                value={value}
                onChange={(event) => onChange(event.target.value as V)}
                inputProps={{ 'aria-label': label }}
                sx={{ fontSize: 12.5, maxWidth: 140, '& .MuiSelect-select': { py: 0 } }}
            >
                {options.map(([option, title]) => (
                    <MenuItem key={option} dense value={option}>
                        {title}
                    </MenuItem>
                ))}
            </Select>
        </Setting>
    );
}

export function Toggle({ label, on, onChange }: { label: string; on: boolean; onChange: (on: boolean) => void }) {
    return (
        <Setting label={label}>
            <Switch size="small" checked={on} onChange={(event) => onChange(event.target.checked)} slotProps={{ input: { 'aria-label': label } }} />
        </Setting>
    );
}

interface NumberProps {
    label: string;
    /** As it reads while nobody types. */
    text: string;
    unit: string;
    /** Takes what was typed; false where it is no number that is possible. */
    onEnter: (text: string) => boolean;
    width?: number;
    align?: 'left' | 'right';
}

/** A number that is typed: Enter or leaving takes it, Escape does not, and one that is not possible stays marked. */
export function NumberBox({ label, text, unit, onEnter, width = 62, align = 'right' }: NumberProps) {
    const [typed, setTyped] = useState<string | null>(null);
    const [wrong, setWrong] = useState(false);
    const take = () => {
        if (typed === null) return;
        const taken = typed === text || onEnter(typed);
        setWrong(!taken);
        if (taken) setTyped(null);
    };
    return (
        <InputBase
            value={typed ?? text}
            onFocus={(event) => event.target.select()}
            onChange={(event) => {
                setTyped(event.target.value);
                setWrong(false);
            }}
            onBlur={take}
            onKeyDown={(event) => {
                if (event.key === 'Enter') take();
                if (event.key === 'Escape') {
                    event.stopPropagation();
                    setTyped(null);
                    setWrong(false);
                }
            }}
            inputProps={{ 'aria-label': label, 'aria-invalid': wrong }}
            endAdornment={
                <Box component="span" sx={{ color: 'text.secondary', ml: 0.5, whiteSpace: 'nowrap' }}>
                    {unit}
                </Box>
            }
            sx={{
                fontSize: 12.5,
                borderBottom: 1,
                borderColor: wrong ? 'error.main' : 'divider',
                '& input': { width, p: 0, textAlign: align, fontVariantNumeric: 'tabular-nums' },
            }}
        />
    );
}

export function NumberSetting(props: NumberProps) {
    return (
        <Setting label={props.label}>
            <NumberBox {...props} />
        </Setting>
    );
}
