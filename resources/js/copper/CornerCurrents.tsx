import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { reasonsOf } from '../api/client';
import { useCornerCurrents } from '../api/queries';
import type { Revision } from '../api/types';
import { Chapter } from '../inspector/Chapter';
import { usePreferences } from '../state/screen';
import { amperes, temperatureWithUnit, volts, watts } from '../units/units';
import { numbers } from './NetResults';

/** Cold and hot copper, degC. */
const CORNERS = [25, 125];

interface Props {
    revision: Revision;
    part: string;
}

/** Voltage drops and the worst via without heat, at cold and at hot copper: an answer in seconds, before any run. */
export function CornerCurrents({ revision, part }: Props) {
    const [wanted, setWanted] = useState(false);
    return (
        <Chapter title="Without heat" fields>
            {wanted ? (
                <Corners revision={revision} part={part} />
            ) : (
                <Button size="small" variant="outlined" onClick={() => setWanted(true)}>
                    Currents at {CORNERS.join(' and ')} °C
                </Button>
            )}
        </Chapter>
    );
}

function Corners({ revision, part }: Props) {
    const units = usePreferences((s) => s.units);
    const { data, error } = useCornerCurrents(revision.variant.id, part, revision.number, CORNERS);
    if (error) return <Alert severity="error">{reasonsOf(error).join(' ')}</Alert>;
    if (!data)
        return (
            <Typography variant="body2" color="text.secondary" role="status">
                Computing the currents…
            </Typography>
        );
    const worst = data.map(({ vias }) => Math.max(0, ...vias.map(({ current }) => current)));
    return (
        <Table size="small" aria-label="Currents without heat" sx={numbers}>
            <TableHead>
                <TableRow>
                    <TableCell>All copper at</TableCell>
                    {CORNERS.map((at) => (
                        <TableCell key={at} align="right">
                            {temperatureWithUnit(at + 273.15, units, 0)}
                        </TableCell>
                    ))}
                </TableRow>
            </TableHead>
            <TableBody>
                {data[0]!.nets.map((net, n) => (
                    <TableRow key={net.name}>
                        <TableCell>Drop, {net.name}</TableCell>
                        {data.map((corner, i) => (
                            <TableCell key={CORNERS[i]} align="right">
                                {volts(corner.nets[n]!.drop)}
                            </TableCell>
                        ))}
                    </TableRow>
                ))}
                <TableRow>
                    <TableCell>Heat</TableCell>
                    {data.map((corner, i) => (
                        <TableCell key={CORNERS[i]} align="right">
                            {watts(corner.power)} W
                        </TableCell>
                    ))}
                </TableRow>
                <TableRow>
                    <TableCell>Worst via</TableCell>
                    {worst.map((current, i) => (
                        <TableCell key={CORNERS[i]} align="right">
                            {amperes(current)}
                        </TableCell>
                    ))}
                </TableRow>
            </TableBody>
        </Table>
    );
}
