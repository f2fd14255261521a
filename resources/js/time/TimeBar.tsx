import Pause from '@mui/icons-material/Pause';
import PlayArrow from '@mui/icons-material/PlayArrow';
import ShowChart from '@mui/icons-material/ShowChart';
import TableRows from '@mui/icons-material/TableRows';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import Slider from '@mui/material/Slider';
import Stack from '@mui/material/Stack';
import ToggleButton from '@mui/material/ToggleButton';
import Tooltip from '@mui/material/Tooltip';
import { useCallback, useEffect, useState } from 'react';
import { useImpedance } from '../api/queries';
import type { Result } from '../api/types';
import { ImpedanceDialog } from '../impedance/ImpedanceDialog';
import { choicesOf, isOfOneSource } from '../impedance/impedance';
import { clock, nearestFrame } from './course';
import { CourseCurves } from './CourseCurves';
import { MomentsTable } from './MomentsTable';
import { useFrame, useMoment } from './store';

/** Between two pictures while they play, ms. */
const PACE = 350;

const none: readonly { time: number }[] = [];

/** Below the view of a course in time: the moment that is shown, its pictures one after the other, and the curves. */
export function TimeBar({ run, result }: { run: number; result: Result }) {
    const frame = useFrame(run);
    const show = useMoment((s) => s.show);
    const curves = useMoment((s) => s.curves);
    const toggleCurves = useMoment((s) => s.toggleCurves);
    const [plays, setPlays] = useState(false);
    const [lists, setLists] = useState(false);
    const [impedes, setImpedes] = useState(false);
    const { data: impedance } = useImpedance(run, isOfOneSource(result) ? (Object.keys(choicesOf(result))[0] ?? '') : '');
    const frames = result.time?.frames ?? none;
    const last = frames.length - 1;
    useEffect(() => {
        if (!plays) return;
        const next = setInterval(() => {
            const at = useMoment.getState().frame ?? -1;
            if (at >= last) setPlays(false);
            else show(run, at + 1);
        }, PACE);
        return () => clearInterval(next);
    }, [plays, last, run, show]);
    const pick = useCallback(
        (time: number) => {
            setPlays(false);
            const nearest = nearestFrame(frames, time);
            if (nearest !== null) show(run, nearest);
        },
        [frames, run, show],
    );
    if (!result.time) return null;
    const play = () => {
        if (!plays && (frame ?? -1) >= last) show(run, 0);
        setPlays(!plays);
    };
    const shown = frame === null ? null : frames[frame];
    return (
        <Box component="section" aria-label="Time" sx={{ borderTop: 1, borderColor: 'divider', bgcolor: 'background.paper', flexShrink: 0, fontSize: 13 }}>
            {curves && <CourseCurves result={result} at={shown?.time ?? null} pick={pick} />}
            <Stack direction="row" sx={{ height: 40, px: 1.5, gap: 1.25, alignItems: 'center' }}>
                <IconButton size="small" aria-label={plays ? 'Pause' : 'Play'} disabled={frames.length < 2} onClick={play}>
                    {plays ? <Pause fontSize="small" /> : <PlayArrow fontSize="small" />}
                </IconButton>
                <Slider
                    size="small"
                    aria-label="Moment"
                    value={frame ?? last}
                    min={0}
                    max={Math.max(last, 1)}
                    step={1}
                    disabled={frames.length === 0}
                    getAriaValueText={(n) => clock(frames[n]?.time ?? 0)}
                    onChange={(_event, n) => {
                        setPlays(false);
                        show(run, n);
                    }}
                    sx={{ flex: 1, minWidth: 60 }}
                />
                <Box component="span" role="status" sx={{ whiteSpace: 'nowrap', minWidth: 62, textAlign: 'right', fontVariantNumeric: 'tabular-nums' }}>
                    {clock(shown?.time ?? result.time.reached)}
                </Box>
                <Tooltip describeChild title="The ledger has the hottest of every part over time; the picture that of the end">
                    <span>
                        <Button size="small" color="inherit" disabled={frame === null} onClick={() => show(run, null)} sx={{ minWidth: 0 }}>
                            Peaks
                        </Button>
                    </span>
                </Tooltip>
                <IconButton size="small" aria-label="Values over time" title="Values over time" onClick={() => setLists(true)}>
                    <TableRows fontSize="small" />
                </IconButton>
                {impedance && (
                    <Button size="small" color="inherit" onClick={() => setImpedes(true)} sx={{ minWidth: 0 }}>
                        Zth
                    </Button>
                )}
                <ToggleButton size="small" value="curves" selected={curves} aria-label="Curves over time" onChange={toggleCurves} sx={{ py: 0.25, px: 0.75 }}>
                    <ShowChart fontSize="small" />
                </ToggleButton>
            </Stack>
            {impedes && <ImpedanceDialog run={run} result={result} onClose={() => setImpedes(false)} />}
            {lists && <MomentsTable result={result} onClose={() => setLists(false)} />}
        </Box>
    );
}
