import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import type { BoardCurrents } from '../api/types';
import { usePreferences } from '../state/screen';
import { amperes, number, place, size } from '../units/units';
import { numbers } from './NetResults';
import { pressed } from './pressed';

/** Vias that are listed. */
const MOST = 200;

interface Props {
    vias: BoardCurrents['vias'];
    lit: number | null;
    onLit: (via: number | null) => void;
    /** Adds vias beside one; not where nothing may be changed. */
    onMore: ((via: number) => void) | undefined;
}

type Via = Props['vias'][number];

/** What is left to the limit, A; without a limit those with the most current come first. */
const marginOf = ({ current, limit }: Via): number => (limit === null ? -current : limit - current);

/** Every via with its current and what it may carry, the worst first. */
export function ViaResults({ vias, lit, onLit, onMore }: Props) {
    const units = usePreferences((s) => s.units);
    const sorted = vias.map((via, number_) => ({ ...via, number: number_ })).sort((a, b) => marginOf(a) - marginOf(b));
    const limited = vias.some(({ limit }) => limit !== null);
    const over = vias.filter((via) => via.limit !== null && via.current > via.limit).length;
    return (
        <>
            <Typography variant="body2" sx={{ mb: 0.5, fontWeight: 550, color: over > 0 ? 'error.main' : 'text.primary' }}>
                {limited
                    ? over > 0
                        ? `${over} of ${vias.length} vias over their limit`
                        : `All ${vias.length} vias within their limit`
                    : `${vias.length} vias, no limit on their current`}
            </Typography>
            <Table size="small" aria-label="Currents of vias" sx={numbers}>
                <TableHead>
                    <TableRow>
                        <TableCell>Via</TableCell>
                        <TableCell align="right">Hole</TableCell>
                        <TableCell align="right">Current</TableCell>
                        <TableCell align="right">Density</TableCell>
                        <TableCell align="right">Limit</TableCell>
                        <TableCell align="right">Margin</TableCell>
                        <TableCell />
                    </TableRow>
                </TableHead>
                <TableBody>
                    {sorted.slice(0, MOST).map((via) => (
                        <TableRow
                            key={via.number}
                            hover
                            selected={via.number === lit}
                            {...pressed(() => onLit(via.number === lit ? null : via.number))}
                            sx={{ cursor: 'pointer' }}
                        >
                            <TableCell>
                                {via.net} at {place(via.at, units)}
                            </TableCell>
                            <TableCell align="right">{size([via.hole], units)}</TableCell>
                            <TableCell align="right">{number(via.current, 2)} A</TableCell>
                            <TableCell align="right">{number(1e-6 * via.density, 1)} A/mm²</TableCell>
                            <TableCell align="right">{via.limit === null ? '—' : amperes(via.limit)}</TableCell>
                            <TableCell align="right">
                                {via.limit === null ? (
                                    '—'
                                ) : (
                                    <Box component="span" sx={{ color: via.current > via.limit ? 'error.main' : 'success.main' }}>
                                        {number(via.limit - via.current, 2)} A
                                    </Box>
                                )}
                            </TableCell>
                            <TableCell align="right" sx={{ width: 84 }}>
                                {onMore && via.number === lit && (
                                    <Button
                                        size="small"
                                        sx={{ py: 0, minWidth: 0 }}
                                        onClick={(event) => {
                                            event.stopPropagation();
                                            onMore(via.number);
                                        }}
                                    >
                                        More vias
                                    </Button>
                                )}
                            </TableCell>
                        </TableRow>
                    ))}
                </TableBody>
            </Table>
        </>
    );
}
