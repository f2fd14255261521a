import Box from '@mui/material/Box';
import { useMemo } from 'react';
import type { Result } from '../api/types';
import { TableTools } from '../charts/TableTools';
import { EditField } from '../inspector/EditField';
import { secondsOf } from '../model/loads';
import { useStateFor } from '../state/hooks';
import { usePreferences } from '../state/screen';
import { TitledDialog } from '../theme/TitledDialog';
import { momentsTable } from './course';

/** Times in s; null where one of them is none. */
function timesFrom(text: string): number[] | null {
    const times = text.split(/[;\n]/).map((time) => secondsOf(time.trim()));
    return times.every((time) => time !== null) ? times : null;
}

/** Limits and watches at the moments that are kept, or at others that are typed; copied or saved. */
export function MomentsTable({ result, onClose }: { result: Result; onClose: () => void }) {
    const units = usePreferences((s) => s.units);
    const [typed, setTyped] = useStateFor<string, string>(result.model.hash, '');
    const times = useMemo(() => timesFrom(typed) ?? (result.time?.frames ?? []).map(({ time }) => time), [typed, result]);
    const [head, ...rows] = useMemo(() => momentsTable(result, times, units), [result, times, units]);
    const save = (text: string) => {
        if (text !== '' && timesFrom(text) === null) return Promise.reject(new Error('times are expected'));
        setTyped(text);
        return Promise.resolve();
    };
    return (
        <TitledDialog title="Values over time" tools={<TableTools label="Values over time" table={() => [head!, ...rows]} />} maxWidth="lg" onClose={onClose}>
            <Box sx={{ maxWidth: 420, pt: 1 }}>
                <EditField label="At" hint="kept moments; or 30 s; 2 min; 10 min" value={typed} disabled={false} save={save} />
            </Box>
            <Box
                component="table"
                aria-label="Values over time"
                sx={{
                    borderCollapse: 'collapse',
                    fontSize: 13,
                    fontVariantNumeric: 'tabular-nums',
                    '& th': { p: '5px 10px', textAlign: 'right', fontWeight: 500, color: 'text.secondary' },
                    '& td': { p: '4px 10px', borderTop: 1, borderColor: 'divider', textAlign: 'right' },
                }}
            >
                <thead>
                    <tr>
                        {head!.map((title) => (
                            <th key={title} scope="col">
                                {title}
                            </th>
                        ))}
                    </tr>
                </thead>
                <tbody>
                    {rows.map((row) => (
                        <tr key={row[0]}>
                            {row.map((value, n) => (
                                <td key={n}>{value === '' ? '—' : String(value).replace('-', '−')}</td>
                            ))}
                        </tr>
                    ))}
                </tbody>
            </Box>
        </TitledDialog>
    );
}
