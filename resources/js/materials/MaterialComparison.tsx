import Box from '@mui/material/Box';
import type { Material } from '../api/types';
import { resistivityOf } from '../model/materials';
import { Curve } from '../runs/Curve';
import { number } from '../units/units';

const colours = ['#b06a00', '#3b7c96', '#3f7d4e'];

const value = (of: number | null): string => (of === null ? '—' : String(Number(of.toPrecision(4))));

const rows: [string, (material: Material) => string][] = [
    ['Conductivity, W/m/K', (m) => [...new Set(m.conductivity)].map((k) => value(k)).join(', ') || 'by formula'],
    ['Density, kg/m³', (m) => value(m.density)],
    ['Specific heat, J/kg/K', (m) => value(m.specificHeat)],
    ['Emissivity', (m) => value(m.emissivity)],
    ['Resistivity, ohm m', (m) => value(resistivityOf(m))],
    ['Expansion, µm/m/K', (m) => value(m.expansion === null ? null : m.expansion * 1e6)],
];

/** Several materials side by side, and their conductivities over temperature in one plot. */
export function MaterialComparison({ materials }: { materials: Material[] }) {
    const curves = materials.filter((m) => m.conductivityByTemperature !== null);
    const points = curves.flatMap((m) => m.conductivityByTemperature!);
    const from = Math.min(...points.map(([t]) => t!));
    const ends = [Math.min(...points.map(([, k]) => k!)), Math.max(...points.map(([, k]) => k!))];
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
                    <Box sx={{ color: 'text.secondary', fontSize: 12.5 }}>Conductivity, W/m/K</Box>
                    <Curve
                        label={`${from} K`}
                        end={`${Math.max(...points.map(([t]) => t!))} K`}
                        width={290}
                        curves={curves.map((m, n) => ({
                            name: m.title,
                            colour: colours[n],
                            points: m.conductivityByTemperature!.map(([t, k]) => ({ x: t! - from, y: k! })),
                        }))}
                        ticks={ends.map((at) => ({ at, name: number(at, at < 1 ? 3 : 1) }))}
                    />
                </Box>
            )}
        </>
    );
}
