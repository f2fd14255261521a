import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { Fragment } from 'react';
import { useScreen } from '../state/screen';
import type { Difference } from '../variants/differences';

interface Props {
    /** Of every column against the base; empty for the base itself. */
    lists: readonly (readonly Difference[])[];
    names: readonly string[];
    base: number;
}

/** What the models of the columns say otherwise than that of the base. A part that is pointed at is lit up in the views. */
export function DifferencesTable({ lists, names, base }: Props) {
    const set = useScreen((s) => s.set);
    if (lists.every((list) => list.length === 0)) return <Typography sx={{ pt: 1.5, color: 'text.secondary' }}>The models say the same.</Typography>;
    return (
        <Box
            component="table"
            aria-label="What differs"
            sx={{
                borderCollapse: 'collapse',
                width: '100%',
                fontSize: 13,
                '& th, & td': { p: '4px 10px', borderBottom: 1, borderColor: 'divider', textAlign: 'left', overflowWrap: 'anywhere', verticalAlign: 'top' },
                '& th': { fontWeight: 450 },
                '& thead th': { position: 'sticky', top: 0, bgcolor: 'background.paper', color: 'text.secondary' },
            }}
        >
            <thead>
                <tr>
                    <th scope="col">What</th>
                    <th scope="col">Property</th>
                    <th scope="col">{names[base]} (base)</th>
                    <th scope="col">Here</th>
                </tr>
            </thead>
            <tbody>
                {lists.map((list, n) =>
                    list.length === 0 ? null : (
                        <Fragment key={`${n} ${names[n]}`}>
                            <tr>
                                <th scope="rowgroup" colSpan={4} style={{ fontWeight: 600 }}>
                                    {names[n]}
                                </th>
                            </tr>
                            {list.map(({ path, subject, property, part, from, to }) => (
                                <tr key={JSON.stringify(path)} onMouseEnter={() => set({ lit: part ? [part] : [] })} onMouseLeave={() => set({ lit: [] })}>
                                    <th scope="row">{subject}</th>
                                    <td>{property}</td>
                                    <td>{from ?? 'not there'}</td>
                                    <td>{to ?? 'not there'}</td>
                                </tr>
                            ))}
                        </Fragment>
                    ),
                )}
            </tbody>
        </Box>
    );
}
