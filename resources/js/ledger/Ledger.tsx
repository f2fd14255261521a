import SearchIcon from '@mui/icons-material/Search';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import InputAdornment from '@mui/material/InputAdornment';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import { lazy, Suspense, useMemo, useRef, useState } from 'react';
import { useGridReport, useMaterials } from '../api/queries';
import type { Course, OutlinePart, Result, Revision } from '../api/types';
import { withLimit, withPartFields, type ModelDocument } from '../model/document';
import { computesCurrents } from '../model/space';
import { useMaterialDrop } from '../materials/useMaterialDrop';
import { allMaterials } from '../model/materials';
import { hasOwnMaterial, isDevice } from '../model/partKinds';
import type { ModelEditor } from '../model/useModelEditor';
import { usePreferences, useScreen } from '../state/screen';
import { joules, typed, typedTemperatureUnit, watts, type UnitSet } from '../units/units';
import { AddPart } from './AddPart';
import { columnsOf } from './columns';
import { LedgerTable, type Column, type Picking, type Sort } from './LedgerTable';
import { PasteTable } from './PasteTable';
import { partRows, sorted, withHeadings, type LedgerRow } from './rows';
import { WattsBar } from './WattsBar';
import { useStateFor } from '../state/hooks';
import type { TriedWatts } from '../whatif/whatIf';

const PartTable = lazy(() => import('./PartTable').then((module) => ({ default: module.PartTable })));
const MaterialsDialog = lazy(() => import('../materials/MaterialsDialog'));

interface Props {
    revision: Revision;
    editor: ModelEditor;
    result: Result | undefined;
    stale: boolean;
    /** Other watts that are tried on the run, by part. */
    tried?: TriedWatts;
    mayEdit: boolean;
    /** Makes a report of the result; none where there is nothing to report. */
    onReport?: (() => void) | undefined;
}

/**
 * What a text typed into a cell means for the model: a named step and the change, or null where nothing changes. What is typed
 * into one of several selected rows holds for all of them; a name is of one part only.
 */
function changeOf(
    field: string,
    text: string,
    part: OutlinePart,
    selected: readonly OutlinePart[],
    units: UnitSet,
): { label: string; change: (d: ModelDocument) => ModelDocument } | null {
    const parts = selected.some((p) => p.id === part.id) ? selected : [part];
    const solids = parts.filter((p) => !isDevice(p.kind));
    const called = (list: readonly OutlinePart[]) => (list.length === 1 ? list[0]!.name : `${list.length} parts`);
    const ids = (list: readonly OutlinePart[]) => list.map((p) => p.id);
    switch (field) {
        case 'name':
            return { label: `Rename ${part.name} to ${text.trim()}`, change: (d) => withPartFields(d, [part.id], { name: text.trim() }) };
        case 'powerText': {
            const power = typed(text, 'W');
            return { label: `${called(solids)}: ${power || 'no watts'}`, change: (d) => withPartFields(d, ids(solids), { power: power || undefined }) };
        }
        case 'material': {
            const made = solids.filter((p) => !hasOwnMaterial(p.kind));
            return { label: `${called(made)}: material ${text}`, change: (d) => withPartFields(d, ids(made), { material: text }) };
        }
        case 'limitText': {
            const limit = typed(text, typedTemperatureUnit(units));
            return {
                label: limit ? `${called(solids)}: limit ${limit}` : `${called(solids)}: no limit`,
                change: (d) => solids.reduce((next, p) => withLimit(next, p, limit), d),
            };
        }
        default:
            return null;
    }
}

/** Within this time a second click makes a double click, ms. */
const DOUBLE_CLICK = 300;

const NONE_TRIED: TriedWatts = {};

/** The table of all parts; its columns follow the stage. */
export function Ledger({ revision, editor, result, stale, tried = NONE_TRIED, mayEdit, onReport }: Props) {
    const stage = useScreen((s) => s.stage);
    const selection = useScreen((s) => s.selection);
    const grade = useScreen((s) => s.grade);
    const set = useScreen((s) => s.set);
    const select = useScreen((s) => s.select);
    const units = usePreferences((s) => s.units);
    const materials = useMaterials();
    const grid = useGridReport(revision.variant.id, revision.number, grade, stage === 'Solve');
    const [library, setLibrary] = useState(false);
    const [table, setTable] = useState(false);
    const [search, setSearch] = useState('');
    const judges = stage === 'Judge' && result !== undefined;
    const [sort, setSort] = useStateFor<string, Sort | null>(`${stage} ${judges}`, judges ? { field: 'margin', descending: false } : null);
    const [closed, setClosed] = useState<ReadonlySet<string>>(new Set());
    const toggle = (heading: string) => setClosed((was) => new Set(was.has(heading) ? [...was].filter((h) => h !== heading) : [...was, heading]));

    const rows = useMemo(() => {
        const all = partRows(revision.document, revision.outline, result, grid.data);
        const wanted = search.trim().toLowerCase();
        const found = wanted ? all.filter((row) => `${row.name} ${row.material} ${row.part?.group ?? ''}`.toLowerCase().includes(wanted)) : all;
        return sort ? sorted(found, sort.field, sort.descending ? -1 : 1) : withHeadings(found, wanted ? undefined : closed);
    }, [revision, result, grid.data, search, sort, closed]);
    const known = useMemo(() => allMaterials(revision.document as ModelDocument, materials.data ?? []), [revision.document, materials.data]);
    const isCourse = result?.time != null && result.frame === undefined;
    const course = stale ? null : (result?.time ?? null);
    const columns = useMemo(() => columnsOf(stage, units, known, tried, isCourse), [stage, units, known, tried, isCourse]);
    const chosen = useMemo(() => new Set(selection), [selection]);
    const missed = result?.verdict.missed ?? 0;
    const drop = useMaterialDrop(editor, revision.outline, mayEdit, (event) => (event.target as Element).closest('[data-id]')?.getAttribute('data-id') ?? null);
    const anchor = useRef<string | null>(null);
    const single = useRef(0);
    /** One row; with Shift all from the last picked one, with Ctrl this one added or taken out. */
    const pick = (row: LedgerRow, { range, adding }: Picking) => {
        if (row.heading !== null) {
            // The heading stands for all parts of its assembly.
            const members = revision.outline.parts.filter((part) => (part.group ?? '') === row.id.slice('heading:'.length)).map((part) => part.id);
            set({ selection: adding ? [...new Set([...selection, ...members])] : members });
            return;
        }
        const order = rows.filter((r) => r.heading === null).map((r) => r.id);
        const [from, to] = [order.indexOf(anchor.current ?? ''), order.indexOf(row.id)];
        if (range && from >= 0) {
            set({ selection: order.slice(Math.min(from, to), Math.max(from, to) + 1) });
            return;
        }
        anchor.current = row.id;
        window.clearTimeout(single.current);
        // A click on one of several selected rows may begin a double click, which edits all of them.
        if (!adding && selection.length > 1 && selection.includes(row.id)) single.current = window.setTimeout(() => select(row.id), DOUBLE_CLICK);
        else select(row.id, adding);
    };

    const isEditable = (row: LedgerRow, column: Column): boolean =>
        mayEdit &&
        column.text !== undefined &&
        row.part !== null &&
        !(column.field === 'name' && row.part.copyOf != null) &&
        !(column.field === 'material' && hasOwnMaterial(row.part.kind));
    const commit = (row: LedgerRow, field: string, text: string): Promise<unknown> => {
        const change =
            row.part &&
            changeOf(
                field,
                text,
                row.part,
                revision.outline.parts.filter((p) => chosen.has(p.id)),
                units,
            );
        return change ? editor.edit(change.label, change.change) : Promise.resolve();
    };

    return (
        <Stack sx={{ height: '100%', minHeight: 0 }}>
            <Stack direction="row" sx={{ px: 1.75, py: 1, gap: 1, alignItems: 'center', borderBottom: 1, borderColor: 'divider' }}>
                <TextField
                    size="small"
                    placeholder="Find part"
                    value={search}
                    onChange={(e) => setSearch(e.target.value)}
                    sx={{ width: 150, flexShrink: 0 }}
                    slotProps={{
                        htmlInput: { 'aria-label': 'Find part', style: { padding: '5px 0' } },
                        input: {
                            startAdornment: (
                                <InputAdornment position="start">
                                    <SearchIcon fontSize="small" />
                                </InputAdornment>
                            ),
                        },
                    }}
                />
                {stage === 'Build' && mayEdit && <AddPart outline={revision.outline} selection={selection} editor={editor} />}
                {stage === 'Build' && (
                    <Button size="small" color="inherit" onClick={() => setLibrary(true)}>
                        Materials
                    </Button>
                )}
                {library && (
                    <Suspense fallback={null}>
                        <MaterialsDialog revision={revision} editor={editor} mayEdit={mayEdit} selection={selection} onClose={() => setLibrary(false)} />
                    </Suspense>
                )}
                {stage === 'Load' && mayEdit && <PasteTable kind="watts" outline={revision.outline} editor={editor} />}
                {stage === 'Limit' && mayEdit && <PasteTable kind="limits" outline={revision.outline} editor={editor} />}
                {judges && !stale && (
                    <Button size="small" color="inherit" onClick={() => setTable(true)}>
                        Table
                    </Button>
                )}
                {judges && !stale && onReport && (
                    <Button size="small" color="inherit" onClick={onReport}>
                        Report
                    </Button>
                )}
                {table && result && (
                    <Suspense fallback={null}>
                        <PartTable outline={revision.outline} result={result} onClose={() => setTable(false)} />
                    </Suspense>
                )}
                <Box
                    title={selection.length > 1 && mayEdit ? 'What is written into a cell holds for all of them' : undefined}
                    sx={{ color: 'text.secondary', fontSize: 12.5, whiteSpace: 'nowrap', minWidth: 0, overflow: 'hidden', textOverflow: 'ellipsis' }}
                >
                    {selection.length > 1
                        ? `${selection.length} selected${mayEdit && stage !== 'Solve' && stage !== 'Build' ? '; a cell holds for all' : ''}`
                        : mayEdit
                          ? { Build: '', Load: 'Enter edits a cell', Limit: 'Enter edits a cell', Solve: '', Judge: 'Enter edits a cell' }[stage]
                          : 'You may look, not edit'}
                </Box>
            </Stack>
            <Box {...drop} sx={{ flex: 1, minHeight: 0, opacity: stale && stage === 'Judge' ? 0.62 : 1 }}>
                <LedgerTable
                    rows={rows}
                    columns={columns}
                    selection={chosen}
                    sort={sort}
                    onSort={setSort}
                    closed={closed}
                    onToggle={toggle}
                    onPick={pick}
                    onEdit={() => window.clearTimeout(single.current)}
                    isEditable={isEditable}
                    onCommit={commit}
                    empty={search ? `No part is called "${search}"` : stage === 'Build' && mayEdit ? 'No parts yet: add one above' : 'No parts yet'}
                />
            </Box>
            {stage === 'Load' && <WattsBar outline={revision.outline} select={(ids) => set({ selection: ids })} />}
            <Stack
                direction="row"
                sx={{ px: 1.75, height: 32, gap: 1.75, alignItems: 'center', borderTop: 1, borderColor: 'divider', fontSize: 12.5, whiteSpace: 'nowrap' }}
            >
                {course ? (
                    <HeatOverTime course={course} />
                ) : (
                    <>
                        <span>
                            In <b>{watts(result && !stale ? result.balance.in : revision.outline.watts)} W</b>
                            {result && !stale && (result.radiation?.sun ?? 0) > 0 && `, sun ${watts(result.radiation!.sun!)} W`}
                            {(!result || stale) && computesCurrents(revision.document) && ' and what currents make'}
                        </span>
                        {result && !stale && (
                            <span>
                                Out <b>{watts(result.balance.out)} W</b>
                                {result.radiation && result.balance.out > 0 && `, ${((100 * result.radiation.out) / result.balance.out).toFixed(0)} % radiated`}
                            </span>
                        )}
                    </>
                )}
                {result && !stale && (
                    <Box component="span" sx={{ color: missed > 0 ? 'error.main' : 'text.primary' }}>
                        <b>{missed}</b> of {result.verdict.limits} over limit
                        {result.verdict.undecided > 0 && (
                            <Box component="span" sx={{ color: 'warning.main' }}>
                                , <b>{result.verdict.undecided}</b> undecided
                            </Box>
                        )}
                    </Box>
                )}
                {(!result?.radiation || stale) && (
                    <Box component="span" sx={{ color: 'text.secondary' }}>
                        {revision.outline.parts.length} {revision.outline.parts.length === 1 ? 'part' : 'parts'}
                    </Box>
                )}
            </Stack>
        </Stack>
    );
}

/** What was given over a course in time, what has left, and what the parts hold of it. */
function HeatOverTime({ course: { balance } }: { course: Course }) {
    return (
        <>
            <span>
                In <b>{joules(balance.in)}</b>
            </span>
            <span>
                Out <b>{joules(balance.out)}</b>
            </span>
            <span>
                Stored <b>{joules(balance.stored)}</b>
            </span>
        </>
    );
}
