import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Skeleton from '@mui/material/Skeleton';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useMemo, useState } from 'react';
import { reasonsOf } from '../api/client';
import { useImpedance } from '../api/queries';
import type { Result } from '../api/types';
import { Lines, plain } from '../charts/Lines';
import { TableTools } from '../charts/TableTools';
import { ChoiceField } from '../inspector/ChoiceField';
import { TitledDialog } from '../theme/TitledDialog';
import { choicesOf, impedanceTable, networkText } from './impedance';

/** The thermal impedance from the heated part to a limit or watch, with the Foster network that follows it. */
export function ImpedanceDialog({ run, result, onClose }: { run: number; result: Result; onClose: () => void }) {
    const choices = useMemo(() => choicesOf(result), [result]);
    const [watch, setWatch] = useState(Object.keys(choices)[0] ?? '');
    const { data, error } = useImpedance(run, watch);
    const series = useMemo(() => {
        // Both axes are logarithmic, as in data sheets.
        const points = (of: 1 | 2) => (data?.curve ?? []).flatMap((row) => (row[0]! > 0 && row[of]! > 0 ? [{ x: row[0]!, y: row[of]! }] : []));
        return [
            { name: 'Computed', points: points(1) },
            { name: 'Foster network', points: points(2), quiet: true },
        ];
    }, [data]);
    return (
        <TitledDialog
            title="Thermal impedance"
            tools={data && <TableTools label="Thermal impedance" table={() => impedanceTable(data)} />}
            maxWidth="md"
            fullWidth
            onClose={onClose}
        >
            <Box sx={{ maxWidth: 320, pt: 1 }}>
                <ChoiceField
                    label="To"
                    value={watch}
                    choices={choices}
                    disabled={false}
                    save={(id) => {
                        setWatch(id);
                        return Promise.resolve();
                    }}
                />
            </Box>
            {error && <Alert severity="info">{reasonsOf(error).join(' ')}</Alert>}
            {!data && !error && <Skeleton variant="rectangular" height={260} />}
            {data && (
                <Stack direction="row" sx={{ gap: 3, alignItems: 'flex-start', flexWrap: 'wrap' }}>
                    <Box sx={{ flex: '2 1 380px', minWidth: 0 }}>
                        <Lines
                            label="Thermal impedance over time"
                            height={260}
                            x={{ title: 'time, s', format: plain, logarithmic: true }}
                            y={{ title: 'Zth, K/W', format: plain, logarithmic: true }}
                            series={series}
                        />
                    </Box>
                    <Box sx={{ flex: '1 1 220px' }}>
                        <Typography component="h3" sx={{ fontWeight: 600, fontSize: 13 }}>
                            Foster network
                        </Typography>
                        <Box
                            component="table"
                            aria-label="Foster network"
                            sx={{
                                borderCollapse: 'collapse',
                                fontVariantNumeric: 'tabular-nums',
                                '& th, & td': { p: '3px 14px 3px 0', textAlign: 'right' },
                                '& th': { fontWeight: 500, color: 'text.secondary' },
                            }}
                        >
                            <thead>
                                <tr>
                                    <th scope="col">R, K/W</th>
                                    <th scope="col">tau, s</th>
                                    <th scope="col">C, J/K</th>
                                </tr>
                            </thead>
                            <tbody>
                                {data.pairs.map(({ resistance, tau }) => (
                                    <tr key={tau}>
                                        <td>{plain(resistance)}</td>
                                        <td>{plain(tau)}</td>
                                        <td>{plain(tau / resistance)}</td>
                                    </tr>
                                ))}
                            </tbody>
                        </Box>
                        <Typography variant="body2" color="text.secondary" sx={{ mt: 1 }}>
                            Within {plain(data.difference)} K/W of the curve. As the junction in a part of another model:
                        </Typography>
                        <Box component="code" sx={{ display: 'block', userSelect: 'all', fontSize: 12.5, overflowWrap: 'anywhere' }}>
                            {networkText(data)}
                        </Box>
                    </Box>
                </Stack>
            )}
        </TitledDialog>
    );
}
