import Add from '@mui/icons-material/Add';
import DeleteOutlined from '@mui/icons-material/DeleteOutlined';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import Stack from '@mui/material/Stack';
import type { ReactNode } from 'react';
import type { OutlinePart } from '../api/types';
import type { ModelDocument } from '../model/document';
import { limitsOfPart, watchesOfPart, whatOf, whatsOf, withEntry, withNewLimit, withNewWatch, withWhat } from '../model/targets';
import type { ModelEditor } from '../model/useModelEditor';
import { typed, typedTemperatureUnit, type UnitSet } from '../units/units';
import { Chapter } from './Chapter';
import { ChoiceField } from './ChoiceField';
import { EditField } from './EditField';

interface Props {
    part: OutlinePart;
    document: ModelDocument;
    editor: ModelEditor;
    units: UnitSet;
    disabled: boolean;
}

const bounds = { atMost: 'At most', atLeast: 'At least' } as const;

function Entry({ remove, label, disabled, children }: { remove: () => void; label: string; disabled: boolean; children: ReactNode }) {
    return (
        <Stack direction="row" component="section" aria-label={label} sx={{ gap: 0.5, alignItems: 'start', pl: 1.25, borderLeft: 2, borderColor: 'divider', mb: 1.25 }}>
            <Box sx={{ flex: 1, minWidth: 0 }}>{children}</Box>
            <IconButton size="small" aria-label={`Remove ${label.toLowerCase()}`} disabled={disabled} onClick={remove}><DeleteOutlined fontSize="small" /></IconButton>
        </Stack>
    );
}

/** The limits of a part: on its hottest place, a face, a node, the flow of a fan; with what is kept free for ageing and tolerances. */
export function LimitFields({ part, document, editor, units, disabled }: Props) {
    const whats = whatsOf(part.kind, false);
    const ofFlow = part.kind === 'fan';
    const [unit, free] = ofFlow ? ['l/s', 'l/s'] : [typedTemperatureUnit(units), 'K'];
    const save = (label: string, change: (d: ModelDocument) => ModelDocument) => editor.edit(`${part.name}: ${label}`, change);
    return (
        <Chapter title="Limits" fields>
            {limitsOfPart(document, part.id).map((limit, n) => {
                const bound = limit.atMost !== undefined ? 'atMost' : 'atLeast';
                return (
                    <Entry key={limit.id} label={`Limit ${n + 1}`} disabled={disabled} remove={() => void save('without a limit', (d) => withEntry(d, 'limits', limit.id, () => null)).catch(() => undefined)}>
                        <ChoiceField label="Of" value={whatOf(limit, part.kind)} choices={whats} disabled={disabled} save={(what) => save(`limit of ${whats[what]!.toLowerCase()}`, (d) => withEntry(d, 'limits', limit.id, (entry) => withWhat(entry, part, what)))} />
                        <Stack direction="row" sx={{ gap: 1 }}>
                            <Box sx={{ flex: '0 0 104px' }}><ChoiceField label="Bound" value={bound} choices={bounds} disabled={disabled} save={(kind) => save(bounds[kind].toLowerCase(), (d) => withEntry(d, 'limits', limit.id, ({ atMost, atLeast, ...entry }) => ({ ...entry, [kind]: atMost ?? atLeast })))} /></Box>
                            <EditField label={ofFlow ? 'Flow' : 'Temperature'} value={String(limit[bound] ?? '')} disabled={disabled} save={(text) => save(`limit ${typed(text, unit)}`, (d) => withEntry(d, 'limits', limit.id, (entry) => ({ ...entry, [bound]: typed(text, unit) })))} />
                        </Stack>
                        <EditField label="Kept free (derating)" value={String(limit.derating ?? '')} hint={`0 ${ofFlow ? unit : 'K'}`} disabled={disabled} save={(text) => save(text ? `${typed(text, free)} kept free` : 'nothing kept free', (d) => withEntry(d, 'limits', limit.id, ({ derating: _before, ...entry }) => (text ? { ...entry, derating: typed(text, free) } : entry)))} />
                    </Entry>
                );
            })}
            <Button size="small" color="inherit" startIcon={<Add fontSize="small" />} disabled={disabled} onClick={() => void save('another limit', (d) => withNewLimit(d, part, Object.keys(whats)[0]!, ofFlow ? '1 l/s' : '85 degC')).catch(() => undefined)}>Limit</Button>
        </Chapter>
    );
}

/** What is followed during a run and kept with it; every limit is followed anyway. */
export function WatchFields({ part, document, editor, disabled }: Props) {
    const whats = whatsOf(part.kind, true);
    const save = (label: string, change: (d: ModelDocument) => ModelDocument) => editor.edit(`${part.name}: ${label}`, change);
    return (
        <Chapter title="Watched besides" fields>
            {watchesOfPart(document, part.id).map((watch, n) => (
                <Entry key={watch.id} label={`Watch ${n + 1}`} disabled={disabled} remove={() => void save('without a watch', (d) => withEntry(d, 'watches', watch.id, () => null)).catch(() => undefined)}>
                    <ChoiceField label="What" value={whatOf(watch, part.kind)} choices={{ ...whats, ...(whatOf(watch, part.kind) in whats ? {} : { [whatOf(watch, part.kind)]: watch.name ?? watch.id }) }} disabled={disabled} save={(what) => save(`watch ${whats[what]?.toLowerCase() ?? what}`, (d) => withEntry(d, 'watches', watch.id, (entry) => withWhat(entry, part, what)))} />
                </Entry>
            ))}
            <Button size="small" color="inherit" startIcon={<Add fontSize="small" />} disabled={disabled} onClick={() => void save('another watch', (d) => withNewWatch(d, part, Object.keys(whats)[0]!)).catch(() => undefined)}>Watch</Button>
        </Chapter>
    );
}
