import UploadFileOutlined from '@mui/icons-material/UploadFileOutlined';
import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import FormControlLabel from '@mui/material/FormControlLabel';
import Stack from '@mui/material/Stack';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMemo, useRef, useState } from 'react';
import type { Outline } from '../api/types';
import { ChoiceField } from '../inspector/ChoiceField';
import { withSpace } from '../model/space';
import type { ModelEditor } from '../model/useModelEditor';
import { usePreferences, useScreen } from '../state/screen';
import { lengthUnit, size, typedLength } from '../units/units';
import { readIdf } from './idf';
import { ImportError, moved, spaceAround, withBodies, type ImportPlan } from './plan';
import { readStep } from './step';
import { readStl, type StlUnit } from './stl';

const unitNames: Record<StlUnit, string> = { mm: 'Millimetres', m: 'Metres', inch: 'Inches' };

interface Chosen {
    names: string;
    /** Whether the file leaves its unit open. */
    unitless: boolean;
    read: (unit: StlUnit) => ImportPlan;
}

/** The files of a choice: one STL or STEP, or the two of an IDF pair. */
async function choose(files: readonly File[]): Promise<Chosen> {
    const names = files.map((f) => f.name).join(', ');
    const stl = files.find((f) => /\.stl$/i.test(f.name));
    if (stl && files.length === 1) {
        const bytes = await stl.arrayBuffer();
        return { names, unitless: true, read: (unit) => readStl(bytes, stl.name, unit) };
    }
    const step = files.find((f) => /\.(step|stp|p21)$/i.test(f.name));
    if (step && files.length === 1) {
        const plan = await readStep(await step.arrayBuffer(), step.name);
        return { names, unitless: false, read: () => plan };
    }
    if (files.length === 2 && !stl) {
        const texts = await Promise.all(files.map((f) => f.text()));
        const board = texts.findIndex((text) => /\.BOARD_OUTLINE|\.PANEL_OUTLINE|\.PLACEMENT/i.test(text));
        if (board < 0) throw new ImportError('Neither of the two files has a board outline; choose the board file and the library file of an IDF 3.0 pair.');
        return { names, unitless: false, read: () => readIdf(texts[board]!, texts[1 - board]!) };
    }
    throw new ImportError(`${names}: one STL or STEP file is expected, or the board and the library file of an IDF 3.0 pair (often .emn and .emp) together.`);
}

interface Props {
    outline: Outline;
    editor: ModelEditor;
    onClose: () => void;
}

/** Shows what a file holds before anything of it enters the model; what enters is one step that can be undone. */
export default function ImportDialog({ outline, editor, onClose }: Props) {
    const units = usePreferences((s) => s.units);
    const set = useScreen((s) => s.set);
    const input = useRef<HTMLInputElement>(null);
    const [chosen, setChosen] = useState<Chosen | null>(null);
    const [refusal, setRefusal] = useState<string | null>(null);
    const [unit, setUnit] = useState<StlUnit>('mm');
    const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
    const [origin, setOrigin] = useState(['0', '0', '0']);
    const [busy, setBusy] = useState(false);
    const [reading, setReading] = useState(false);

    const { plan, problem } = useMemo((): { plan: ImportPlan | null; problem: string | null } => {
        try {
            return { plan: chosen?.read(unit) ?? null, problem: null };
        } catch (e) {
            return { plan: null, problem: e instanceof ImportError ? e.message : `The file cannot be read: ${String(e)}` };
        }
    }, [chosen, unit]);
    const by = origin.map((text) => typedLength(text, units));
    const placed = by.every(Number.isFinite);
    const bodies = placed ? moved(plan?.bodies.filter((body) => !left.has(body.name)) ?? [], by) : [];
    const names = new Set(outline.parts.map((part) => part.name));
    const known = bodies.filter((body) => names.has(body.name)).length;
    const empty = outline.parts.length === 0;
    const [fits, setFits] = useState(true);
    const grows =
        !(empty && fits) &&
        bodies.some((body) => [0, 1, 2].some((n) => body.min[n]! < outline.space.min[n]! - 1e-9 || body.max[n]! > outline.space.max[n]! + 1e-9));

    const pick = (files: FileList | null) => {
        setRefusal(null);
        setChosen(null);
        setLeft(new Set());
        if (!files || files.length === 0) return;
        setReading(true);
        choose([...files])
            .then(setChosen, (e: Error) => setRefusal(e instanceof ImportError ? e.message : `The file cannot be read: ${e.message}`))
            .finally(() => setReading(false));
    };
    const bring = () => {
        setBusy(true);
        let ids: string[] = [];
        editor
            .edit(`Import ${chosen?.names ?? ''}`, (d) => {
                const result = withBodies(d, outline.space, bodies);
                ids = result.ids;
                return empty && fits ? withSpace(result.document, { box: spaceAround(bodies) }) : result.document;
            })
            .then(() => {
                set({ selection: ids.length === 1 ? ids : [] });
                onClose();
            })
            .catch(() => setBusy(false));
    };

    return (
        <Dialog open onClose={onClose} maxWidth="md" fullWidth aria-labelledby="import-title">
            <DialogTitle id="import-title">Import geometry</DialogTitle>
            <DialogContent>
                <Typography color="text.secondary" sx={{ mb: 2 }}>
                    Bodies from an STL or STEP file, or a board with its components from the two files of an IDF 3.0 pair. A body named like a part takes its
                    place and keeps its material, watts and limits.
                </Typography>
                <Stack direction="row" sx={{ gap: 2, alignItems: 'center', mb: 2 }}>
                    <Button variant="outlined" startIcon={<UploadFileOutlined />} onClick={() => input.current?.click()}>
                        Choose files
                    </Button>
                    <input
                        ref={input}
                        hidden
                        type="file"
                        multiple
                        accept=".stl,.step,.stp,.p21,.emn,.emp,.brd,.pro,.lib,.idf"
                        aria-label="Geometry files"
                        onChange={(e) => pick(e.target.files)}
                    />
                    <span role="status">{reading ? 'Reading the file' : (chosen?.names ?? 'No file chosen')}</span>
                    {chosen?.unitless && (
                        <Box sx={{ width: 200, ml: 'auto', '& > *': { mb: '0 !important' } }}>
                            <ChoiceField
                                label="Numbers in the file are"
                                value={unit}
                                choices={unitNames}
                                disabled={false}
                                save={(u) => Promise.resolve(setUnit(u))}
                            />
                        </Box>
                    )}
                </Stack>
                {(refusal ?? problem) !== null && <Alert severity="error">{refusal ?? problem}</Alert>}
                {plan && (
                    <>
                        <Stack direction="row" sx={{ gap: 1, alignItems: 'center', mb: 2 }}>
                            <Typography sx={{ mr: 1 }}>Origin of the file at</Typography>
                            {['x', 'y', 'z'].map((axis, n) => (
                                <TextField
                                    key={axis}
                                    size="small"
                                    label={`${axis}, ${lengthUnit(units)}`}
                                    value={origin[n]}
                                    error={!Number.isFinite(by[n])}
                                    onChange={(e) => setOrigin(origin.map((o, i) => (i === n ? e.target.value : o)))}
                                    sx={{ width: 96 }}
                                />
                            ))}
                        </Stack>
                        <Box sx={{ maxHeight: 300, overflowY: 'auto', border: 1, borderColor: 'divider', borderRadius: 1 }}>
                            <Table size="small" stickyHeader>
                                <TableHead>
                                    <TableRow>
                                        <TableCell padding="checkbox" />
                                        <TableCell>Body</TableCell>
                                        <TableCell>Size</TableCell>
                                        <TableCell>What it is</TableCell>
                                    </TableRow>
                                </TableHead>
                                <TableBody>
                                    {plan.bodies.map((body, n) => (
                                        <TableRow key={`${body.name} ${n}`}>
                                            <TableCell padding="checkbox">
                                                <Checkbox
                                                    size="small"
                                                    checked={!left.has(body.name)}
                                                    slotProps={{ input: { 'aria-label': `Take ${body.name}` } }}
                                                    onChange={(e) =>
                                                        setLeft((old) => {
                                                            const next = new Set(old);
                                                            if (e.target.checked) next.delete(body.name);
                                                            else next.add(body.name);
                                                            return next;
                                                        })
                                                    }
                                                />
                                            </TableCell>
                                            <TableCell>{body.name}</TableCell>
                                            <TableCell sx={{ whiteSpace: 'nowrap' }}>
                                                {size(
                                                    [0, 1, 2].map((i) => body.max[i]! - body.min[i]!),
                                                    units,
                                                )}
                                            </TableCell>
                                            <TableCell>{body.note}</TableCell>
                                        </TableRow>
                                    ))}
                                </TableBody>
                            </Table>
                        </Box>
                        {empty && (
                            <FormControlLabel
                                sx={{ mt: 1 }}
                                control={<Checkbox size="small" checked={fits} onChange={(e) => setFits(e.target.checked)} />}
                                label="Fit the space to the bodies; room for air is given in Build"
                            />
                        )}
                        <Box component="ul" sx={{ color: 'text.secondary', fontSize: 13, pl: 2.5, mb: 0 }}>
                            {plan.notes.map((note) => (
                                <li key={note}>{note}.</li>
                            ))}
                            {known > 0 && <li>{known === 1 ? 'One body takes' : `${known} bodies take`} the place of the part of that name.</li>}
                            {grows && <li>The space grows so that all bodies are inside.</li>}
                        </Box>
                    </>
                )}
            </DialogContent>
            <DialogActions>
                <Button color="inherit" onClick={onClose}>
                    Cancel
                </Button>
                <Button variant="contained" disabled={bodies.length === 0} loading={busy} onClick={bring}>
                    {bodies.length === 0 ? 'Import' : `Import ${bodies.length === 1 ? 'one body' : `${bodies.length} bodies`}`}
                </Button>
            </DialogActions>
        </Dialog>
    );
}
