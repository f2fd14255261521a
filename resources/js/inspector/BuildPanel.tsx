import Stack from '@mui/material/Stack';
import { useMaterials } from '../api/queries';
import type { ModelDocument } from '../model/document';
import { allMaterials } from '../model/materials';
import { questionOf, questions, withQuestion } from '../model/question';
import { boxOf, gravities, gravityOf, surroundingsOf, withGravity, withSpace, withSurroundings, worstCases } from '../model/space';
import { usePreferences } from '../state/screen';
import { lengthUnit, typed, typedTemperatureUnit } from '../units/units';
import { TimedField } from '../time/TimedField';
import { Chapter } from './Chapter';
import { ChoiceField } from './ChoiceField';
import { EditField } from './EditField';
import { Panel, type StageProps } from './Panel';
import { FitSpace } from './FitSpace';
import { ParameterFields } from './ParameterFields';

/** The question, the space around the product and the surroundings: what the Build stage shows while no part is selected. */
export function BuildPanel({ revision, editor, mayEdit }: StageProps) {
    const units = usePreferences((s) => s.units);
    const materials = useMaterials();
    const document = revision.document as ModelDocument;
    const box = boxOf(document);
    const surroundings = surroundingsOf(document);
    const worstCase =
        Object.keys(worstCases).find(
            (name) => worstCases[name]!.temperature === surroundings.temperature && worstCases[name]!.altitude === (surroundings.altitude ?? '0 m'),
        ) ?? 'As given';
    const length = lengthUnit(units);
    const fluids: Record<string, string> = {
        none: 'No fluid (convection coefficients)',
        ...Object.fromEntries(
            allMaterials(document, materials.data ?? [])
                .filter((m) => m.fluid)
                .map((m) => [m.id, m.title]),
        ),
    };
    const fluid = (document.space as { fluid?: string | null } | undefined)?.fluid ?? 'none';
    const corner = (end: 'min' | 'max', n: number) => (
        <EditField
            key={end}
            label={`${'xyz'[n]} ${end === 'min' ? 'from' : 'to'}`}
            value={String(box[end][n])}
            disabled={!mayEdit}
            save={(text) =>
                editor.edit(`Space: ${'xyz'[n]} ${end === 'min' ? 'from' : 'to'} ${typed(text, length)}`, (d) =>
                    withSpace(d, { box: { ...boxOf(d), [end]: boxOf(d)[end].map((old, i) => (i === n ? typed(text, length) : old)) } }),
                )
            }
        />
    );
    return (
        <Panel label="Project" title="Question and space" note="What is asked, the room around the product, and what is outside">
            <ChoiceField
                label="Question"
                value={questionOf(document)}
                choices={questions}
                disabled={!mayEdit}
                save={(choice) => editor.edit(`Question: ${questions[choice].toLowerCase()}`, (d) => withQuestion(d, choice))}
            />
            <Chapter title="Space" fields>
                {[0, 1, 2].map((n) => (
                    <Stack key={n} direction="row" sx={{ gap: 1 }}>
                        {corner('min', n)}
                        {corner('max', n)}
                    </Stack>
                ))}
                <FitSpace variant={revision.variant.id} outline={revision.outline} editor={editor} disabled={!mayEdit} />
                <ChoiceField
                    label="Filled with"
                    value={fluid in fluids ? fluid : 'own'}
                    choices={fluid in fluids ? fluids : { ...fluids, own: fluid }}
                    disabled={!mayEdit}
                    save={(id) =>
                        editor.edit(`Space filled with ${fluids[id] ?? id}`, (d) => withSpace(d, { fluid: id === 'none' ? null : id === 'own' ? fluid : id }))
                    }
                />
            </Chapter>
            <ParameterFields document={document} editor={editor} mayEdit={mayEdit} />
            <Chapter title="Surroundings, worst case" fields>
                <ChoiceField
                    label="Worst case"
                    value={worstCase}
                    choices={Object.fromEntries(['As given', ...Object.keys(worstCases)].map((name) => [name, name]))}
                    disabled={!mayEdit}
                    save={(name) =>
                        name in worstCases ? editor.edit(`Worst case: ${name}`, (d) => withSurroundings(d, worstCases[name]!)) : Promise.resolve()
                    }
                />
                <TimedField
                    label="Ambient temperature"
                    name="Surroundings"
                    value={surroundings.temperature}
                    unit={typedTemperatureUnit(units)}
                    hint="20 degC"
                    disabled={!mayEdit}
                    save={(text, load) => editor.edit(`Ambient ${text}`, (d) => withSurroundings(d, { temperature: load }))}
                />
                <EditField
                    label="Altitude"
                    value={String(surroundings.altitude ?? '')}
                    hint="0 m"
                    disabled={!mayEdit}
                    save={(text) => editor.edit(`Altitude ${typed(text, 'm')}`, (d) => withSurroundings(d, { altitude: typed(text, 'm') }))}
                />
                <ChoiceField
                    label="Gravity"
                    value={gravityOf(document)}
                    choices={gravities}
                    disabled={!mayEdit}
                    save={(gravity) => editor.edit(`Gravity: ${gravities[gravity].toLowerCase()}`, (d) => withGravity(d, gravity))}
                />
                {gravityOf(document) === 'own' && (
                    <Stack direction="row" sx={{ gap: 1 }}>
                        {['x', 'y', 'z'].map((axis, n) => (
                            <EditField
                                key={axis}
                                label={`Gravity ${axis}`}
                                value={String(surroundings.gravity?.[n] ?? 0)}
                                disabled={!mayEdit}
                                save={(text) =>
                                    editor.edit(`Gravity ${axis} ${typed(text, 'm/s^2')}`, (d) =>
                                        withSurroundings(d, {
                                            gravity: [0, 1, 2].map((i) => (i === n ? typed(text, 'm/s^2') : (surroundingsOf(d).gravity?.[i] ?? 0))),
                                        }),
                                    )
                                }
                            />
                        ))}
                    </Stack>
                )}
            </Chapter>
        </Panel>
    );
}
