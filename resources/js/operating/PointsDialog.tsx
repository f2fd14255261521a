import Box from '@mui/material/Box';
import Skeleton from '@mui/material/Skeleton';
import { useMemo } from 'react';
import { useResult } from '../api/queries';
import type { Run } from '../api/types';
import { TableTools } from '../charts/TableTools';
import { TitledDialog } from '../theme/TitledDialog';
import { verdictColours } from '../theme/verdicts';
import type { UnitSet } from '../units/units';
import { cellsOf, pointsTable, valuesOf } from './table';

interface Props {
    run: Run;
    /** The picture of the model as it stands. */
    base: number;
    units: UnitSet;
    onClose: () => void;
}

/** Limits and watches of all operating points side by side, with what is left to each limit. */
export function PointsDialog({ run, base, units, onClose }: Props) {
    const { data } = useResult(run.id, base);
    const points = run.points.filter(({ picture }) => picture !== null);
    const rows = useMemo(() => (data ? pointsTable(data, points, units) : null), [data, points, units]);
    return (
        <TitledDialog
            title="Operating points"
            tools={rows && <TableTools label="Operating points" table={() => cellsOf(rows, points)} />}
            maxWidth="lg"
            onClose={onClose}
        >
            {rows === null ? (
                <Skeleton height={160} width={480} />
            ) : (
                <Box
                    component="table"
                    aria-label="Operating points"
                    sx={{
                        borderCollapse: 'collapse',
                        fontSize: 13,
                        fontVariantNumeric: 'tabular-nums',
                        '& th': { p: '5px 12px', textAlign: 'right', verticalAlign: 'top', fontWeight: 500, color: 'text.secondary' },
                        '& td': { p: '5px 12px', borderTop: 1, borderColor: 'divider', textAlign: 'right', verticalAlign: 'top' },
                        '& th:first-of-type, & td:first-of-type': { textAlign: 'left' },
                    }}
                >
                    <thead>
                        <tr>
                            <th scope="col">Limit or watch</th>
                            <th scope="col">As it stands</th>
                            {points.map((point) => (
                                <th key={point.name} scope="col">
                                    {point.name}
                                    {valuesOf(point).map((value) => (
                                        <Box key={value} sx={{ fontSize: 12, fontWeight: 400 }}>
                                            {value}
                                        </Box>
                                    ))}
                                </th>
                            ))}
                        </tr>
                    </thead>
                    <tbody>
                        {rows.map(({ id, name, cells }) => (
                            <tr key={id}>
                                <td>{name}</td>
                                {cells.map(({ text, margin, verdict }, n) => (
                                    <td key={n}>
                                        {text || '—'}
                                        {margin && (
                                            <Box
                                                component="span"
                                                sx={{ display: 'block', fontSize: 12, color: verdict ? verdictColours[verdict] : 'text.secondary' }}
                                            >
                                                {margin}
                                                {verdict === 'missed' && ' missed'}
                                            </Box>
                                        )}
                                    </td>
                                ))}
                            </tr>
                        ))}
                    </tbody>
                </Box>
            )}
        </TitledDialog>
    );
}
