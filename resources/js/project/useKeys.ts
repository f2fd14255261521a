import { useEffect } from 'react';
import type { ModelEditor } from '../model/useModelEditor';
import { stages, useScreen } from './screenState';

const isTyping = (target: EventTarget | null): boolean =>
    target instanceof HTMLElement && (target.isContentEditable || ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName));

/** 1-5 stages, Ctrl+Z and Ctrl+Shift+Z (or Ctrl+Y) undo and redo, H hides the selection, Esc clears it, ? lists the keys. */
export function useKeys(editor: ModelEditor, showKeys: () => void): void {
    useEffect(() => {
        const onKey = (event: KeyboardEvent) => {
            if (isTyping(event.target)) return;
            const { set, selection, toggleHidden } = useScreen.getState();
            const key = event.key.toLowerCase();
            if (event.ctrlKey || event.metaKey) {
                if (key === 'z') (event.shiftKey ? editor.redo : editor.undo)();
                else if (key === 'y') editor.redo();
                else return;
            } else if (/^[1-5]$/.test(key)) set({ stage: stages[Number(key) - 1] });
            else if (key === 'h' && selection.length > 0) toggleHidden(selection);
            else if (key === 'escape') set({ selection: [], probing: false });
            else if (key === '?') showKeys();
            else return;
            event.preventDefault();
        };
        window.addEventListener('keydown', onKey);
        return () => window.removeEventListener('keydown', onKey);
    }, [editor, showKeys]);
}
