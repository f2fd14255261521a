import Box from '@mui/material/Box';
import Chip from '@mui/material/Chip';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { facesOf, faceNames, faceTitle, heatOfKind, isLeftOut, withFaceHeat, withFaceLeftOut, type HeatEntry } from '../model/heat';
import { Chapter } from './Chapter';
import { FacePicker } from './FacePicker';
import { HeatFields } from './HeatFields';
import { editPart, type ShapeProps } from './ShapeField';

/** Heat conditions on the faces of a part; faces without one only conduct to what they touch. */
export function FaceFields(part: ShapeProps) {
    const faces = Object.entries(facesOf(part.entry)).filter(([, face]) => face.heat !== undefined);
    const free = faceNames(part.entry).filter((name) => !faces.some(([face]) => face === name));
    const bare = faces.some(([face]) => face === 'bare');
    const leftOut = faces.filter(([, { heat }]) => isLeftOut(heat)).map(([face]) => face);
    const leave = (face: string, out: boolean) =>
        void editPart(
            part,
            out ? `all bare faces except its ${faceTitle(face).toLowerCase()}` : `its ${faceTitle(face).toLowerCase()} among all bare ones again`,
            (entry) => withFaceLeftOut(entry, face, out),
        ).catch(() => undefined);
    const set = (face: string, label: string, change: (heat: HeatEntry | undefined) => HeatEntry | undefined) =>
        editPart(part, `${faceTitle(face).toLowerCase()}: ${label}`, (entry) => withFaceHeat(entry, face, change(facesOf(entry)[face]?.heat)));
    return (
        <Chapter title="Faces" fields>
            {faces
                .filter(([face]) => !leftOut.includes(face))
                .map(([face, { heat }]) => (
                    <HeatFields
                        key={face}
                        label={faceTitle(face)}
                        entry={heat}
                        contact
                        units={part.units}
                        disabled={part.disabled}
                        save={(label, to) => set(face, label, to)}
                    />
                ))}
            {(bare || leftOut.length > 0) && (
                <Box sx={{ mb: 1 }}>
                    <Typography variant="body2" color="text.secondary">
                        All bare faces except
                    </Typography>
                    <Stack direction="row" sx={{ flexWrap: 'wrap', gap: 0.5, mt: 0.5 }}>
                        {[...leftOut, ...free]
                            .filter((face) => face !== 'bare')
                            .sort()
                            .map((face) => (
                                <Chip
                                    key={face}
                                    size="small"
                                    label={face}
                                    variant={leftOut.includes(face) ? 'filled' : 'outlined'}
                                    aria-pressed={leftOut.includes(face)}
                                    disabled={part.disabled}
                                    onClick={() => leave(face, !leftOut.includes(face))}
                                />
                            ))}
                    </Stack>
                </Box>
            )}
            <FacePicker
                part={part.entry.id}
                what="Condition"
                preposition="on"
                free={free}
                disabled={part.disabled}
                add={(face) => void set(face, 'film', () => heatOfKind('film')).catch(() => undefined)}
            />
        </Chapter>
    );
}
