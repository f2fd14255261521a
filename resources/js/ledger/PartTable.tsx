import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import TableSortLabel from '@mui/material/TableSortLabel';
import { useMemo, useState } from 'react';
import type { Outline, Result } from '../api/types';
import { TableTools } from '../charts/TableTools';
import { usePreferences } from '../state/screen';
import { TitledDialog } from '../theme/TitledDialog';
import { number } from '../units/units';
import { partTable, tableColumns } from './partTable';

interface Props {
    outline: Outline;
    result: Result;
    onClose: () => void;
}

/** Everything that a run says of every part, with the columns that are wanted; sorted, copied, saved. */
export function PartTable({ outline, result, onClose }: Props) {
    const units = usePreferences((s) => s.units);
    const chosen = usePreferences((s) => s.partColumns);
    const choose = usePreferences((s) => s.setPartColumns);
    const [anchor, setAnchor] = useState<HTMLElement | null>(null);
    const [sort, setSort] = useState<{ column: number; descending: boolean } | null>(null);
    const columns = useMemo(() => tableColumns.filter((column) => chosen.includes(column.id)), [chosen]);
    const [head, ...body] = useMemo(() => partTable(outline, result, columns, units), [outline, result, columns, units]);
    const rows = useMemo(() => {
        if (!sort) return body;
        const sign = sort.descending ? -1 : 1;
        // Without a value: last, whichever way.
        const known = body.filter((row) => row[sort.column] !== '');
        const unknown = body.filter((row) => row[sort.column] === '');
        const by = (row: (string | number)[]) => row[sort.column]!;
        return [
            ...known.sort(
                (a, b) =>
                    sign *
                    (typeof by(a) === 'number' ? Number(by(a)) - Number(by(b)) : String(by(a)).localeCompare(String(by(b)), undefined, { numeric: true })),
            ),
            ...unknown,
        ];
    }, [body, sort]);
    const toggle = (id: string) => choose(chosen.includes(id) ? chosen.filter((one) => one !== id) : [...chosen, id]);
    return (
        <TitledDialog
            title="All parts"
            tools={
                <>
                    <Button size="small" color="inherit" aria-haspopup="menu" onClick={(e) => setAnchor(e.currentTarget)}>
                        Columns
                    </Button>
                    <TableTools label="All parts" table={() => [head!, ...rows]} />
                </>
            }
            maxWidth="lg"
            onClose={onClose}
        >
            <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)}>
                {tableColumns.map((column) => (
                    <MenuItem key={column.id} dense role="menuitemcheckbox" aria-checked={chosen.includes(column.id)} onClick={() => toggle(column.id)}>
                        <Checkbox
                            size="small"
                            checked={chosen.includes(column.id)}
                            tabIndex={-1}
                            disableRipple
                            sx={{ p: 0, mr: 1 }}
                            slotProps={{ input: { 'aria-hidden': true } }}
                        />
                        {column.title}
                    </MenuItem>
                ))}
            </Menu>
            <Box
                component="table"
                aria-label="All parts"
                sx={{
                    borderCollapse: 'collapse',
                    fontSize: 13,
                    fontVariantNumeric: 'tabular-nums',
                    '& th': { p: '5px 10px', textAlign: 'left', fontWeight: 500, whiteSpace: 'nowrap' },
                    '& td, & tbody th': { p: '4px 10px', borderTop: 1, borderColor: 'divider' },
                    '& td': { textAlign: 'right' },
                    '& thead th': { position: 'sticky', top: 0, bgcolor: 'background.paper', color: 'text.secondary', zIndex: 1 },
                }}
            >
                <thead>
                    <tr>
                        {head!.map((title, n) => (
                            <th
                                key={title}
                                scope="col"
                                style={n === 0 ? undefined : { textAlign: 'right' }}
                                aria-sort={sort?.column === n ? (sort.descending ? 'descending' : 'ascending') : undefined}
                            >
                                <TableSortLabel
                                    sx={{ flexDirection: n === 0 ? 'row' : 'row-reverse' }}
                                    active={sort?.column === n}
                                    direction={sort?.column === n && sort.descending ? 'desc' : 'asc'}
                                    onClick={() =>
                                        setSort(
                                            sort?.column === n ? (sort.descending ? null : { column: n, descending: true }) : { column: n, descending: false },
                                        )
                                    }
                                >
                                    {title}
                                </TableSortLabel>
                            </th>
                        ))}
                    </tr>
                </thead>
                <tbody>
                    {rows.map((row, r) => (
                        <tr key={`${row[0]} ${r}`}>
                            {row.map((value, n) =>
                                n === 0 ? (
                                    <th key={n} scope="row">
                                        {value}
                                    </th>
                                ) : (
                                    <td key={n}>{value === '' ? '—' : number(Number(value), columns[n - 1]!.digits)}</td>
                                ),
                            )}
                        </tr>
                    ))}
                </tbody>
            </Box>
        </TitledDialog>
    );
}
