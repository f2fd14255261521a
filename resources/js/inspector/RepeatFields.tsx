import Add from '@mui/icons-material/Add';
import DeleteOutlined from '@mui/icons-material/DeleteOutlined';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import Stack from '@mui/material/Stack';
import { MOST_DIRECTIONS, orNone, repeatOf, type Direction } from '../model/repeat';
import { quietly, unlinkCopies } from '../model/partCommands';
import { lengthUnit, typed, type UnitSet } from '../units/units';
import { Chapter } from './Chapter';
import { EditField } from './EditField';
import { editPart, replaced, type ShapeProps } from './ShapeField';

interface RowsProps {
    directions: readonly Direction[];
    units: UnitSet;
    disabled: boolean;
    /** Saves directions that follow from the present ones. */
    set: (label: string, to: (directions: Direction[]) => Direction[]) => Promise<unknown>;
    makeIndependent: () => void;
}

/** How many copies there are in each direction, and how far apart. */
export function DirectionRows({ directions, units, disabled, set, makeIndependent }: RowsProps) {
    const unit = lengthUnit(units);
    return (
        <>
            {directions.map((direction, n) => (
                <Box key={n} component="section" aria-label={`Copies, direction ${n + 1}`}>
                    <Stack direction="row" sx={{ gap: 0.75, alignItems: 'start' }}>
                        <EditField
                            label={n === 0 ? 'How many, with the original' : 'How many times that'}
                            value={String(direction.count)}
                            disabled={disabled}
                            save={(text) =>
                                set(`${text} of them`, (present) => replaced(present, n, { ...present[n]!, count: /^\d+$/.test(text) ? Number(text) : text }))
                            }
                        />
                        <IconButton
                            size="small"
                            aria-label={`Remove direction ${n + 1}`}
                            disabled={disabled}
                            onClick={() => quietly(set('copies in one direction less', (present) => present.filter((_d, i) => i !== n)))}
                        >
                            <DeleteOutlined fontSize="small" />
                        </IconButton>
                    </Stack>
                    <Stack direction="row" sx={{ gap: 0.75 }}>
                        {['x', 'y', 'z'].map((axis, i) => (
                            <EditField
                                key={axis}
                                label={`Step ${axis}`}
                                value={String(direction.step[i])}
                                disabled={disabled}
                                save={(text) =>
                                    set(`copies ${typed(text, unit)} apart along ${axis}`, (present) =>
                                        replaced(present, n, { ...present[n]!, step: replaced(present[n]!.step, i, typed(text, unit)) }),
                                    )
                                }
                            />
                        ))}
                    </Stack>
                </Box>
            ))}
            <Stack direction="row" sx={{ gap: 1 }}>
                {directions.length < MOST_DIRECTIONS && (
                    <Button
                        size="small"
                        color="inherit"
                        startIcon={<Add fontSize="small" />}
                        disabled={disabled}
                        onClick={() => quietly(set('copies in another direction', (present) => [...present, { count: 2, step: [0, '20 mm', 0] }]))}
                    >
                        {directions.length === 0 ? 'Linked copies' : 'Direction'}
                    </Button>
                )}
                {directions.length > 0 && (
                    <Button size="small" color="inherit" disabled={disabled} onClick={makeIndependent}>
                        Make independent
                    </Button>
                )}
            </Stack>
        </>
    );
}

/** The linked copies of a part. */
export function RepeatFields({ shape }: { shape: ShapeProps }) {
    const directions = repeatOf(shape.entry);
    if (directions.length === 0) return null;
    return (
        <Chapter title="Linked copies" fields>
            <DirectionRows
                directions={directions}
                units={shape.units}
                disabled={shape.disabled}
                set={(label, to) => editPart(shape, label, (part) => ({ repeat: orNone(to(repeatOf(part))) }))}
                makeIndependent={() => unlinkCopies(shape.editor, shape.entry.id)}
            />
        </Chapter>
    );
}
