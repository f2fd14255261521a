import Button from '@mui/material/Button';
import { useState } from 'react';
import type { OutlinePart } from '../api/types';
import { shareKinds, withSharedWatts, type ShareKind } from '../model/arrange';
import type { ModelEditor } from '../model/useModelEditor';
import { typed } from '../units/units';
import { Chapter } from './Chapter';
import { ChoiceField } from './ChoiceField';
import { EditField } from './EditField';

/** One total of watts over the selected parts; it stays one number, as a parameter of the model. */
export function ShareWatts({ parts, editor }: { parts: OutlinePart[]; editor: ModelEditor }) {
    const [total, setTotal] = useState('');
    const [kind, setKind] = useState<ShareKind>('volume');
    const share = () =>
        void editor
            .edit(`${typed(total, 'W')} over ${parts.length} parts`, (d) => withSharedWatts(d, parts, typed(total, 'W'), kind))
            .then(() => setTotal(''))
            .catch(() => undefined);
    return (
        <Chapter title="One total over all of them" fields>
            <EditField label="Total" value={total} hint="3 W" disabled={false} save={(text) => Promise.resolve(setTotal(text))} />
            <ChoiceField label="Shared" value={kind} choices={shareKinds} disabled={false} save={(choice) => Promise.resolve(setKind(choice))} />
            <Button size="small" variant="outlined" disabled={total === ''} onClick={share}>
                Distribute
            </Button>
        </Chapter>
    );
}
