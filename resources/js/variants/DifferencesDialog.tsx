import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import MenuItem from '@mui/material/MenuItem';
import Select from '@mui/material/Select';
import Skeleton from '@mui/material/Skeleton';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { TableTools } from '../charts/TableTools';
import type { ModelEditor } from '../model/useModelEditor';
import { useScreen } from '../state/screen';
import { TitledDialog } from '../theme/TitledDialog';
import { taking } from './differences';
import { useAgainst } from './useAgainst';
import type { Variants } from './useVariants';

interface Props {
    variants: Variants;
    editor: ModelEditor;
    onClose: () => void;
}

/** What this variant says otherwise than another one, or than an earlier revision of itself; and the way to take such things over. */
export function DifferencesDialog({ variants, editor, onClose }: Props) {
    const { list: all, current, mayEdit } = variants;
    const { against, set, select } = useScreen();
    const { document, list, error } = useAgainst(editor.revision?.document);
    const [chosen, setChosen] = useState<readonly string[]>([]);
    const others = all.filter(({ id }) => id !== current.id);
    const choices = [
        ...others.map(({ id, name }) => ({ key: String(id), variant: id, revision: null, name })),
        ...(against?.revision != null ? [{ key: `${against.variant}@${against.revision}`, ...against }] : []),
    ];
    const at = against ? (against.revision === null ? String(against.variant) : `${against.variant}@${against.revision}`) : '';
    const keyOf = (path: unknown) => JSON.stringify(path);
    const taken = (list ?? []).filter(({ path }) => chosen.includes(keyOf(path)));
    const take = async () => {
        if (!document || !against) return;
        await editor.edit(
            taken.length === 1
                ? `Take ${taken[0]!.property} of ${taken[0]!.subject} from ${against.name}`
                : `Take ${taken.length} differences from ${against.name}`,
            (mine) => taking(mine, document, taken),
        );
        setChosen([]);
    };
    return (
        <TitledDialog
            title={`Differences of ${current.name}`}
            tools={
                list && (
                    <TableTools
                        label="Differences"
                        table={() => [
                            ['What', 'Property', against?.name ?? '', current.name],
                            ...list.map(({ subject, property, from, to }) => [subject, property, from ?? '', to ?? '']),
                        ]}
                    />
                )
            }
            maxWidth="md"
            fullWidth
            onClose={onClose}
        >
            <Stack direction="row" sx={{ alignItems: 'center', gap: 1, mb: 1 }}>
                <span>from</span>
                <Select
                    size="small"
                    value={at}
                    displayEmpty
                    inputProps={{ 'aria-label': 'Held against' }}
                    renderValue={() => against?.name ?? 'choose a variant'}
                    onChange={(event) => {
                        const choice = choices.find(({ key }) => key === event.target.value);
                        setChosen([]);
                        if (choice) set({ against: { variant: choice.variant, revision: choice.revision, name: choice.name } });
                    }}
                    sx={{ minWidth: 220, fontSize: 13 }}
                >
                    {choices.map(({ key, name }) => (
                        <MenuItem key={key} value={key} dense>
                            {name}
                        </MenuItem>
                    ))}
                    {choices.length === 0 && (
                        <MenuItem disabled dense>
                            There is no other variant; Revisions offers earlier states
                        </MenuItem>
                    )}
                </Select>
                <Box sx={{ flex: 1 }} />
                {mayEdit && taken.length > 0 && (
                    <Button variant="contained" onClick={() => void take().catch(() => undefined)}>
                        Take {taken.length === 1 ? 'it' : `these ${taken.length}`} over into {current.name}
                    </Button>
                )}
            </Stack>
            {error && <Alert severity="error">{error.message}</Alert>}
            {against && !list && !error && [...Array(5).keys()].map((n) => <Skeleton key={n} height={28} />)}
            {!against && (
                <Typography color="text.secondary">
                    Choose what this variant is held against. Parts that differ are then marked in the ledger and the view.
                </Typography>
            )}
            {list?.length === 0 && <Typography color="text.secondary">Nothing differs.</Typography>}
            {list && list.length > 0 && (
                <Box
                    component="table"
                    aria-label="Differences"
                    sx={{
                        borderCollapse: 'collapse',
                        width: '100%',
                        '& th, & td': {
                            p: '4px 8px',
                            textAlign: 'left',
                            verticalAlign: 'top',
                            borderBottom: 1,
                            borderColor: 'divider',
                            overflowWrap: 'anywhere',
                        },
                        '& th': { fontWeight: 500 },
                        '& thead th': { color: 'text.secondary' },
                        '& td.none': { color: 'text.secondary' },
                    }}
                >
                    <thead>
                        <tr>
                            {mayEdit && <th scope="col" aria-label="Take over" style={{ width: 28 }} />}
                            <th scope="col">What</th>
                            <th scope="col">Property</th>
                            <th scope="col">{against?.name}</th>
                            <th scope="col">{current.name}</th>
                        </tr>
                    </thead>
                    <tbody>
                        {list.map(({ path, subject, property, part, from, to }, n) => {
                            const key = keyOf(path);
                            return (
                                <tr key={key} onMouseEnter={() => set({ lit: part ? [part] : [] })} onMouseLeave={() => set({ lit: [] })}>
                                    {mayEdit && (
                                        <td style={{ padding: 0 }}>
                                            <Checkbox
                                                size="small"
                                                checked={chosen.includes(key)}
                                                onChange={() => setChosen(chosen.includes(key) ? chosen.filter((one) => one !== key) : [...chosen, key])}
                                                slotProps={{ input: { 'aria-label': `Take ${property} of ${subject}` } }}
                                                sx={{ p: 0.5 }}
                                            />
                                        </td>
                                    )}
                                    <th scope="row">
                                        {n > 0 && list[n - 1]!.subject === subject ? (
                                            <Box component="span" sx={{ color: 'text.secondary' }}>
                                                {subject}
                                            </Box>
                                        ) : part ? (
                                            <Button
                                                color="inherit"
                                                size="small"
                                                sx={{ p: 0, minWidth: 0, fontWeight: 550, textAlign: 'left' }}
                                                onClick={() => {
                                                    select(part);
                                                    onClose();
                                                }}
                                            >
                                                {subject}
                                            </Button>
                                        ) : (
                                            subject
                                        )}
                                    </th>
                                    <td>{property}</td>
                                    <td className={from === null ? 'none' : undefined}>{from ?? 'not there'}</td>
                                    <td className={to === null ? 'none' : undefined}>{to ?? 'not there'}</td>
                                </tr>
                            );
                        })}
                    </tbody>
                </Box>
            )}
        </TitledDialog>
    );
}
