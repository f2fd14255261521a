import DeleteOutlined from '@mui/icons-material/DeleteOutlined';
import HistoryOutlined from '@mui/icons-material/HistoryOutlined';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import ButtonBase from '@mui/material/ButtonBase';
import IconButton from '@mui/material/IconButton';
import Popover from '@mui/material/Popover';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { isActive, useDeleteRun, useRuns } from '../api/queries';
import type { Run } from '../api/types';
import { gradeNames } from '../model/grades';
import { usePreferences, useScreen } from '../state/screen';
import { difference, differenceUnit, duration, thousands, type UnitSet } from '../units/units';
import type { RunState } from './useRunState';

const moment = new Intl.DateTimeFormat(undefined, { dateStyle: 'short', timeStyle: 'short' });

const states: Record<Run['state'], string> = {
    queued: 'waiting',
    running: 'running',
    solved: '',
    unsteady: 'not steady',
    stopped: 'stopped',
    failed: 'failed',
};

/** What a run found, in few words. */
function verdictOf(run: Run, units: UnitSet): string {
    if (run.picture === 0) return states[run.state] || 'nothing to show';
    const margin = run.worstMargin === null ? '' : `, worst ${difference(run.worstMargin, units)} ${differenceUnit(units)}`;
    const counts =
        run.limits === null || run.limits === 0
            ? 'no limits'
            : run.missed
              ? `${run.missed} of ${run.limits} missed`
              : run.undecided
                ? `${run.undecided} of ${run.limits} undecided`
                : `all ${run.limits} met`;
    return `${counts}${margin}${states[run.state] ? ` (${states[run.state]})` : ''}`;
}

/** The runs of the variant: any of them can be opened, and deleted when it is over. */
export function RunsMenu({ variant, runs, mayEdit }: { variant: number; runs: RunState; mayEdit: boolean }) {
    const [anchor, setAnchor] = useState<HTMLElement | null>(null);
    // The list is asked for at times; the newest run is followed.
    const list = (useRuns(variant).data ?? []).map((run) => (run.id === runs.latest?.id ? runs.latest : run));
    const set = useScreen((s) => s.set);
    const units = usePreferences((s) => s.units);
    const remove = useDeleteRun(variant);
    if (list.length === 0) return null;
    return (
        <>
            <Button
                color="inherit"
                startIcon={<HistoryOutlined fontSize="small" />}
                aria-haspopup="dialog"
                onClick={(e) => setAnchor(e.currentTarget)}
                sx={{ whiteSpace: 'nowrap', flexShrink: 0 }}
            >
                {list.length === 1 ? '1 run' : `${list.length} runs`}
            </Button>
            <Popover
                open={anchor !== null}
                anchorEl={anchor}
                onClose={() => setAnchor(null)}
                anchorOrigin={{ vertical: 'top', horizontal: 'right' }}
                transformOrigin={{ vertical: 'bottom', horizontal: 'right' }}
                slotProps={{ paper: { role: 'dialog', 'aria-label': 'Runs of this variant', sx: { width: 440, maxHeight: '60vh', py: 0.75 } } }}
            >
                {list.map((run) => (
                    <Stack
                        key={run.id}
                        direction="row"
                        sx={{ alignItems: 'center', px: 0.75, bgcolor: run.id === runs.shown?.id ? 'action.selected' : undefined }}
                    >
                        <ButtonBase
                            disabled={run.picture === 0}
                            aria-current={run.id === runs.shown?.id}
                            onClick={() => {
                                set({ openRun: run.id, stage: 'Judge' });
                                setAnchor(null);
                            }}
                            sx={{
                                flex: 1,
                                minWidth: 0,
                                display: 'block',
                                textAlign: 'left',
                                font: 'inherit',
                                fontSize: 13,
                                px: 1,
                                py: 0.6,
                                borderRadius: 0.75,
                            }}
                        >
                            <Box sx={{ display: 'flex', justifyContent: 'space-between', gap: 1 }}>
                                <Box component="span" sx={{ fontWeight: 600 }}>
                                    {gradeNames[run.grade]}, revision {run.revision}
                                </Box>
                                <Box component="span" sx={{ color: run.missed ? 'error.main' : run.undecided ? 'warning.main' : 'text.secondary' }}>
                                    {verdictOf(run, units)}
                                </Box>
                            </Box>
                            <Box sx={{ color: 'text.secondary', fontSize: 12 }}>
                                {[
                                    run.queuedAt && moment.format(new Date(run.queuedAt)),
                                    run.cells && `${thousands(run.cells)} cells`,
                                    run.seconds && duration(run.seconds),
                                ]
                                    .filter(Boolean)
                                    .join(' · ')}
                            </Box>
                        </ButtonBase>
                        {mayEdit && (
                            <IconButton
                                size="small"
                                aria-label={`Delete run ${run.id}`}
                                disabled={isActive(run) || remove.isPending}
                                onClick={() => remove.mutate(run.id)}
                            >
                                <DeleteOutlined sx={{ fontSize: 16 }} />
                            </IconButton>
                        )}
                    </Stack>
                ))}
                {remove.error && (
                    <Typography role="alert" variant="body2" color="error" sx={{ px: 2 }}>
                        {remove.error.message}
                    </Typography>
                )}
            </Popover>
        </>
    );
}
