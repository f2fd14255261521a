import Autocomplete from '@mui/material/Autocomplete';
import Box from '@mui/material/Box';
import TextField from '@mui/material/TextField';
import { useMaterials } from '../api/queries';
import type { ModelDocument } from '../model/document';
import { allMaterials } from '../model/materials';
import { number } from '../units/units';

interface Props {
    document: ModelDocument;
    value: string;
    disabled: boolean;
    save: (material: string) => Promise<unknown>;
}

/** A material by search, with its conductivity beside it. */
export function MaterialField({ document, value, disabled, save }: Props) {
    const materials = useMaterials();
    const choices = [
        ...allMaterials(document, materials.data ?? [])
            .filter((m) => !m.fluid)
            .map((m) => ({ id: m.id, title: m.title, group: m.category, conductivity: m.conductivity[0] ?? null })),
        { id: 'fluid', title: 'Carve-out: the air of the space', group: 'air', conductivity: null },
    ];
    const present = choices.find((c) => c.id === value) ?? { id: value, title: value, group: 'of this model', conductivity: null };
    return (
        <Autocomplete
            size="small"
            disableClearable
            disabled={disabled}
            options={choices}
            value={present}
            groupBy={(choice) => choice.group}
            getOptionLabel={(choice) => choice.title}
            getOptionKey={(choice) => choice.id}
            isOptionEqualToValue={(a, b) => a.id === b.id}
            onChange={(_e, choice) => void save(choice.id).catch(() => undefined)}
            renderInput={(params) => <TextField {...params} label="Material" />}
            renderOption={({ key, ...props }, choice) => (
                <li key={key} {...props} style={{ fontSize: 13, justifyContent: 'space-between', gap: 12 }}>
                    {choice.title}
                    {choice.conductivity !== null && (
                        <Box component="span" sx={{ color: 'text.secondary', whiteSpace: 'nowrap' }}>
                            {number(choice.conductivity, choice.conductivity < 10 ? 2 : 0)} W/m/K
                        </Box>
                    )}
                </li>
            )}
            sx={{ mb: 1.25 }}
        />
    );
}
