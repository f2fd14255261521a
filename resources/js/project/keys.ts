import type { ModelEditor } from '../model/useModelEditor';
import { duplicateParts, removeParts } from '../model/partCommands';
import { stages, useScreen } from '../state/screen';
import { fit } from '../view/camera/aim';
import type { Variants } from '../variants/useVariants';

/** What a key may do on the project screen. */
export interface KeyContext {
    editor: ModelEditor;
    mayEdit: boolean;
    showKeys: () => void;
    showPalette: () => void;
    variants: Pick<Variants, 'step'> | null;
}

export interface Key {
    /** As the hotkey package writes it. */
    hotkey: string;
    /** As the list of keys shows it; none where another entry speaks for it. */
    shown?: string;
    meaning?: string;
    /** A single letter or digit, which can be switched off. */
    plain?: boolean;
    run?: (context: KeyContext) => void;
}

const screen = () => useScreen.getState();

/** All keys of the project screen, in one place: what they do, and how the list of keys shows them. */
export const keys: Key[] = [
    { hotkey: 'mod+k', shown: 'Ctrl+K', meaning: 'Find a command or a part', run: ({ showPalette }) => showPalette() },
    ...stages.map((stage, n): Key => ({
        hotkey: String(n + 1),
        plain: true,
        ...(n === 0 ? { shown: '1 – 5', meaning: 'Stages Build to Judge' } : {}),
        run: () => screen().set({ stage }),
    })),
    { hotkey: '', shown: 'Enter', meaning: 'Edit the cell of the ledger; again to save' },
    { hotkey: '', shown: 'Arrows', meaning: 'Move in the ledger; left and right close and open an assembly' },
    {
        hotkey: 'mod+z',
        shown: 'Ctrl+Z, Ctrl+Shift+Z',
        meaning: 'Undo, redo',
        run: ({ editor, mayEdit }) => {
            if (mayEdit) editor.undo();
        },
    },
    {
        hotkey: 'mod+shift+z',
        run: ({ editor, mayEdit }) => {
            if (mayEdit) editor.redo();
        },
    },
    {
        hotkey: 'mod+y',
        run: ({ editor, mayEdit }) => {
            if (mayEdit) editor.redo();
        },
    },
    { hotkey: '', shown: 'Space', meaning: 'Select the row; with Ctrl one more, with Shift all up to it' },
    {
        hotkey: 'mod+d',
        shown: 'Ctrl+D',
        meaning: 'Duplicate the selected parts',
        run: ({ editor, mayEdit }) => {
            if (mayEdit && screen().selection.length > 0) duplicateParts(editor, screen().selection);
        },
    },
    {
        hotkey: 'delete',
        shown: 'Delete',
        meaning: 'Remove the selected parts; Ctrl+Z brings them back',
        run: ({ editor, mayEdit }) => {
            if (mayEdit && screen().selection.length > 0) removeParts(editor, screen().selection);
        },
    },
    {
        hotkey: 'h',
        plain: true,
        shown: 'H',
        meaning: 'Hide or show the selected parts',
        run: () => {
            if (screen().selection.length > 0) screen().toggleHidden(screen().selection);
        },
    },
    {
        hotkey: 'm',
        plain: true,
        shown: 'M',
        meaning: 'Measure between two clicks in the view',
        run: () => screen().toggleTool('measure'),
    },
    {
        hotkey: 'p',
        plain: true,
        shown: 'P',
        meaning: 'Probe: click surfaces and sections in Judge',
        run: () => {
            if (screen().stage === 'Judge') screen().toggleTool('probe');
        },
    },
    {
        hotkey: 'b',
        plain: true,
        shown: 'B',
        meaning: 'Select parts in a box; with Ctrl or Shift more of them',
        run: () => screen().toggleTool('box'),
    },
    {
        hotkey: 'f',
        plain: true,
        shown: 'F',
        meaning: 'Fit the selection, or everything, into the view',
        run: ({ editor }) => {
            fit(editor.revision?.outline.parts.filter((part) => screen().selection.includes(part.id)) ?? []);
        },
    },
    { hotkey: 'alt+pageup', shown: 'Alt+Page up, down', meaning: 'The variant before, the next one', run: ({ variants }) => variants?.step(-1) },
    { hotkey: 'alt+pagedown', run: ({ variants }) => variants?.step(1) },
    {
        hotkey: 'escape',
        shown: 'Esc',
        meaning: 'Clear the selection, lay the tool down',
        run: () => screen().set({ selection: [], tool: 'select' }),
    },
    { hotkey: '?', plain: true, shown: '?', meaning: 'This list', run: ({ showKeys }) => showKeys() },
];

/** Lists, menus and dialogs that lie over the screen have the keys for themselves. They hold the focus while they are open, but not while they fade away. */
export const liesOver = (target: EventTarget | null): boolean =>
    target instanceof Element && target.closest('[role="dialog"], [role="listbox"], [role="menu"]') !== null;
