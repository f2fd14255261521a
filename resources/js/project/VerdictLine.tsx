import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import ButtonBase from '@mui/material/ButtonBase';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { lazy, Suspense, useState } from 'react';
import { isActive } from '../api/queries';
import type { Run } from '../api/types';
import { isOfTemperature } from '../model/document';
import { gradeNames } from '../model/grades';
import type { RunState } from '../runs/useRunState';
import { distanceOf } from '../units/quantities';
import { thousands, watts } from '../units/units';
import { clock } from '../time/course';
import { useTried } from '../whatif/store';
import type { Trial } from '../whatif/useWhatIf';
import { shareOf } from '../tolerances/tolerances';
import { finerGrid } from '../trust/trust';
import { usePreferences, useScreen } from '../state/screen';
import { missedAt, verdictOf } from '../operating/verdict';

const TrustDialog = lazy(() => import('../trust/TrustDialog').then((module) => ({ default: module.TrustDialog })));

/** What a finer grid would do, as the end of a sentence. */
const sentences = { no: 'would not change the verdict', yes: 'may change the verdict', 'cannot say': 'may change it: ± is unknown' };

interface Props {
    runs: RunState;
    /** Other watts that are tried on the run. */
    trial?: Trial | null;
    /** Share of builds within the tolerances that meet every limit. */
    builds?: number | null;
    /** Puts the tried watts into the model, where it may be changed. */
    onKeep?: (() => void) | undefined;
    onEvidence: () => void;
}

/** What to do, or what is awaited, or why there is no answer. */
function NoAnswer({ latest }: { latest: Run | undefined }) {
    const failed = latest?.state === 'failed';
    return (
        <Box sx={{ px: 1.75, py: 1.5 }}>
            <Typography component="h2" sx={{ fontWeight: 650, fontSize: 16 }}>
                {failed ? 'No answer: the run failed' : 'No answer yet'}
            </Typography>
            <Typography sx={{ color: failed ? 'error.main' : 'text.secondary' }}>
                {failed && latest.message
                    ? latest.message.charAt(0).toUpperCase() + latest.message.slice(1)
                    : latest && isActive(latest)
                      ? 'The run is under way.'
                      : 'Press Run below; Scout is the quickest.'}
            </Typography>
        </Box>
    );
}

/** The answer in words, above the ledger. */
export function VerdictLine({ runs, trial = null, builds = null, onKeep, onEvidence }: Props) {
    const units = usePreferences((s) => s.units);
    const [trust, setTrust] = useState(false);
    const reset = useTried((s) => s.reset);
    const { shown, stale } = runs;
    const result = trial?.result ?? runs.result;
    if (!result || !shown) return <NoAnswer latest={runs.latest} />;
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
                {runs.point && `${runs.point.name}: `}
                {trial && 'What if: '}
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
                {worst?.overTime?.reached != null && `, first after ${clock(worst.overTime.reached)}`}
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
            ) : trial ? (
                <Stack direction="row" sx={{ gap: 0.5, alignItems: 'baseline', flexWrap: 'wrap' }}>
                    <Typography role="status" sx={{ color: 'warning.main', fontWeight: 600, flex: 1 }}>
                        {watts(trial.whatIf.sources.reduce((sum, { power }, n) => sum + power + trial.changes[n]!, 0))} W, predicted on the flow of this run
                    </Typography>
                    {onKeep && (
                        <Button size="small" color="inherit" onClick={onKeep} sx={{ whiteSpace: 'nowrap' }}>
                            Keep the watts
                        </Button>
                    )}
                    <Button size="small" color="inherit" onClick={reset} sx={{ whiteSpace: 'nowrap' }}>
                        Discard
                    </Button>
                </Stack>
            ) : (
                <Typography color="text.secondary">
                    {grade} · balance {(balance.error * 100).toFixed(2)} % · revision {shown.revision}
                    {' · '}
                    <ButtonBase
                        aria-haspopup="dialog"
                        title="How far to trust it: every grid, ± and balances"
                        onClick={() => setTrust(true)}
                        sx={{
                            font: 'inherit',
                            textAlign: 'left',
                            display: 'inline',
                            verticalAlign: 'baseline',
                            textDecoration: 'underline dotted',
                            textUnderlineOffset: 3,
                        }}
                    >
                        a finer grid {limits === 0 ? 'has no verdict to change' : sentences[finerGrid(result, units).answer]}
                    </ButtonBase>
                </Typography>
            )}
            {!stale && !trial && !caveat && builds !== null && (
                <Typography sx={{ color: builds < 0.99 ? 'warning.main' : 'text.secondary' }}>
                    Met in <b>{shareOf(builds)}</b> of builds within the tolerances, as estimated from this run
                </Typography>
            )}
            {!stale &&
                !trial &&
                !runs.point &&
                missedAt(shown.points).map((point) => (
                    <ButtonBase
                        key={point.name}
                        disabled={point.picture === null}
                        onClick={() => useScreen.getState().set({ point: point.name })}
                        sx={{ display: 'block', font: 'inherit', textAlign: 'left', color: 'error.main', fontWeight: 600 }}
                    >
                        {point.name}: {point.state === 'solved' ? verdictOf(point, units).text : (point.message ?? 'not converged')}
                    </ButtonBase>
                ))}
            {!stale && caveat && <Typography sx={{ color: 'warning.main', fontWeight: 600 }}>{caveat}</Typography>}
            {!stale && result.flow?.regime.frozen && (
                <Typography sx={{ color: 'warning.main', fontWeight: 600 }}>Temperatures alone, on the flow of an earlier run</Typography>
            )}
            {!stale &&
                !trial &&
                result.warnings.map((warning) => (
                    // The first words say what it is about; the rest is there for who asks.
                    <Box key={warning} component="details" sx={{ fontSize: 12.5, color: 'error.main', '&[open] summary': { whiteSpace: 'normal' } }}>
                        <Box component="summary" sx={{ cursor: 'pointer', overflow: 'hidden', textOverflow: 'ellipsis', whiteSpace: 'nowrap' }}>
                            Warning: {warning.replace(/\.+$/, '')}.
                        </Box>
                    </Box>
                ))}
            {trust && (
                <Suspense fallback={null}>
                    <TrustDialog run={shown} result={result} onEvidence={onEvidence} onClose={() => setTrust(false)} />
                </Suspense>
            )}
        </Box>
    );
}
