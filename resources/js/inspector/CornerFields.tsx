import Add from '@mui/icons-material/Add';
import DeleteOutlined from '@mui/icons-material/DeleteOutlined';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import Stack from '@mui/material/Stack';
import { across, type Length } from '../model/parts';
import { lengthUnit, typed } from '../units/units';
import { Chapter } from './Chapter';
import { EditField } from './EditField';
import { editShape, replaced, shapeFields, type ShapeProps } from './ShapeField';
import { textOf } from '../model/text';

/** Along the axes that the shape leaves free. */
type Corner = Length[];

/** Halfway between two corners. */
const between = (from: Corner, to: Corner): Corner => from.map((length, n) => `0.5 * (${length}) + 0.5 * (${to[n]})`);

/** As far beyond a corner as it is from the one before. */
const beyond = (last: Corner, before: Corner): Corner => last.map((length, n) => `2 * (${length}) - (${before[n]})`);

/** The corners of a profile, in order around it, or the points of a path from its start to its end. */
export function CornerFields({ shape }: { shape: ShapeProps }) {
    const fields = shapeFields(shape.entry);
    const closed = fields.kind === 'profile';
    const corners = (fields.points as Corner[] | undefined) ?? [];
    const names = closed ? (across[textOf(fields.axis, 'z')] ?? across.z!) : ['x', 'y', 'z'];
    const word = closed ? 'corner' : 'point';
    const unit = lengthUnit(shape.units);
    const set = (label: string, to: (corners: Corner[]) => Corner[]) =>
        editShape(shape, label, (present) => ({ points: to((present.points as Corner[] | undefined) ?? []) }));
    return (
        <Chapter title={closed ? 'Corners, in order around it' : 'Points, from its start to its end'} fields>
            {corners.map((corner, n) => (
                <Stack key={n} direction="row" sx={{ gap: 0.75, alignItems: 'start' }}>
                    {names.map((name, i) => (
                        <EditField
                            key={name}
                            label={`${name} ${n + 1}`}
                            value={String(corner[i])}
                            disabled={shape.disabled}
                            save={(text) => set(`${word} ${n + 1}`, (present) => replaced(present, n, replaced(present[n]!, i, typed(text, unit))))}
                        />
                    ))}
                    <IconButton
                        size="small"
                        aria-label={`Remove ${word} ${n + 1}`}
                        disabled={shape.disabled || corners.length <= (closed ? 3 : 2)}
                        onClick={() => void set(`without ${word} ${n + 1}`, (present) => present.filter((_c, i) => i !== n)).catch(() => undefined)}
                    >
                        <DeleteOutlined fontSize="small" />
                    </IconButton>
                </Stack>
            ))}
            <Button
                size="small"
                color="inherit"
                startIcon={<Add fontSize="small" />}
                disabled={shape.disabled}
                onClick={() =>
                    void set(`another ${word}`, (present) => [
                        ...present,
                        closed ? between(present.at(-1)!, present[0]!) : beyond(present.at(-1)!, present.at(-2)!),
                    ]).catch(() => undefined)
                }
            >
                {closed ? 'Corner' : 'Point'}
            </Button>
        </Chapter>
    );
}
