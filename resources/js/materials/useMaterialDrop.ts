import type { DragEvent } from 'react';
import type { Outline } from '../api/types';
import { ownName, withPartFields } from '../model/document';
import { hasOwnMaterial, isDevice } from '../model/partKinds';
import type { ModelEditor } from '../model/useModelEditor';

/** Kind of the data that a dragged material carries: its id. */
export const CARRIED_MATERIAL = 'application/x-foehn-material';

/** Handlers of a place where a material may be dropped, which finds the part under the pointer. */
export function useMaterialDrop(editor: ModelEditor, outline: Outline | undefined, mayEdit: boolean, partUnder: (event: DragEvent) => string | null) {
    return {
        onDragOver: (event: DragEvent) => {
            if (mayEdit && event.dataTransfer.types.includes(CARRIED_MATERIAL)) event.preventDefault();
        },
        onDrop: (event: DragEvent) => {
            const material = event.dataTransfer.getData(CARRIED_MATERIAL);
            const part = outline?.parts.find((p) => p.id === partUnder(event));
            if (!mayEdit || !material || !part || hasOwnMaterial(part.kind) || isDevice(part.kind)) return;
            event.preventDefault();
            void editor.edit(`${ownName(part)}: material ${material}`, (d) => withPartFields(d, [part.id], { material })).catch(() => undefined);
        },
    };
}
