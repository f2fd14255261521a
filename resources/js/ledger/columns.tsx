import LinkIcon from '@mui/icons-material/Link';
import Box from '@mui/material/Box';
import type { GridColDef } from '@mui/x-data-grid';
import type { Material } from '../api/types';
import type { Stage } from '../project/screenState';
import { UNDECIDED } from '../model/parts';
import { partKinds } from '../model/partKinds';
import { difference, differenceUnit, size, temperature, temperatureUnit, watts, type UnitSet } from '../units/units';
import type { LedgerRow } from './rows';
import { MarginBar } from './MarginBar';


type Column = GridColDef<LedgerRow>;

const dash = <Box component="span" sx={{ color: 'text.secondary' }}>—</Box>;

function numeric(column: Column): Column {
    return { align: 'right', headerAlign: 'right', sortable: true, ...column };
}

/** The columns of a stage. The heading of an assembly spans all of them. */
export function columnsOf(stage: Stage, units: UnitSet, materials: Material[], editable: boolean): Column[] {
    const name: Column = {
        field: 'name', headerName: 'Part', flex: 1, minWidth: 106, editable, sortable: true,
        colSpan: (_value, row) => (row.heading === null ? 1 : 12),
        renderCell: ({ row }) => (row.heading === null ? <>{row.name}{row.part?.copyOf != null && <LinkIcon aria-hidden sx={{ fontSize: 13, ml: 0.5, verticalAlign: '-2px', color: 'text.secondary' }} />}</> : <Box component="span" sx={{ color: 'text.secondary', fontSize: 12.5 }}>{row.heading}</Box>),
    };
    const power = numeric({
        field: 'powerText', headerName: 'W', width: 66, editable,
        renderCell: ({ row }) => (row.part && row.part.power !== 0 ? watts(row.part.power) : dash),
    });
    const material: Column = {
        field: 'material', headerName: 'Material', width: 170, type: 'singleSelect', editable,
        valueOptions: ({ row }) => options(materials, row?.material ?? ''),
        renderCell: ({ row }) => row.material === UNDECIDED ? <Box component="span" sx={{ color: 'warning.main' }}>not chosen yet</Box> : row.part?.materialTitle ?? (row.part?.kind === 'package' ? 'two resistances' : row.material === 'fluid' ? 'carves out air' : row.material || dash),
    };
    const limit = numeric({
        field: 'limitText', headerName: `Limit ${temperatureUnit(units)}`, width: 84, editable,
        renderCell: ({ row }) => (row.limit?.atMost ? temperature(row.limit.atMost, units) : dash),
    });
    switch (stage) {
        case 'Build':
            return [
                name,
                { field: 'shape', headerName: 'Shape', width: 72, valueGetter: (_v, row) => partKinds[row.part?.kind ?? ''] ?? row.part?.kind ?? '' },
                {
                    field: 'size', headerName: 'Size', width: 134, sortable: false,
                    renderCell: ({ row }) => row.part && size(row.part.size, units),
                },
                { ...material, width: 132 },
            ];
        case 'Load':
            return [name, power, { field: 'model', headerName: 'Heat model', width: 110, valueGetter: (_v, row) => (row.part?.kind === 'package' ? 'two resistances' : row.part?.power ? 'uniform' : '') }, { ...material, width: 140 }];
        case 'Limit':
            return [name, limit, { field: 'watched', headerName: 'Watched', width: 130, valueGetter: (_v, row) => (row.limit ? (row.limit.node ?? (row.limit.face ? `face ${row.limit.face}` : 'hottest point')) : '') }];
        case 'Solve':
            return [
                name,
                { field: 'feature', headerName: 'Thinnest', width: 92, valueGetter: (_v, row) => row.thinnest?.feature ?? '' },
                numeric({ field: 'width', headerName: units === 'us' ? 'Width in' : units === 'si' ? 'Width m' : 'Width mm', width: 84, renderCell: ({ row }) => (row.thinnest ? size([row.thinnest.width], units).split(' ')[0] : dash) }),
                numeric({ field: 'cells', headerName: 'Cells across', width: 98, valueGetter: (_v, row) => row.thinnest?.cells ?? null, renderCell: ({ row }) => row.thinnest?.cells ?? dash }),
            ];
        case 'Judge':
            return [
                name,
                { ...power, width: 56, minWidth: 56 },
                numeric({ field: 'temperature', headerName: `T max ${temperatureUnit(units)}`, description: 'Junction of a package, hottest place of any other part', width: 70, renderCell: ({ row }) => (row.temperature === null ? dash : temperature(row.temperature, units)) }),
                { ...limit, headerName: `Limit ${temperatureUnit(units)}`, width: 64 },
                numeric({
                    field: 'margin', headerName: `Margin ${differenceUnit(units)}`, width: 98,
                    renderCell: ({ row }) =>
                        row.margin === null ? dash : (
                            <Box component="span" sx={row.margin < 0 ? { color: 'error.main', fontWeight: 700 } : undefined}>{difference(row.margin, units)}{row.plusMinus !== null && <Box component="span" sx={{ color: 'text.secondary', fontWeight: 400, fontSize: 11.5 }}> ±{difference(row.plusMinus, units).replace('+', '')}</Box>}</Box>
                        ),
                }),
                { field: 'bar', headerName: '', width: 36, minWidth: 36, sortable: false, renderCell: ({ row }) => row.margin !== null && <Box sx={{ width: '100%', height: '100%', display: 'flex', alignItems: 'center' }}><MarginBar margin={row.margin} /></Box> },
            ];
    }
}

function options(materials: Material[], present: string) {
    const list = materials.filter((m) => !m.fluid).map((m) => ({ value: m.id, label: m.title }));
    return list.some((o) => o.value === present) ? list : [{ value: present, label: present || 'none' }, ...list];
}
