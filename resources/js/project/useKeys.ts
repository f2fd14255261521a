import { useEffect } from 'react';
import type { ModelEditor } from '../model/useModelEditor';
import { duplicateParts, removeParts } from '../model/partCommands';
import { stages, useScreen } from './screenState';

const isTyping = (target: EventTarget | null): boolean =>
    target instanceof HTMLElement && (target.isContentEditable || ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName));

/** The keys that KeysDialog lists. */
export function useKeys(editor: ModelEditor, mayEdit: boolean, showKeys: () => void, showPalette: () => void): void {
    useEffect(() => {
        const onKey = (event: KeyboardEvent) => {
            if (isTyping(event.target)) return;
            const { set, selection, toggleHidden } = useScreen.getState();
            const key = event.key.toLowerCase();
            if (event.ctrlKey || event.metaKey) {
                if (key === 'z') (event.shiftKey ? editor.redo : editor.undo)();
                else if (key === 'y') editor.redo();
                else if (key === 'k') showPalette();
                else if (key === 'd' && mayEdit && selection.length > 0) duplicateParts(editor, selection);
                else return;
            } else if (/^[1-5]$/.test(key)) set({ stage: stages[Number(key) - 1] });
            else if (key === 'delete' && mayEdit && selection.length > 0) removeParts(editor, selection);
            else if (key === 'h' && selection.length > 0) toggleHidden(selection);
            else if (key === 'm') set({ measuring: !useScreen.getState().measuring, probing: false });
            else if (key === 'escape') set({ selection: [], probing: false, measuring: false });
            else if (key === '?') showKeys();
            else return;
            event.preventDefault();
        };
        window.addEventListener('keydown', onKey);
        return () => window.removeEventListener('keydown', onKey);
    }, [editor, mayEdit, showKeys, showPalette]);
}
