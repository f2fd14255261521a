import { useMemo } from 'react';
import type { OutlinePart } from '../api/types';
import { isLocked, partEntry, type ModelDocument } from '../model/document';
import { dragFace, dragSide, moveParts, turnGravity, turnSun } from '../model/partCommands';
import { draggableFaces } from '../model/resize';
import { sunChoiceOf, sunOf } from '../model/space';
import type { ModelEditor } from '../model/useModelEditor';
import type { Drags } from '../view/View';
import { useLatest } from '../state/hooks';

/** What may be dragged in the view, always the same object: the view is drawn anew only when what it shows changes. */
export function useDrags(editor: ModelEditor): Drags {
    const present = useLatest(editor);
    return useMemo(() => {
        const document = () => (present().revision?.document ?? {}) as ModelDocument;
        return {
            mayMove: (part: OutlinePart) => !isLocked(document(), part.id),
            faces: (part: OutlinePart) => {
                const entry = partEntry(document(), part.id);
                return entry ? draggableFaces(entry, part.axes) : [];
            },
            move: (ids, by) => moveParts(present(), ids, by),
            face: (part, face, by) => dragFace(present(), part, face, by),
            side: (side, by) => dragSide(present(), side, by),
            gravity: (gravity) => turnGravity(present(), gravity),
            sun: (direction) => turnSun(present(), direction),
            maySun: () => sunChoiceOf(sunOf(document())) === 'direction',
        };
    }, [present]);
}
