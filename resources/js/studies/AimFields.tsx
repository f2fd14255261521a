import Add from '@mui/icons-material/Add';
import Close from '@mui/icons-material/Close';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import InputAdornment from '@mui/material/InputAdornment';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import { FORMULA, type AimChoice, type AimDraft } from './aims';

interface Props {
    aims: readonly AimDraft[];
    onAims: (aims: AimDraft[]) => void;
    choices: readonly AimChoice[];
    margin: string;
    onMargin: (margin: string) => void;
    /** Unit of temperature differences. */
    unit: string;
    example: string;
}

/** What a search is for: one aim or two, and the margin that every limit has to keep. */
export function AimFields({ aims, onAims, choices, margin, onMargin, unit, example }: Props) {
    const put = (n: number, change: Partial<AimDraft>) => onAims(aims.map((aim, own) => (own === n ? { ...aim, ...change } : aim)));
    const free = choices.find(({ key }) => aims.every((aim) => aim.key !== key));
    return (
        <Stack role="group" aria-label="Aims" sx={{ gap: 1.5 }}>
            {aims.map((aim, n) => (
                <Stack key={n} direction="row" sx={{ gap: 1, alignItems: 'center' }}>
                    <TextField
                        select
                        size="small"
                        label={n === 0 ? 'Aim' : 'Second aim'}
                        value={aim.most ? 'most' : 'least'}
                        onChange={(event) => put(n, { most: event.target.value === 'most' })}
                        sx={{ width: 110, flexShrink: 0 }}
                    >
                        <MenuItem value="least" dense>
                            least
                        </MenuItem>
                        <MenuItem value="most" dense>
                            most
                        </MenuItem>
                    </TextField>
                    <TextField
                        select
                        size="small"
                        label="Of"
                        value={aim.key}
                        onChange={(event) => put(n, { key: event.target.value, most: choices.find(({ key }) => key === event.target.value)?.most ?? false })}
                        sx={{ flex: 1, minWidth: 0 }}
                    >
                        {choices.map(({ key, title }) => (
                            <MenuItem key={key} value={key} dense>
                                {title}
                            </MenuItem>
                        ))}
                    </TextField>
                    {aim.key === FORMULA && (
                        <TextField
                            size="small"
                            label="Formula"
                            placeholder={example}
                            value={aim.formula}
                            onChange={(event) => put(n, { formula: event.target.value })}
                            sx={{ flex: 1 }}
                        />
                    )}
                    {aims.length > 1 && (
                        <IconButton
                            aria-label={n === 0 ? 'Remove the first aim' : 'Remove the second aim'}
                            onClick={() => onAims(aims.filter((_, own) => own !== n))}
                        >
                            <Close fontSize="small" />
                        </IconButton>
                    )}
                </Stack>
            ))}
            <Stack direction="row" sx={{ gap: 1, alignItems: 'center' }}>
                <TextField
                    size="small"
                    label="Worst margin at least"
                    placeholder="any"
                    value={margin}
                    onChange={(event) => onMargin(event.target.value)}
                    slotProps={{ input: { endAdornment: <InputAdornment position="end">{unit}</InputAdornment> }, inputLabel: { shrink: true } }}
                    sx={{ width: 190 }}
                />
                {aims.length === 1 && free && (
                    <Button
                        color="inherit"
                        startIcon={<Add fontSize="small" />}
                        onClick={() => onAims([...aims, { key: free.key, most: free.most, formula: '' }])}
                        sx={{ whiteSpace: 'nowrap' }}
                    >
                        Second aim
                    </Button>
                )}
            </Stack>
        </Stack>
    );
}
