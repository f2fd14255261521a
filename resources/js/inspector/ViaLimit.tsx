import Stack from '@mui/material/Stack';
import type { LimitEntry, Place } from '../model/document';
import { lengthUnit, typed, type UnitSet } from '../units/units';
import { EditField } from './EditField';

interface Props {
    limit: LimitEntry;
    units: UnitSet;
    disabled: boolean;
    save: (label: string, vias: Place[]) => Promise<unknown>;
}

/** What vias may carry: the current for one size of their holes, or for two, between which it goes by the section of the barrel. */
export function ViaLimit({ limit, units, disabled, save }: Props) {
    const given = (limit.vias as Place[] | undefined) ?? [];
    const rows = [given[0] ?? ['0.3 mm', '2 A'], given[1] ?? ['', '']];
    const set = (row: number, column: number, text: string) => {
        const [first, other] = rows.map((pair, n) => (n === row ? pair.map((old, i) => (i === column ? text : old)) : pair));
        // Of another size both fields are there or neither is: one that is filled in brings the other along.
        const filled = row === 1 && text === '' ? [] : [other![0] === '' ? '0.6 mm' : other![0]!, other![1] === '' ? '4 A' : other![1]!];
        return save(`current per via ${text || 'of one size'}`, [first!, ...(filled.length > 0 && (row === 1 || given.length > 1) ? [filled] : [])]);
    };
    return (
        <>
            {rows.map((pair, row) => (
                <Stack key={row} direction="row" sx={{ gap: 1 }}>
                    <EditField
                        label={row === 0 ? 'Hole' : '2nd hole'}
                        value={String(pair[0])}
                        hint={row === 0 ? undefined : 'none'}
                        disabled={disabled}
                        save={(text) => set(row, 0, text === '' ? '' : typed(text, lengthUnit(units)))}
                    />
                    <EditField
                        label={row === 0 ? 'May carry' : '2nd carries'}
                        value={String(pair[1])}
                        hint={row === 0 ? undefined : 'none'}
                        disabled={disabled}
                        save={(text) => set(row, 1, text === '' ? '' : typed(text, 'A'))}
                    />
                </Stack>
            ))}
        </>
    );
}
