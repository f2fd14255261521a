import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
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
import { DifferencesTable, keyOf } from './DifferencesTable';
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
    const taken = (list ?? []).filter((difference) => chosen.includes(keyOf(difference)));
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
            {list && list.length > 0 && against && (
                <DifferencesTable
                    list={list}
                    from={against.name}
                    to={current.name}
                    chosen={chosen}
                    {...(mayEdit && { onToggle: (key: string) => setChosen(chosen.includes(key) ? chosen.filter((one) => one !== key) : [...chosen, key]) })}
                    onPart={(part) => {
                        select(part);
                        onClose();
                    }}
                />
            )}
        </TitledDialog>
    );
}
