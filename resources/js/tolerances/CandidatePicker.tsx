import Autocomplete, { createFilterOptions } from '@mui/material/Autocomplete';
import Box from '@mui/material/Box';
import TextField from '@mui/material/TextField';
import type { Candidate } from './tolerances';

/** Found by what it is, and by the part it is of. */
const filter = createFilterOptions<Candidate>({ stringify: ({ group, title }) => `${group} ${title}` });

interface Props {
    label: string;
    candidates: readonly Candidate[];
    pick: (one: Candidate) => void;
}

/** Finds a value of the model: a parameter, the ambient temperature, or what is written into a part. */
export function CandidatePicker({ label, candidates, pick }: Props) {
    return (
        <Autocomplete
            size="small"
            options={candidates}
            filterOptions={filter}
            groupBy={(one) => one.group}
            getOptionLabel={(one) => one.title}
            getOptionKey={(one) => one.of}
            value={null}
            blurOnSelect
            clearOnBlur
            renderOption={({ key, ...props }, one) => (
                <Box component="li" key={key} {...props} sx={{ fontSize: 13 }}>
                    {one.title}
                    <Box component="span" sx={{ color: 'text.secondary', ml: 1 }}>
                        {one.formula}
                    </Box>
                </Box>
            )}
            onChange={(_event, one) => one && pick(one)}
            renderInput={(params) => <TextField {...params} label={label} placeholder="parameter, or field of a part" />}
        />
    );
}
