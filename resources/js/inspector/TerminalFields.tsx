import Add from '@mui/icons-material/Add';
import DeleteOutlined from '@mui/icons-material/DeleteOutlined';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import { useState } from 'react';
import { nextTerminal, terminalFaces, terminalKinds, terminalOfKind, terminalsOf, terminalValues, withCurrents, withTerminal, type TerminalEntry } from '../model/current';
import { partEntry, withPartFields } from '../model/document';
import { faceTitle } from '../model/heat';
import { useScreen } from '../project/screenState';
import { typed } from '../units/units';
import { Chapter } from './Chapter';
import { ChoiceField } from './ChoiceField';
import { EditField } from './EditField';
import { editPart, type ShapeProps } from './ShapeField';

/** Faces by which current enters a part or leaves it. The first one lets currents be computed. */
export function TerminalFields(part: ShapeProps) {
    const [anchor, setAnchor] = useState<HTMLElement | null>(null);
    const free = terminalFaces(part.entry);
    const clicked = useScreen((s) => s.face);
    const picked = clicked?.part === part.entry.id && free.includes(clicked.name) ? clicked.name : null;
    const set = (face: string, label: string, terminal: TerminalEntry | undefined) => editPart(part, `${faceTitle(face).toLowerCase()}: ${label}`, (entry) => withTerminal(entry, face, terminal));
    const add = (face: string) => {
        setAnchor(null);
        void part.editor
            .edit(`${part.name}: current at ${faceTitle(face).toLowerCase()}`, (d) => {
                const entry = partEntry(d, part.entry.id);
                return entry ? withCurrents(withPartFields(d, [entry.id], withTerminal(entry, face, nextTerminal(d))), true) : d;
            })
            .catch(() => undefined);
    };
    return (
        <Chapter title="Current" fields>
            {terminalsOf(part.entry).map(([face, terminal]) => {
                const kind = terminal.kind ?? 'ground';
                return (
                    <Stack key={face} component="section" aria-label={`Current at ${faceTitle(face).toLowerCase()}`} direction="row" sx={{ gap: 0.5, alignItems: 'start', pl: 1.25, borderLeft: 2, borderColor: 'divider', mb: 1.25 }}>
                        <Box sx={{ flex: 1, minWidth: 0 }}>
                            <ChoiceField label={faceTitle(face)} value={kind} choices={terminalKinds} disabled={part.disabled} save={(chosen) => set(face, terminalKinds[chosen].toLowerCase(), terminalOfKind(chosen))} />
                            {terminalValues[kind].map(([field, label, unit]) => (
                                <EditField key={field} label={label} value={String(terminal[field] ?? '')} disabled={part.disabled} save={(text) => set(face, `${label.toLowerCase()} ${typed(text, unit)}`, { ...terminal, [field]: typed(text, unit) })} />
                            ))}
                        </Box>
                        <IconButton size="small" aria-label={`Remove current at ${faceTitle(face).toLowerCase()}`} disabled={part.disabled} onClick={() => void set(face, 'no current', undefined).catch(() => undefined)}><DeleteOutlined fontSize="small" /></IconButton>
                    </Stack>
                );
            })}
            {picked && <Button size="small" variant="outlined" disabled={part.disabled} onClick={() => add(picked)} sx={{ mb: 0.75 }}>Current at the picked {faceTitle(picked).toLowerCase()}</Button>}
            <Button size="small" color="inherit" startIcon={<Add fontSize="small" />} disabled={part.disabled || free.length === 0} aria-haspopup="menu" onClick={(e) => setAnchor(e.currentTarget)}>Current at a face</Button>
            <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)}>
                {free.map((face) => <MenuItem key={face} dense onClick={() => add(face)}>{faceTitle(face)}</MenuItem>)}
            </Menu>
        </Chapter>
    );
}
