import Stack from '@mui/material/Stack';
import { EditField } from '../inspector/EditField';
import { replaced } from '../inspector/ShapeField';
import type { Place } from '../model/document';
import { textOf } from '../model/text';
import { typed } from '../units/units';

interface Props {
    labels: readonly [string, string];
    pair: Place | undefined;
    /** Of a bare number. */
    unit: string;
    disabled: boolean;
    /** With what was changed, in words. */
    save: (label: string, pair: Place) => Promise<unknown>;
}

/** A place or size on a board, as two lengths side by side. */
export function PairFields({ labels, pair = [], unit, disabled, save }: Props) {
    return (
        <Stack direction="row" sx={{ gap: 1 }}>
            {labels.map((label, i) => (
                <EditField
                    key={label}
                    label={label}
                    value={textOf(pair[i])}
                    disabled={disabled}
                    save={(text) => save(`${label.toLowerCase()} ${typed(text, unit)}`, replaced(pair, i, typed(text, unit)))}
                />
            ))}
        </Stack>
    );
}
