import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import Stack from '@mui/material/Stack';
import Tab from '@mui/material/Tab';
import Tabs from '@mui/material/Tabs';
import Typography from '@mui/material/Typography';
import { useEffect, useState } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import { useProject, useViewChange } from '../api/queries';
import { TableTools } from '../charts/TableTools';
import { usePreferences, useScreen } from '../state/screen';
import { Bar } from '../theme/Bar';
import { bar } from '../theme/theme';
import { Wordmark } from '../theme/Wordmark';
import { differences } from '../variants/differences';
import { DifferencesTable } from '../variants/DifferencesTable';
import { NameDialog } from '../variants/NameDialog';
import { show } from '../view/shown/store';
import { viewNow } from '../view/views/useSavedView';
import { addressOf, columnKey, fromAddress, MOST_COLUMNS, type ColumnSpec } from './columns';
import { ComparePanel } from './ComparePanel';
import { CompareTable } from './CompareTable';
import { byWorst, differs, rowsOf, sections, type Section } from './table';
import { TrackChart } from './TrackChart';
import { useColumn, type Column } from './useColumn';

const DIFFERENT = 'What differs';
const TRACK = 'Over runs';
type Page = Section | typeof DIFFERENT | typeof TRACK;

/** Two to four variants or runs beside one another: one camera, one range, one table. */
export default function CompareScreen() {
    const params = useParams();
    const [address, setAddress] = useSearchParams();
    const projectId = Number(params.project);
    const project = useProject(projectId);
    const units = usePreferences((s) => s.units);
    const set = useScreen((s) => s.set);
    const all = project.data?.variants ?? [];
    const { columns: specs, base } = fromAddress(
        address,
        all.map(({ id }) => id),
    );
    const found = [useColumn(specs[0], project.data), useColumn(specs[1], project.data), useColumn(specs[2], project.data), useColumn(specs[3], project.data)];
    const columns = found.filter((column): column is Column => column !== null);
    const [page, setPage] = useState<Page>('Limits');
    const [onlyDifferent, setOnlyDifferent] = useState(false);
    const [difference, setDifference] = useState(false);
    const [saving, setSaving] = useState(false);
    // The saved view that it was opened by.
    const [opened] = useState(() => Number(address.get('view')) || null);
    const views = useViewChange(projectId);
    useEffect(() => {
        show.openProject(projectId);
        // A comparison is looked at as results are, with nothing of another screen in hand.
        set({ stage: 'Judge', selection: [], tool: 'select', openLayer: null, openRun: null, against: null, savedView: opened });
    }, [projectId, opened, set]);

    const put = (next: readonly ColumnSpec[], nextBase = base) => setAddress(addressOf(next, Math.min(nextBase, next.length - 1)), { replace: true });
    const results = columns.map(({ result }) => result);
    const names = columns.map(({ variant, spec, run }) => (spec.run === null ? variant.name : `${variant.name}, run of revision ${run?.revision ?? '?'}`));
    const rows = page === DIFFERENT || page === TRACK ? [] : rowsOf(page, results, base, units).filter((row) => !onlyDifferent || differs(row));
    const sorted = page === 'Limits' ? byWorst(rows) : rows;
    const changed = columns.map(({ model }, n) =>
        n !== base && model && columns[base]?.model ? differences(columns[base].model.document, model.document) : [],
    );
    const unused = all.filter(({ id }) => !specs.some(({ variant, run }) => variant === id && run === null));
    const baseRun = columns[base]?.run?.id ?? null;
    const comparable = columns.filter(({ run }) => run).length > 1 && baseRun !== null;
    const mayEdit = project.data !== undefined && project.data.role !== 'viewer';
    const table = () => [
        [page, 'bound', ...names.flatMap((name, n) => (n === base ? [name] : [name, `change against ${names[base]}`]))],
        ...sorted.map((row) => [
            row.name,
            row.bound,
            ...row.cells.flatMap((cell, n) => (n === base ? [cell?.text ?? ''] : [cell?.text ?? '', cell?.delta?.text ?? ''])),
        ]),
    ];
    const back = columns[0]?.variant.id ?? all[0]?.id;
    return (
        <Stack sx={{ height: '100%', overflow: 'hidden' }}>
            <Bar>
                <Link to="/" style={{ color: 'inherit', textDecoration: 'none', fontSize: 15 }} title="All projects">
                    <Wordmark onDark />
                </Link>
                {back !== undefined && (
                    <Link
                        to={`/projects/${projectId}/variants/${back}?stage=judge`}
                        style={{ color: bar.quiet, fontSize: 13, textDecoration: 'none' }}
                        title="Back to the project"
                    >
                        {project.data?.name}
                    </Link>
                )}
                <Box component="h1" sx={{ m: 0, fontSize: 14, fontWeight: 600 }}>
                    Compare
                </Box>
                <Typography sx={{ color: bar.quiet, fontSize: 12.5, whiteSpace: 'nowrap', overflow: 'hidden', textOverflow: 'ellipsis' }}>
                    same view · same range · base: {names[base] ?? ''}
                </Typography>
                <Box sx={{ flex: 1 }} />
                {specs.length < MOST_COLUMNS && unused.length > 0 && (
                    <Button color="inherit" sx={{ flexShrink: 0 }} onClick={() => put([...specs, { variant: unused[0]!.id, run: null }])}>
                        Add variant
                    </Button>
                )}
                {comparable && (
                    <Button
                        color="inherit"
                        aria-pressed={difference}
                        onClick={() => setDifference(!difference)}
                        sx={{ flexShrink: 0, color: difference ? bar.accent : undefined }}
                    >
                        {difference ? 'Show temperatures' : 'Show differences'}
                    </Button>
                )}
                {mayEdit && (
                    <Button color="inherit" onClick={() => setSaving(true)} sx={{ flexShrink: 0 }}>
                        Save comparison
                    </Button>
                )}
            </Bar>
            {project.error && <Alert severity="error">{project.error.message}</Alert>}
            {project.data && all.length < 2 && <Alert severity="info">This project has one variant. Clone it, change something, and compare the two.</Alert>}
            <Stack component="main" sx={{ flex: 1, minHeight: 0 }}>
                <Stack direction="row" sx={{ flex: '1 1 58%', minHeight: 0 }}>
                    {columns.map((column, n) => (
                        <ComparePanel
                            key={columnKey(column.spec)}
                            project={projectId}
                            column={column}
                            variants={all}
                            beside={{
                                column: columnKey(column.spec),
                                first: n === 0,
                                legends: n === columns.length - 1 || (difference && n === base),
                                base: difference && n !== base ? baseRun : null,
                            }}
                            onSwap={(spec) => put(specs.map((other, at) => (at === n ? spec : other)))}
                            onRemove={
                                columns.length > 2
                                    ? () =>
                                          put(
                                              specs.filter((_other, at) => at !== n),
                                              base > n ? base - 1 : base,
                                          )
                                    : null
                            }
                        />
                    ))}
                </Stack>
                <Stack sx={{ flex: '1 1 42%', minHeight: 0, bgcolor: 'background.paper', borderTop: 1, borderColor: 'divider' }}>
                    <Stack direction="row" sx={{ alignItems: 'center', px: 1.5, gap: 1, borderBottom: 1, borderColor: 'divider' }}>
                        <Tabs
                            value={page}
                            onChange={(_event, next: Page) => setPage(next)}
                            aria-label="What is compared"
                            sx={{ minHeight: 36, flex: 1, '& .MuiTab-root': { minHeight: 36, minWidth: 0, px: 1.25, py: 0.5, fontSize: 13 } }}
                        >
                            {sections.map((section) => (
                                <Tab key={section} value={section} label={section} />
                            ))}
                            <Tab value={DIFFERENT} label={`${DIFFERENT} (${changed.reduce((sum, list) => sum + list.length, 0)})`} />
                            <Tab value={TRACK} label={TRACK} />
                        </Tabs>
                        {page !== DIFFERENT && page !== TRACK && (
                            <>
                                <FormControlLabel
                                    control={<Checkbox size="small" checked={onlyDifferent} onChange={() => setOnlyDifferent(!onlyDifferent)} />}
                                    label="Only what changes"
                                    slotProps={{ typography: { sx: { fontSize: 12.5 } } }}
                                    sx={{ mr: 0 }}
                                />
                                <TableTools label={`Comparison, ${page.toLowerCase()}`} table={table} />
                            </>
                        )}
                    </Stack>
                    <Box sx={{ flex: 1, minHeight: 0, overflow: 'auto', px: 1.5, pb: 1 }}>
                        {page === DIFFERENT ? (
                            changed.map((list, n) =>
                                list.length > 0 ? <DifferencesTable key={names[n]} list={list} from={`${names[base]} (base)`} to={names[n]!} /> : null,
                            )
                        ) : page === TRACK ? (
                            <TrackChart project={projectId} variants={all} />
                        ) : sorted.length > 0 ? (
                            <CompareTable label={page} rows={sorted} names={names} base={base} onBase={(n) => put(specs, n)} />
                        ) : (
                            <Typography color="text.secondary" sx={{ pt: 1.5 }}>
                                {results.every((result) => !result)
                                    ? 'No run to compare yet.'
                                    : onlyDifferent
                                      ? 'Nothing changes here.'
                                      : 'The runs have nothing of the kind.'}
                            </Typography>
                        )}
                    </Box>
                </Stack>
            </Stack>
            {saving && (
                <NameDialog
                    title="Save comparison"
                    action="Save"
                    said="Kept with the views of the project: columns, base, camera, what is shown and its ranges."
                    name={names.join(' and ').slice(0, 80)}
                    note=""
                    error={views.error}
                    busy={views.isPending}
                    onDone={({ name, note }) => {
                        const now = viewNow();
                        if (now)
                            void views
                                .mutateAsync({
                                    add: { name, caption: note, thumbnail: now.thumbnail, content: { ...now.content, compare: addressOf(specs, base) } },
                                })
                                .then(() => setSaving(false))
                                .catch(() => undefined);
                    }}
                    onClose={() => {
                        views.reset();
                        setSaving(false);
                    }}
                />
            )}
        </Stack>
    );
}
