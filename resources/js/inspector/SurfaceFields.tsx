import Typography from '@mui/material/Typography';
import type { PartEntry } from '../model/document';
import { emissivityOf, finishes, finishOf, withEmissivity, withFinish, type Finish } from '../model/finishes';
import type { ModelEditor } from '../model/useModelEditor';
import { Chapter } from './Chapter';
import { ChoiceField } from './ChoiceField';
import { EditField } from './EditField';

interface Props {
    entry: PartEntry;
    ids: readonly string[];
    name: string;
    editor: ModelEditor;
    disabled: boolean;
    /** Whether radiation is computed. */
    radiates: boolean;
}

const choices = Object.fromEntries(
    (Object.keys(finishes) as Finish[]).map((finish) => [
        finish,
        finishes[finish][1] === null || finish === 'own' ? finishes[finish][0] : `${finishes[finish][0]}, ${finishes[finish][1]}`,
    ]),
) as Record<Finish, string>;

/** The finish of the selected parts. */
export function SurfaceFields({ entry, ids, name, editor, disabled, radiates }: Props) {
    const finish = finishOf(entry);
    return (
        <Chapter title="Surface" fields>
            <ChoiceField
                label="Finish and emissivity"
                value={finish}
                choices={choices}
                disabled={disabled}
                save={(chosen) => editor.edit(`${name}: ${finishes[chosen][0].toLowerCase()}`, (d) => withFinish(d, ids, chosen))}
            />
            {finish === 'own' && (
                <EditField
                    label="Emissivity"
                    value={emissivityOf(entry)}
                    disabled={disabled}
                    save={(text) => editor.edit(`${name}: emissivity ${text}`, (d) => withEmissivity(d, ids, text))}
                />
            )}
            {!radiates && (
                <Typography variant="body2" color="text.secondary">
                    Kept with the model. Radiation is not computed; it is chosen in the panel of the space.
                </Typography>
            )}
        </Chapter>
    );
}
