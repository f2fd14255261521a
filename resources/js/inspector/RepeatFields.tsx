import Add from '@mui/icons-material/Add';
import DeleteOutlined from '@mui/icons-material/DeleteOutlined';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import Stack from '@mui/material/Stack';
import { MOST_DIRECTIONS, repeatOf, type Direction } from '../model/repeat';
import { unlinkCopies } from '../model/partCommands';
import { lengthUnit, typed } from '../units/units';
import { Chapter } from './Chapter';
import { EditField } from './EditField';
import { editPart, replaced, type ShapeProps } from './ShapeField';

/** The linked copies of a part: how many in each direction, and how far apart. */
export function RepeatFields({ shape }: { shape: ShapeProps }) {
    const directions = repeatOf(shape.entry);
    if (directions.length === 0) return null;
    const unit = lengthUnit(shape.units);
    const set = (label: string, to: (directions: Direction[]) => Direction[]) =>
        editPart(shape, label, (part) => {
            const next = to(repeatOf(part));
            return { repeat: next.length > 0 ? next : undefined };
        });
    const quietly = (work: Promise<unknown>) => void work.catch(() => undefined);
    return (
        <Chapter title="Linked copies" fields>
            {directions.map((direction, n) => (
                <Box key={n} component="section" aria-label={`Copies, direction ${n + 1}`}>
                    <Stack direction="row" sx={{ gap: 0.75, alignItems: 'start' }}>
                        <EditField label={n === 0 ? 'How many, with the original' : 'How many times that'} value={String(direction.count)} disabled={shape.disabled} save={(text) => set(`${text} of them`, (present) => replaced(present, n, { ...present[n]!, count: /^\d+$/.test(text) ? Number(text) : text }))} />
                        <IconButton size="small" aria-label={`Remove direction ${n + 1}`} disabled={shape.disabled} onClick={() => quietly(set('copies in one direction less', (present) => present.filter((_d, i) => i !== n)))}><DeleteOutlined fontSize="small" /></IconButton>
                    </Stack>
                    <Stack direction="row" sx={{ gap: 0.75 }}>
                        {['x', 'y', 'z'].map((axis, i) => (
                            <EditField key={axis} label={`Step ${axis}`} value={String(direction.step[i])} disabled={shape.disabled} save={(text) => set(`copies ${typed(text, unit)} apart along ${axis}`, (present) => replaced(present, n, { ...present[n]!, step: replaced(present[n]!.step, i, typed(text, unit)) }))} />
                        ))}
                    </Stack>
                </Box>
            ))}
            <Stack direction="row" sx={{ gap: 1 }}>
                {directions.length < MOST_DIRECTIONS && <Button size="small" color="inherit" startIcon={<Add fontSize="small" />} disabled={shape.disabled} onClick={() => quietly(set('copies in another direction', (present) => [...present, { count: 2, step: [0, '20 mm', 0] }]))}>Direction</Button>}
                <Button size="small" color="inherit" disabled={shape.disabled} onClick={() => unlinkCopies(shape.editor, shape.entry.id)}>Make independent</Button>
            </Stack>
        </Chapter>
    );
}
