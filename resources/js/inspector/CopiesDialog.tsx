import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Stack from '@mui/material/Stack';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { usePreferences } from '../state/screen';
import { lengthUnit, typedLength } from '../units/units';
import type { OutlinePart } from '../api/types';
import { millimetres } from '../model/parts';
import type { Direction } from '../model/repeat';
import { boxAround } from '../model/box';

const MOST = 400;

interface Typed {
    count: string;
    step: string[];
}

/** Places of a field besides the original, from the counts and steps (metres) of its two directions. */
export function fieldOffsets(counts: readonly [number, number], steps: readonly [readonly number[], readonly number[]]): number[][] {
    const offsets: number[][] = [];
    for (let row = 0; row < counts[1]; row++) {
        for (let column = 0; column < counts[0]; column++) {
            if (row + column > 0) offsets.push([0, 1, 2].map((n) => column * steps[0][n]! + row * steps[1][n]!));
        }
    }
    return offsets;
}

/** How many there shall be in two directions, the original among them, and the step from one to the next. */
export function CopiesDialog({
    parts,
    onClose,
    copy,
    repeat,
}: {
    parts: OutlinePart[];
    onClose: () => void;
    copy: (offsets: number[][]) => void;
    repeat: (directions: Direction[]) => void;
}) {
    const around = boxAround(parts);
    const units = usePreferences((s) => s.units);
    const size = (n: number) => around.max[n]! - around.min[n]!;
    const pitch = (n: number) => [0, 1, 2].map((axis) => (axis === n ? String(Number(((1.25 * size(n)) / typedLength('1', units)).toPrecision(3))) : '0'));
    const [directions, setDirections] = useState<[Typed, Typed]>([
        { count: '4', step: pitch(0) },
        { count: '1', step: pitch(1) },
    ]);
    const [linked, setLinked] = useState(true);
    const counts = directions.map((d) => Number(d.count)) as [number, number];
    const steps = directions.map((d) => d.step.map((text) => typedLength(text, units))) as [number[], number[]];
    const usable = (n: 0 | 1) =>
        Number.isInteger(counts[n]) && counts[n] >= 1 && steps[n].every(Number.isFinite) && (counts[n] === 1 || steps[n].some((s) => s !== 0));
    const right = usable(0) && usable(1) && counts[0] * counts[1] > 1 && counts[0] * counts[1] <= MOST;
    const set = (n: 0 | 1, change: Partial<Typed>) =>
        setDirections((old) => (n === 0 ? [{ ...old[0], ...change }, old[1]] : [old[0], { ...old[1], ...change }]));
    return (
        <Dialog open onClose={onClose}>
            <DialogTitle>Copies in a row or a field</DialogTitle>
            <DialogContent>
                <form
                    id="copies"
                    onSubmit={(e) => {
                        e.preventDefault();
                        if (!right) return;
                        onClose();
                        if (linked) repeat(([0, 1] as const).filter((n) => counts[n] > 1).map((n) => ({ count: counts[n], step: steps[n].map(millimetres) })));
                        else copy(fieldOffsets(counts, steps));
                    }}
                >
                    {([0, 1] as const).map((n) => (
                        <Stack key={n} direction="row" sx={{ gap: 1, mt: 1.5, width: 480 }}>
                            <TextField
                                autoFocus={n === 0}
                                size="small"
                                label={n === 0 ? 'In a row' : 'Rows'}
                                value={directions[n].count}
                                onChange={(e) => set(n, { count: e.target.value })}
                                error={!(counts[n] >= 1)}
                                helperText={n === 0 ? 'with the original' : ' '}
                            />
                            {['x', 'y', 'z'].map((axis, i) => (
                                <TextField
                                    key={axis}
                                    size="small"
                                    label={`${n === 0 ? 'Step' : 'Row step'} ${axis}, ${lengthUnit(units)}`}
                                    value={directions[n].step[i]}
                                    error={!Number.isFinite(steps[n][i])}
                                    onChange={(e) => set(n, { step: directions[n].step.map((p, k) => (k === i ? e.target.value : p)) })}
                                />
                            ))}
                        </Stack>
                    ))}
                    <FormControlLabel
                        sx={{ mt: 1 }}
                        control={<Checkbox size="small" checked={linked} onChange={(e) => setLinked(e.target.checked)} />}
                        label="Linked: what is changed on one holds for all"
                    />
                </form>
            </DialogContent>
            <DialogActions>
                <Button color="inherit" onClick={onClose}>
                    Cancel
                </Button>
                <Button type="submit" form="copies" variant="contained" disabled={!right}>
                    {right ? `Make ${counts[0] * counts[1] - 1} ${counts[0] * counts[1] === 2 ? 'copy' : 'copies'}` : 'Make copies'}
                </Button>
            </DialogActions>
        </Dialog>
    );
}
