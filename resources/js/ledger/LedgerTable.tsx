import ArrowDownward from '@mui/icons-material/ArrowDownward';
import ArrowUpward from '@mui/icons-material/ArrowUpward';
import ChevronRight from '@mui/icons-material/ChevronRight';
import ExpandMore from '@mui/icons-material/ExpandMore';
import Box from '@mui/material/Box';
import { useVirtualizer } from '@tanstack/react-virtual';
import { memo, useCallback, useEffect, useRef, useState, type KeyboardEvent, type MouseEvent, type ReactNode } from 'react';
import { CellEditor } from './CellEditor';
import type { LedgerRow } from './rows';

const ROW = 27;
const HEADER = 32;

export interface Column {
    field: string;
    title: string;
    /** Explains the title. */
    description?: string;
    /** px; none: takes what is left, at least `least`. */
    width?: number;
    least?: number;
    right?: boolean;
    sortable?: boolean;
    /** What an editor begins with; none where the cell is not edited. */
    text?: (row: LedgerRow) => string;
    /** What may be chosen, instead of text. */
    options?: (row: LedgerRow) => { value: string; label: string }[];
    render: (row: LedgerRow) => ReactNode;
}

export interface Sort {
    field: string;
    descending: boolean;
}

export interface Picking {
    range: boolean;
    adding: boolean;
}

interface Props {
    rows: LedgerRow[];
    columns: Column[];
    selection: ReadonlySet<string>;
    sort: Sort | null;
    onSort: (sort: Sort | null) => void;
    /** Groups whose rows are not shown. */
    closed: ReadonlySet<string>;
    onToggle: (heading: string) => void;
    onPick: (row: LedgerRow, how: Picking) => void;
    /** An editor opens: what a click has begun is void. */
    onEdit: () => void;
    isEditable: (row: LedgerRow, column: Column) => boolean;
    /** Saves what was typed; rejects where it is refused. */
    onCommit: (row: LedgerRow, field: string, text: string) => Promise<unknown>;
    empty: string;
}

type Place = { id: string; field: string };

const template = (columns: Column[]): string => columns.map((c) => (c.width === undefined ? `minmax(${c.least ?? 100}px, 1fr)` : `${c.width}px`)).join(' ');

/** The rows of the ledger: only those in sight are in the page, so that thousands stay fluid. */
export function LedgerTable({ rows, columns, selection, sort, onSort, closed, onToggle, onPick, onEdit, isEditable, onCommit, empty }: Props) {
    const frame = useRef<HTMLDivElement>(null);
    const [focus, setFocus] = useState<Place | null>(null);
    const [editing, setEditing] = useState<(Place & { draft?: string }) | null>(null);
    const virtual = useVirtualizer({
        count: rows.length,
        getScrollElement: () => frame.current,
        estimateSize: () => ROW,
        overscan: 12,
        scrollPaddingStart: HEADER,
    });
    const grid = template(columns);

    /** Where the focus shall go; after an editor only when nothing else has taken it. */
    const pending = useRef<(Place & { unlessTaken?: boolean }) | null>(null);
    const moveTo = useCallback(
        (place: Place) => {
            pending.current = place;
            setFocus(place);
            // Until its row is in the page the table itself takes the keys.
            frame.current?.focus({ preventScroll: true });
            const index = rows.findIndex((row) => row.id === place.id);
            if (index >= 0) virtual.scrollToIndex(index);
        },
        [rows, virtual],
    );
    // The focus follows once its row is in the page, and comes back to a cell whose editor closes.
    useEffect(() => {
        const cell =
            pending.current &&
            frame.current?.querySelector<HTMLElement>(`[data-id="${CSS.escape(pending.current.id)}"] [data-field="${pending.current.field}"]`);
        if (!cell || editing) return;
        const taken = pending.current!.unlessTaken && document.activeElement !== document.body;
        pending.current = null;
        if (!taken) cell.focus({ preventScroll: true });
    });

    const begin = (row: LedgerRow, column: Column) => {
        if (!isEditable(row, column)) return;
        onEdit();
        setEditing({ id: row.id, field: column.field });
    };
    const keyDown = (event: KeyboardEvent, row: LedgerRow, column: Column) => {
        // With Alt they are of the whole screen.
        if (event.altKey) return;
        const at = rows.indexOf(row);
        const across = columns.indexOf(column);
        const step = { ArrowDown: 1, ArrowUp: -1, PageDown: 20, PageUp: -20 }[event.key];
        if (step !== undefined) moveTo({ id: rows[Math.min(Math.max(at + step, 0), rows.length - 1)]!.id, field: column.field });
        else if (event.key === 'Home' || event.key === 'End') moveTo({ id: (event.key === 'Home' ? rows[0] : rows.at(-1))!.id, field: column.field });
        else if (row.heading !== null && ['ArrowLeft', 'ArrowRight', 'Enter'].includes(event.key)) {
            if (event.key === 'Enter' || (event.key === 'ArrowLeft') !== closed.has(row.id)) onToggle(row.id);
        } else if (event.key === 'ArrowRight' || event.key === 'ArrowLeft')
            moveTo({ id: row.id, field: columns[Math.min(Math.max(across + (event.key === 'ArrowRight' ? 1 : -1), 0), columns.length - 1)]!.field });
        else if (event.key === 'Enter' || event.key === 'F2') begin(row, column);
        else if (event.key === ' ') onPick(row, { range: event.shiftKey, adding: event.ctrlKey || event.metaKey });
        else return;
        event.preventDefault();
        event.stopPropagation();
    };
    const frameKeyDown = (event: KeyboardEvent) => {
        const [row, column] = [rows.find((r) => r.id === focus?.id), columns.find((c) => c.field === focus?.field)];
        if (event.target === frame.current && row && column) keyDown(event, row, column);
    };
    const first = focus && rows.some((row) => row.id === focus.id) ? focus : { id: rows[0]?.id ?? '', field: columns[0]!.field };

    return (
        <Box
            ref={frame}
            tabIndex={-1}
            onKeyDown={frameKeyDown}
            role="grid"
            aria-label="Ledger of parts"
            aria-rowcount={rows.length + 1}
            aria-multiselectable
            sx={{
                height: '100%',
                overflow: 'auto',
                outline: 0,
                fontSize: 13,
                '& [role="gridcell"], & [role="columnheader"]': { px: 0.75, minWidth: 0 },
                '& [role="row"] > :first-of-type': { pl: 1.75 },
            }}
        >
            <Box
                role="row"
                sx={{
                    display: 'grid',
                    gridTemplateColumns: grid,
                    position: 'sticky',
                    top: 0,
                    zIndex: 1,
                    height: HEADER,
                    bgcolor: 'background.paper',
                    borderBottom: 1,
                    borderColor: 'divider',
                }}
            >
                {columns.map((column) => (
                    <Header key={column.field} column={column} sort={sort} onSort={onSort} />
                ))}
            </Box>
            {rows.length === 0 && (
                <Box role="row">
                    <Box role="gridcell" sx={{ p: 3, textAlign: 'center', color: 'text.secondary' }}>
                        {empty}
                    </Box>
                </Box>
            )}
            <Box role="rowgroup" sx={{ position: 'relative', height: virtual.getTotalSize() }}>
                {virtual.getVirtualItems().map(({ index, start }) => {
                    const row = rows[index]!;
                    const own = editing?.id === row.id ? editing.field : null;
                    return (
                        <Row
                            key={row.id}
                            row={row}
                            index={index}
                            start={start}
                            grid={grid}
                            columns={columns}
                            selected={selection.has(row.id)}
                            open={row.heading === null ? null : !closed.has(row.id)}
                            focus={first.id === row.id ? first.field : null}
                            isEditable={isEditable}
                            onToggle={() => onToggle(row.id)}
                            onClick={(event) => onPick(row, { range: event.shiftKey, adding: event.ctrlKey || event.metaKey })}
                            onFocus={(field) => setFocus({ id: row.id, field })}
                            onDoubleClick={(column) => begin(row, column)}
                            onKeyDown={(event, column) => keyDown(event, row, column)}
                            editor={
                                own === null
                                    ? null
                                    : (column) => (
                                          <CellEditor
                                              label={`${column.title} of ${row.name}`}
                                              text={column.text!(row)}
                                              draft={editing?.draft}
                                              options={column.options?.(row)}
                                              right={column.right ?? false}
                                              // Shown at once; where it is refused the editor comes back with it, unless another one is open.
                                              save={(text) =>
                                                  void onCommit(row, column.field, text).catch(() =>
                                                      setEditing((now) => now ?? { id: row.id, field: column.field, draft: text }),
                                                  )
                                              }
                                              close={() => {
                                                  pending.current = { id: row.id, field: column.field, unlessTaken: true };
                                                  setEditing(null);
                                              }}
                                          />
                                      )
                            }
                            editing={own}
                        />
                    );
                })}
            </Box>
        </Box>
    );
}

const Header = memo(function Header({ column, sort, onSort }: { column: Column; sort: Sort | null; onSort: (sort: Sort | null) => void }) {
    const own = sort?.field === column.field ? sort : null;
    const next = (): Sort | null => (!own ? { field: column.field, descending: false } : own.descending ? null : { field: column.field, descending: true });
    const title = { fontSize: 12, fontWeight: 500, color: 'text.secondary', whiteSpace: 'nowrap', overflow: 'hidden', textOverflow: 'ellipsis' } as const;
    return (
        <Box
            role="columnheader"
            aria-sort={own ? (own.descending ? 'descending' : 'ascending') : undefined}
            title={column.description}
            sx={{ display: 'flex', alignItems: 'center', justifyContent: column.right ? 'flex-end' : 'flex-start' }}
        >
            {column.sortable === false ? (
                <Box component="span" sx={title}>
                    {column.title}
                </Box>
            ) : (
                <Box
                    component="button"
                    type="button"
                    onClick={() => onSort(next())}
                    sx={{
                        ...title,
                        border: 0,
                        p: 0,
                        bgcolor: 'transparent',
                        font: 'inherit',
                        fontSize: 12,
                        fontWeight: 500,
                        cursor: 'pointer',
                        display: 'flex',
                        alignItems: 'center',
                        gap: 0.25,
                    }}
                >
                    {column.title}
                    {own && (own.descending ? <ArrowDownward sx={{ fontSize: 13 }} /> : <ArrowUpward sx={{ fontSize: 13 }} />)}
                </Box>
            )}
        </Box>
    );
});

interface RowProps {
    row: LedgerRow;
    index: number;
    start: number;
    grid: string;
    columns: Column[];
    selected: boolean;
    /** Whether the group of a heading is open; null for a part. */
    open: boolean | null;
    /** The column that Tab leads to, when it is in this row. */
    focus: string | null;
    editing: string | null;
    editor: ((column: Column) => ReactNode) | null;
    isEditable: (row: LedgerRow, column: Column) => boolean;
    onToggle: () => void;
    onClick: (event: MouseEvent) => void;
    onFocus: (field: string) => void;
    onDoubleClick: (column: Column) => void;
    onKeyDown: (event: KeyboardEvent, column: Column) => void;
}

function Row({
    row,
    index,
    start,
    grid,
    columns,
    selected,
    open,
    focus,
    editing,
    editor,
    isEditable,
    onToggle,
    onClick,
    onFocus,
    onDoubleClick,
    onKeyDown,
}: RowProps) {
    const chosen = selected ? (t: { palette: { mode: string } }) => (t.palette.mode === 'light' ? '#fbe9cc' : '#4a3a20') : undefined;
    return (
        <Box
            role="row"
            data-id={row.id}
            aria-rowindex={index + 2}
            aria-selected={selected}
            onClick={onClick}
            sx={{
                position: 'absolute',
                top: 0,
                left: 0,
                width: '100%',
                minWidth: 'min-content',
                height: ROW,
                transform: `translateY(${start}px)`,
                display: 'grid',
                gridTemplateColumns: open === null ? grid : '1fr',
                borderBottom: 1,
                borderColor: 'divider',
                alignItems: 'stretch',
                cursor: 'default',
                userSelect: 'none',
                bgcolor: chosen ?? (open === null ? undefined : 'action.hover'),
                '&:hover': { bgcolor: chosen ?? 'action.hover' },
            }}
        >
            {(open === null ? columns : columns.slice(0, 1)).map((column) => (
                <Box
                    key={column.field}
                    role="gridcell"
                    data-field={column.field}
                    tabIndex={focus === column.field ? 0 : -1}
                    onFocus={() => onFocus(column.field)}
                    onDoubleClick={() => onDoubleClick(column)}
                    onKeyDown={editing === column.field ? undefined : (event) => onKeyDown(event, column)}
                    sx={{
                        display: 'flex',
                        alignItems: 'center',
                        justifyContent: column.right ? 'flex-end' : 'flex-start',
                        whiteSpace: 'nowrap',
                        overflow: 'hidden',
                        cursor: isEditable(row, column) ? 'text' : undefined,
                        '&:focus-visible': { outline: '2px solid', outlineColor: 'primary.main', outlineOffset: -2 },
                    }}
                >
                    {open !== null && (
                        <Box
                            component="button"
                            type="button"
                            tabIndex={-1}
                            aria-expanded={open}
                            aria-label={`Parts of ${row.name}`}
                            onClick={(event: MouseEvent) => {
                                event.stopPropagation();
                                onToggle();
                            }}
                            sx={{ display: 'flex', ml: -1, mr: 0.25, p: 0, border: 0, bgcolor: 'transparent', color: 'text.secondary', cursor: 'pointer' }}
                        >
                            {open ? <ExpandMore sx={{ fontSize: 16 }} /> : <ChevronRight sx={{ fontSize: 16 }} />}
                        </Box>
                    )}
                    {editing === column.field && editor ? (
                        editor(column)
                    ) : (
                        <Box component="span" sx={{ overflow: 'hidden', textOverflow: 'ellipsis', minWidth: 0, flex: column.field === 'bar' ? 1 : undefined }}>
                            {column.render(row)}
                        </Box>
                    )}
                </Box>
            ))}
        </Box>
    );
}
