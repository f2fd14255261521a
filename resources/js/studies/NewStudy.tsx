import Add from '@mui/icons-material/Add';
import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useDeferredValue, useState } from 'react';
import { useNavigate } from 'react-router';
import { reasonsOf } from '../api/client';
import { useGridReport, usePlanCheck, useStartStudy } from '../api/queries';
import type { Grade, StudyPlan } from '../api/types';
import { partEntry } from '../model/document';
import { gradeNames, grades } from '../model/grades';
import { parametersOf } from '../model/parameters';
import type { ModelEditor } from '../model/useModelEditor';
import { usePreferences, useScreen } from '../state/screen';
import { differenceUnit, duration, thousands, typedDifference } from '../units/units';
import { AimFields } from './AimFields';
import { aimChoices, aimOf, FORMULA, type AimDraft } from './aims';
import { nameFor, suggestedRange, variablesOf, withVariable } from './vary';

const kinds: Record<StudyPlan['kind'], string> = {
    grid: 'Every combination',
    latin: 'Latin hypercube',
    table: 'Points of a table',
    builds: 'Builds within the tolerances',
    search: 'Search for the best',
};

interface Props {
    project: number;
    variant: number;
    editor: ModelEditor;
    onClose: () => void;
}

/** Which parameters take which values, at which grade; what it comes to is said before it starts. */
export function NewStudy({ project, variant, editor, onClose }: Props) {
    const navigate = useNavigate();
    const { revision } = editor;
    const selection = useScreen((s) => s.selection);
    const parameters = revision ? parametersOf(revision.document) : {};
    const [named, setName] = useState<string | null>(null);
    const [chosen, setChosen] = useState<Readonly<Record<string, string>>>({});
    const [kind, setKind] = useState<StudyPlan['kind']>('grid');
    const name = named ?? { search: 'Search', builds: 'Builds' }[kind as string] ?? 'Sweep';
    const [count, setCount] = useState('20');
    const [seed, setSeed] = useState('1');
    const [table, setTable] = useState('');
    const units = usePreferences((s) => s.units);
    const choices = aimChoices(revision?.outline ?? { limits: [], watches: [] });
    const [aims, setAims] = useState<AimDraft[]>([{ key: choices[0]!.key, most: choices[0]!.most, formula: '' }]);
    const [margin, setMargin] = useState('');
    const [grade, setGrade] = useState<Grade>('scout');
    const start = useStartStudy(variant, project);
    const plan: StudyPlan =
        kind === 'table'
            ? { kind, table }
            : kind === 'builds'
              ? { kind, count: Number(count), seed: Number(seed) }
              : {
                    kind,
                    variations: chosen,
                    ...(kind !== 'grid' && { count: Number(count), seed: Number(seed) }),
                    ...(kind === 'search' && {
                        aims: aims.map((aim) => aimOf(aim, choices)),
                        margin: margin.trim() === '' ? null : typedDifference(margin, units),
                    }),
                };
    const aimed =
        aims.every(({ key, formula }) => key !== FORMULA || formula.trim() !== '') && (margin.trim() === '' || Number.isFinite(typedDifference(margin, units)));
    const complete = kind === 'builds' ? true : kind === 'table' ? table.trim() !== '' : Object.keys(chosen).length > 0 && (kind !== 'search' || aimed);
    const planned = useDeferredValue(complete && revision && editor.state === 'saved' ? { revision: revision.number, grade, plan } : null);
    const check = usePlanCheck(variant, planned);
    const report = useGridReport(variant, revision?.number ?? 0, grade, revision !== undefined && editor.state === 'saved');
    const part = revision && selection.length === 1 ? partEntry(revision.document, selection[0]!) : undefined;
    const vary = (parameter: string, formula: string) => setChosen({ ...chosen, [parameter]: suggestedRange(formula) });
    return (
        <Dialog open onClose={onClose} maxWidth="sm" fullWidth slotProps={{ paper: { 'aria-label': 'New study' } }}>
            <DialogTitle sx={{ fontSize: 16, fontWeight: 650, pb: 0.5 }}>New study</DialogTitle>
            <DialogContent>
                <Stack sx={{ gap: 1.5, pt: 1 }}>
                    <Stack direction="row" sx={{ gap: 1 }}>
                        <TextField
                            size="small"
                            label="Name"
                            value={name}
                            onChange={(e) => setName(e.target.value)}
                            sx={{ flex: 1 }}
                            slotProps={{ htmlInput: { maxLength: 80 } }}
                        />
                        <TextField select size="small" label="Grade" value={grade} onChange={(e) => setGrade(e.target.value as Grade)} sx={{ width: 120 }}>
                            {grades.map((one) => (
                                <MenuItem key={one} value={one} dense>
                                    {gradeNames[one]}
                                </MenuItem>
                            ))}
                        </TextField>
                    </Stack>
                    <Stack direction="row" sx={{ gap: 1 }}>
                        <TextField
                            select
                            size="small"
                            label="Points"
                            value={kind}
                            onChange={(e) => setKind(e.target.value as StudyPlan['kind'])}
                            sx={{ flex: 1 }}
                        >
                            {(Object.keys(kinds) as StudyPlan['kind'][]).map((one) => (
                                <MenuItem key={one} value={one} dense>
                                    {kinds[one]}
                                </MenuItem>
                            ))}
                        </TextField>
                        {kind !== 'grid' && kind !== 'table' && (
                            <>
                                <TextField
                                    size="small"
                                    label={{ search: 'Number of runs', builds: 'Number of builds' }[kind as string] ?? 'Number of points'}
                                    value={count}
                                    onChange={(e) => setCount(e.target.value)}
                                    sx={{ width: 140 }}
                                />
                                <TextField size="small" label="Seed" value={seed} onChange={(e) => setSeed(e.target.value)} sx={{ width: 80 }} />
                            </>
                        )}
                    </Stack>
                    {kind === 'search' && (
                        <AimFields
                            aims={aims}
                            onAims={setAims}
                            choices={choices}
                            margin={margin}
                            onMargin={setMargin}
                            unit={differenceUnit(units)}
                            example={Object.keys(chosen)[0] ?? Object.keys(parameters)[0] ?? 'fin_height'}
                        />
                    )}
                    {kind === 'table' ? (
                        <TextField
                            label="Table: names of parameters in the first line, a point in each further one"
                            multiline
                            minRows={5}
                            maxRows={12}
                            value={table}
                            placeholder={`${Object.keys(parameters)[0] ?? 'fin_height'}\n20 mm\n30 mm`}
                            onChange={(e) => setTable(e.target.value)}
                            slotProps={{ htmlInput: { style: { fontVariantNumeric: 'tabular-nums', whiteSpace: 'pre' } } }}
                        />
                    ) : kind === 'builds' ? (
                        <Typography color="text.secondary">
                            Every value with a tolerance is drawn anew for each build. Tolerances are given in Limit.
                        </Typography>
                    ) : (
                        <Box role="group" aria-label="Parameters">
                            {Object.keys(parameters).length === 0 && (
                                <Typography color="text.secondary">
                                    The model has no parameters yet. Select a part and vary one of its fields, or add parameters in Build.
                                </Typography>
                            )}
                            {Object.entries(parameters).map(([parameter, formula]) => (
                                <Stack key={parameter} direction="row" sx={{ alignItems: 'center', gap: 1, minHeight: 40 }}>
                                    <Checkbox
                                        size="small"
                                        checked={parameter in chosen}
                                        onChange={() => {
                                            if (parameter in chosen)
                                                setChosen(Object.fromEntries(Object.entries(chosen).filter(([other]) => other !== parameter)));
                                            else vary(parameter, formula);
                                        }}
                                        slotProps={{ input: { 'aria-label': `Vary ${parameter}` } }}
                                        sx={{ p: 0.5 }}
                                    />
                                    <Box sx={{ flex: '0 1 38%', minWidth: 0, overflow: 'hidden', textOverflow: 'ellipsis' }} title={parameter}>
                                        {parameter}
                                        <Box component="span" sx={{ color: 'text.secondary', ml: 1 }}>
                                            {formula}
                                        </Box>
                                    </Box>
                                    {parameter in chosen && (
                                        <TextField
                                            size="small"
                                            value={chosen[parameter]}
                                            onChange={(e) => setChosen({ ...chosen, [parameter]: e.target.value })}
                                            slotProps={{ htmlInput: { 'aria-label': `Values of ${parameter}` } }}
                                            sx={{ flex: 1 }}
                                        />
                                    )}
                                </Stack>
                            ))}
                            {part && revision && <VaryField part={part.id} name={part.name ?? part.id} editor={editor} onVaried={vary} />}
                            <Typography variant="body2" color="text.secondary" sx={{ mt: 0.5 }}>
                                {kind === 'search' ? 'A range as “20 mm .. 40 mm”' : 'A range as “20 mm .. 40 mm : 5”'}, or a list as “20 mm, 25 mm”.
                            </Typography>
                        </Box>
                    )}
                    {check.error && (
                        <Alert severity="error">
                            {reasonsOf(check.error).map((reason) => (
                                <div key={reason}>{reason}</div>
                            ))}
                        </Alert>
                    )}
                    {start.error && <Alert severity="error">{start.error.message}</Alert>}
                    {check.data && !check.error && (
                        <Typography role="status">
                            <b>
                                {thousands(check.data.count)}{' '}
                                {kind === 'search' ? 'runs' : kind === 'builds' ? 'builds' : check.data.count === 1 ? 'point' : 'points'}
                            </b>
                            {report.data ? `, about ${duration(report.data.seconds * check.data.count)} of computing` : ''}.{' '}
                            {kind === 'search' ? 'Each run tells where the next ones are worth most.' : 'Each starts from the nearest solved one.'}
                        </Typography>
                    )}
                </Stack>
            </DialogContent>
            <DialogActions>
                <Button color="inherit" onClick={onClose}>
                    Cancel
                </Button>
                <Button
                    variant="contained"
                    disabled={!check.data || check.isFetching || planned === null || start.isPending || name.trim() === ''}
                    onClick={() =>
                        planned &&
                        void start
                            .mutateAsync({ name: name.trim(), ...planned })
                            .then((study) => navigate(`/projects/${project}/studies/${study.id}`))
                            .catch(() => undefined)
                    }
                >
                    Start
                </Button>
            </DialogActions>
        </Dialog>
    );
}

interface VaryProps {
    part: string;
    name: string;
    editor: ModelEditor;
    onVaried: (parameter: string, formula: string) => void;
}

/** Makes a field of the selected part a parameter of the model, and varies it. */
function VaryField({ part, name, editor, onVaried }: VaryProps) {
    const [anchor, setAnchor] = useState<HTMLElement | null>(null);
    const entry = editor.revision && partEntry(editor.revision.document, part);
    if (!entry) return null;
    return (
        <>
            <Button color="inherit" startIcon={<Add fontSize="small" />} aria-haspopup="menu" onClick={(e) => setAnchor(e.currentTarget)}>
                Vary a field of {name}
            </Button>
            <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)} slotProps={{ paper: { sx: { maxHeight: 360 } } }}>
                {variablesOf(entry).map((variable) => (
                    <MenuItem
                        key={variable.path.join('/')}
                        dense
                        onClick={() => {
                            setAnchor(null);
                            const parameter = nameFor(name, variable.title, editor.revision!.document);
                            void editor
                                .edit(`Vary ${variable.title.toLowerCase()} of ${name}`, (document) => withVariable(document, part, variable, parameter))
                                .then(() => onVaried(parameter, variable.formula))
                                .catch(() => undefined);
                        }}
                    >
                        {variable.title}
                        <Box component="span" sx={{ color: 'text.secondary', ml: 1.5 }}>
                            {variable.formula}
                        </Box>
                    </MenuItem>
                ))}
            </Menu>
        </>
    );
}
