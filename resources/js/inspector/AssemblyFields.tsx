import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Tooltip from '@mui/material/Tooltip';
import type { Outline } from '../api/types';
import { assemblyOf, standsStraight, withAssembly, withAssemblyName, withAxes, withIndependentAssemblies, withoutAxes } from '../model/assemblies';
import type { ModelDocument } from '../model/document';
import { quietly } from '../model/partCommands';
import { orNone } from '../model/repeat';
import type { ModelEditor } from '../model/useModelEditor';
import type { UnitSet } from '../units/units';
import { Chapter } from './Chapter';
import { EditField } from './EditField';
import { DirectionRows } from './RepeatFields';
import { PlaceRow, replaced, TurnRow, turnedBy } from './ShapeField';

interface Props {
    name: string;
    document: ModelDocument;
    outline: Outline;
    editor: ModelEditor;
    units: UnitSet;
    disabled: boolean;
}

/** An assembly as a whole: its name, and the axes in which the places of its parts are written, once it has its own. */
export function AssemblyFields({ name, document, outline, editor, units, disabled }: Props) {
    const assembly = assemblyOf(document, name);
    const edit = (label: string, change: (d: ModelDocument) => ModelDocument) => editor.edit(`${name}: ${label}`, change);
    const present = (d: ModelDocument) => assemblyOf(d, name) ?? {};
    return (
        <Chapter title="The assembly as a whole" fields>
            <EditField
                label="Name of the assembly"
                value={name}
                disabled={disabled}
                save={(to) => (to && to !== name ? edit(`renamed to ${to}`, (d) => withAssemblyName(d, name, to)) : Promise.resolve())}
            />
            {assembly ? (
                <>
                    <PlaceRow
                        at={assembly.at ?? [0, 0, 0]}
                        units={units}
                        disabled={disabled}
                        save={(n, length) =>
                            edit(`${'xyz'[n]} at ${length}`, (d) => withAssembly(d, name, { at: replaced(present(d).at ?? [0, 0, 0], n, length) }))
                        }
                    />
                    <TurnRow
                        turn={assembly.turn}
                        disabled={disabled}
                        save={(n, angle) =>
                            edit(`turned by ${angle || '0 deg'} about ${'xyz'[n]}`, (d) => withAssembly(d, name, { turn: turnedBy(present(d).turn, n, angle) }))
                        }
                    />
                    <DirectionRows
                        directions={assembly.repeat ?? []}
                        units={units}
                        disabled={disabled}
                        set={(label, to) => edit(label, (d) => withAssembly(d, name, { repeat: orNone(to(present(d).repeat ?? [])) }))}
                        makeIndependent={() => quietly(edit('copies made independent', (d) => withIndependentAssemblies(d, outline, name)))}
                    />
                    <Tooltip describeChild title={standsStraight(assembly) ? '' : 'Only where it is not turned and stands once'}>
                        <Stack component="span" direction="row">
                            <Button
                                size="small"
                                color="inherit"
                                disabled={disabled || !standsStraight(assembly)}
                                onClick={() => quietly(edit('axes of the space again', (d) => withoutAxes(d, outline, name)))}
                            >
                                Back to the axes of the space
                            </Button>
                        </Stack>
                    </Tooltip>
                </>
            ) : (
                <Tooltip describeChild title="Move, turn and repeat the assembly as a whole; nothing moves by this">
                    <Button
                        size="small"
                        color="inherit"
                        disabled={disabled}
                        sx={{ alignSelf: 'start' }}
                        onClick={() => quietly(edit('axes of its own', (d) => withAxes(d, outline, name)))}
                    >
                        Give it axes of its own
                    </Button>
                </Tooltip>
            )}
        </Chapter>
    );
}
