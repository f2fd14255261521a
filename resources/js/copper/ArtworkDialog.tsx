import UploadFileOutlined from '@mui/icons-material/UploadFileOutlined';
import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useRef, useState } from 'react';
import { api } from '../api/client';
import type { LayoutFile } from '../api/types';
import { editPart, type ShapeProps } from '../inspector/ShapeField';
import { outlineOf, withArtwork, type ChosenFile } from '../model/copper';
import { TitledDialog } from '../theme/TitledDialog';
import { plainLength, size } from '../units/units';

/** A larger file is no single layer of a board, bytes. */
const LARGEST = 60e6;

interface Row extends ChosenFile {
    file: LayoutFile;
}

const kinds = { copper: 'Layer of copper', drill: 'Holes', nets: 'Names of nets', other: 'Leave out' } as const;

async function read(file: File): Promise<Row> {
    if (file.size > LARGEST) throw new Error(`${file.name} has ${Math.round(file.size / 1e6)} MB; a layer of a board has at most ${LARGEST / 1e6} MB.`);
    const found = await api.post<LayoutFile>('/api/artwork', { name: file.name, text: await file.text() });
    return {
        file: found,
        name: found.name,
        kind: found.problem === null ? found.kind : 'other',
        position: found.position ?? 1,
        plated: found.plated,
        packed: found.packed,
        bounds: found.bounds,
        area: found.area,
    };
}

/** Layers are numbered one after the other from the top, as far as files and names say which comes when. */
function numbered(rows: readonly Row[]): Row[] {
    const order = rows.filter(({ kind }) => kind === 'copper').sort((a, b) => a.position - b.position);
    return rows.map((row) => ({ ...row, position: row.kind === 'copper' ? order.indexOf(row) + 1 : 0 }));
}

interface Props {
    board: ShapeProps;
    onClose: () => void;
}

/** Artwork and drill files of a layout, looked at before they become the layers of a board. */
export default function ArtworkDialog({ board, onClose }: Props) {
    const input = useRef<HTMLInputElement>(null);
    const [rows, setRows] = useState<Row[]>([]);
    const [problem, setProblem] = useState<string | null>(null);
    const [isReading, setReading] = useState(false);
    const [copper, setCopper] = useState('70 um');
    const [thickness, setThickness] = useState('1.6 mm');
    const [pixel, setPixel] = useState('');
    const [saving, setSaving] = useState(false);
    const outline = outlineOf(rows);
    const layers = rows.filter(({ kind }) => kind === 'copper').length;
    const [foil, whole] = [plainLength(copper), plainLength(thickness)];
    const fine = pixel.trim() === '' ? null : plainLength(pixel);
    const isPixel = pixel.trim() === '' || (fine !== null && fine > 0);
    const narrowest = Math.min(...rows.flatMap(({ kind, file }) => (kind === 'copper' && file.narrowest !== null ? [file.narrowest] : [])));
    const fits = isPixel && foil !== null && whole !== null && foil > 0 && whole > layers * foil;
    const pick = async (files: FileList | null) => {
        if (!files || files.length === 0) return;
        setProblem(null);
        setReading(true);
        try {
            setRows(numbered(await Promise.all([...files].map(read))));
        } catch (e) {
            setProblem(e instanceof Error ? e.message : String(e));
        } finally {
            setReading(false);
        }
    };
    const change = (n: number, to: Partial<Row>) => setRows((present) => numbered(present.map((row, i) => (i === n ? { ...row, ...to } : row))));
    /** Exchanges a layer with the one that has its new number. */
    const place = (n: number, position: number) =>
        setRows((present) =>
            present.map((row, i) =>
                i === n ? { ...row, position } : row.position === position && row.kind === 'copper' ? { ...row, position: present[n]!.position } : row,
            ),
        );
    const take = () => {
        if (!outline || !fits) return;
        setSaving(true);
        editPart(board, 'artwork', (entry) => withArtwork(entry, rows, outline, { copper: foil, thickness: whole, pixel: fine }))
            .then(onClose)
            .catch((e: Error) => {
                setProblem(e.message);
                setSaving(false);
            });
    };
    const apart = rows.filter(({ kind, bounds }) => kind === 'copper' && bounds && outline && (bounds[1]! < outline[0] || bounds[0]! > outline[1])).length;
    return (
        <TitledDialog title={`Artwork of ${board.name}`} maxWidth="md" fullWidth onClose={onClose}>
            <Typography color="text.secondary" sx={{ mb: 1.5 }}>
                Choose the Gerber file of every layer of copper and the drill files (Excellon) of the layout together, and its list of nets (IPC-D-356) where
                there is one. What they are is guessed from what they say and from their names; mend it here.
            </Typography>
            <Stack direction="row" sx={{ gap: 2, alignItems: 'center', mb: 1.5 }}>
                <Button variant="outlined" startIcon={<UploadFileOutlined />} onClick={() => input.current?.click()}>
                    Choose files
                </Button>
                <input ref={input} hidden type="file" multiple aria-label="Artwork and drill files" onChange={(event) => void pick(event.target.files)} />
                <span role="status">{isReading ? 'Reading the files' : rows.length > 0 ? `${rows.length} files` : 'No file chosen'}</span>
            </Stack>
            {problem !== null && (
                <Alert severity="error" sx={{ mb: 1.5 }}>
                    {problem}
                </Alert>
            )}
            {rows.length > 0 && (
                <Table size="small" aria-label="Files" sx={{ mb: 1.5 }}>
                    <TableHead>
                        <TableRow>
                            <TableCell>File</TableCell>
                            <TableCell>What it is</TableCell>
                            <TableCell>From the top</TableCell>
                            <TableCell>What is in it</TableCell>
                        </TableRow>
                    </TableHead>
                    <TableBody>
                        {rows.map((row, n) => (
                            <TableRow key={row.name}>
                                <TableCell sx={{ whiteSpace: 'nowrap', maxWidth: 220, overflow: 'hidden', textOverflow: 'ellipsis' }}>{row.name}</TableCell>
                                <TableCell>
                                    <TextField
                                        select
                                        size="small"
                                        variant="standard"
                                        value={row.kind}
                                        slotProps={{ htmlInput: { 'aria-label': `What ${row.name} is` } }}
                                        onChange={(event) => change(n, { kind: event.target.value as Row['kind'] })}
                                    >
                                        {(Object.keys(kinds) as Row['kind'][]).map((kind) => (
                                            <MenuItem key={kind} value={kind} disabled={!mayBe(row.file, kind)}>
                                                {kinds[kind]}
                                            </MenuItem>
                                        ))}
                                    </TextField>
                                </TableCell>
                                <TableCell>
                                    {row.kind === 'copper' && (
                                        <TextField
                                            select
                                            size="small"
                                            variant="standard"
                                            value={row.position}
                                            slotProps={{ htmlInput: { 'aria-label': `Place of ${row.name}` } }}
                                            onChange={(event) => place(n, Number(event.target.value))}
                                        >
                                            {Array.from({ length: layers }, (_one, i) => (
                                                <MenuItem key={i} value={i + 1}>
                                                    {i === 0 ? '1, top' : i === layers - 1 ? `${i + 1}, bottom` : i + 1}
                                                </MenuItem>
                                            ))}
                                        </TextField>
                                    )}
                                </TableCell>
                                <TableCell>
                                    <Contents row={row} units={board.units} />
                                </TableCell>
                            </TableRow>
                        ))}
                    </TableBody>
                </Table>
            )}
            {outline && layers > 0 && (
                <Stack direction="row" sx={{ gap: 1.5, alignItems: 'center', mb: 1.5 }}>
                    <TextField size="small" label="Thickness of the copper" value={copper} error={!fits} onChange={(event) => setCopper(event.target.value)} />
                    <TextField
                        size="small"
                        label="Thickness of the board"
                        value={thickness}
                        error={!fits}
                        onChange={(event) => setThickness(event.target.value)}
                    />
                    <TextField
                        size="small"
                        label="Pixels of"
                        value={pixel}
                        placeholder={Number.isFinite(narrowest) ? size([narrowest / 3], board.units) : ''}
                        slotProps={{ inputLabel: { shrink: true } }}
                        error={!isPixel}
                        onChange={(event) => setPixel(event.target.value)}
                    />
                    <Typography variant="body2" color="text.secondary" sx={{ minWidth: 300 }}>
                        The board becomes {size([outline[1] - outline[0], outline[3] - outline[2]], board.units)}, as large as the copper; its layers lie an
                        even distance apart. Both can be changed afterwards.
                    </Typography>
                </Stack>
            )}
            {apart > 0 && <Alert severity="warning">{apart} layers do not overlap with the others; check the unit and the origin of the files.</Alert>}
            <Box sx={{ textAlign: 'right', pt: 0.5 }}>
                <Button variant="contained" disabled={!outline || layers === 0 || !fits || saving} onClick={take}>
                    {layers === 1 ? 'Take 1 layer' : `Take ${layers} layers`}
                </Button>
            </Box>
        </TitledDialog>
    );
}

/** What a file is, or nothing; artwork that says that it is no copper may be copper all the same. */
const mayBe = ({ kind: own, problem }: LayoutFile, kind: Row['kind']): boolean =>
    kind === 'other' || kind === own || (own === 'other' && kind === 'copper' && problem === null);

/** What a file holds, or why it cannot be read. */
function Contents({ row: { file }, units }: { row: Row; units: ShapeProps['units'] }) {
    const { bounds } = file;
    if (file.problem !== null) {
        return (
            <Box component="span" sx={{ color: 'error.main' }}>
                {file.problem}
            </Box>
        );
    }
    return (
        <>
            {file.holes > 0 ? `${file.holes} holes, ${file.plated ? 'plated' : 'not plated'}, ` : ''}
            {file.kind === 'nets' ? file.says : bounds ? `${size([bounds[1]! - bounds[0]!, bounds[3]! - bounds[2]!], units)}` : 'nothing is drawn'}
            {file.narrowest === null ? '' : `, narrowest line ${size([file.narrowest], units)}`}
            {file.notes.map((note) => (
                <Box key={note} sx={{ color: 'warning.main' }}>
                    {note}
                </Box>
            ))}
        </>
    );
}
