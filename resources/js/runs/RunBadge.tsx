import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Paper from '@mui/material/Paper';
import { useState } from 'react';
import { isActive } from '../api/queries';
import { useScreen } from '../state/screen';
import type { RunState } from './useRunState';

/** Over the view of every stage but Judge: that a run goes on, and when it has ended the way to its answer. */
export function RunBadge({ runs }: { runs: RunState }) {
    const stage = useScreen((s) => s.stage);
    const set = useScreen((s) => s.set);
    const { latest, stale } = runs;
    const active = isActive(latest);
    const [watched, setWatched] = useState<number | null>(null);
    // While rendering, so that the end of a run is told however short it was.
    if (active && latest && latest.id !== watched) setWatched(latest.id);
    const ended = !active && latest !== undefined && latest.id === watched && latest.picture > 0;
    if (stage === 'Judge' || (!active && !ended)) return null;
    const level = latest?.progress?.level ?? 0;
    return (
        <Paper
            variant="outlined"
            role="status"
            sx={{
                position: 'absolute',
                bottom: 12,
                left: '50%',
                transform: 'translateX(-50%)',
                display: 'flex',
                alignItems: 'center',
                gap: 1,
                px: 1.25,
                height: 34,
                fontSize: 12.5,
                whiteSpace: 'nowrap',
                zIndex: 3,
            }}
        >
            <Box component="span" sx={{ width: 8, height: 8, borderRadius: '50%', bgcolor: active ? 'primary.main' : 'success.main' }} />
            <span>
                {active
                    ? `Running${level > 0 ? `, grid ${level}` : ''}${stale ? ', of an older model' : ''}`
                    : `Run ended${stale ? '; the model has changed since' : ''}`}
            </span>
            {(latest?.picture ?? 0) > 0 && (
                <Button size="small" onClick={() => set({ stage: 'Judge' })} sx={{ minWidth: 0, py: 0 }}>
                    See the answer
                </Button>
            )}
        </Paper>
    );
}
