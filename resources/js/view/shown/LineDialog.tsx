import Close from '@mui/icons-material/Close';
import Box from '@mui/material/Box';
import Dialog from '@mui/material/Dialog';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import IconButton from '@mui/material/IconButton';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useMemo, useState } from 'react';
import { Lines, plain } from '../../charts/Lines';
import { usePreferences } from '../../state/screen';
import { lengthNumber, lengthUnit, size, typedLength } from '../../units/units';
import { fieldKinds, type FieldName } from '../fields/catalogue';
import type { Content } from '../layers/picture';
import { alongLine } from './alongLine';
import { Choice, NumberSetting } from './Setting';
import type { Triple } from './shown';

interface Props {
    picture: Content;
    from: Triple;
    to: Triple;
    onClose: () => void;
}

/** A field that is shown, over the way from one place to another; the ends can be typed. */
export function LineDialog({ picture, from, to, onClose }: Props) {
    const units = usePreferences((s) => s.units);
    const [ends, setEnds] = useState({ from, to });
    const names = [...picture.fields.keys()];
    const [chosen, setChosen] = useState<FieldName>('temperature');
    const name = names.includes(chosen) ? chosen : names[0]!;
    const kind = fieldKinds[name];
    const field = picture.fields.get(name)!;
    const points = useMemo(() => alongLine(field, ends.from, ends.to), [field, ends]);
    const move = (end: 'from' | 'to', axis: number, text: string): boolean => {
        const metres = typedLength(text, units);
        const line = field.lines[axis]!;
        const inside = Number.isFinite(metres) && metres >= line[0]! - 1e-9 && metres <= line.at(-1)! + 1e-9;
        if (inside) setEnds({ ...ends, [end]: ends[end].map((x, n) => (n === axis ? metres : x)) as Triple });
        return inside;
    };
    return (
        <Dialog open onClose={onClose} maxWidth="md" fullWidth>
            <DialogTitle sx={{ display: 'flex', alignItems: 'center', gap: 2, fontSize: 16, pb: 0.5 }}>
                <Box component="span" sx={{ fontWeight: 650, flex: 1 }}>
                    Along a line
                </Box>
                <IconButton size="small" aria-label="Close" onClick={onClose}>
                    <Close fontSize="small" />
                </IconButton>
            </DialogTitle>
            <DialogContent sx={{ fontSize: 13 }}>
                <Typography variant="body2" color="text.secondary">
                    From {size(ends.from, units)} to {size(ends.to, units)}
                </Typography>
                <Stack direction="row" sx={{ gap: 3, my: 1, flexWrap: 'wrap' }}>
                    <Box sx={{ width: 220 }}>
                        <Choice label="Field" value={name} options={names.map((one) => [one, fieldKinds[one].title] as const)} onChange={setChosen} />
                    </Box>
                    {(['from', 'to'] as const).map((end) => (
                        <Box key={end} sx={{ width: 200 }}>
                            {['x', 'y', 'z'].map((axis, n) => (
                                <NumberSetting
                                    key={`${axis} ${ends[end][n]}`}
                                    label={`${end === 'from' ? 'From' : 'To'} ${axis}`}
                                    text={plain(lengthNumber(ends[end][n]!, units))}
                                    unit={lengthUnit(units)}
                                    onEnter={(text) => move(end, n, text)}
                                />
                            ))}
                        </Box>
                    ))}
                </Stack>
                <Lines
                    label={`${kind.title} along a line`}
                    height={320}
                    x={{ title: lengthUnit(units), number: (at) => lengthNumber(at, units), format: plain, min: 0, max: points.at(-1)?.x ?? 0 }}
                    y={{ title: kind.unit(units), number: (value) => kind.number(value, units), format: plain }}
                    series={[{ name: kind.title, points: points.flatMap(({ x, y }) => (y === null ? [] : [{ x, y }])) }]}
                />
            </DialogContent>
        </Dialog>
    );
}
