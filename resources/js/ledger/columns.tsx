import LinkIcon from '@mui/icons-material/Link';
import Box from '@mui/material/Box';
import type { Material } from '../api/types';
import { originOf } from '../model/document';
import { useScreen, type Stage } from '../state/screen';
import { clock } from '../time/course';
import { UNDECIDED } from '../model/parts';
import { partKinds } from '../model/partKinds';
import { difference, differenceUnit, lengthUnit, significant, size, temperature, temperatureUnit, watts, type UnitSet } from '../units/units';
import type { Column } from './LedgerTable';
import { MarginBar } from './MarginBar';
import { verdictColours } from '../theme/verdicts';
import type { TriedWatts } from '../whatif/whatIf';

const dash = (
    <Box component="span" sx={{ color: 'text.secondary' }}>
        —
    </Box>
);

const numeric = (column: Column): Column => ({ right: true, ...column });

/** Says that a part differs from the model that this one is held against. */
function Mark({ part }: { part: string }) {
    const against = useScreen((s) => (s.marked.includes(originOf(part)) ? s.against : null));
    return (
        against && (
            <Box
                component="span"
                role="img"
                aria-label={`Differs from ${against.name}`}
                title={`Differs from ${against.name}`}
                sx={{ ml: 0.75, color: 'primary.main', fontWeight: 700 }}
            >
                ≠
            </Box>
        )
    );
}

/** The columns of a stage. The heading of an assembly spans all of them. */
export function columnsOf(stage: Stage, units: UnitSet, materials: Material[], triedWatts: TriedWatts, isCourse = false): Column[] {
    const name: Column = {
        field: 'name',
        title: 'Part',
        least: 106,
        text: (row) => row.name,
        render: (row) =>
            row.heading === null ? (
                <>
                    {row.name}
                    {row.part && <Mark part={row.part.id} />}
                    {row.part?.copyOf != null && <LinkIcon aria-hidden sx={{ fontSize: 13, ml: 0.5, verticalAlign: '-2px', color: 'text.secondary' }} />}
                </>
            ) : (
                <Box component="span" sx={{ color: 'text.secondary', fontSize: 12.5 }}>
                    <span>{row.heading}</span>{' '}
                    <Box component="span" sx={{ fontSize: 11.5, ml: 0.5 }}>
                        {row.members}
                    </Box>
                </Box>
            ),
    };
    const power = numeric({
        field: 'powerText',
        title: 'W',
        width: 66,
        text: (row) => row.powerText,
        render: (row) =>
            row.part && row.part.upTo !== null ? `≤${significant(row.part.upTo, 3)}` : row.part && row.part.power !== 0 ? watts(row.part.power) : dash,
    });
    const material: Column = {
        field: 'material',
        title: 'Material',
        width: 170,
        text: (row) => row.material,
        options: (row) => options(materials, row.material),
        render: (row) =>
            row.material === UNDECIDED ? (
                <Box component="span" sx={{ color: 'warning.main' }}>
                    not chosen yet
                </Box>
            ) : (
                (row.part?.materialTitle ?? (row.part?.kind === 'package' ? 'two resistances' : row.material === 'fluid' ? 'cut-out' : row.material || dash))
            ),
    };
    const limit = numeric({
        field: 'limitText',
        title: `Limit ${temperatureUnit(units)}`,
        width: 84,
        text: (row) => row.limitText,
        render: (row) => (row.limit?.atMost ? temperature(row.limit.atMost, units) : dash),
    });
    switch (stage) {
        case 'Build':
            return [
                name,
                { field: 'shape', title: 'Shape', width: 72, render: (row) => partKinds[row.part?.kind ?? ''] ?? row.part?.kind ?? '' },
                { field: 'size', title: 'Size', width: 134, sortable: false, render: (row) => row.part && size(row.part.size, units) },
                { ...material, width: 132 },
            ];
        case 'Load':
            return [
                name,
                power,
                {
                    field: 'model',
                    title: 'Heat model',
                    width: 110,
                    render: (row) => (row.part?.kind === 'package' ? 'two resistances' : row.part?.power ? 'uniform' : ''),
                },
                { ...material, width: 140 },
            ];
        case 'Limit':
            return [
                name,
                limit,
                {
                    field: 'watched',
                    title: 'Watched',
                    width: 130,
                    sortable: false,
                    render: (row) => (row.limit ? (row.limit.node ?? (row.limit.face ? `face ${row.limit.face}` : 'hottest point')) : ''),
                },
            ];
        case 'Solve':
            return [
                name,
                { field: 'feature', title: 'Thinnest', width: 92, sortable: false, render: (row) => row.thinnest?.feature ?? '' },
                numeric({
                    field: 'width',
                    title: `Width ${lengthUnit(units)}`,
                    width: 84,
                    render: (row) => (row.thinnest ? size([row.thinnest.width], units).split(' ')[0] : dash),
                }),
                numeric({ field: 'cells', title: 'Cells across', width: 98, render: (row) => row.thinnest?.cells ?? dash }),
            ];
        case 'Judge':
            return [
                name,
                {
                    ...power,
                    width: isCourse ? 52 : 56,
                    render: (row) => {
                        const tried = triedWatts[row.id];
                        return tried === undefined || tried === row.part?.power ? (
                            power.render(row)
                        ) : (
                            <Box component="span" title={`Tried; the model has ${watts(row.part!.power)} W`} sx={{ color: 'warning.main', fontWeight: 600 }}>
                                {watts(tried)}
                            </Box>
                        );
                    },
                },
                numeric({
                    field: 'temperature',
                    title: `T max ${temperatureUnit(units)}`,
                    description: 'Junction of a package, hottest place of any other part',
                    width: isCourse ? 70 : 74,
                    render: (row) => (row.temperature === null ? dash : temperature(row.temperature, units)),
                }),
                ...(isCourse
                    ? [
                          numeric({
                              field: 'at',
                              title: 'at',
                              description: 'When it was so',
                              width: 72,
                              sortable: false,
                              render: (row) => (row.at === null ? dash : clock(row.at)),
                          }),
                      ]
                    : []),
                { ...limit, width: isCourse ? 64 : 70 },
                numeric({
                    field: 'margin',
                    title: `Margin ${differenceUnit(units)}`,
                    width: isCourse ? 84 : 98,
                    render: (row) =>
                        row.margin === null ? (
                            dash
                        ) : (
                            <Box
                                component="span"
                                sx={row.judged?.verdict === 'met' ? undefined : { color: verdictColours[row.judged?.verdict ?? 'met'], fontWeight: 700 }}
                            >
                                {difference(row.margin, units)}
                                <Box
                                    component="span"
                                    title={row.judged?.unknown ? `± unknown: ${row.judged.unknown}` : undefined}
                                    sx={{ color: 'text.secondary', fontWeight: 400, fontSize: 11.5 }}
                                >
                                    {' '}
                                    {row.plusMinus === null ? '±?' : `±${difference(row.plusMinus, units).replace('+', '')}`}
                                </Box>
                            </Box>
                        ),
                }),
                ...(isCourse
                    ? []
                    : [
                          {
                              field: 'bar',
                              title: '',
                              width: 44,
                              sortable: false,
                              render: (row) => row.margin !== null && <MarginBar margin={row.margin} undecided={row.judged?.verdict === 'undecided'} />,
                          } satisfies Column,
                      ]),
            ];
    }
}

function options(materials: Material[], present: string) {
    const list = materials.filter((m) => !m.fluid).map((m) => ({ value: m.id, label: m.title }));
    return list.some((o) => o.value === present) ? list : [{ value: present, label: present || 'none' }, ...list];
}
