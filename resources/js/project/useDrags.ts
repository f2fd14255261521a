import { useMemo, useRef } from 'react';
import type { OutlinePart } from '../api/types';
import { isLocked, partEntry, type ModelDocument } from '../model/document';
import { dragFace, dragSide, moveParts, turnGravity } from '../model/partCommands';
import { draggableFaces } from '../model/resize';
import type { ModelEditor } from '../model/useModelEditor';
import type { Drags } from '../view/View';

/** What may be dragged in the view, always the same object: the view is drawn anew only when what it shows changes. */
export function useDrags(editor: ModelEditor): Drags {
    const present = useRef(editor);
    present.current = editor;
    return useMemo(() => {
        const document = () => (present.current.revision?.document ?? {}) as ModelDocument;
        return {
            mayMove: (part: OutlinePart) => !isLocked(document(), part.id),
            faces: (part: OutlinePart) => {
                const entry = partEntry(document(), part.id);
                return entry ? draggableFaces(entry, part.axes) : [];
            },
            move: (ids, by) => moveParts(present.current, ids, by),
            face: (part, face, by) => dragFace(present.current, part, face, by),
            side: (side, by) => dragSide(present.current, side, by),
            gravity: (gravity) => turnGravity(present.current, gravity),
        };
    }, []);
}
