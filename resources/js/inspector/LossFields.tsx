import { kindOfLosses, lossChoices, lossesOf, lossesOfKind, tableFrom, tableText, terminalsOfModel, type LossesEntry, type LossKind } from '../model/losses';
import { partEntry, withPartFields, type ModelDocument } from '../model/document';
import { Chapter } from './Chapter';
import { ChoiceField } from './ChoiceField';
import { EditField } from './EditField';
import type { ShapeProps } from './ShapeField';

/** Watts of a part that follow its temperature, or a current. */
export function LossFields({ document, ...part }: ShapeProps & { document: ModelDocument }) {
    const losses = lossesOf(part.entry);
    const kind: string = kindOfLosses(part.entry);
    const set = (label: string, change: (d: ModelDocument) => LossesEntry | undefined): Promise<unknown> =>
        part.editor.edit(`${part.name}: ${label}`, (d) => (partEntry(d, part.entry.id) ? withPartFields(d, [part.entry.id], { losses: change(d) }) : d));
    return (
        <Chapter title="Losses" fields>
            <ChoiceField
                label="Beside the watts"
                value={kind}
                choices={lossChoices(document)}
                disabled={part.disabled}
                save={(chosen) => set(`losses ${lossChoices(document)[chosen]!.toLowerCase()}`, (d) => lossesOfKind(chosen as LossKind, d))}
            />
            {losses && (
                <EditField
                    label={kind === 'current' ? 'Amperes: watts' : 'Temperature: watts'}
                    value={tableText(losses.table)}
                    disabled={part.disabled}
                    save={(text) => set('table of losses', () => ({ ...losses, table: tableFrom(text, kind === 'current' ? 'A' : 'degC') }))}
                />
            )}
            {losses?.of && (
                <ChoiceField
                    label="Current at"
                    value={`${losses.of.part} ${losses.of.face}`}
                    choices={terminalsOfModel(document)}
                    disabled={part.disabled}
                    save={(chosen) => {
                        const [id, face] = chosen.split(' ') as [string, string];
                        return set('current of losses', () => ({ ...losses, of: { part: id, face } }));
                    }}
                />
            )}
        </Chapter>
    );
}
