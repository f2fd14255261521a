import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import Stack from '@mui/material/Stack';
import { Chapter } from '../inspector/Chapter';
import { compact, EditField } from '../inspector/EditField';
import { Removable } from '../inspector/Removable';
import { editPart, replaced, type ShapeProps } from '../inspector/ShapeField';
import { copperOf, withViaGroup, type ViaGroup } from '../model/copper';
import { quietly } from '../model/partCommands';
import { lengthUnit, typed } from '../units/units';

interface Props {
    board: ShapeProps;
    /** From below. */
    layers: readonly string[];
}

/** Vias that were added to those of the drill files. */
export function ViaGroups({ board, layers }: Props) {
    const groups = copperOf(board.entry).vias ?? [];
    if (groups.length === 0) return null;
    return (
        <Chapter title="Added vias" fields>
            {groups.map((group, n) => (
                <Group key={n} board={board} layers={layers} group={group} n={n} />
            ))}
        </Chapter>
    );
}

function Group({ board, layers, group, n }: Props & { group: ViaGroup; n: number }) {
    const unit = lengthUnit(board.units);
    const title = `Vias ${n + 1}`;
    const set = (label: string, change: Partial<ViaGroup> | undefined) =>
        editPart(board, `${title.toLowerCase()}: ${label}`, (entry) => withViaGroup(entry, n, change && { ...group, ...change }));
    const length = (field: 'pitch' | 'drill' | 'clearance', label: string, hint?: string) => (
        <EditField
            label={label}
            hint={hint}
            value={String(group[field] ?? '')}
            disabled={board.disabled}
            save={(text) => set(`${label.toLowerCase()} ${typed(text, unit)}`, { [field]: text === '' ? undefined : typed(text, unit) })}
        />
    );
    const count = (field: 'columns' | 'rows', label: string) => (
        <EditField
            label={label}
            value={String(group[field] ?? 1)}
            disabled={board.disabled}
            save={(text) => set(`${text} ${label.toLowerCase()}`, { [field]: /^\d+$/.test(text) ? Number(text) : text })}
        />
    );
    return (
        <Removable label={title} disabled={board.disabled} remove={() => quietly(set('removed', undefined))}>
            <Stack direction="row" sx={compact}>
                {['Middle x', 'Middle y'].map((label, i) => (
                    <EditField
                        key={label}
                        label={label}
                        value={String(group.at[i] ?? '')}
                        disabled={board.disabled}
                        save={(text) => set(`${label.toLowerCase()} ${typed(text, unit)}`, { at: replaced(group.at, i, typed(text, unit)) })}
                    />
                ))}
                {length('drill', 'Drill')}
            </Stack>
            <Stack direction="row" sx={compact}>
                {count('columns', 'Columns')}
                {count('rows', 'Rows')}
                {length('pitch', 'Pitch', '3 drills')}
            </Stack>
            {length('clearance', 'Clearance to layers not joined', '0.25 mm')}
            <Stack direction="row" role="group" aria-label="Layers joined" sx={{ flexWrap: 'wrap' }}>
                {[...layers].reverse().map((layer) => (
                    <FormControlLabel
                        key={layer}
                        label={layer}
                        control={
                            <Checkbox
                                size="small"
                                checked={group.joins.includes(layer)}
                                disabled={board.disabled}
                                onChange={(event) =>
                                    quietly(
                                        set(event.target.checked ? `joins ${layer}` : `passes ${layer}`, {
                                            joins: layers.filter((one) => (one === layer ? event.target.checked : group.joins.includes(one))),
                                        }),
                                    )
                                }
                            />
                        }
                    />
                ))}
            </Stack>
        </Removable>
    );
}
