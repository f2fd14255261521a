import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import Slider from '@mui/material/Slider';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { lazy, Suspense, useState } from 'react';
import { useFoundWhatIf, useInfluenceChange } from '../api/queries';
import type { Outline, WhatIf } from '../api/types';
import { Chapter, Line } from '../inspector/Chapter';
import { difference, differenceUnit, watts, type UnitSet } from '../units/units';
import { stepOf, whatHelps } from './helps';
import { useTried } from './store';
import { reliability } from './whatIf';

const MatrixDialog = lazy(() => import('./MatrixDialog').then((module) => ({ default: module.MatrixDialog })));

interface Props {
    run: number;
    outline: Outline;
    units: UnitSet;
    mayEdit: boolean;
    /** The part whose watts are varied; null: all of them. */
    part: string | null;
}

/** Lines of what would help that are shown at first. */
const FIRST = 5;

/** Steps of a slider, of the watts as they are. */
const STEPS = 100;

/** What would help, and what other watts would do, on the flow of a run. */
export function WhatIfChapter({ run, outline, units, mayEdit, part }: Props) {
    const { influence, whatIf } = useFoundWhatIf(run);
    const change = useInfluenceChange(run);
    const state = influence?.state;
    if (whatIf) return <Found run={run} whatIf={whatIf} outline={outline} units={units} part={part} />;
    if (state === undefined || state === 'solved') return null;
    return (
        <Chapter title="What would help" fields>
            {(state === 'queued' || state === 'running') && (
                <>
                    <LinearProgress
                        variant={influence!.progress > 0 ? 'determinate' : 'indeterminate'}
                        value={100 * influence!.progress}
                        aria-label="Influence"
                        sx={{ mb: 0.75 }}
                    />
                    <Stack direction="row" sx={{ justifyContent: 'space-between', alignItems: 'center' }}>
                        <Typography variant="body2" color="text.secondary" role="status">
                            {state === 'queued' ? 'Waiting for a worker' : `Finding it, ${Math.round(100 * influence!.progress)} %`}
                        </Typography>
                        <Button size="small" color="inherit" onClick={() => change.mutate(false)}>
                            Cancel
                        </Button>
                    </Stack>
                </>
            )}
            {state === 'failed' && (
                <Alert severity="error" sx={{ mb: 1 }}>
                    {influence?.message}
                </Alert>
            )}
            {change.error && <Alert severity="error">{change.error.message}</Alert>}
            {(state === 'none' || state === 'failed') && mayEdit && (
                <>
                    <Button size="small" variant="outlined" color="inherit" disabled={change.isPending} onClick={() => change.mutate(true)}>
                        {state === 'failed' ? 'Try again' : 'Find what would help'}
                    </Button>
                    <Typography variant="body2" color="text.secondary" sx={{ mt: 0.75 }}>
                        Ranks every change by its effect on the worst margin, and lets you try other watts at once. About a minute for 100 000 cells, longer
                        where surfaces radiate to each other.
                    </Typography>
                </>
            )}
            {state === 'none' && !mayEdit && <Typography color="text.secondary">Not found yet; an editor of the project can ask for it.</Typography>}
        </Chapter>
    );
}

function Found({ run, whatIf, outline, units, part }: Omit<Props, 'mayEdit'> & { whatIf: WhatIf }) {
    const [all, setAll] = useState(false);
    const [matrix, setMatrix] = useState(false);
    const limit = outline.limits.find((one) => one.id === whatIf.limit);
    const sources = whatIf.sources.filter((source) => part === null || source.part === part);
    const lines = all ? whatIf.helps : whatIf.helps.slice(0, FIRST);
    return (
        <>
            {whatIf.helps.length > 0 && (
                <Chapter title={`What would help${limit ? `: ${limit.name}` : ''}`}>
                    {lines.map((help) => (
                        <Line key={`${help.kind} ${help.of} ${help.face} ${help.value}`} label={`${whatHelps(help, outline, units)} ${stepOf(help, units)}`}>
                            <Box component="span" sx={{ whiteSpace: 'nowrap', color: help.change < 0 ? 'success.main' : 'error.main' }}>
                                {difference(help.change, units)} {differenceUnit(units)}
                            </Box>
                        </Line>
                    ))}
                </Chapter>
            )}
            {whatIf.helps.length > FIRST && (
                <Button size="small" color="inherit" onClick={() => setAll(!all)} sx={{ ml: -0.5 }}>
                    {all ? 'Fewer' : `${whatIf.helps.length - FIRST} more`}
                </Button>
            )}
            {sources.length > 0 && (
                <Chapter title="What if" fields>
                    {sources.map((source) => (
                        <Watts key={source.part} run={run} source={source} called={nameOf(source.part, outline)} alone={part !== null} />
                    ))}
                    <Note whatIf={whatIf} />
                </Chapter>
            )}
            <Button size="small" color="inherit" onClick={() => setMatrix(true)} sx={{ ml: -0.5 }}>
                Influence of all parts
            </Button>
            {matrix && (
                <Suspense fallback={null}>
                    <MatrixDialog whatIf={whatIf} outline={outline} units={units} onClose={() => setMatrix(false)} />
                </Suspense>
            )}
        </>
    );
}

const nameOf = (id: string, outline: Outline): string => outline.parts.find((part) => part.id === id)?.name ?? id;

/** The watts of a source, from none to twice what they are. */
function Watts({ run, source, called, alone }: { run: number; source: WhatIf['sources'][number]; called: string; alone: boolean }) {
    const vary = useTried((s) => s.vary);
    const tried = useTried((s) => (s.run === run ? s.tried[source.part] : undefined));
    const value = tried ?? source.power;
    return (
        <Box sx={{ mb: 0.25 }}>
            <Stack direction="row" sx={{ justifyContent: 'space-between', gap: 1 }}>
                <Box component="span" sx={{ color: 'text.secondary' }}>
                    {alone ? 'Watts' : called}
                </Box>
                <Box component="span" sx={{ fontWeight: 550, whiteSpace: 'nowrap', color: value === source.power ? undefined : 'warning.main' }}>
                    {watts(value)} W
                </Box>
            </Stack>
            <Slider
                size="small"
                aria-label={`Watts of ${called}`}
                getAriaValueText={(at) => `${watts(at)} W`}
                min={0}
                max={2 * source.power}
                step={source.power / STEPS}
                track={false}
                marks={[{ value: source.power }]}
                value={value}
                onChange={(_event, next) => vary(run, source.part, Math.abs(next - source.power) < source.power / (2 * STEPS) ? source.power : next)}
                sx={{ display: 'block', width: 'calc(100% - 12px)', mx: 0.75, py: 0.75 }}
            />
        </Box>
    );
}

/** What is kept while watts are tried, and how far that can be right. */
function Note({ whatIf }: { whatIf: WhatIf }) {
    const kept = 'Predicted with the flow, the currents and the properties of this run kept.';
    const said = {
        good: `${kept} Buoyancy has little part in this flow.`,
        fair: `${kept} Buoyancy has a part in this flow: large changes are less certain.`,
        poor: 'Buoyancy drives this flow, and it would change with the watts: more watts warm less than told here. Run to be sure.',
    }[reliability(whatIf)];
    return (
        <Typography variant="body2" sx={{ color: reliability(whatIf) === 'poor' ? 'warning.main' : 'text.secondary' }}>
            {said}
        </Typography>
    );
}
