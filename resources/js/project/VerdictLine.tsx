import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { isOfTemperature } from '../model/document';
import { gradeNames } from '../model/grades';
import type { Result } from '../api/types';
import type { RunState } from '../runs/useRunState';
import { distanceOf } from '../units/quantities';
import { thousands } from '../units/units';
import { usePreferences } from '../state/screen';

/** Whether a finer grid would change the verdict: only where every margin is larger than its uncertainty it would not. */
function finerGrid({ limits, verdict }: Result): string {
    if (limits.length === 0) return 'has no verdict to change';
    if (verdict.undecided > 0) return 'may change the verdict';
    return limits.every((limit) => limit.plusMinus !== null) ? 'would not change the verdict' : 'may change it: ± is unknown';
}

/** The answer in words, above the ledger. */
export function VerdictLine({ runs }: { runs: RunState }) {
    const units = usePreferences((s) => s.units);
    const { result, shown, stale } = runs;
    if (!result || !shown) {
        return (
            <Box sx={{ px: 1.75, py: 1.5 }}>
                <Typography component="h2" sx={{ fontWeight: 650, fontSize: 16 }}>
                    No answer yet
                </Typography>
                <Typography color="text.secondary">Press Run below; Scout is the quickest.</Typography>
            </Box>
        );
    }
    const { verdict, balance } = result;
    const flow = result.limits.find((limit) => limit.verdict === 'missed' && !isOfTemperature(limit) && limit.margin !== null);
    const worst = result.limits.find((limit) => limit.id === verdict.worst);
    const grade = gradeNames[shown.grade];
    const cells = thousands(result.grid.shape.reduce((n, i) => n * i, 1));
    const { limits, missed, undecided } = verdict;
    const colour = stale ? 'text.secondary' : missed > 0 ? 'error.main' : undecided > 0 ? 'warning.main' : 'success.main';
    const caveat = {
        running: `So far, on ${cells} cells; the run goes on`,
        queued: `So far, on ${cells} cells; the run starts again`,
        stopped: 'Stopped before it was steady',
        unsteady: shown.message,
        failed: 'As it was before the run failed',
        solved: null,
    }[shown.state];
    return (
        <Box sx={{ px: 1.75, py: 1.25 }}>
            <Typography component="h2" sx={{ fontWeight: 650, fontSize: 16, color: stale ? 'text.secondary' : 'text.primary' }}>
                {limits === 0 && 'No limits are stated'}
                {limits > 0 && missed + undecided === 0 && `All ${limits} limits met`}
                {missed > 0 && `${missed} of ${limits} limits missed`}
                {undecided > 0 && (
                    <Box component="span" sx={{ color: stale ? undefined : 'warning.main' }}>
                        {missed > 0 ? `, ${undecided} undecided` : `${undecided} of ${limits} limits undecided`}
                    </Box>
                )}
                {worst?.margin !== null && worst?.margin !== undefined && (
                    <Box component="span" sx={{ color: colour }}>
                        {worst.margin < 0
                            ? `: ${worst.name}, ${distanceOf(worst.quantity, worst.margin, units)} over`
                            : `: closest is ${worst.name}, ${distanceOf(worst.quantity, worst.margin, units)} left`}
                        {worst.verdict === 'undecided' && ` ± ${distanceOf(worst.quantity, worst.plusMinus ?? 0, units)}`}
                    </Box>
                )}
                {flow?.margin != null && (
                    <Box component="span" sx={{ color: stale ? 'text.secondary' : 'error.main' }}>
                        ; {flow.name}, {distanceOf(flow.quantity, flow.margin, units)} {flow.atLeast === null ? 'over' : 'short'}
                    </Box>
                )}
            </Typography>
            {stale ? (
                <Typography role="alert" sx={{ color: 'error.main' }}>
                    Of revision {shown.revision}; the model has changed since. Run again.
                </Typography>
            ) : (
                <Typography color="text.secondary">
                    {grade} · balance {(balance.error * 100).toFixed(2)} % · revision {shown.revision}
                    {` · a finer grid ${finerGrid(result)}`}
                </Typography>
            )}
            {!stale && caveat && <Typography sx={{ color: 'warning.main', fontWeight: 600 }}>{caveat}</Typography>}
            {!stale && result.flow?.regime.frozen && (
                <Typography sx={{ color: 'warning.main', fontWeight: 600 }}>Temperatures alone, on the flow of an earlier run</Typography>
            )}
            {!stale &&
                result.warnings.map((warning) => (
                    // The first words say what it is about; the rest is there for who asks.
                    <Box key={warning} component="details" sx={{ fontSize: 12.5, color: 'error.main', '&[open] summary': { whiteSpace: 'normal' } }}>
                        <Box component="summary" sx={{ cursor: 'pointer', overflow: 'hidden', textOverflow: 'ellipsis', whiteSpace: 'nowrap' }}>
                            Warning: {warning.replace(/\.+$/, '')}.
                        </Box>
                    </Box>
                ))}
        </Box>
    );
}
