import Typography from '@mui/material/Typography';
import { withPartFields, type PartEntry } from '../model/document';
import { surfaceOf, withSurface, type SurfaceEntry } from '../model/finishes';
import { faceNames, facesOf, faceTitle } from '../model/heat';
import type { Surface } from '../model/touch';
import type { ModelEditor } from '../model/useModelEditor';
import { useScreen } from '../state/screen';
import { Chapter } from './Chapter';
import { ChoiceField } from './ChoiceField';
import { FacePicker } from './FacePicker';
import { FinishFields } from './FinishFields';
import { SwitchField } from './SwitchField';

interface Props {
    entry: PartEntry;
    ids: readonly string[];
    name: string;
    editor: ModelEditor;
    disabled: boolean;
    /** Whether radiation is computed. */
    radiates: boolean;
}

/** Whose touch limits hold. */
const touchedAs: Readonly<Record<Surface | 'material', string>> = {
    material: 'As its material',
    metal: 'Metal',
    glass: 'Glass or ceramic',
    plastic: 'Plastic',
};

/** The finish of the selected parts, and of faces of a single one that have another. */
export function SurfaceFields({ entry, ids, name, editor, disabled, radiates }: Props) {
    const byFinish = useScreen((s) => s.byFinish);
    const set = useScreen((s) => s.set);
    const save = (face: string | null) => (what: string, surface: SurfaceEntry | undefined) =>
        editor.edit(`${name}${face === null ? '' : `, ${faceTitle(face).toLowerCase()}`}: ${what}`, (d) => withSurface(d, ids, face, surface));
    const faces = Object.keys(facesOf(entry)).filter((face) => surfaceOf(entry, face) !== undefined);
    return (
        <Chapter title="Surface" fields>
            <FinishFields label="Finish" surface={surfaceOf(entry)} otherwise="As its material" disabled={disabled} save={save(null)} />
            {ids.length === 1 &&
                faces.map((face) => (
                    <FinishFields
                        key={face}
                        label={`Finish of ${faceTitle(face).toLowerCase()}`}
                        surface={surfaceOf(entry, face)}
                        otherwise="As the part"
                        disabled={disabled}
                        save={save(face)}
                    />
                ))}
            {ids.length === 1 && (
                <FacePicker
                    part={entry.id}
                    what="Finish"
                    preposition="on"
                    free={faceNames(entry).filter((face) => face !== 'bare' && !faces.includes(face))}
                    disabled={disabled}
                    add={(face) => void save(face)('painted', { finish: 'painted-grey' }).catch(() => undefined)}
                />
            )}
            <ChoiceField
                label="Touched as"
                value={(entry.touchedAs as Surface | undefined) ?? 'material'}
                choices={touchedAs}
                disabled={disabled}
                save={(to) =>
                    editor.edit(`${name}: touched as ${touchedAs[to].toLowerCase()}`, (d) =>
                        withPartFields(d, ids, { touchedAs: to === 'material' ? undefined : to }),
                    )
                }
            />
            <SwitchField label="Colour the view by finish" on={byFinish} below={0.5} disabled={false} save={(on) => Promise.resolve(set({ byFinish: on }))} />
            {!radiates && (
                <Typography variant="body2" color="text.secondary">
                    Kept with the model. Radiation is not computed; it is chosen in the panel of the space.
                </Typography>
            )}
        </Chapter>
    );
}
