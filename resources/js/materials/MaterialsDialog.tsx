import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import { DataGrid, type GridColDef } from '@mui/x-data-grid';
import { useMemo, useRef, useState } from 'react';
import { useMaterials, useMaterialsOfProjects } from '../api/queries';
import { saveFile } from '../api/saveFile';
import type { Material, Revision } from '../api/types';
import { withPartFields, type ModelDocument } from '../model/document';
import { allMaterials, materialsFrom, materialsText, materialUses, ownMaterials, withMaterials, type OwnMaterial } from '../model/materials';
import { hasOwnMaterial, isDevice } from '../model/partKinds';
import type { ModelEditor } from '../model/useModelEditor';
import { number } from '../units/units';
import { CARRIED_MATERIAL } from './useMaterialDrop';
import { MaterialComparison } from './MaterialComparison';
import { MaterialDetail } from './MaterialDetail';

const digits = (value: number): number => (Math.abs(value) < 1 ? 3 : Math.abs(value) < 10 ? 2 : Math.abs(value) < 100 ? 1 : 0);
const shown = (value: number | null): string => (value === null ? '—' : number(value, digits(value)));

const MOST_COMPARED = 3;

const columns: GridColDef<Material>[] = [
    { field: 'title', headerName: 'Material', flex: 1, minWidth: 190 },
    { field: 'category', headerName: 'Kind', width: 110 },
    {
        field: 'conductivity',
        headerName: 'W/m/K',
        width: 82,
        align: 'right',
        headerAlign: 'right',
        valueGetter: (_v, m) => (m.conductivity.length ? Math.max(...m.conductivity) : null),
        renderCell: ({ row, value }) =>
            row.conductivity.length === 0 ? 'by formula' : `${shown(value as number)}${new Set(row.conductivity).size > 1 ? ' *' : ''}`,
    },
    { field: 'density', headerName: 'kg/m³', width: 74, align: 'right', headerAlign: 'right', valueFormatter: (v: number | null) => shown(v) },
    { field: 'specificHeat', headerName: 'J/kg/K', width: 74, align: 'right', headerAlign: 'right', valueFormatter: (v: number | null) => shown(v) },
    { field: 'emissivity', headerName: 'Emissivity', width: 84, align: 'right', headerAlign: 'right', valueFormatter: (v: number | null) => shown(v) },
];

interface Props {
    revision: Revision;
    editor: ModelEditor;
    mayEdit: boolean;
    selection: readonly string[];
    onClose: () => void;
}

/** The library beside the project's own materials: to look up, to sort and compare, to give to parts, to copy and edit. */
export default function MaterialsDialog({ revision, editor, mayEdit, selection, onClose }: Props) {
    const library = useMaterials();
    const document = revision.document as ModelDocument;
    const [search, setSearch] = useState('');
    const [chosen, setChosen] = useState<string[]>([]);
    const [carried, setCarried] = useState(false);
    const all = useMemo(() => allMaterials(document, library.data ?? []), [document, library.data]);
    const wanted = search.trim().toLowerCase();
    const found = wanted ? all.filter((m) => `${m.title} ${m.category} ${m.id}`.toLowerCase().includes(wanted)) : all;
    const material = chosen.length === 1 ? all.find((m) => m.id === chosen[0]) : undefined;
    const compared = all.filter((m) => chosen.includes(m.id));
    const choose = (id: string, adding: boolean) =>
        setChosen((old) => (!adding ? [id] : old.includes(id) ? old.filter((o) => o !== id) : [...old, id].slice(-MOST_COMPARED)));
    const solids = revision.outline.parts.filter((part) => selection.includes(part.id) && !hasOwnMaterial(part.kind) && !isDevice(part.kind));
    const input = useRef<HTMLInputElement>(null);
    const [refusal, setRefusal] = useState<string | null>(null);
    const load = async (file: File | undefined) => {
        setRefusal(null);
        try {
            const given = file ? materialsFrom(await file.text()) : {};
            if (file) await editor.edit(`Materials of ${file.name}`, (d) => withMaterials(d, given));
        } catch (e) {
            setRefusal((e as Error).message);
        }
    };
    const assign = () =>
        material &&
        void editor
            .edit(`Material ${material.title} for ${solids.length === 1 ? solids[0]!.name : `${solids.length} parts`}`, (d) =>
                withPartFields(
                    d,
                    solids.map((part) => part.id),
                    { material: material.id },
                ),
            )
            .then(onClose, () => undefined);
    return (
        // While a material is dragged the dialog lets the parts behind it be seen and reached.
        <Dialog
            open
            onClose={onClose}
            maxWidth="lg"
            fullWidth
            aria-labelledby="materials-title"
            sx={carried ? { opacity: 0.12, pointerEvents: 'none', '& *': { pointerEvents: 'none' } } : undefined}
        >
            <DialogTitle id="materials-title">Materials</DialogTitle>
            <DialogContent>
                <Stack direction="row" sx={{ gap: 2, height: 470 }}>
                    <Stack
                        sx={{ flex: 1, minWidth: 0, gap: 1, pt: 1 }}
                        onDragStart={(e) => {
                            const id = (e.target as Element).closest('[data-id]')?.getAttribute('data-id');
                            if (!id || all.find((m) => m.id === id)?.fluid) return e.preventDefault();
                            e.dataTransfer.setData(CARRIED_MATERIAL, id);
                            e.dataTransfer.effectAllowed = 'copy';
                            // Changed at once, the page would end the drag before it has begun.
                            window.setTimeout(() => setCarried(true));
                        }}
                        onDragEnd={() => setCarried(false)}
                    >
                        <Stack direction="row" sx={{ gap: 1, alignItems: 'center' }}>
                            <TextField
                                size="small"
                                label="Find material"
                                value={search}
                                onChange={(e) => setSearch(e.target.value)}
                                autoFocus
                                sx={{ width: 260 }}
                            />
                            {mayEdit && (
                                <Button size="small" color="inherit" onClick={() => input.current?.click()}>
                                    Load from a file
                                </Button>
                            )}
                            <input
                                ref={input}
                                hidden
                                type="file"
                                accept=".json,.csv"
                                aria-label="File of materials"
                                onChange={(e) => void load(e.target.files?.[0])}
                            />
                            {mayEdit && (
                                <OfProjects
                                    present={revision.variant.projectId}
                                    take={(name, given) => void editor.edit(`Materials of ${name}`, (d) => withMaterials(d, given)).catch(() => undefined)}
                                />
                            )}
                            <Button
                                size="small"
                                color="inherit"
                                disabled={Object.keys(ownMaterials(document)).length === 0}
                                onClick={() => saveFile(new Blob([materialsText(document)], { type: 'application/json' }), 'materials.json')}
                            >
                                Export custom materials
                            </Button>
                        </Stack>
                        {refusal !== null && (
                            <Alert severity="error" onClose={() => setRefusal(null)}>
                                {refusal}
                            </Alert>
                        )}
                        <DataGrid
                            aria-label="Materials"
                            rows={found}
                            columns={columns}
                            rowHeight={28}
                            columnHeaderHeight={32}
                            hideFooter
                            disableColumnMenu
                            checkboxSelection
                            columnVisibilityModel={{ __check__: false }}
                            disableRowSelectionOnClick
                            rowSelectionModel={{ type: 'include', ids: new Set(chosen) }}
                            onRowClick={({ id }, event) => choose(String(id), event.ctrlKey || event.metaKey || event.shiftKey)}
                            onCellKeyDown={({ id }, event) => event.key === 'Enter' && choose(String(id), event.ctrlKey)}
                            slotProps={{ row: { draggable: mayEdit } }}
                            localeText={{ noRowsLabel: library.isPending ? 'Reading the library' : `No material is called "${search}"` }}
                            sx={{ fontSize: 13, '& .MuiDataGrid-cell, & .MuiDataGrid-columnHeader': { px: 0.75 } }}
                        />
                    </Stack>
                    <Box sx={{ width: 300, flexShrink: 0, overflowY: 'auto', fontSize: 13 }}>
                        {material ? (
                            <MaterialDetail
                                key={material.id}
                                material={material}
                                own={ownMaterials(document)[material.id]}
                                uses={materialUses(document, material.id)}
                                editor={editor}
                                mayEdit={mayEdit}
                                onCopied={(id) => setChosen([id])}
                                onRemoved={() => setChosen([])}
                            />
                        ) : compared.length > 1 ? (
                            <MaterialComparison materials={compared} />
                        ) : (
                            <Box sx={{ color: 'text.secondary', pt: 1 }}>
                                Choose a material to see where its values come from, and how they change with temperature. With Ctrl choose several to compare
                                them; drag one onto a part to give it to it. A star marks a conductivity that differs by direction; its largest is listed.
                            </Box>
                        )}
                    </Box>
                </Stack>
            </DialogContent>
            <DialogActions>
                <Button color="inherit" onClick={onClose}>
                    Close
                </Button>
                <Button variant="contained" disabled={!mayEdit || !material || material.fluid || solids.length === 0} onClick={assign}>
                    {solids.length === 0 ? 'Select parts to assign it to' : `Assign to ${solids.length === 1 ? solids[0]!.name : `${solids.length} parts`}`}
                </Button>
            </DialogActions>
        </Dialog>
    );
}

/** Takes what another project of the user brought along. */
function OfProjects({ present, take }: { present: number; take: (project: string, given: Record<string, OwnMaterial>) => void }) {
    const [anchor, setAnchor] = useState<HTMLElement | null>(null);
    const others = useMaterialsOfProjects(anchor !== null);
    const found = (others.data ?? []).filter(({ project }) => project.id !== present);
    return (
        <>
            <Button size="small" color="inherit" aria-haspopup="menu" onClick={(e) => setAnchor(e.currentTarget)}>
                From a project
            </Button>
            <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)}>
                {found.map(({ project, materials }) => (
                    <MenuItem
                        key={project.id}
                        dense
                        onClick={() => {
                            setAnchor(null);
                            take(project.name, materials as Record<string, OwnMaterial>);
                        }}
                    >
                        {project.name}: {Object.keys(materials).length === 1 ? 'one material' : `${Object.keys(materials).length} materials`}
                    </MenuItem>
                ))}
                {found.length === 0 && (
                    <MenuItem dense disabled>
                        {others.isPending ? 'Looking through your projects' : 'No other project of yours has materials of its own'}
                    </MenuItem>
                )}
            </Menu>
        </>
    );
}
