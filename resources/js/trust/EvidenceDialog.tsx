import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Chip from '@mui/material/Chip';
import Skeleton from '@mui/material/Skeleton';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { Fragment, useState } from 'react';
import { useEvidence } from '../api/queries';
import { TableTools } from '../charts/TableTools';
import { TitledDialog } from '../theme/TitledDialog';
import { significant } from '../units/units';
import { linesOf, tally, type EvidenceCase, type EvidenceLine } from './evidence';

/** The verification cases: what is known, what was computed, and which of it this model leans on. */
export function EvidenceDialog({ variant, onClose }: { variant: number; onClose: () => void }) {
    const { data, error } = useEvidence(variant);
    const [mechanism, setMechanism] = useState<string | null>(null);
    const cases = (data?.cases ?? []).filter((one) => mechanism === null || one.covers.includes(mechanism));
    const { stated, working } = tally(data?.cases ?? []);
    const about = (id: string) => data?.cases.filter((one) => one.covers.includes(id)).length ?? 0;
    return (
        <TitledDialog title="Evidence" tools={data && <TableTools label="Evidence" table={() => tableOf(cases)} />} maxWidth="lg" fullWidth onClose={onClose}>
            {error && <Alert severity="error">{error.message}</Alert>}
            {!data && !error && [...Array(8).keys()].map((n) => <Skeleton key={n} height={26} />)}
            {data && (
                <>
                    <Typography sx={{ mb: 1, maxWidth: 880 }}>
                        {data.cases.length} problems whose answers are exact or published, computed by this solver. On the grids that the cases state,{' '}
                        <b>
                            {stated.within} of {stated.values}
                        </b>{' '}
                        values are within their tolerance. On the grids that <i>Working</i> makes by itself,{' '}
                        <b>
                            {working.within} of {working.values}
                        </b>
                        ; there a ± is given for {working.claimed}, and the known answer lies in it for {working.covered}.
                    </Typography>
                    <Stack
                        component="section"
                        aria-label="What this model uses"
                        direction="row"
                        sx={{ gap: 0.75, flexWrap: 'wrap', alignItems: 'center', mb: 1.5 }}
                    >
                        <Typography variant="body2" color="text.secondary">
                            This model uses
                        </Typography>
                        {data.mechanisms
                            .filter(({ used }) => used)
                            .map(({ id, title }) => (
                                <Chip
                                    key={id}
                                    size="small"
                                    clickable
                                    variant={mechanism === id ? 'filled' : 'outlined'}
                                    color={mechanism === id ? 'primary' : about(id) === 0 ? 'warning' : 'default'}
                                    aria-pressed={mechanism === id}
                                    label={`${title}: ${about(id) === 0 ? 'no case' : about(id) === 1 ? '1 case' : `${about(id)} cases`}`}
                                    onClick={() => setMechanism(mechanism === id ? null : id)}
                                />
                            ))}
                    </Stack>
                    <CasesTable cases={cases} />
                </>
            )}
        </TitledDialog>
    );
}

const headings = ['Known answer', 'Unit', 'Tolerance', 'Error, stated grid', 'Error, Working', '± of Working', 'Cells'];

function CasesTable({ cases }: { cases: readonly EvidenceCase[] }) {
    return (
        <Box
            component="table"
            aria-label="Verification cases"
            sx={{
                borderCollapse: 'collapse',
                width: '100%',
                fontSize: 12.5,
                fontVariantNumeric: 'tabular-nums',
                '& th, & td': { p: '3px 8px', textAlign: 'right', borderBottom: 1, borderColor: 'divider', whiteSpace: 'nowrap' },
                '& th': { fontWeight: 450, textAlign: 'left', whiteSpace: 'normal' },
                '& thead th': {
                    position: 'sticky',
                    top: 0,
                    bgcolor: 'background.paper',
                    color: 'text.secondary',
                    textAlign: 'right',
                    '&:first-of-type': { textAlign: 'left' },
                },
                '& .case': { bgcolor: 'action.hover', pt: 0.75 },
            }}
        >
            <thead>
                <tr>
                    <th scope="col">Quantity</th>
                    {headings.map((heading) => (
                        <th key={heading} scope="col">
                            {heading}
                        </th>
                    ))}
                </tr>
            </thead>
            <tbody>
                {cases.map((one) => (
                    <Fragment key={one.id}>
                        <tr>
                            <th scope="rowgroup" colSpan={8} className="case">
                                <b>{one.title}</b> {one.source}
                                {one.ended && (
                                    <Box component="span" sx={{ display: 'block', color: 'error.main' }}>
                                        At Working it ended without an answer: {one.ended}
                                    </Box>
                                )}
                            </th>
                        </tr>
                        {linesOf(one).map((line) => (
                            <tr key={line.quantity}>
                                <th scope="row">{line.quantity}</th>
                                <td>{significant(line.reference, 5)}</td>
                                <td>{line.unit}</td>
                                <td>{significant(line.tolerance, 2)}</td>
                                <ErrorCell error={line.stated} line={line} />
                                <ErrorCell error={line.working} line={line} />
                                <td>{line.plusMinus === null ? '' : `± ${significant(line.plusMinus, 2)}`}</td>
                                <td>{line.cells ?? ''}</td>
                            </tr>
                        ))}
                    </Fragment>
                ))}
            </tbody>
        </Box>
    );
}

function ErrorCell({ error, line }: { error: number | null; line: EvidenceLine }) {
    if (error === null) return <td>—</td>;
    const outside = Math.abs(error) > line.tolerance;
    return (
        <Box component="td" sx={outside ? { color: 'error.main', fontWeight: 600 } : undefined}>
            {outside && 'outside '}
            {error > 0 ? '+' : ''}
            {significant(error, 2)}
        </Box>
    );
}

const tableOf = (cases: readonly EvidenceCase[]): (string | number)[][] => [
    ['Case', 'Source', 'Quantity', ...headings],
    ...cases.flatMap((one) =>
        linesOf(one).map((line) => [
            one.title,
            one.source,
            line.quantity,
            line.reference,
            line.unit,
            line.tolerance,
            line.stated ?? '',
            line.working ?? '',
            line.plusMinus ?? '',
            line.cells ?? '',
        ]),
    ),
];
