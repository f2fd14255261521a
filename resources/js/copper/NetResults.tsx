import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import type { BoardCurrents } from '../api/types';
import { usePreferences } from '../state/screen';
import { amperes, difference, differenceUnit, number, temperatureWithUnit, volts, watts, type UnitSet } from '../units/units';

/** How tables of numbers look in a dialog. */
export const numbers = { '& td, & th': { px: 0.75, py: 0.35, fontSize: 12.5, whiteSpace: 'nowrap' } } as const;

/** What the chart says of a trace as wide as the net is where its heat is made, to compare with. */
function chartedRise({ charted, section }: BoardCurrents['nets'][number], units: UnitSet): string {
    // Results of before have none.
    if (section == null || charted === undefined) return '—';
    if (charted === null) return 'over 100 K';
    return charted === 0 ? `under ${difference(1, units)} ${differenceUnit(units)}`.replace('+', '') : `${difference(charted, units)} ${differenceUnit(units)}`;
}

/** Nets, layers and terminals: what flows, drops and heats. */
export function NetResults({ currents }: { currents: BoardCurrents }) {
    const units = usePreferences((s) => s.units);
    const head = (cells: readonly string[]) => (
        <TableHead>
            <TableRow>
                {cells.map((cell, n) => (
                    <TableCell key={cell} align={n === 0 ? 'left' : 'right'}>
                        {cell}
                    </TableCell>
                ))}
            </TableRow>
        </TableHead>
    );
    const row = (key: string, cells: readonly string[]) => (
        <TableRow key={key}>
            {cells.map((cell, n) => (
                <TableCell key={n} align={n === 0 ? 'left' : 'right'}>
                    {cell}
                </TableCell>
            ))}
        </TableRow>
    );
    return (
        <>
            <Table size="small" aria-label="Currents of nets" sx={numbers}>
                {head(['Net', 'Current', 'Voltage drop', 'Resistance', 'Heat', 'Hottest', 'Rise by IPC-2152'])}
                <TableBody>
                    {currents.nets.map((net) =>
                        row(net.name, [
                            net.name,
                            amperes(net.current),
                            volts(net.drop),
                            net.resistance === null ? '—' : `${number(1e3 * net.resistance, 3)} mΩ`,
                            `${watts(net.heat)} W`,
                            temperatureWithUnit(net.temperature, units),
                            chartedRise(net, units),
                        ]),
                    )}
                </TableBody>
            </Table>
            <Table size="small" aria-label="Currents on layers" sx={{ ...numbers, mt: 1 }}>
                {head(['Layer', 'Greatest density', 'Heat', 'Hottest'])}
                <TableBody>
                    {[...currents.layers]
                        .reverse()
                        .map((layer) =>
                            row(layer.name, [
                                `${layer.name}, ${layer.outer ? 'outer' : 'inner'}`,
                                `${number(1e-6 * layer.density, 1)} A/mm²`,
                                `${watts(layer.heat)} W`,
                                temperatureWithUnit(layer.temperature, units),
                            ]),
                        )}
                </TableBody>
            </Table>
            <Table size="small" aria-label="Currents at terminals" sx={{ ...numbers, mt: 1 }}>
                {head(['Terminal', 'Current in', 'Voltage'])}
                <TableBody>
                    {currents.terminals.flatMap((terminal) => [
                        row(terminal.name, [terminal.name, amperes(terminal.current), volts(terminal.voltage)]),
                        ...(terminal.pads ?? []).map((current, n) => row(`${terminal.name} ${n}`, [`pad ${n + 1}`, amperes(current), ''])),
                    ])}
                </TableBody>
            </Table>
        </>
    );
}
