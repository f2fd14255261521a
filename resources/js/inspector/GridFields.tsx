import Add from '@mui/icons-material/Add';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useGridReport } from '../api/queries';
import type { Grade, GridReport, Revision } from '../api/types';
import { originOf, ownName, type ModelDocument } from '../model/document';
import { gradeNames, grades } from '../model/grades';
import { faceTitle } from '../model/heat';
import { quietly } from '../model/partCommands';
import { millimetres } from '../model/parts';
import {
    cellSizeOf,
    convergenceOf,
    gridOf,
    refinementsOf,
    withCellSize,
    withConvergence,
    withGrid,
    withRefinement,
    withRefinementAt,
    withSize,
    type Refinement,
} from '../model/refine';
import { sideNames, type SideName } from '../model/space';
import { textOf } from '../model/text';
import type { ModelEditor } from '../model/useModelEditor';
import { usePreferences, useScreen } from '../state/screen';
import { bytes, duration, lengthUnit, size, thousands, typed, type UnitSet } from '../units/units';
import { Chapter } from './Chapter';
import { ChoiceField } from './ChoiceField';
import { compact, EditField } from './EditField';
import type { StageProps } from './Panel';
import { Removable } from './Removable';
import { replaced } from './ShapeField';

const faceChoices = Object.fromEntries(sideNames.map((face) => [face, faceTitle(face)])) as Record<SideName, string>;

/** Cells, memory and time of a grade, before a run. */
function GradeRow({ grade, revision, chosen }: { grade: Grade; revision: Revision; chosen: boolean }) {
    const report = useGridReport(revision.variant.id, revision.number, grade, true);
    const cells: readonly string[] = report.data
        ? [thousands(report.data.cells), bytes(report.data.memory), duration(report.data.seconds)]
        : report.isError
          ? ['not possible', '', '']
          : ['…', '', ''];
    return (
        <Box
            component="tr"
            sx={{
                fontWeight: chosen ? 600 : 400,
                '& td, & th': { py: 0.25, pl: 1, pr: 0, font: 'inherit', textAlign: 'right', whiteSpace: 'nowrap' },
                '& th': { textAlign: 'left', pl: 0 },
            }}
        >
            <th scope="row">{gradeNames[grade]}</th>
            {cells.map((text, n) => (
                <td key={n}>{text}</td>
            ))}
        </Box>
    );
}

/** The grid of every grade, and what is asked of it by hand. */
export function GridFields({ revision, editor, mayEdit }: StageProps) {
    const grade = useScreen((s) => s.grade);
    const units = usePreferences((s) => s.units);
    const report = useGridReport(revision.variant.id, revision.number, grade, true);
    const document = revision.document as ModelDocument;
    const grid = gridOf(document);
    const { min, max } = revision.outline.space;
    const number = (text: string) => (Number.isFinite(Number(text)) ? Number(text) : text);
    const field = (label: string, value: unknown, hint: string, change: (d: ModelDocument, text: string) => ModelDocument) => (
        <EditField
            label={label}
            value={textOf(value)}
            hint={hint}
            disabled={!mayEdit}
            save={(text) => editor.edit(`${label}: ${text || hint}`, (d) => change(d, text))}
        />
    );
    const global = (label: string, key: 'largest' | 'growth' | 'across' | 'maxCells', hint: string, read: (text: string) => unknown) =>
        field(label, grid[key], hint, (d, text) => withGrid(d, { [key]: text === '' ? undefined : read(text) }));
    const target = (label: string, key: 'residual' | 'change' | 'iterations', hint: string) =>
        field(label, convergenceOf(document)[key], hint, (d, text) => withConvergence(d, { [key]: text === '' ? undefined : number(text) }));
    const addBox = () => {
        const at = (share: number) => min.map((low, n) => millimetres(low + share * (max[n]! - low)));
        const entry: Refinement = {
            box: { min: at(0.4), max: at(0.6) },
            size: `${Number((20 * Math.min(...max.map((m, n) => m - min[n]!))).toPrecision(2))} mm`,
        };
        quietly(editor.edit('Cells of a wanted size in a box', (d) => withRefinement(d, entry)));
    };
    return (
        <>
            <Chapter title="Grid" fields>
                <Box component="table" aria-label="Grid of each grade" sx={{ width: '100%', borderCollapse: 'collapse', mb: 0.5 }}>
                    <thead>
                        <Box component="tr" sx={{ color: 'text.secondary', '& th': { fontWeight: 400, textAlign: 'right', p: 0, pl: 1 } }}>
                            <th aria-label="Grade" />
                            <th>cells</th>
                            <th>memory</th>
                            <th>about</th>
                        </Box>
                    </thead>
                    <tbody>
                        {grades.map((each) => (
                            <GradeRow key={each} grade={each} revision={revision} chosen={each === grade} />
                        ))}
                    </tbody>
                </Box>
                <Typography variant="body2" color="text.secondary">
                    {report.data ? `${gradeNames[grade]}: ${extent(report.data, units)}. A section shows the lines.` : 'Reading the grid'}
                </Typography>
            </Chapter>
            <Chapter title="By hand, in place of what the grade says" fields>
                <Stack direction="row" sx={{ gap: 0.75 }}>
                    {global('Widest cell', 'largest', 'by grade', (text) => typed(text, lengthUnit(units)))}
                    {global('Growth', 'growth', 'by grade', number)}
                </Stack>
                <Stack direction="row" sx={{ gap: 0.75 }}>
                    {global('Cells across', 'across', 'by grade', number)}
                    {global('Most cells', 'maxCells', 'by grade', number)}
                </Stack>
                {refinementsOf(document).map((entry, n) => (
                    <RefinementRow
                        key={`${n} ${JSON.stringify(entry)}`}
                        entry={entry}
                        n={n}
                        revision={revision}
                        editor={editor}
                        disabled={!mayEdit}
                        units={units}
                    />
                ))}
                {mayEdit && (
                    <Button size="small" color="inherit" startIcon={<Add fontSize="small" />} onClick={addBox}>
                        Cell size in a box
                    </Button>
                )}
                <Typography variant="body2" color="text.secondary" sx={{ mt: 0.5 }}>
                    Select a part to give the size of its cells.
                </Typography>
            </Chapter>
            <Chapter title="Convergence, beside the usual checks" fields>
                <Stack direction="row" sx={{ gap: 0.75 }}>
                    {target('Residual below', 'residual', 'as usual')}
                    {target('Change below', 'change', 'as usual')}
                </Stack>
                {target('Most iterations', 'iterations', 'as many as it takes')}
            </Chapter>
        </>
    );
}

const extent = (report: GridReport, units: UnitSet): string =>
    `${report.shape.join(' × ')}, cells from ${size([report.smallest], units)} to ${size([report.largest], units)}`;

interface RowProps {
    entry: Refinement;
    /** Which of the refinements. */
    n: number;
    revision: Revision;
    editor: ModelEditor;
    disabled: boolean;
    units: UnitSet;
}

function RefinementRow({ entry, n, revision, editor, disabled, units }: RowProps) {
    const part = revision.outline.parts.find((p) => p.id === entry.part);
    const name = entry.box ? 'A box' : `${part ? ownName(part) : entry.part}${entry.face ? `, ${faceTitle(entry.face).toLowerCase()}` : ''}`;
    const box = entry.box;
    const place = (end: 'min' | 'max') =>
        box && (
            <Stack direction="row" sx={compact}>
                {['x', 'y', 'z'].map((axis, i) => (
                    <EditField
                        key={axis}
                        label={`${end === 'min' ? 'From' : 'To'} ${axis}`}
                        value={String(box[end][i])}
                        disabled={disabled}
                        save={(text) =>
                            editor.edit(`${name}: ${end === 'min' ? 'from' : 'to'} ${axis} ${text}`, (d) =>
                                withRefinementAt(d, n, (other) => ({
                                    ...other,
                                    box: { ...box, [end]: replaced(box[end], i, typed(text, lengthUnit(units))) },
                                })),
                            )
                        }
                    />
                ))}
            </Stack>
        );
    return (
        <Removable label={`Cell size of ${name}`} disabled={disabled} remove={() => quietly(editor.edit(`${name}: cells by grade`, (d) => withSize(d, n, '')))}>
            {place('min')}
            {place('max')}
            <EditField
                label={`${name}: cell size`}
                value={String(entry.size)}
                disabled={disabled}
                save={(text) =>
                    editor.edit(`${name}: cells of ${typed(text, lengthUnit(units)) || 'the grade'}`, (d) => withSize(d, n, typed(text, lengthUnit(units))))
                }
            />
        </Removable>
    );
}

interface PartProps {
    ids: readonly string[];
    name: string;
    document: ModelDocument;
    editor: ModelEditor;
    disabled: boolean;
}

/** The size of the cells of the selected parts, and beside the faces of a single one. */
export function CellSizeField({ ids, name, document, editor, disabled }: PartProps) {
    const units = usePreferences((s) => s.units);
    const sizes = new Set(ids.map((id) => String(cellSizeOf(document, id) ?? '')));
    const part = originOf(ids[0]!);
    const atFaces = refinementsOf(document).flatMap((entry, n) =>
        ids.length === 1 && entry.part === part && entry.face !== undefined ? [{ ...entry, n }] : [],
    );
    const written = (text: string) => typed(text, lengthUnit(units));
    return (
        <Chapter title="Grid" fields>
            <EditField
                label="Cell size"
                value={sizes.size === 1 ? [...sizes][0]! : ''}
                hint={sizes.size > 1 ? 'different ones' : 'by grade'}
                disabled={disabled}
                save={(text) => {
                    const wanted = written(text);
                    return editor.edit(`${name}: cells ${wanted ? `of ${wanted}` : 'by grade'}`, (d) => withCellSize(d, ids, wanted));
                }}
            />
            {atFaces.map(({ face, size, n }) => (
                <Removable
                    key={`${n} ${face}`}
                    label={`Cell size at ${face}`}
                    disabled={disabled}
                    remove={() => quietly(editor.edit(`${name}: cells at ${face} by grade`, (d) => withSize(d, n, '')))}
                >
                    <ChoiceField
                        label="At"
                        value={face as SideName}
                        choices={faceChoices}
                        disabled={disabled}
                        save={(to) => editor.edit(`${name}: cell size at ${to}`, (d) => withRefinementAt(d, n, (entry) => ({ ...entry, face: to })))}
                    />
                    <EditField
                        label={`Cell size at ${face}`}
                        value={String(size)}
                        disabled={disabled}
                        save={(text) => editor.edit(`${name}: cells of ${written(text) || 'the grade'} at ${face}`, (d) => withSize(d, n, written(text)))}
                    />
                </Removable>
            ))}
            {ids.length === 1 && !disabled && (
                <Button
                    size="small"
                    color="inherit"
                    startIcon={<Add fontSize="small" />}
                    onClick={() => quietly(editor.edit(`${name}: cell size at a face`, (d) => withRefinement(d, { part, face: 'z+', size: '0.5 mm' })))}
                >
                    Cell size at a face
                </Button>
            )}
        </Chapter>
    );
}
