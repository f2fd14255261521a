import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import ButtonBase from '@mui/material/ButtonBase';
import Typography from '@mui/material/Typography';
import { lazy, Suspense, useState } from 'react';
import type { OperatingPoint, Run } from '../api/types';
import { Chapter } from '../inspector/Chapter';
import { useScreen } from '../state/screen';
import type { UnitSet } from '../units/units';
import { valuesOf } from './table';
import { verdictOf, type Judged } from './verdict';

const PointsDialog = lazy(() => import('./PointsDialog').then((module) => ({ default: module.PointsDialog })));

interface Props {
    run: Run;
    /** The picture of the model as it stands. */
    base: number;
    /** The one that is shown; null: the model as it stands. */
    shown: OperatingPoint | null;
    units: UnitSet;
}

/** The operating points that a run has computed, with their verdicts: a click shows one in the ledger and the view. */
export function OperatingPoints({ run, base, shown, units }: Props) {
    const [open, setOpen] = useState(false);
    if (run.points.length === 0) return null;
    const show = (point: string | null) => useScreen.getState().set({ point });
    const asItStands: Judged = { missed: run.missed ?? 0, undecided: run.undecided ?? 0, worstMargin: run.worstMargin };
    return (
        <Chapter title="Operating points" fields>
            <Box role="group" aria-label="Operating point on screen" sx={{ mx: -0.75 }}>
                <Choice name="As it stands" verdict={verdictOf(asItStands, units)} on={shown === null} pick={() => show(null)} />
                {run.points.map((point) =>
                    point.picture === null ? (
                        <Typography key={point.name} role="alert" variant="body2" sx={{ color: 'error.main', px: 0.75, py: 0.5 }}>
                            {point.name}: {point.message}
                        </Typography>
                    ) : (
                        <Choice
                            key={point.name}
                            name={point.name}
                            verdict={point.state === 'solved' ? verdictOf(point, units) : { text: 'not converged', colour: 'warning.main' }}
                            title={point.message ?? valuesOf(point).join(', ')}
                            on={shown?.name === point.name}
                            pick={() => show(point.name)}
                        />
                    ),
                )}
            </Box>
            <Button size="small" variant="outlined" color="inherit" aria-haspopup="dialog" onClick={() => setOpen(true)} sx={{ mt: 0.75 }}>
                Side by side
            </Button>
            {open && (
                <Suspense fallback={null}>
                    <PointsDialog run={run} base={base} units={units} onClose={() => setOpen(false)} />
                </Suspense>
            )}
        </Chapter>
    );
}

interface ChoiceProps {
    name: string;
    verdict: { text: string; colour: string };
    title?: string;
    on: boolean;
    pick: () => void;
}

function Choice({ name, verdict, title, on, pick }: ChoiceProps) {
    return (
        <ButtonBase
            aria-pressed={on}
            title={title}
            onClick={pick}
            sx={{
                display: 'flex',
                width: '100%',
                justifyContent: 'space-between',
                gap: 1,
                px: 0.75,
                py: 0.5,
                font: 'inherit',
                borderRadius: 0.5,
                textAlign: 'left',
                fontWeight: on ? 650 : 450,
                bgcolor: on ? 'action.selected' : undefined,
                '&:hover': { bgcolor: 'action.hover' },
            }}
        >
            <span>{name}</span>
            <Box component="span" sx={{ color: verdict.colour, whiteSpace: 'nowrap' }}>
                {verdict.text}
            </Box>
        </ButtonBase>
    );
}
