import Box from '@mui/material/Box';
import TableSortLabel from '@mui/material/TableSortLabel';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useRef } from 'react';
import type { StudyPoint } from '../api/types';
import { number, significant } from '../units/units';
import type { Axis, Sorting } from './points';

const ROW = 28;

export const stateTexts: Record<StudyPoint['state'], string> = {
    waiting: 'waiting',
    queued: 'in the queue',
    running: 'running',
    solved: 'solved',
    unsteady: 'not steady',
    stopped: 'stopped',
    failed: 'failed',
    impossible: 'impossible',
};

const colours: Partial<Record<StudyPoint['state'], string>> = {
    failed: 'error.main',
    impossible: 'error.main',
    unsteady: 'warning.main',
    stopped: 'warning.main',
};

/** A parameter as exactly as it is written; a temperature or margin to a hundredth, all else to four digits. */
function textOf({ id, isParameter, unit }: Axis, value: number | null): string {
    if (value === null) return '—';
    const text = isParameter ? significant(value, 6) : ['K', '°C', '°F'].includes(unit) ? number(value, 2) : significant(value, 4);
    return id === 'margin' && value > 0 ? `+${text}` : text;
}

interface Props {
    points: readonly StudyPoint[];
    axes: readonly Axis[];
    sorting: Sorting;
    onSort: (sorting: Sorting) => void;
    selected: number | null;
    /** Numbers of the best points: one, or those of a front. */
    best: readonly number[];
    onSelect: (number: number) => void;
}

/** The points of a study, a row each; only those in sight are in the page. */
export function PointTable({ points, axes, sorting, onSort, selected, best, onSelect }: Props) {
    const frame = useRef<HTMLDivElement>(null);
    const virtual = useVirtualizer({ count: points.length, getScrollElement: () => frame.current, estimateSize: () => ROW, overscan: 12 });
    const grid = `54px 84px ${axes.map(() => 'minmax(98px, 1fr)').join(' ')}`;
    const sort = (axis: string) => onSort(sorting?.axis !== axis ? { axis, descending: false } : sorting.descending ? null : { axis, descending: true });
    return (
        <Box
            ref={frame}
            role="grid"
            aria-label="Points"
            aria-rowcount={points.length + 1}
            sx={{
                height: '100%',
                overflow: 'auto',
                fontSize: 13,
                fontVariantNumeric: 'tabular-nums',
                '& [role="gridcell"], & [role="columnheader"]': { px: 1, minWidth: 0 },
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
                    minHeight: 34,
                    alignItems: 'center',
                    bgcolor: 'background.paper',
                    borderBottom: 1,
                    borderColor: 'divider',
                    minWidth: 'fit-content',
                }}
            >
                <Box role="columnheader" sx={{ color: 'text.secondary' }}>
                    Point
                </Box>
                <Box role="columnheader" sx={{ color: 'text.secondary' }}>
                    State
                </Box>
                {axes.map(({ id, title, unit }) => (
                    <Box
                        key={id}
                        role="columnheader"
                        aria-sort={sorting?.axis === id ? (sorting.descending ? 'descending' : 'ascending') : 'none'}
                        sx={{ textAlign: 'right', color: 'text.secondary', fontSize: 12 }}
                    >
                        <TableSortLabel
                            active={sorting?.axis === id}
                            direction={sorting?.descending ? 'desc' : 'asc'}
                            onClick={() => sort(id)}
                            sx={{ flexDirection: 'row-reverse', lineHeight: 1.25, py: 0.5 }}
                        >
                            <span>
                                {title}
                                {unit && <span style={{ display: 'block' }}>{unit}</span>}
                            </span>
                        </TableSortLabel>
                    </Box>
                ))}
            </Box>
            <Box role="rowgroup" sx={{ position: 'relative', height: virtual.getTotalSize(), minWidth: 'fit-content' }}>
                {virtual.getVirtualItems().map(({ index, start }) => {
                    const point = points[index]!;
                    return (
                        <Box
                            key={point.number}
                            role="row"
                            tabIndex={0}
                            aria-rowindex={index + 2}
                            aria-selected={point.number === selected}
                            onClick={() => onSelect(point.number)}
                            onKeyDown={(event) => {
                                if (event.key === 'Enter' || event.key === ' ') {
                                    event.preventDefault();
                                    onSelect(point.number);
                                }
                            }}
                            sx={{
                                position: 'absolute',
                                top: start,
                                left: 0,
                                right: 0,
                                height: ROW,
                                display: 'grid',
                                gridTemplateColumns: grid,
                                alignItems: 'center',
                                cursor: 'pointer',
                                borderBottom: 1,
                                borderColor: 'divider',
                                bgcolor: point.number === selected ? 'action.selected' : undefined,
                                fontWeight: best.includes(point.number) ? 600 : undefined,
                                '&:hover': { bgcolor: 'action.hover' },
                            }}
                        >
                            <Box role="gridcell" sx={{ color: 'text.secondary' }}>
                                {point.number}
                            </Box>
                            <Box
                                role="gridcell"
                                sx={{ color: colours[point.state] ?? 'text.secondary', whiteSpace: 'nowrap' }}
                                title={point.message ?? undefined}
                            >
                                {best.includes(point.number) ? (best.length > 1 ? 'front' : 'best') : stateTexts[point.state]}
                            </Box>
                            {axes.map((axis) => {
                                const value = axis.of(point);
                                return (
                                    <Box
                                        key={axis.id}
                                        role="gridcell"
                                        sx={{ textAlign: 'right', color: axis.id === 'margin' && (value ?? 0) < 0 ? 'error.main' : undefined }}
                                    >
                                        {textOf(axis, value)}
                                    </Box>
                                );
                            })}
                        </Box>
                    );
                })}
            </Box>
        </Box>
    );
}
