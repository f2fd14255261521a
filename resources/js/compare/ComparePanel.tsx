import Close from '@mui/icons-material/Close';
import Box from '@mui/material/Box';
import IconButton from '@mui/material/IconButton';
import MenuItem from '@mui/material/MenuItem';
import Select from '@mui/material/Select';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { lazy, Suspense, useRef } from 'react';
import { Link } from 'react-router';
import type { Variant } from '../api/types';
import { gradeNames } from '../model/grades';
import { usePreferences } from '../state/screen';
import { Boundary } from '../theme/Boundary';
import { difference, differenceUnit, thousands } from '../units/units';
import type { Picker } from '../view/Picking';
import type { Beside } from '../view/View';
import type { ColumnSpec } from './columns';
import type { Column } from './useColumn';

const View = lazy(() => import('../view/View'));

interface Props {
    project: number;
    column: Column;
    variants: readonly Variant[];
    beside: Beside;
    onSwap: (spec: ColumnSpec) => void;
    /** Null where there are only two left. */
    onRemove: (() => void) | null;
}

/** One column of a comparison: which variant and run, its verdict, and its picture. */
export function ComparePanel({ project, column, variants, beside, onSwap, onRemove }: Props) {
    const { variant, run, runs, result, model, stale, loading, error, spec } = column;
    const picker = useRef<Picker | null>(null);
    return (
        <Stack
            component="section"
            aria-label={variant.name}
            sx={{ flex: 1, minWidth: 0, borderRight: 1, borderColor: 'divider', '&:last-of-type': { borderRight: 0 } }}
        >
            <Stack
                direction="row"
                sx={{ alignItems: 'center', gap: 0.75, px: 1.25, height: 36, bgcolor: 'background.paper', borderBottom: 1, borderColor: 'divider' }}
            >
                <Select
                    variant="standard"
                    disableUnderline
                    value={variant.id}
                    inputProps={{ 'aria-label': `Variant in this place: ${variant.name}` }}
                    onChange={(event) => onSwap({ variant: event.target.value, run: null })}
                    sx={{ fontSize: 13, fontWeight: 650, minWidth: 0, flexShrink: 1 }}
                >
                    {variants.map(({ id, name }) => (
                        <MenuItem key={id} value={id} dense>
                            {name}
                        </MenuItem>
                    ))}
                </Select>
                <Verdict column={column} />
                <Box sx={{ flex: 1 }} />
                {runs.length > 1 && (
                    <Select
                        variant="standard"
                        disableUnderline
                        value={spec.run ?? 0}
                        inputProps={{ 'aria-label': `Run of ${variant.name}` }}
                        onChange={(event) => onSwap({ variant: variant.id, run: event.target.value === 0 ? null : event.target.value })}
                        sx={{ fontSize: 12.5, color: 'text.secondary', flexShrink: 0 }}
                    >
                        <MenuItem value={0} dense>
                            last run
                        </MenuItem>
                        {runs.map((one) => (
                            <MenuItem key={one.id} value={one.id} dense>
                                {gradeNames[one.grade]}, revision {one.revision}
                                {one.cells ? `, ${thousands(one.cells)} cells` : ''}
                            </MenuItem>
                        ))}
                    </Select>
                )}
                {onRemove && (
                    <IconButton size="small" aria-label={`Take ${variant.name} out`} onClick={onRemove}>
                        <Close sx={{ fontSize: 16 }} />
                    </IconButton>
                )}
            </Stack>
            <Box sx={{ position: 'relative', flex: 1, minHeight: 0 }}>
                {error && <Typography color="error">{error.message}</Typography>}
                {!loading && !run && (
                    <Stack
                        sx={{ position: 'absolute', inset: 0, zIndex: 1, alignItems: 'center', justifyContent: 'center', textAlign: 'center', gap: 0.5, p: 3 }}
                    >
                        <Typography sx={{ fontWeight: 600 }}>No run yet</Typography>
                        <Link to={`/projects/${project}/variants/${variant.id}?stage=solve`}>Open it and press Run</Link>
                    </Stack>
                )}
                <Boundary what="This view" resetKeys={[run?.id]}>
                    <Suspense fallback={null}>
                        {model && (
                            <View
                                picker={picker}
                                project={project}
                                outline={model.outline}
                                variant={variant.id}
                                revision={model.number}
                                run={run?.id}
                                picture={run?.picture ?? 0}
                                result={result}
                                trial={null}
                                busy={false}
                                stale={false}
                                onWatch={null}
                                drags={undefined}
                                beside={beside}
                            />
                        )}
                    </Suspense>
                </Boundary>
                {stale && run && (
                    <Typography
                        role="status"
                        variant="body2"
                        sx={{
                            position: 'absolute',
                            left: 10,
                            bottom: 34,
                            px: 1,
                            py: 0.25,
                            borderRadius: 0.75,
                            bgcolor: 'background.paper',
                            color: 'error.main',
                            border: 1,
                            borderColor: 'divider',
                        }}
                    >
                        Of revision {run.revision}; the variant has changed since
                    </Typography>
                )}
            </Box>
        </Stack>
    );
}

function Verdict({ column: { result, run } }: { column: Column }) {
    const units = usePreferences((s) => s.units);
    if (!result || !run) return null;
    const { limits, missed, undecided, worstMargin } = result.verdict;
    const counts = limits === 0 ? 'no limits' : missed > 0 ? `${missed} missed` : undecided > 0 ? `${undecided} undecided` : 'all met';
    const state = run.state === 'solved' ? '' : run.state === 'running' || run.state === 'queued' ? ', running' : ', not steady';
    return (
        <Box
            component="span"
            sx={{
                whiteSpace: 'nowrap',
                color: missed > 0 ? 'error.main' : undecided > 0 ? 'warning.main' : limits > 0 ? 'success.main' : 'text.secondary',
                fontSize: 13,
            }}
        >
            {counts}
            {worstMargin === null ? '' : `, ${difference(worstMargin, units)} ${differenceUnit(units)}`}
            {state}
        </Box>
    );
}
