import Box from '@mui/material/Box';
import type { Material } from '../api/types';
import { resistivityOf } from '../model/materials';
import { Lines, plain } from '../charts/Lines';

const value = (of: number | null): string => (of === null ? '—' : String(Number(of.toPrecision(4))));

const rows: [string, (material: Material) => string][] = [
    ['Conductivity, W/m/K', (m) => [...new Set(m.conductivity)].map((k) => value(k)).join(', ') || 'by formula'],
    ['Density, kg/m³', (m) => value(m.density)],
    ['Specific heat, J/kg/K', (m) => value(m.specificHeat)],
    ['Emissivity', (m) => value(m.emissivity)],
    ['Resistivity, ohm m', (m) => value(resistivityOf(m))],
    ['Expansion, µm/m/K', (m) => value(m.expansion === null ? null : m.expansion * 1e6)],
    ['Melts at, °C', (m) => value(m.melting === null ? null : m.melting - 273.15)],
];

/** Several materials side by side, and their conductivities over temperature in one plot. */
export function MaterialComparison({ materials }: { materials: Material[] }) {
    const curves = materials.filter((m) => m.conductivityByTemperature !== null);
    const points = curves.flatMap((m) => m.conductivityByTemperature!);
    const from = Math.min(...points.map(([t]) => t!));
    return (
        <>
            <Box
                component="table"
                aria-label="Comparison"
                sx={{
                    borderCollapse: 'collapse',
                    width: '100%',
                    fontSize: 12.5,
                    '& td, & th': { textAlign: 'left', verticalAlign: 'top', py: 0.5, pr: 1, borderBottom: 1, borderColor: 'divider' },
                    '& td': { fontVariantNumeric: 'tabular-nums' },
                }}
            >
                <thead>
                    <tr>
                        <td />
                        {materials.map((m) => (
                            <th key={m.id} scope="col">
                                {m.title}
                            </th>
                        ))}
                    </tr>
                </thead>
                <tbody>
                    {rows.map(([label, of]) => (
                        <tr key={label}>
                            <Box component="th" scope="row" sx={{ fontWeight: 400, color: 'text.secondary' }}>
                                {label}
                            </Box>
                            {materials.map((m) => (
                                <td key={m.id}>{of(m)}</td>
                            ))}
                        </tr>
                    ))}
                </tbody>
            </Box>
            {curves.length > 0 && (
                <Box sx={{ mt: 1.5 }}>
                    <Lines
                        label="Conductivities"
                        height={220}
                        x={{ title: 'K', format: plain, min: from, max: Math.max(...points.map(([t]) => t!)) }}
                        y={{ title: 'W/m/K', format: plain }}
                        series={curves.map((m) => ({ name: m.title, points: m.conductivityByTemperature!.map(([t, k]) => ({ x: t!, y: k! })) }))}
                    />
                </Box>
            )}
        </>
    );
}
