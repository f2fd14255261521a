import { withPartFields } from '../model/document';
import { networkOf } from '../model/junction';
import { tableFrom, tableText } from '../model/losses';
import { Chapter } from './Chapter';
import { EditField } from './EditField';
import type { ShapeProps } from './ShapeField';

/** The thermal impedance from a part to a junction in it that is not modelled, as a data sheet gives it. */
export function JunctionField({ entry, name, editor, disabled }: ShapeProps) {
    return (
        <Chapter title="Junction in it" fields>
            <EditField
                label="Foster network, K/W: s"
                value={tableText(networkOf(entry))}
                hint="none; such as 0.1: 0.02; 0.3: 1"
                disabled={disabled}
                save={(text) =>
                    editor.edit(`${name}: network of the junction ${text || 'none'}`, (d) =>
                        withPartFields(d, [entry.id], { junction: text === '' ? undefined : { network: tableFrom(text, 'K/W', 's') } }),
                    )
                }
            />
        </Chapter>
    );
}
