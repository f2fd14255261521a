import ExpandLess from '@mui/icons-material/ExpandLess';
import ExpandMore from '@mui/icons-material/ExpandMore';
import PlayArrow from '@mui/icons-material/PlayArrow';
import Stop from '@mui/icons-material/Stop';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import IconButton from '@mui/material/IconButton';
import LinearProgress from '@mui/material/LinearProgress';
import MenuItem from '@mui/material/MenuItem';
import Select from '@mui/material/Select';
import Stack from '@mui/material/Stack';
import Switch from '@mui/material/Switch';
import Tooltip from '@mui/material/Tooltip';
import { useState } from 'react';
import { isActive, useStopRun } from '../api/queries';
import type { Finding, Grade, Outline, Run } from '../api/types';
import { gradeNames, grades } from '../model/grades';
import { useScreen, usePreferences } from '../state/screen';
import { clock } from '../time/course';
import { difference, differenceUnit, duration, scientific, thousands } from '../units/units';
import { RunCurves } from './RunCurves';
import { RunsMenu } from './RunsMenu';
import type { LiveState } from './useLive';
import { useRunCommand } from './useRunCommand';
import type { RunState } from './useRunState';

const gradeNotes: Record<Grade, string> = { scout: 'coarse, seconds', working: 'for daily decisions', 'sign-off': 'fine, to sign under' };
const stageTexts: Record<string, string> = {
    grid: 'Making the grid',
    equations: 'Setting up the equations',
    solving: 'Solving',
    time: 'Stepping through time',
    point: 'Operating point',
};
const colours: Record<Run['state'], string> = {
    queued: 'text.secondary',
    running: 'primary.main',
    solved: 'success.main',
    unsteady: 'warning.main',
    stopped: 'text.secondary',
    failed: 'error.main',
};

function headline(run: Run, stale: boolean): string {
    const grade = gradeNames[run.grade];
    switch (run.state) {
        case 'queued':
            return run.message ?? `${grade}: waiting for a worker`;
        case 'running':
            return run.stopRequested
                ? `${grade}: stopping`
                : `${grade}: ${stageTexts[run.progress?.stage ?? ''] ?? 'Starting'}${run.progress?.point != null ? ` ${run.progress.point}` : ''}${run.attempts > 1 ? ', again after its worker was lost' : ''}`;
        case 'solved':
            return stale ? `Solved, ${grade}, for revision ${run.revision}; the model has changed since` : `Solved, ${grade}`;
        case 'unsteady':
            return `${grade}: ${run.message ?? 'not steady'}`;
        case 'stopped':
            return run.message ?? `${grade}: stopped`;
        case 'failed':
            return run.message ?? `${grade}: failed`;
    }
}

function facts(run: Run): string[] {
    const progress = run.progress;
    const solving = run.state === 'running' && progress;
    const list = [];
    const cells = (solving ? progress.cells : null) ?? run.cells ?? progress?.cells;
    if (cells) list.push(`${thousands(cells)} cells`);
    if (solving && progress.level > 1) list.push(`grid ${progress.level}`);
    if (solving && progress.time) {
        const { now, end } = progress.time;
        list.push(`${clock(now)} of ${clock(end)}`, `${progress.iteration} steps`);
        if (now > 0.05 * end) list.push(`about ${duration((progress.seconds * (end - now)) / now)} left`);
        return list;
    }
    const iterations = (solving ? progress.iteration : null) ?? run.iterations ?? progress?.iteration;
    if (iterations) list.push(`${iterations} iterations`);
    if (solving && progress.iteration > 0) list.push(`residual ${scientific(progress.residual)}`);
    const seconds = (solving ? progress.seconds : null) ?? run.seconds;
    if (seconds !== null) list.push(`${seconds.toFixed(1)} s`);
    const waited = run.startedAt && run.queuedAt ? (Date.parse(run.startedAt) - Date.parse(run.queuedAt)) / 1000 : 0;
    if (waited >= 2) list.push(`after ${waited.toFixed(0)} s in the queue`);
    return list;
}

/** How far the residual has come on its way to 1e-8, in %. A standing bar: a moving one would cost as much as the run where pictures are drawn without a graphics card. */
function share(run: Run | undefined): number {
    const progress = run?.state === 'running' ? run.progress : null;
    if (progress?.time) return (100 * progress.time.now) / progress.time.end;
    return progress ? Math.min(5 + (-95 * Math.log10(Math.max(progress.residual, 1e-12))) / 8, 100) : 2;
}

interface Props {
    variant: number;
    runs: RunState;
    mayEdit: boolean;
    findings: readonly Finding[];
    outline: Outline | undefined;
    live: LiveState;
}

export function RunStrip({ variant, runs, mayEdit, findings, outline, live }: Props) {
    const [open, setOpen] = useState(false);
    const grade = useScreen((s) => s.grade);
    const set = useScreen((s) => s.set);
    const units = usePreferences((s) => s.units);
    const setLive = usePreferences((s) => s.setLive);
    const command = useRunCommand(variant, findings);
    const stop = useStopRun();
    const run = runs.latest;
    const active = isActive(run);
    const resumes = run?.state === 'stopped' && run.picture > 0 && run.grade === grade && !(runs.shown?.id === run.id && runs.stale);
    const mayKeep = runs.result?.flow !== null && runs.result?.flow !== undefined;
    const [keepFlow, setKeepFlow] = useState(false);
    const margin = run?.state === 'running' ? run.progress?.worstMargin : run?.state === 'solved' && !runs.stale ? run.worstMargin : null;
    return (
        <Box component="section" aria-label="Run" sx={{ borderTop: 1, borderColor: 'divider', bgcolor: 'background.paper', flexShrink: 0 }}>
            <Box sx={{ height: 2 }}>
                {active && <LinearProgress variant="determinate" value={share(run)} aria-label="Run in progress" sx={{ height: 2 }} />}
            </Box>
            <Stack direction="row" sx={{ height: 42, px: 1.75, gap: 2, alignItems: 'center', fontSize: 13 }}>
                <Stack direction="row" role="status" sx={{ gap: 2, alignItems: 'center', minWidth: 0, flex: 1, whiteSpace: 'nowrap' }}>
                    <Box component="span" sx={{ width: 9, height: 9, borderRadius: '50%', bgcolor: run ? colours[run.state] : 'divider', flexShrink: 0 }} />
                    <Box component="span" title={run ? headline(run, runs.stale) : undefined} sx={{ overflow: 'hidden', textOverflow: 'ellipsis' }}>
                        {run ? headline(run, runs.stale) : 'Not solved yet: press Run'}
                    </Box>
                    {run &&
                        facts(run).map((fact) => (
                            <Box component="span" key={fact} sx={{ color: 'text.secondary' }}>
                                {fact}
                            </Box>
                        ))}
                    {margin !== null && margin !== undefined && (
                        <Box component="span" sx={{ color: margin < 0 ? 'error.main' : 'text.secondary' }}>
                            worst margin {difference(margin, units)} {differenceUnit(units)}
                        </Box>
                    )}
                </Stack>
                {command.error && (
                    <Box role="alert" sx={{ color: 'error.main' }}>
                        {command.error}
                    </Box>
                )}
                {live !== 'off' && (
                    <Box component="span" role="status" sx={{ color: 'primary.main', whiteSpace: 'nowrap', fontSize: 12.5 }}>
                        {live === 'waits: the model has an error' ? 'Live waits: the model has an error' : 'Live: coarse numbers of Scout'}
                    </Box>
                )}
                {mayEdit && (
                    <Tooltip describeChild title="Every edit starts a coarse run from the last flow; the picture and the margins follow">
                        <FormControlLabel
                            control={<Switch size="small" checked={live !== 'off'} onChange={(e) => setLive(e.target.checked)} />}
                            label="Live"
                            sx={{ mr: 0, ml: 0, '& .MuiFormControlLabel-label': { fontSize: 13 } }}
                        />
                    </Tooltip>
                )}
                {mayKeep && live === 'off' && (
                    <Tooltip
                        describeChild
                        title="Computes temperatures alone, on the last flow as it is: for changes of watts and materials that hardly move the air"
                    >
                        <FormControlLabel
                            control={<Checkbox size="small" checked={keepFlow} onChange={(e) => setKeepFlow(e.target.checked)} sx={{ p: 0.5 }} />}
                            label="Reuse flow field"
                            sx={{ mr: 0, whiteSpace: 'nowrap', '& .MuiFormControlLabel-label': { fontSize: 13 } }}
                        />
                    </Tooltip>
                )}
                <RunsMenu variant={variant} runs={runs} mayEdit={mayEdit} />
                <Select
                    size="small"
                    variant="standard"
                    disableUnderline
                    value={grade}
                    inputProps={{ 'aria-label': 'Grade' }}
                    onChange={(e) => set({ grade: e.target.value })}
                    renderValue={(g) => gradeNames[g]}
                >
                    {grades.map((g) => (
                        <MenuItem key={g} value={g}>
                            {gradeNames[g]}
                            <Box component="span" sx={{ color: 'text.secondary', ml: 1 }}>
                                {gradeNotes[g]}
                            </Box>
                        </MenuItem>
                    ))}
                </Select>
                {active ? (
                    <Button variant="outlined" startIcon={<Stop />} disabled={run?.stopRequested || stop.isPending} onClick={() => run && stop.mutate(run.id)}>
                        Stop
                    </Button>
                ) : (
                    <Button
                        variant="contained"
                        startIcon={<PlayArrow />}
                        disabled={!mayEdit}
                        loading={command.pending}
                        onClick={() => command.run(grade, keepFlow && mayKeep)}
                    >
                        {resumes && !keepFlow ? 'Resume' : 'Run'}
                    </Button>
                )}
                <IconButton size="small" aria-label={open ? 'Close the run strip' : 'Open the run strip'} aria-expanded={open} onClick={() => setOpen(!open)}>
                    {open ? <ExpandMore /> : <ExpandLess />}
                </IconButton>
            </Stack>
            {open && <RunCurves run={run} result={runs.shown?.id === run?.id ? runs.result : undefined} outline={runs.stale ? undefined : outline} />}
        </Box>
    );
}
