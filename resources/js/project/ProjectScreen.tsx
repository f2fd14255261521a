import DarkModeOutlined from '@mui/icons-material/DarkModeOutlined';
import FileDownloadOutlined from '@mui/icons-material/FileDownloadOutlined';
import KeyboardOutlined from '@mui/icons-material/KeyboardOutlined';
import LightModeOutlined from '@mui/icons-material/LightModeOutlined';
import Redo from '@mui/icons-material/Redo';
import SearchIcon from '@mui/icons-material/Search';
import Undo from '@mui/icons-material/Undo';
import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import IconButton from '@mui/material/IconButton';
import Skeleton from '@mui/material/Skeleton';
import Snackbar from '@mui/material/Snackbar';
import Stack from '@mui/material/Stack';
import Tooltip from '@mui/material/Tooltip';
import { lazy, Suspense, useCallback, useEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { reasonsOf } from '../api/client';
import { isActive, useProject, useSession } from '../api/queries';
import { saveFile } from '../api/saveFile';
import { addressOf } from '../compare/columns';
import { BuildPanel } from '../inspector/BuildPanel';
import { Inspector } from '../inspector/Inspector';
import { PreflightPanel } from '../inspector/PreflightPanel';
import { SpaceLimits } from '../inspector/SpaceLimits';
import { SpacePanel } from '../inspector/SpacePanel';
import { RadiationChapter } from '../inspector/RadiationChapter';
import { SpaceSummary } from '../inspector/SpaceSummary';
import { Ledger } from '../ledger/Ledger';
import { useMaterialDrop } from '../materials/useMaterialDrop';
import { withPartFields } from '../model/document';
import { withPointWatch } from '../model/places';
import { useModelEditor, type ModelEditor } from '../model/useModelEditor';
import { RunBadge } from '../runs/RunBadge';
import { RunStrip } from '../runs/RunStrip';
import { useLive } from '../runs/useLive';
import { useRunState } from '../runs/useRunState';
import { SignIn } from '../session/SignIn';
import { retryAll } from '../state/edits';
import { useLatest } from '../state/hooks';
import { Bar } from '../theme/Bar';
import { Boundary } from '../theme/Boundary';
import { bar } from '../theme/theme';
import { Wordmark } from '../theme/Wordmark';
import { AirTrials } from '../whatif/AirTrials';
import { useTried } from '../whatif/store';
import { useTrial, type Trial } from '../whatif/useWhatIf';
import { useMarks } from '../variants/useAgainst';
import { useVariants, type Variants } from '../variants/useVariants';
import { VariantBar } from '../variants/VariantBar';
import { VariantDialogs } from '../variants/VariantDialogs';
import { VariantMenu } from '../variants/VariantMenu';
import { endOf } from '../model/loads';
import { bodiesOf } from '../model/partKinds';
import { UnitsMenu } from '../units/UnitsMenu';
import type { Picker } from '../view/Picking';
import { atMoment, withPeaks } from '../time/course';
import { useFrame } from '../time/store';
import { OperatingPoints } from '../operating/OperatingPoints';
import { TimeBar } from '../time/TimeBar';
import { TimeAxis } from '../time/TimeAxis';
import { TolerancesChapter } from '../tolerances/TolerancesChapter';
import { useBuilds } from '../tolerances/useBuilds';
import { show } from '../view/shown/store';
import { CommandPalette } from './CommandPalette';
import { ConflictDialog } from './ConflictDialog';
import { KeysDialog } from './KeysDialog';
import { Layout } from './Layout';
import { StageRail } from './StageRail';
import { usePreferences, useScreen } from '../state/screen';
import { useAddress } from './useAddress';
import { useDrags } from './useDrags';
import { useKeys } from './useKeys';
import { VerdictLine } from './VerdictLine';

const View = lazy(() => import('../view/View'));
const RoutesPanel = lazy(() => import('../routes/RoutesPanel').then((module) => ({ default: module.RoutesPanel })));
const ReportDialog = lazy(() => import('../report/ReportDialog').then((module) => ({ default: module.ReportDialog })));
const EvidenceDialog = lazy(() => import('../trust/EvidenceDialog').then((module) => ({ default: module.EvidenceDialog })));

/** The model as it is on screen, in a file that can be imported again. */
function saveDocument(editor: ModelEditor) {
    const { revision } = editor;
    if (revision)
        saveFile(
            new Blob([JSON.stringify(revision.document, null, 2)], { type: 'application/json' }),
            `${revision.outline.name.replace(/[^\w-]+/g, '-').toLowerCase() || 'model'}.json`,
        );
}

function BarTools({ editor, showKeys, showPalette }: { editor: ModelEditor; showKeys: () => void; showPalette: () => void }) {
    const { scheme, setScheme } = usePreferences();
    return (
        <Stack
            direction="row"
            sx={{
                alignItems: 'center',
                gap: 0.25,
                flex: 1,
                justifyContent: 'flex-end',
                '& .MuiIconButton-root': { color: bar.text },
                '& .Mui-disabled': { color: '#7d8a90 !important' },
            }}
        >
            <Tooltip title={editor.undoLabel ? `Undo: ${editor.undoLabel}` : 'Nothing to undo'}>
                <span>
                    <IconButton size="small" aria-label="Undo" disabled={!editor.undoLabel} onClick={editor.undo}>
                        <Undo fontSize="small" />
                    </IconButton>
                </span>
            </Tooltip>
            <Tooltip title={editor.redoLabel ? `Redo: ${editor.redoLabel}` : 'Nothing to redo'}>
                <span>
                    <IconButton size="small" aria-label="Redo" disabled={!editor.redoLabel} onClick={editor.redo}>
                        <Redo fontSize="small" />
                    </IconButton>
                </span>
            </Tooltip>
            <UnitsMenu colour={bar.text} />
            <Tooltip title="Save the model document">
                <span>
                    <IconButton size="small" aria-label="Save the model document" disabled={!editor.revision} onClick={() => saveDocument(editor)}>
                        <FileDownloadOutlined fontSize="small" />
                    </IconButton>
                </span>
            </Tooltip>
            <Tooltip title={scheme === 'light' ? 'Dark surfaces' : 'Light surfaces'}>
                <IconButton size="small" aria-label="Light or dark" onClick={() => setScheme(scheme === 'light' ? 'dark' : 'light')}>
                    {scheme === 'light' ? <DarkModeOutlined fontSize="small" /> : <LightModeOutlined fontSize="small" />}
                </IconButton>
            </Tooltip>
            <Tooltip title="Find a command or a part (Ctrl+K)">
                <IconButton size="small" aria-label="Commands" onClick={showPalette}>
                    <SearchIcon fontSize="small" />
                </IconButton>
            </Tooltip>
            <Tooltip title="Keys (?)">
                <IconButton size="small" aria-label="Keys" onClick={showKeys}>
                    <KeyboardOutlined fontSize="small" />
                </IconButton>
            </Tooltip>
        </Stack>
    );
}

function Refusal({ editor }: { editor: ModelEditor }) {
    const error = editor.error;
    const messages = error ? reasonsOf(error) : [];
    return (
        <Snackbar open={error !== null} anchorOrigin={{ vertical: 'bottom', horizontal: 'left' }} sx={{ mb: 5 }}>
            <Alert severity="error" onClose={editor.clearError} sx={{ maxWidth: 620 }}>
                {messages.slice(0, 4).map((message) => (
                    <div key={message}>{message}</div>
                ))}
                {error?.status === 422 && <div>The edit was not saved; the model is as before.</div>}
            </Alert>
        </Snackbar>
    );
}

const saveTexts = { saving: 'Saving', unreachable: 'Not saved: the server cannot be reached', signedOut: 'Not saved: signed out' };

/** Whether the server has everything that is on screen. */
function SaveStatus({ editor }: { editor: ModelEditor }) {
    const lost = editor.state === 'unreachable' || editor.state === 'signedOut';
    const text = editor.state === 'saved' ? (editor.revision ? `Saved, revision ${editor.revision.number}` : '') : saveTexts[editor.state];
    return (
        <Stack direction="row" sx={{ alignItems: 'center', color: lost ? bar.warning : bar.quiet, fontSize: 12 }}>
            <span role="status">{text}</span>
            {editor.state === 'unreachable' && (
                <Button size="small" color="inherit" sx={{ fontSize: 12, ml: 0.5, py: 0 }} onClick={editor.retry}>
                    Try again
                </Button>
            )}
        </Stack>
    );
}

/** Over the page when the session has ended; what was typed stays and is saved after signing in. */
function SessionEnded({ editor }: { editor: ModelEditor }) {
    const session = useSession();
    return (
        <Dialog open={editor.state === 'signedOut'} slotProps={{ paper: { 'aria-label': 'Sign in again' } }}>
            <Alert severity="warning">Your session has ended. Nothing is lost: sign in again and your edits are saved.</Alert>
            <SignIn demo={session.data?.demo ?? false} unreachable={false} onSignedIn={retryAll} />
        </Dialog>
    );
}

/** Which variant of the project is shown. */
/** The address of a comparison of the variant on screen with the one that it comes from, or with its neighbour. */
function compareWith({ list, current }: Variants): string {
    const origin = list.find(({ id }) => id === current.origin?.variant) ?? list[list.indexOf(current) - 1] ?? list[1]!;
    const columns = list.indexOf(origin) > list.indexOf(current) ? [current, origin] : [origin, current];
    return addressOf(
        columns.map(({ id }) => ({ variant: id, run: null })),
        0,
    );
}

/** The watts that are tried become those of the model; the run is then of an older revision. */
function keepTried(editor: ModelEditor, { whatIf, tried, changes }: Trial) {
    const changed = whatIf.sources.filter((_source, n) => changes[n] !== 0);
    void editor.edit(changed.length === 1 ? 'Watts as tried' : `Watts of ${changed.length} parts as tried`, (document) =>
        changed.reduce((next, { part, power }) => withPartFields(next, [part], { power: `${Number((tried[part] ?? power).toPrecision(6))} W` }), document),
    );
    useTried.getState().reset();
}

export default function ProjectScreen() {
    const params = useParams();
    const variant = Number(params.variant);
    const project = useProject(Number(params.project));
    const editor = useModelEditor(variant);
    const runs = useRunState(variant, editor.state === 'saved' ? editor.revision?.hash : 'not saved yet');
    const stage = useScreen((s) => s.stage);
    // Other watts are tried in Judge only, and never on what is not current.
    const trial = useTrial(
        stage === 'Judge' && !runs.stale && !runs.point && !isActive(runs.latest) && !runs.result?.time ? runs.shown?.id : undefined,
        runs.result,
    );
    const builds = useBuilds(editor.revision?.document, runs.stale || runs.point ? undefined : runs.shown?.id);
    const frame = useFrame(stage === 'Judge' && !runs.stale ? runs.shown?.id : undefined);
    const shown = useMemo(() => runs.result && (frame === null ? withPeaks(runs.result) : atMoment(runs.result, frame)), [runs.result, frame]);
    const result = trial?.result ?? shown;
    const selection = useScreen((s) => s.selection);
    const routes = useScreen((s) => s.routes);
    const units = usePreferences((s) => s.units);
    const [keysShown, setKeysShown] = useState(false);
    const showKeys = () => setKeysShown(true);
    const [palette, setPalette] = useState(false);
    const showPalette = () => setPalette(true);
    const [evidence, setEvidence] = useState(false);
    const [report, setReport] = useState(false);
    const showEvidence = () => setEvidence(true);
    useAddress(variant);

    const projectId = Number(params.project);
    useEffect(() => show.openProject(projectId), [projectId]);

    const mayEdit = project.data !== undefined && project.data.role !== 'viewer';
    const navigate = useNavigate();
    const variants = useVariants(project.data, variant, editor, mayEdit);
    useMarks(editor.revision?.document);
    const live = useLive(variant, editor, runs, editor.revision?.preflight ?? [], mayEdit);
    useKeys({ editor, mayEdit, showKeys, showPalette, variants });
    const drags = useDrags(editor);
    const edit = useLatest(editor.edit);
    const watchPoint = useCallback(
        (at: readonly number[], name: string) => void edit()(`Watch ${name}`, (document) => withPointWatch(document, at, name)).catch(() => undefined),
        [edit],
    );
    const picker = useRef<Picker | null>(null);
    const drop = useMaterialDrop(editor, editor.revision?.outline, mayEdit, (event) => picker.current?.partUnder(event) ?? null);
    if (editor.error && !editor.revision) {
        return (
            <Stack component="main" sx={{ height: '100%', alignItems: 'center', justifyContent: 'center', gap: 2 }}>
                <h1 style={{ fontSize: 18 }}>This project cannot be shown</h1>
                <Alert severity="error">{editor.error.message}</Alert>
                <Button component={Link} to="/" variant="outlined">
                    Back to the projects
                </Button>
            </Stack>
        );
    }
    const revision = editor.revision;
    const stageProps = revision && { revision, editor, mayEdit };
    let details: ReactNode = null;
    if (revision && selection.length > 0)
        details = (
            <Inspector
                revision={revision}
                run={runs.shown?.id}
                asItStands={runs.point === null}
                picture={runs.shown?.picture ?? 0}
                result={result}
                stale={runs.stale}
                editor={editor}
                mayEdit={mayEdit}
            />
        );
    else if (stage === 'Judge')
        details =
            !runs.stale && result && revision ? (
                <SpaceSummary
                    // What is found of the run is of the model as it stands.
                    run={runs.point ? undefined : runs.shown?.id}
                    result={result}
                    tried={trial !== null}
                    points={runs.shown && !trial && <OperatingPoints run={runs.shown} base={runs.base} shown={runs.point} units={units} />}
                    outline={revision.outline}
                    units={units}
                    mayEdit={mayEdit}
                    trials={
                        runs.shown?.state === 'solved' && result.flow && result.verdict.worstMargin !== null && !trial && !runs.point ? (
                            <AirTrials revision={revision} run={runs.shown} worstMargin={result.verdict.worstMargin} units={units} mayEdit={mayEdit} />
                        ) : null
                    }
                    tolerances={
                        runs.shown?.state === 'solved' && !trial && !runs.point && !result.time ? (
                            <TolerancesChapter revision={revision} run={runs.shown} units={units} mayEdit={mayEdit} />
                        ) : null
                    }
                    radiation={
                        runs.shown?.state === 'solved' && !result.time && result.fields.includes('temperature') ? (
                            <RadiationChapter project={projectId} revision={revision} result={result} mayEdit={mayEdit} />
                        ) : null
                    }
                />
            ) : null;
    else if (stageProps)
        details = {
            Build: <BuildPanel {...stageProps} />,
            Load: <SpacePanel {...stageProps} />,
            Limit: <SpaceLimits {...stageProps} />,
            Solve: <PreflightPanel {...stageProps} />,
        }[stage];
    const axis = { until: revision ? endOf(revision.document) : null, parts: bodiesOf(revision?.outline) };
    return (
        <Stack sx={{ height: '100%', overflow: 'hidden' }}>
            <Bar>
                <Stack direction="row" sx={{ flex: 1, gap: 1.5, alignItems: 'center', minWidth: 0, whiteSpace: 'nowrap' }}>
                    <Link to="/" style={{ color: 'inherit', textDecoration: 'none', fontSize: 15 }} title="All projects">
                        <Wordmark onDark />
                    </Link>
                    <Box component="h1" sx={{ m: 0, fontSize: 13, fontWeight: 450, color: bar.quiet, overflow: 'hidden', textOverflow: 'ellipsis' }}>
                        {project.data?.name}
                    </Box>
                    {variants && <VariantMenu variants={variants} />}
                    {revision?.variant.study != null && (
                        <Link
                            to={`/projects/${projectId}/studies/${revision.variant.study}`}
                            style={{ color: bar.accent, fontSize: 13 }}
                            title="Back to the study"
                        >
                            {revision.variant.name}
                        </Link>
                    )}
                    <SaveStatus editor={editor} />
                </Stack>
                <StageRail findings={revision?.preflight ?? []} />
                <BarTools editor={editor} showKeys={showKeys} showPalette={showPalette} />
            </Bar>
            {variants && (
                <VariantBar
                    variants={variants}
                    running={isActive(runs.latest)}
                    onCompare={() => void navigate(`/projects/${projectId}/compare?${compareWith(variants)}`)}
                />
            )}
            <Box component="main" sx={{ flex: 1, minHeight: 0, display: 'flex' }}>
                <Layout
                    ledger={
                        <Stack component="section" aria-label="Ledger" sx={{ height: '100%', bgcolor: 'background.paper' }}>
                            <Boundary what="The ledger" resetKeys={[variant]}>
                                {stage === 'Judge' && (
                                    <Box sx={{ borderBottom: 1, borderColor: 'divider' }}>
                                        <VerdictLine
                                            runs={runs}
                                            trial={trial}
                                            builds={builds}
                                            onKeep={mayEdit && trial ? () => keepTried(editor, trial) : undefined}
                                            onEvidence={showEvidence}
                                        />
                                    </Box>
                                )}
                                {revision ? (
                                    <Box sx={{ flex: 1, minHeight: 0 }}>
                                        <Ledger
                                            revision={revision}
                                            editor={editor}
                                            result={result}
                                            stale={runs.stale}
                                            {...(trial && { tried: trial.tried })}
                                            mayEdit={mayEdit}
                                            onReport={runs.shown && result && !trial ? () => setReport(true) : undefined}
                                        />
                                    </Box>
                                ) : (
                                    <Stack sx={{ p: 2, gap: 1 }}>
                                        {[...Array(10).keys()].map((i) => (
                                            <Skeleton key={i} height={24} />
                                        ))}
                                    </Stack>
                                )}
                            </Boundary>
                        </Stack>
                    }
                    view={
                        <Stack sx={{ height: '100%' }}>
                            <Box component="section" aria-label="View" {...drop} sx={{ flex: 1, minHeight: 0, position: 'relative' }}>
                                <Boundary what="The view" resetKeys={[variant]}>
                                    <Suspense fallback={null}>
                                        {revision && (
                                            <View
                                                picker={picker}
                                                project={projectId}
                                                outline={revision.outline}
                                                variant={variant}
                                                revision={revision.number}
                                                run={runs.shown?.id}
                                                picture={runs.shown?.picture ?? 0}
                                                result={result}
                                                trial={trial}
                                                busy={isActive(runs.latest)}
                                                stale={runs.stale}
                                                onWatch={mayEdit ? watchPoint : null}
                                                drags={mayEdit ? drags : undefined}
                                            />
                                        )}
                                    </Suspense>
                                </Boundary>
                                <RunBadge runs={runs} />
                            </Box>
                            {stage === 'Judge' && !runs.stale && runs.shown && runs.result?.time && (
                                <TimeBar key={runs.shown.id} run={runs.shown.id} result={runs.result} />
                            )}
                        </Stack>
                    }
                    details={
                        details && (
                            <Boundary what="This panel" resetKeys={[variant, stage, String(selection)]}>
                                <TimeAxis value={axis}>{details}</TimeAxis>
                            </Boundary>
                        )
                    }
                />
            </Box>
            {routes && stage === 'Judge' && !runs.stale && !trial && result?.frame === undefined && result && revision && (
                <Suspense fallback={null}>
                    <RoutesPanel
                        key={String(routes.of)}
                        outline={revision.outline}
                        result={result}
                        of={routes.of}
                        onClose={() => useScreen.getState().set({ routes: null })}
                    />
                </Suspense>
            )}
            <RunStrip variant={variant} runs={runs} mayEdit={mayEdit} findings={revision?.preflight ?? []} outline={revision?.outline} live={live} />
            {variants && <VariantDialogs variants={variants} editor={editor} running={isActive(runs.latest)} />}
            <ConflictDialog editor={editor} />
            <SessionEnded editor={editor} />
            <Refusal editor={editor} />
            {palette && (
                <CommandPalette
                    variant={variant}
                    outline={revision?.outline}
                    findings={revision?.preflight ?? []}
                    editor={editor}
                    variants={variants}
                    mayEdit={mayEdit}
                    showKeys={showKeys}
                    showEvidence={showEvidence}
                    onClose={() => setPalette(false)}
                />
            )}
            {report && runs.shown && (
                <Suspense fallback={null}>
                    <ReportDialog project={projectId} run={runs.shown.id} variant={revision?.variant.name ?? ''} onClose={() => setReport(false)} />
                </Suspense>
            )}
            {evidence && (
                <Suspense fallback={null}>
                    <EvidenceDialog variant={variant} onClose={() => setEvidence(false)} />
                </Suspense>
            )}
            <KeysDialog open={keysShown} onClose={() => setKeysShown(false)} />
        </Stack>
    );
}
