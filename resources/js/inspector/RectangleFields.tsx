import Stack from '@mui/material/Stack';
import { typed } from '../units/units';
import { EditField } from './EditField';

interface Props {
    /** The two axes along it. */
    names: readonly string[];
    value: (end: 'min' | 'max', n: 0 | 1) => string;
    hint?: string;
    /** What a bare number means. */
    unit: string;
    gap?: number;
    disabled: boolean;
    save: (label: string, end: 'min' | 'max', n: 0 | 1, text: string) => Promise<unknown>;
}

/** From where to where a rectangle reaches along its two axes. */
export function RectangleFields({ names, value, hint, unit, gap = 0.5, disabled, save }: Props) {
    return ([0, 1] as const).map((n) => (
        <Stack key={n} direction="row" sx={{ gap }}>
            {(['min', 'max'] as const).map((end) => {
                const label = `${names[n]} ${end === 'min' ? 'from' : 'to'}`;
                return (
                    <EditField
                        key={end}
                        label={label}
                        value={value(end, n)}
                        {...(hint === undefined ? {} : { hint })}
                        disabled={disabled}
                        save={(text) => save(`${label} ${typed(text, unit)}`, end, n, typed(text, unit))}
                    />
                );
            })}
        </Stack>
    ));
}
