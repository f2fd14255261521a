import Add from '@mui/icons-material/Add';
import Button from '@mui/material/Button';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useState } from 'react';
import { facesOf, faceNames, faceTitle, heatOfKind, withFaceHeat, type HeatEntry } from '../model/heat';
import { useScreen } from '../project/screenState';
import { Chapter } from './Chapter';
import { HeatFields } from './HeatFields';
import { editPart, type ShapeProps } from './ShapeField';

/** Heat conditions on the faces of a part; faces without one only conduct to what they touch. */
export function FaceFields(part: ShapeProps) {
    const [anchor, setAnchor] = useState<HTMLElement | null>(null);
    const faces = Object.entries(facesOf(part.entry)).filter(([, face]) => face.heat !== undefined);
    const free = faceNames(part.entry).filter((name) => !faces.some(([face]) => face === name));
    const clicked = useScreen((s) => s.face);
    const picked = clicked?.part === part.entry.id && free.includes(clicked.name) ? clicked.name : null;
    const set = (face: string, label: string, change: (heat: HeatEntry | undefined) => HeatEntry | undefined) => editPart(part, `${faceTitle(face).toLowerCase()}: ${label}`, (entry) => withFaceHeat(entry, face, change(facesOf(entry)[face]?.heat)));
    return (
        <Chapter title="Faces" fields>
            {faces.map(([face, { heat }]) => <HeatFields key={face} label={faceTitle(face)} entry={heat} contact units={part.units} disabled={part.disabled} save={(label, to) => set(face, label, to)} />)}
            {picked && <Button size="small" variant="outlined" disabled={part.disabled} onClick={() => void set(picked, 'film', () => heatOfKind('film')).catch(() => undefined)} sx={{ mb: 0.75 }}>Condition on the picked {faceTitle(picked).toLowerCase()}</Button>}
            <Button size="small" color="inherit" startIcon={<Add fontSize="small" />} disabled={part.disabled || free.length === 0} aria-haspopup="menu" onClick={(e) => setAnchor(e.currentTarget)}>Condition on a face</Button>
            <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)}>
                {free.map((face) => (
                    <MenuItem
                        key={face}
                        dense
                        onClick={() => {
                            setAnchor(null);
                            void set(face, 'film', () => heatOfKind('film')).catch(() => undefined);
                        }}
                    >
                        {faceTitle(face)}
                    </MenuItem>
                ))}
            </Menu>
        </Chapter>
    );
}
