import Box from '@mui/material/Box';
import MenuItem from '@mui/material/MenuItem';
import Select from '@mui/material/Select';
import Tooltip from '@mui/material/Tooltip';
import { useRef, useState } from 'react';

interface Props {
    label: string;
    text: string;
    /** What was typed before and refused. */
    draft: string | undefined;
    options: { value: string; label: string }[] | undefined;
    right: boolean;
    save: (text: string) => void;
    close: () => void;
}

/** Edits one cell. Enter and leaving the cell save, Esc takes back; what is refused comes back to be mended. */
export function CellEditor({ label, text, draft, options, right, save, close }: Props) {
    const [typed, setTyped] = useState(draft ?? text);
    const [refused, setRefused] = useState(draft !== undefined);
    const ended = useRef(false);
    const commit = (value: string) => {
        if (ended.current) return;
        ended.current = true;
        close();
        if (value !== text) save(value);
    };
    if (options) {
        return (
            <Select
                defaultOpen
                variant="standard"
                disableUnderline
                fullWidth
                value={text}
                inputProps={{ 'aria-label': label }}
                onChange={(event) => commit(event.target.value)}
                onClose={() => {
                    if (!ended.current) close();
                }}
                onKeyDown={(event) => event.stopPropagation()}
                onClick={(event) => event.stopPropagation()}
                sx={{ fontSize: 13 }}
            >
                {options.map((option) => (
                    <MenuItem key={option.value} value={option.value} dense>
                        {option.label}
                    </MenuItem>
                ))}
            </Select>
        );
    }
    return (
        <Tooltip open={refused} title="Not saved; Esc takes it back">
            <Box
                component="input"
                autoFocus
                aria-label={label}
                aria-invalid={refused}
                value={typed}
                onFocus={(event: React.FocusEvent<HTMLInputElement>) => event.target.select()}
                onClick={(event: React.MouseEvent) => event.stopPropagation()}
                onDoubleClick={(event: React.MouseEvent) => event.stopPropagation()}
                onChange={(event: React.ChangeEvent<HTMLInputElement>) => {
                    setRefused(false);
                    setTyped(event.target.value);
                }}
                onBlur={() => {
                    if (!refused) commit(typed);
                }}
                onKeyDown={(event: React.KeyboardEvent) => {
                    event.stopPropagation();
                    if (event.key === 'Enter') commit(typed);
                    if (event.key === 'Escape') {
                        ended.current = true;
                        close();
                    }
                }}
                sx={{
                    width: '100%',
                    font: 'inherit',
                    fontVariantNumeric: 'tabular-nums',
                    textAlign: right ? 'right' : 'left',
                    border: 1,
                    borderColor: refused ? 'error.main' : 'primary.main',
                    borderRadius: 0.5,
                    bgcolor: 'background.paper',
                    color: refused ? 'error.main' : 'text.primary',
                    px: 0.5,
                    py: 0,
                    height: 22,
                    outline: 0,
                }}
            />
        </Tooltip>
    );
}
