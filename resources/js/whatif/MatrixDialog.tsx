import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { Outline, WhatIf } from '../api/types';
import { TableTools } from '../charts/TableTools';
import { TitledDialog } from '../theme/TitledDialog';
import { differenceNumber, differenceUnit, number, watts, type UnitSet } from '../units/units';
import { perWatt } from './whatIf';

interface Props {
    whatIf: WhatIf;
    outline: Outline;
    units: UnitSet;
    onClose: () => void;
}

/** What a watt in each heated part does to every part; the strongest first. */
export function MatrixDialog({ whatIf, outline, units, onClose }: Props) {
    const nameOf = (id: string | null) => outline.parts.find((part) => part.id === id)?.name ?? id ?? '';
    const unit = `${differenceUnit(units)}/W`;
    // A heated part matters by the kelvins it makes: what it gives and what a watt of it does.
    const order = whatIf.sources.map((_source, n) => n).sort((a, b) => strength(whatIf, b) - strength(whatIf, a));
    const rows = whatIf.values
        .filter((value) => value.id === null && (value.node ?? value.reduce) === (value.node === null ? 'max' : 'junction'))
        .sort((a, b) => greatest(b, whatIf) - greatest(a, whatIf));
    const most = Math.max(...rows.flatMap((row) => order.map((source) => Math.abs(perWatt(row, source)))), 1e-9);
    const table = () => [
        ['Part', ...order.map((source) => `${nameOf(whatIf.sources[source]!.part)}, ${unit}`)],
        ...rows.map((row) => [nameOf(row.part), ...order.map((source) => Number(differenceNumber(perWatt(row, source), units).toPrecision(5)))]),
    ];
    return (
        <TitledDialog title={`Influence of all parts, ${unit}`} tools={<TableTools label="Influence" table={table} />} maxWidth="lg" onClose={onClose}>
            <Typography variant="body2" color="text.secondary" sx={{ mb: 1.5 }}>
                How much warmer the part in the row becomes for one more watt in the part above: a package at its junction, others at their hottest place.
                Strongest first.
            </Typography>
            <Box
                component="table"
                sx={{
                    borderCollapse: 'collapse',
                    fontSize: 12.5,
                    fontVariantNumeric: 'tabular-nums',
                    '& th': { fontWeight: 550, p: '4px 8px', textAlign: 'left', verticalAlign: 'bottom', maxWidth: 110 },
                    '& td': { p: '4px 8px', textAlign: 'right', border: 1, borderColor: 'divider', minWidth: 62 },
                }}
            >
                <thead>
                    <tr>
                        <th scope="col">Part</th>
                        {order.map((source) => (
                            <th key={source} scope="col" style={{ textAlign: 'right' }}>
                                {nameOf(whatIf.sources[source]!.part)}
                                <Box component="span" sx={{ display: 'block', fontWeight: 400, color: 'text.secondary' }}>
                                    {watts(whatIf.sources[source]!.power)} W
                                </Box>
                            </th>
                        ))}
                    </tr>
                </thead>
                <tbody>
                    {rows.map((row) => (
                        <tr key={row.part}>
                            <th scope="row">{nameOf(row.part)}</th>
                            {order.map((source) => {
                                const value = perWatt(row, source);
                                // Shaded by the logarithm: what warms others is ten to a hundred times weaker than what warms the part itself.
                                const share = Math.max(0, 1 + Math.log10(Math.max(Math.abs(value) / most, 1e-9)) / 2.5);
                                return (
                                    <Box component="td" key={source} sx={{ bgcolor: `rgba(217, 138, 28, ${(0.55 * share).toFixed(3)})` }}>
                                        {number(differenceNumber(value, units), 2)}
                                    </Box>
                                );
                            })}
                        </tr>
                    ))}
                </tbody>
            </Box>
        </TitledDialog>
    );
}

type Value = WhatIf['values'][number];

/** K that the source strongest at a part makes there. */
const greatest = (value: Value, { sources }: WhatIf): number => Math.max(...sources.map(({ power }, n) => power * perWatt(value, n)), 0);

/** K that a source makes over all parts. */
const strength = ({ values, sources }: WhatIf, source: number): number =>
    values.filter((value) => value.id === null).reduce((sum, value) => sum + perWatt(value, source) * sources[source]!.power, 0);
