import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { Result, Run } from '../api/types';
import { TableTools } from '../charts/TableTools';
import { Chapter, Line } from '../inspector/Chapter';
import { gradeNames } from '../model/grades';
import { usePreferences } from '../state/screen';
import { TitledDialog } from '../theme/TitledDialog';
import { scientific, thousands, watts } from '../units/units';
import { finerGrid, trustRows } from './trust';

interface Props {
    run: Run;
    result: Result;
    onEvidence: () => void;
    onClose: () => void;
}

/** How far the numbers of a run can be believed: each on every grid, what is still open, balances, warnings. */
export function TrustDialog({ run, result, onEvidence, onClose }: Props) {
    const units = usePreferences((s) => s.units);
    const { answer, because } = finerGrid(result, units);
    const rows = trustRows(result, units);
    const grids = result.levels.length > 0 ? result.levels.map((level) => level.cells) : [result.grid.cells];
    const table = () => [
        ['Limit or watch', ...grids.map((cells) => `${cells} cells`), '±', 'Why unknown'],
        ...rows.map((row) => [row.name, ...row.values, row.plusMinus, row.reason ?? '']),
    ];
    const reasons = [...new Set(rows.flatMap((row) => row.reason ?? []))];
    return (
        <TitledDialog
            title="How far to trust it"
            tools={
                <>
                    <Button size="small" color="inherit" aria-haspopup="dialog" onClick={onEvidence}>
                        Evidence
                    </Button>
                    <TableTools label="Trust" table={table} />
                </>
            }
            maxWidth="md"
            fullWidth
            onClose={onClose}
        >
            <Typography sx={{ mb: 1.5 }}>
                Would a finer grid change the verdict? <b>{answer[0]!.toUpperCase() + answer.slice(1)}</b>: {because}.
            </Typography>
            <Box
                component="table"
                aria-label="Values on every grid"
                sx={{
                    borderCollapse: 'collapse',
                    width: '100%',
                    fontVariantNumeric: 'tabular-nums',
                    '& th, & td': { p: '4px 10px', textAlign: 'left', borderBottom: 1, borderColor: 'divider' },
                    '& th': { fontWeight: 500 },
                    '& td': { textAlign: 'right', whiteSpace: 'nowrap' },
                    '& thead th': { color: 'text.secondary' },
                }}
            >
                <thead>
                    <tr>
                        <th scope="col">Limit or watch</th>
                        {grids.map((cells) => (
                            <th key={cells} scope="col" style={{ textAlign: 'right' }}>
                                {thousands(cells)} cells
                            </th>
                        ))}
                        <th scope="col" style={{ textAlign: 'right' }}>
                            ±
                        </th>
                    </tr>
                </thead>
                <tbody>
                    {rows.map((row) => (
                        <tr key={row.id}>
                            <th scope="row">{row.name}</th>
                            {row.values.map((value, n) => (
                                <Box component="td" key={n} sx={{ fontWeight: n === row.values.length - 1 ? 600 : undefined }}>
                                    {value}
                                </Box>
                            ))}
                            <td title={row.reason ?? undefined}>{row.plusMinus}</td>
                        </tr>
                    ))}
                </tbody>
            </Box>
            {reasons.map((reason) => (
                <Typography key={reason} variant="body2" color="text.secondary" sx={{ mt: 1 }}>
                    ± unknown: {reason}.
                </Typography>
            ))}
            <Chapter title={`The run: ${gradeNames[run.grade]}, revision ${run.revision}`}>
                <Line label="Heat in and out">
                    {watts(result.balance.in)} W, {watts(result.balance.out)} W: open by {scientific(100 * result.balance.error)} %
                </Line>
                {result.flow && <Line label="Mass through the openings, open by">{scientific(100 * result.flow.balance.error)} %</Line>}
                <Line label="Residual">
                    {scientific(result.solver.residual)} after {result.solver.iterations} iterations
                </Line>
            </Chapter>
            {result.warnings.length > 0 && (
                <Chapter title="Warnings" fields>
                    {result.warnings.map((warning) => (
                        <Typography key={warning} variant="body2" sx={{ color: 'error.main', mb: 0.5 }}>
                            {warning}
                        </Typography>
                    ))}
                </Chapter>
            )}
        </TitledDialog>
    );
}
