import Add from '@mui/icons-material/Add';
import Button from '@mui/material/Button';
import {
    nextTerminal,
    terminalFaces,
    terminalKinds,
    terminalOfKind,
    terminalsOf,
    terminalValues,
    withRectangle,
    withTerminal,
    type TerminalEntry,
} from '../model/current';
import { partEntry, withPartFields } from '../model/document';
import { faceTitle } from '../model/heat';
import { quietly } from '../model/partCommands';
import { across } from '../model/parts';
import { sideNames, withCurrents } from '../model/space';
import { lengthUnit } from '../units/units';
import { Chapter } from './Chapter';
import { ChoiceField } from './ChoiceField';
import { TimedField } from '../time/TimedField';
import { FacePicker } from './FacePicker';
import { RectangleFields } from './RectangleFields';
import { Removable } from './Removable';
import { editPart, replaced, type ShapeProps } from './ShapeField';
import { SwitchField } from './SwitchField';

/** The axes of a flat face. */
const axesOf: Readonly<Record<string, readonly string[]>> = Object.fromEntries(sideNames.map((side) => [side, across[side[0]!]!]));

/** Whether a terminal takes all of its face or a rectangle, and which. */
function PlaceOnFace({
    terminal,
    face,
    part,
    save,
}: {
    terminal: TerminalEntry;
    face: string;
    part: ShapeProps;
    save: (label: string, terminal: TerminalEntry) => Promise<unknown>;
}) {
    const { min, max } = terminal;
    return (
        <>
            <SwitchField
                label="On a rectangle, from the lower corner of the part"
                on={min !== undefined}
                below={0.5}
                disabled={part.disabled}
                save={(on) => save(on ? 'on a rectangle' : 'on the whole face', withRectangle(terminal, on))}
            />
            {min && max && (
                <RectangleFields
                    names={axesOf[face]!}
                    value={(end, n) => String(terminal[end]![n])}
                    unit={lengthUnit(part.units)}
                    disabled={part.disabled}
                    save={(label, end, n, text) => save(label, { ...terminal, [end]: replaced(terminal[end]!, n, text) })}
                />
            )}
        </>
    );
}

/** Faces by which current enters a part or leaves it, and what it meets there. The first one lets currents be computed. */
export function TerminalFields(part: ShapeProps) {
    const set = (face: string, n: number, label: string, terminal: TerminalEntry | undefined) =>
        editPart(part, `${faceTitle(face).toLowerCase()}: ${label}`, (entry) => withTerminal(entry, face, terminal, n));
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
            {terminalsOf(part.entry).map(([face, terminal, n]) => {
                const kind = terminal.kind ?? 'ground';
                return (
                    <Removable
                        key={`${face} ${n}`}
                        label={`Current at ${faceTitle(face).toLowerCase()}${n > 0 ? `, ${n + 1}` : ''}`}
                        disabled={part.disabled}
                        remove={() => quietly(set(face, n, 'no current', undefined))}
                    >
                        <ChoiceField
                            label={faceTitle(face)}
                            value={kind}
                            choices={terminalKinds}
                            disabled={part.disabled}
                            save={(chosen) =>
                                set(face, n, terminalKinds[chosen].toLowerCase(), {
                                    ...terminalOfKind(chosen),
                                    ...(terminal.min && terminal.max && chosen !== 'contact' ? { min: terminal.min, max: terminal.max } : {}),
                                })
                            }
                        />
                        {terminalValues[kind].map(([field, label, unit]) => (
                            <TimedField
                                key={field}
                                label={label}
                                name={faceTitle(face)}
                                value={terminal[field]}
                                unit={unit}
                                disabled={part.disabled}
                                save={(text, load) => set(face, n, `${label.toLowerCase()} ${text}`, { ...terminal, [field]: load ?? '' })}
                            />
                        ))}
                        {face in axesOf && kind !== 'contact' && (
                            <PlaceOnFace terminal={terminal} face={face} part={part} save={(label, to) => set(face, n, label, to)} />
                        )}
                        {terminal.min && (
                            <Button
                                size="small"
                                color="inherit"
                                startIcon={<Add fontSize="small" />}
                                disabled={part.disabled}
                                onClick={() => quietly(set(face, Infinity, 'another rectangle', withRectangle(terminalOfKind(kind), true)))}
                            >
                                Rectangle of this face
                            </Button>
                        )}
                    </Removable>
                );
            })}
            <FacePicker part={part.entry.id} what="Current" preposition="at" free={terminalFaces(part.entry)} disabled={part.disabled} add={add} />
        </Chapter>
    );
}
