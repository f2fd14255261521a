import { nextTerminal, terminalFaces, terminalKinds, terminalOfKind, terminalsOf, terminalValues, withTerminal, type TerminalEntry } from '../model/current';
import { partEntry, withPartFields } from '../model/document';
import { faceTitle } from '../model/heat';
import { quietly } from '../model/partCommands';
import { withCurrents } from '../model/space';
import { typed } from '../units/units';
import { Chapter } from './Chapter';
import { ChoiceField } from './ChoiceField';
import { EditField } from './EditField';
import { FacePicker } from './FacePicker';
import { Removable } from './Removable';
import { editPart, type ShapeProps } from './ShapeField';
import { textOf } from '../model/text';

/** Faces by which current enters a part or leaves it. The first one lets currents be computed. */
export function TerminalFields(part: ShapeProps) {
    const set = (face: string, label: string, terminal: TerminalEntry | undefined) =>
        editPart(part, `${faceTitle(face).toLowerCase()}: ${label}`, (entry) => withTerminal(entry, face, terminal));
    const add = (face: string) => {
        quietly(
            part.editor.edit(`${part.name}: current at ${faceTitle(face).toLowerCase()}`, (d) => {
                const entry = partEntry(d, part.entry.id);
                return entry ? withCurrents(withPartFields(d, [entry.id], withTerminal(entry, face, nextTerminal(d))), true) : d;
            }),
        );
    };
    return (
        <Chapter title="Current" fields>
            {terminalsOf(part.entry).map(([face, terminal]) => {
                const kind = terminal.kind ?? 'ground';
                return (
                    <Removable
                        key={face}
                        label={`Current at ${faceTitle(face).toLowerCase()}`}
                        disabled={part.disabled}
                        remove={() => quietly(set(face, 'no current', undefined))}
                    >
                        <ChoiceField
                            label={faceTitle(face)}
                            value={kind}
                            choices={terminalKinds}
                            disabled={part.disabled}
                            save={(chosen) => set(face, terminalKinds[chosen].toLowerCase(), terminalOfKind(chosen))}
                        />
                        {terminalValues[kind].map(([field, label, unit]) => (
                            <EditField
                                key={field}
                                label={label}
                                value={textOf(terminal[field])}
                                disabled={part.disabled}
                                save={(text) => set(face, `${label.toLowerCase()} ${typed(text, unit)}`, { ...terminal, [field]: typed(text, unit) })}
                            />
                        ))}
                    </Removable>
                );
            })}
            <FacePicker part={part.entry.id} what="Current" preposition="at" free={terminalFaces(part.entry)} disabled={part.disabled} add={add} />
        </Chapter>
    );
}
