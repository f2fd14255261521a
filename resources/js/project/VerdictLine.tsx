import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { RunState } from '../runs/useRunState';
import { differenceUnit, number, type UnitSet } from '../units/units';
import { usePreferences } from './screenState';

const inUnit = (kelvin: number, units: UnitSet): string => `${number(Math.abs(kelvin) * (units === 'us' ? 1.8 : 1))} ${differenceUnit(units)}`;

/** The answer in words, above the ledger. */
export function VerdictLine({ runs }: { runs: RunState }) {
    const units = usePreferences((s) => s.units);
    const { result, solved, stale } = runs;
    if (!result || !solved) {
        return (
            <Box sx={{ px: 1.75, py: 1.5 }}>
                <Typography component="h2" sx={{ fontWeight: 650, fontSize: 16 }}>No answer yet</Typography>
                <Typography color="text.secondary">Press Run below; Scout is the quickest.</Typography>
            </Box>
        );
    }
    const { verdict, balance } = result;
    const worst = result.limits.find((limit) => limit.id === verdict.worst);
    const grade = solved.grade === 'sign-off' ? 'Sign-off' : solved.grade === 'working' ? 'Working' : 'Scout';
    return (
        <Box sx={{ px: 1.75, py: 1.25 }}>
            <Typography component="h2" sx={{ fontWeight: 650, fontSize: 16, color: stale ? 'text.secondary' : 'text.primary' }}>
                {verdict.limits === 0 && 'No limits are stated'}
                {verdict.limits > 0 && verdict.missed === 0 && `All ${verdict.limits} limits met`}
                {verdict.missed > 0 && `${verdict.missed} of ${verdict.limits} limits missed`}
                {worst?.margin !== null && worst?.margin !== undefined && (
                    <Box component="span" sx={{ color: stale ? 'text.secondary' : worst.margin < 0 ? 'error.main' : 'success.main' }}>
                        {worst.margin < 0 ? `: ${worst.name}, ${inUnit(worst.margin, units)} over` : `: closest is ${worst.name}, ${inUnit(worst.margin, units)} left`}
                    </Box>
                )}
            </Typography>
            {stale ? (
                <Typography role="alert" sx={{ color: 'error.main' }}>Of revision {solved.revision}; the model has changed since. Run again.</Typography>
            ) : (
                <Typography color="text.secondary">{grade} · balance {(balance.error * 100).toFixed(2)} % · revision {solved.revision}{solved.grade === 'scout' && ' · confirm on a finer grade'}</Typography>
            )}
            {!stale && result.warnings.map((warning) => <Typography key={warning} variant="body2" sx={{ color: 'error.main' }}>Warning: {warning}.</Typography>)}
        </Box>
    );
}
