import Add from '@mui/icons-material/Add';
import DeleteOutlined from '@mui/icons-material/DeleteOutlined';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import Stack from '@mui/material/Stack';
import { across } from '../model/parts';
import { lengthUnit, typed } from '../units/units';
import { Chapter } from './Chapter';
import { EditField } from './EditField';
import { editShape, replaced, shapeFields, type Length, type ShapeProps } from './ShapeField';

type Corner = [Length, Length];

/** The corners of a profile, in order around it. */
export function CornerFields({ shape }: { shape: ShapeProps }) {
    const fields = shapeFields(shape.entry);
    const corners = (fields.points as Corner[] | undefined) ?? [];
    const names = across[String(fields.axis ?? 'z')] ?? across.z!;
    const unit = lengthUnit(shape.units);
    const set = (label: string, to: (corners: Corner[]) => Corner[]) => editShape(shape, label, (present) => ({ points: to((present.points as Corner[] | undefined) ?? []) }));
    /** Between a corner and the next one. */
    const between = ([a, b]: Corner, [c, d]: Corner): Corner => [`0.5 * (${a}) + 0.5 * (${c})`, `0.5 * (${b}) + 0.5 * (${d})`];
    return (
        <Chapter title="Corners, in order around it" fields>
            {corners.map((corner, n) => (
                <Stack key={n} direction="row" sx={{ gap: 0.75, alignItems: 'start' }}>
                    {names.map((name, i) => (
                        <EditField
                            key={name}
                            label={`${name} ${n + 1}`}
                            value={String(corner[i as 0 | 1])}
                            disabled={shape.disabled}
                            save={(text) => set(`corner ${n + 1}`, (present) => replaced(present, n, replaced(present[n]!, i, typed(text, unit)) as Corner))}
                        />
                    ))}
                    <IconButton size="small" aria-label={`Remove corner ${n + 1}`} disabled={shape.disabled || corners.length <= 3} onClick={() => void set(`without corner ${n + 1}`, (present) => present.filter((_c, i) => i !== n)).catch(() => undefined)}><DeleteOutlined fontSize="small" /></IconButton>
                </Stack>
            ))}
            <Button size="small" color="inherit" startIcon={<Add fontSize="small" />} disabled={shape.disabled} onClick={() => void set('another corner', (present) => [...present, between(present.at(-1)!, present[0]!)]).catch(() => undefined)}>Corner</Button>
        </Chapter>
    );
}
