import Box from '@mui/material/Box';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useTheme } from '@mui/material/styles';
import type { Result, Run } from '../api/types';
import { watts } from '../units/units';

const WIDTH = 460;
const HEIGHT = 130;
const LEFT = 44;
const BOTTOM = 24;

/** Residual against iteration on a logarithmic axis, and what the balance says. */
export function ResidualPlot({ run, result }: { run: Run | undefined; result: Result | undefined }) {
    const theme = useTheme();
    // The result has every iteration; while a run goes on there are moments of it.
    const samples = result?.solver.residuals.map((residual, i) => ({ iteration: i + 1, residual })) ?? run?.samples ?? [];
    if (!run || samples.length === 0) {
        return <Typography color="text.secondary" sx={{ px: 2, pb: 2 }}>{run ? 'This run was over before a residual was noted.' : 'Residuals and the heat balance appear here during a run.'}</Typography>;
    }
    const lowest = Math.floor(Math.min(result?.flow ? -4 : -8, ...samples.map((s) => Math.log10(Math.max(s.residual, 1e-14)))));
    const last = Math.max(1, samples.at(-1)!.iteration);
    const x = (iteration: number) => LEFT + ((WIDTH - LEFT - 8) * iteration) / last;
    const y = (residual: number) => 8 + ((HEIGHT - BOTTOM - 8) * Math.log10(Math.max(residual, 1e-14))) / lowest;
    const decades = Array.from({ length: -lowest / 2 + 1 }, (_, i) => -2 * i);
    return (
        <Stack direction="row" sx={{ px: 2, pb: 1.5, gap: 4 }}>
            <svg width={WIDTH} height={HEIGHT} role="img" aria-label={`Residual over ${last} iterations`}>
                {decades.map((d) => (
                    <g key={d}>
                        <line x1={LEFT} x2={WIDTH - 8} y1={y(10 ** d)} y2={y(10 ** d)} stroke={theme.palette.divider} />
                        <text x={LEFT - 6} y={y(10 ** d) + 4} textAnchor="end" fontSize={11} fill={theme.palette.text.secondary}>{d === 0 ? '1' : `1e−${-d}`}</text>
                    </g>
                ))}
                <polyline fill="none" stroke={theme.palette.primary.main} strokeWidth={1.6} points={samples.map((s) => `${x(s.iteration)},${y(s.residual)}`).join(' ')} />
                {samples.map((s, i) => <circle key={i} cx={x(s.iteration)} cy={y(s.residual)} r={1.7} fill={theme.palette.primary.main} />)}
                <text x={WIDTH - 8} y={HEIGHT - 6} textAnchor="end" fontSize={11} fill={theme.palette.text.secondary}>iteration {last}</text>
                <text x={LEFT} y={HEIGHT - 6} fontSize={11} fill={theme.palette.text.secondary}>relative residual</text>
            </svg>
            {result && (
                <Box sx={{ fontSize: 13, lineHeight: 1.9 }}>
                    <div>Heat in {watts(result.balance.in)} W, out {watts(result.balance.out)} W</div>
                    <div>Balance error {(result.balance.error * 100).toExponential(1).replace('-', '−')} %</div>
                    <div>Residual {result.solver.residual.toExponential(1).replace('-', '−')} after {result.solver.iterations} iterations in {result.solver.passes} {result.solver.passes === 1 ? 'pass' : 'passes'}</div>
                    <div>Grid {result.grid.shape.join(' × ')}, cells {(result.grid.smallest * 1e3).toPrecision(2)} to {(result.grid.largest * 1e3).toPrecision(2)} mm</div>
                    <Box sx={{ color: 'text.secondary' }}>{result.solver.version}, model {result.model.hash.slice(0, 12)}</Box>
                </Box>
            )}
        </Stack>
    );
}
