import Box from '@mui/material/Box';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import type { BoardCopper } from '../api/types';
import { amperes } from '../units/units';
import { pressed } from './pressed';
import { netColour } from './raster';

/** Nets without terminals that are listed beside those with, the largest. */
const OTHERS = 8;

interface Props {
    nets: BoardCopper['nets'];
    chosen: number | null;
    onChoose: (net: number | null) => void;
}

/** A net that can be computed, though it says more than that it is ready, is in amber. */
const colourOf = ({ ready, says, terminals }: BoardCopper['nets'][number]): string => {
    if (ready) return says === 'ready' ? 'success.main' : 'warning.main';
    return terminals.length > 0 ? 'error.main' : 'text.secondary';
};

/** Nets with what their terminals put in and take out, and what still misses; those with terminals first. */
export function NetsTable({ nets, chosen, onChoose }: Props) {
    const numbered = nets.map((net, number) => ({ ...net, number }));
    const used = numbered.filter((net) => net.terminals.length > 0);
    const others = numbered.filter((net) => net.terminals.length === 0).sort((a, b) => b.pixels - a.pixels);
    return (
        <>
            <Table size="small" aria-label="Nets" sx={{ '& td, & th': { px: 0.75, py: 0.4, fontSize: 12.5 } }}>
                <TableHead>
                    <TableRow>
                        <TableCell>Net</TableCell>
                        <TableCell align="right">In</TableCell>
                        <TableCell align="right">Out</TableCell>
                        <TableCell>Circuit</TableCell>
                    </TableRow>
                </TableHead>
                <TableBody>
                    {[...used, ...others.slice(0, OTHERS)].map((net) => (
                        <TableRow
                            key={net.number}
                            hover
                            selected={net.number === chosen}
                            {...pressed(() => onChoose(net.number === chosen ? null : net.number))}
                            sx={{ cursor: 'pointer' }}
                        >
                            <TableCell sx={{ whiteSpace: 'nowrap' }}>
                                <Box
                                    component="span"
                                    sx={{
                                        display: 'inline-block',
                                        width: 10,
                                        height: 10,
                                        mr: 0.75,
                                        borderRadius: 0.5,
                                        bgcolor: `rgb(${netColour(net.number).join(',')})`,
                                    }}
                                />
                                {net.name}
                            </TableCell>
                            <TableCell align="right" sx={{ whiteSpace: 'nowrap' }}>
                                {net.in > 0 ? amperes(net.in) : '—'}
                            </TableCell>
                            <TableCell align="right" sx={{ whiteSpace: 'nowrap' }}>
                                {net.out > 0 ? amperes(net.out) : '—'}
                            </TableCell>
                            <TableCell sx={{ color: colourOf(net) }}>{net.says}</TableCell>
                        </TableRow>
                    ))}
                </TableBody>
            </Table>
            {others.length > OTHERS && (
                <Typography variant="body2" color="text.secondary" sx={{ mt: 0.5 }}>
                    and {others.length - OTHERS} smaller pieces of copper without terminals
                </Typography>
            )}
        </>
    );
}
