import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import ButtonBase from '@mui/material/ButtonBase';
import LinearProgress from '@mui/material/LinearProgress';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useCallback, useMemo, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { isOpen, useAdoptPoint, useProject, useStudy, useStudyChange } from '../api/queries';
import type { Study, StudyPoint } from '../api/types';
import { TableTools } from '../charts/TableTools';
import { gradeNames } from '../model/grades';
import { usePreferences } from '../state/screen';
import { Bar } from '../theme/Bar';
import { Boundary } from '../theme/Boundary';
import { bar } from '../theme/theme';
import { Wordmark } from '../theme/Wordmark';
import { NameDialog } from '../variants/NameDialog';
import { freeName } from '../variants/names';
import { confidence, shareOf } from '../tolerances/tolerances';
import { axesOf, bestOf, builtOf, nameOf, sortedBy, type Sorting } from './points';
import { PointTable, stateTexts } from './PointTable';
import { StudyCharts } from './StudyCharts';

const none: readonly StudyPoint[] = [];

/** A study: its points in a table and as charts, filling while they are computed; any of them opens as a full result. */
export default function StudyScreen() {
    const params = useParams();
    const projectId = Number(params.project);
    const id = Number(params.study);
    const navigate = useNavigate();
    const units = usePreferences((s) => s.units);
    const project = useProject(projectId);
    const { study, points: known, best: found } = useStudy(id);
    const points = known ?? none;
    const change = useStudyChange(id, projectId);
    const [sorting, setSorting] = useState<Sorting>(null);
    const [filter, setFilter] = useState<StudyPoint['state'] | 'all'>('all');
    const [selected, setSelected] = useState<number | null>(null);
    const select = useCallback((number: number) => setSelected(number), []);
    const plan = study.data?.plan;
    const { parameters, results, aimed } = useMemo(
        () => axesOf(study.data?.names ?? [], points, units, plan?.aims),
        [study.data?.names, points, units, plan?.aims],
    );
    const axes = useMemo(() => [...parameters, ...results.slice(0, 4)], [parameters, results]);
    const rows = useMemo(
        () =>
            sortedBy(
                filter === 'all' ? points : points.filter(({ state }) => state === filter),
                axes.find(({ id: axis }) => axis === sorting?.axis),
                sorting?.descending ?? false,
            ),
        [points, filter, axes, sorting],
    );
    const best = useMemo(() => {
        const alone = bestOf(points);
        return plan?.kind === 'search' ? (found ?? []) : plan?.kind !== 'builds' && alone ? [alone.number] : [];
    }, [plan?.kind, found, points]);
    const mayEdit = project.data !== undefined && project.data.role !== 'viewer';
    const base = project.data?.variants.find((variant) => variant.id === study.data?.variant);
    const point = points.find(({ number }) => number === selected) ?? null;
    const table = () => [
        ['Point', ...[...parameters, ...results].map(({ title, unit }) => `${title}, ${unit}`), 'State', 'Why'],
        ...rows.map((one) => [one.number, ...[...parameters, ...results].map((axis) => axis.of(one) ?? ''), stateTexts[one.state], one.message ?? '']),
    ];
    const remove = () =>
        void change
            .mutateAsync('delete')
            .then(() => navigate(`/projects/${projectId}/variants/${study.data?.variant}`))
            .catch(() => undefined);
    return (
        <Stack sx={{ height: '100%', overflow: 'hidden' }}>
            <Bar>
                <Link to="/" style={{ color: 'inherit', textDecoration: 'none', fontSize: 15 }} title="All projects">
                    <Wordmark onDark />
                </Link>
                {base && (
                    <Link
                        to={`/projects/${projectId}/variants/${base.id}`}
                        style={{ color: bar.quiet, fontSize: 13, textDecoration: 'none' }}
                        title="Back to the variant"
                    >
                        {project.data?.name}
                    </Link>
                )}
                <Box component="h1" sx={{ m: 0, fontSize: 14, fontWeight: 600, whiteSpace: 'nowrap' }}>
                    {study.data ? `Study: ${study.data.name}` : 'Study'}
                </Box>
                {study.data && (
                    <Typography sx={{ color: bar.quiet, fontSize: 12.5, whiteSpace: 'nowrap', overflow: 'hidden', textOverflow: 'ellipsis' }}>
                        {gradeNames[study.data.grade]} · {base?.name}, revision {study.data.revision}
                    </Typography>
                )}
                <Box sx={{ flex: 1 }} />
                {study.data && mayEdit && (
                    <Controls
                        study={study.data}
                        busy={change.isPending}
                        onPause={(paused) => change.mutate({ paused })}
                        onRetry={() => change.mutate({ retry: true })}
                        onDelete={remove}
                    />
                )}
            </Bar>
            {(study.error ?? change.error) && <Alert severity="error">{(study.error ?? change.error)!.message}</Alert>}
            {study.data && <Progress study={study.data} best={best} built={plan?.kind === 'builds' ? builtOf(points) : null} onSelect={select} />}
            <Stack component="main" direction="row" sx={{ flex: 1, minHeight: 0 }}>
                <Stack
                    component="section"
                    aria-label="Points of the study"
                    sx={{ flex: '1 1 54%', minWidth: 0, bgcolor: 'background.paper', borderRight: 1, borderColor: 'divider' }}
                >
                    <Stack direction="row" sx={{ alignItems: 'center', gap: 1, px: 1.5, pt: 1.25, pb: 0.75, borderBottom: 1, borderColor: 'divider' }}>
                        <TextField
                            select
                            size="small"
                            label="Show"
                            value={filter}
                            onChange={(event) => setFilter(event.target.value as typeof filter)}
                            sx={{ width: 150 }}
                        >
                            <MenuItem value="all" dense>
                                all points
                            </MenuItem>
                            {(Object.keys(stateTexts) as StudyPoint['state'][])
                                .filter((state) => (study.data?.counts[state] ?? 0) > 0)
                                .map((state) => (
                                    <MenuItem key={state} value={state} dense>
                                        {stateTexts[state]} ({study.data?.counts[state]})
                                    </MenuItem>
                                ))}
                        </TextField>
                        <Box sx={{ flex: 1 }} />
                        <TableTools label={study.data?.name ?? 'Study'} table={table} />
                    </Stack>
                    <Box sx={{ flex: 1, minHeight: 0 }}>
                        <PointTable points={rows} axes={axes} sorting={sorting} onSort={setSorting} selected={selected} best={best} onSelect={select} />
                    </Box>
                </Stack>
                <Stack component="section" aria-label="Charts of the study" sx={{ flex: '1 1 46%', minWidth: 0, overflow: 'auto' }}>
                    {study.data && parameters.length > 0 && (
                        <Boundary what="The chart" resetKeys={[points]}>
                            <StudyCharts
                                points={points}
                                parameters={parameters}
                                results={results}
                                aimed={aimed}
                                best={best}
                                spread={plan?.kind === 'builds'}
                                selected={selected}
                                onSelect={select}
                            />
                        </Boundary>
                    )}
                    {point && (
                        <PointDetail
                            project={projectId}
                            study={id}
                            point={point}
                            names={study.data?.names ?? []}
                            taken={project.data?.variants.map(({ name }) => name) ?? []}
                            mayEdit={mayEdit}
                        />
                    )}
                    {!point && (
                        <Typography color="text.secondary" sx={{ px: 1.5 }}>
                            Click a point in the table or the chart to open its result or make it a variant.
                        </Typography>
                    )}
                </Stack>
            </Stack>
        </Stack>
    );
}

interface ControlsProps {
    study: Study;
    busy: boolean;
    onPause: (paused: boolean) => void;
    onRetry: () => void;
    onDelete: () => void;
}

function Controls({ study, busy, onPause, onRetry, onDelete }: ControlsProps) {
    const { counts, paused } = study;
    const failed = counts.failed + counts.stopped + counts.unsteady;
    const [sure, setSure] = useState(false);
    return (
        <>
            {(counts.waiting > 0 || paused) && (
                <Button color="inherit" disabled={busy} onClick={() => onPause(!paused)}>
                    {paused ? 'Continue' : 'Pause'}
                </Button>
            )}
            {failed > 0 && (
                <Button color="inherit" disabled={busy} onClick={onRetry}>
                    Try {failed === 1 ? 'the failed one' : `the ${failed} failed`} again
                </Button>
            )}
            <Button color="inherit" disabled={busy} onClick={() => (sure ? onDelete() : setSure(true))} onBlur={() => setSure(false)}>
                {sure ? 'Delete all its points' : 'Delete'}
            </Button>
        </>
    );
}

interface ProgressProps {
    study: Study;
    best: readonly number[];
    /** Of builds how many are computed, and meet every limit. */
    built: { met: number; of: number } | null;
    onSelect: (number: number) => void;
}

function Progress({ study, best, built, onSelect }: ProgressProps) {
    const { counts, paused, plan, growing } = study;
    const search = plan.kind === 'search';
    const made = Object.values(counts).reduce((sum, count) => sum + count, 0);
    const over = made - counts.waiting - counts.queued - counts.running;
    const all = growing ? (plan.count ?? made) : made;
    const asked = search && plan.margin != null;
    const troubles = [
        counts.impossible > 0 && `${counts.impossible} impossible`,
        counts.failed > 0 && `${counts.failed} failed`,
        counts.unsteady > 0 && `${counts.unsteady} not steady`,
    ].filter(Boolean);
    return (
        <Box sx={{ px: 1.75, py: 0.75, borderBottom: 1, borderColor: 'divider', bgcolor: 'background.paper' }}>
            <Typography role="status" sx={{ fontSize: 13 }}>
                <b>
                    {over} of {all}
                </b>{' '}
                {search ? 'runs spent' : built ? 'builds computed' : 'points computed'}
                {counts.running > 0 ? `, ${counts.running} running` : ''}
                {troubles.length > 0 ? `, ${troubles.join(', ')}` : ''}
                {paused && (growing || isOpen(study)) ? '; paused' : ''}
                {built && built.of > 0 && (
                    <>
                        . All limits met in{' '}
                        <b>
                            {built.met} of {built.of}
                        </b>{' '}
                        builds: between {confidence(built.met, built.of).map(shareOf).join(' and ')} of all, with 95 % confidence
                    </>
                )}
                {search && over > 0 && (
                    <>
                        {'. '}
                        {best.length === 0 && (asked ? 'No point keeps the margin yet.' : 'No point has what is aimed at yet.')}
                        {best.length > 1 && `${best.length} points that no other one beats, drawn as a front.`}
                        {best.length === 1 && (
                            <>
                                Best:{' '}
                                <ButtonBase
                                    onClick={() => onSelect(best[0]!)}
                                    sx={{ fontSize: 13, fontWeight: 600, color: 'primary.main', verticalAlign: 'baseline' }}
                                >
                                    point {best[0]}
                                </ButtonBase>
                            </>
                        )}
                    </>
                )}
            </Typography>
            {isOpen(study) && (
                <LinearProgress
                    aria-label="Points computed"
                    variant="determinate"
                    value={(100 * over) / Math.max(1, all)}
                    sx={{ mt: 0.5, height: 3, borderRadius: 1 }}
                />
            )}
        </Box>
    );
}

interface DetailProps {
    project: number;
    study: number;
    point: StudyPoint;
    names: readonly string[];
    taken: readonly string[];
    mayEdit: boolean;
}

function PointDetail({ project, study, point, names, taken, mayEdit }: DetailProps) {
    const adopt = useAdoptPoint(study, project);
    const [naming, setNaming] = useState(false);
    const navigate = useNavigate();
    const values = names.map((name, n) => `${nameOf(name)} ${point.texts[n]}`).join(', ');
    return (
        <Box
            component="section"
            aria-label={`Point ${point.number}`}
            sx={{ mx: 1.5, mb: 1.5, p: 1.5, border: 1, borderColor: 'divider', borderRadius: 1, bgcolor: 'background.paper' }}
        >
            <Typography sx={{ fontWeight: 600 }}>Point {point.number}</Typography>
            <Typography color="text.secondary">{values}</Typography>
            {point.message && (
                <Alert severity={point.state === 'impossible' || point.state === 'failed' ? 'error' : 'info'} sx={{ mt: 1 }}>
                    {point.message}
                </Alert>
            )}
            <Stack direction="row" sx={{ gap: 1, mt: 1 }}>
                <Button variant="outlined" disabled={point.run === null} component={Link} to={`/projects/${project}/variants/${point.variant}?stage=judge`}>
                    Open result
                </Button>
                {mayEdit && (
                    <Button
                        variant="outlined"
                        color="inherit"
                        disabled={point.state === 'impossible' || point.state === 'waiting'}
                        onClick={() => setNaming(true)}
                    >
                        Make it a variant
                    </Button>
                )}
            </Stack>
            {naming && (
                <NameDialog
                    title={`Make point ${point.number} a variant`}
                    action="Make variant"
                    said={values}
                    name={taken.includes(values.slice(0, 80)) ? freeName(values.slice(0, 70), taken) : values.slice(0, 80)}
                    note=""
                    error={adopt.error}
                    busy={adopt.isPending}
                    onDone={({ name }) =>
                        void adopt
                            .mutateAsync({ number: point.number, name })
                            .then((variant) => navigate(`/projects/${project}/variants/${variant.id}?stage=judge`))
                            .catch(() => undefined)
                    }
                    onClose={() => {
                        adopt.reset();
                        setNaming(false);
                    }}
                />
            )}
        </Box>
    );
}
