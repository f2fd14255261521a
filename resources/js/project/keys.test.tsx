// @vitest-environment jsdom
import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { answering, Frame, sampleOutline, sampleRevision, sampleRun } from '../fixtures';
import type { Finding } from '../api/types';
import { samplePart } from '../model/samples';
import type { ModelEditor } from '../model/useModelEditor';
import { CommandPalette } from './CommandPalette';
import { KeysDialog } from './KeysDialog';
import { usePreferences, useScreen } from '../state/screen';
import { StageRail } from './StageRail';
import { useKeys } from './useKeys';

const outline = sampleOutline([samplePart({ id: 'chip', name: 'Chip' }), samplePart({ id: 'lid', name: 'Lid' })]);

const fakeEditor = (fields: Partial<ModelEditor> = {}) =>
    ({
        revision: sampleRevision({}, outline),
        undo: vi.fn(),
        redo: vi.fn(),
        edit: vi.fn(() => Promise.resolve(sampleRevision())),
        undoLabel: undefined,
        redoLabel: undefined,
        ...fields,
    }) as unknown as ModelEditor;

const finding = (severity: Finding['severity'], stage: Finding['stage'], message: string): Finding => ({
    severity,
    stage,
    message,
    parts: [],
    mend: null,
    subject: null,
});

beforeEach(() => {
    useScreen.setState({ stage: 'Judge', selection: [], hidden: [], tool: 'select', perspective: false, grade: 'scout' });
    usePreferences.setState({ letterKeys: true, scheme: 'light' });
});

describe('the keys of the screen', () => {
    const shown = { keys: vi.fn(), palette: vi.fn() };
    const step = vi.fn();
    function Screen({ editor, mayEdit }: { editor: ModelEditor; mayEdit: boolean }) {
        useKeys({ editor, mayEdit, showKeys: shown.keys, showPalette: shown.palette, variants: { step } });
        return (
            <>
                <input aria-label="field" />
                <div role="menu">
                    <button>item</button>
                </div>
            </>
        );
    }
    const at = (editor = fakeEditor(), mayEdit = true) => {
        render(<Screen editor={editor} mayEdit={mayEdit} />);
        return editor;
    };

    it('step through the variants', async () => {
        at();
        await userEvent.keyboard('{Alt>}{PageDown}{PageUp}{/Alt}');
        expect(step.mock.calls).toEqual([[1], [-1]]);
    });

    it('go through the stages, and open the palette and the list of keys', async () => {
        at();
        await userEvent.keyboard('2');
        expect(useScreen.getState().stage).toBe('Load');
        await userEvent.keyboard('{Control>}k{/Control}');
        await userEvent.keyboard('?');
        expect(shown.palette).toHaveBeenCalledTimes(1);
        expect(shown.keys).toHaveBeenCalledTimes(1);
    });

    it('take back and do again', async () => {
        const editor = at();
        await userEvent.keyboard('{Control>}z{/Control}');
        await userEvent.keyboard('{Control>}{Shift>}z{/Shift}{/Control}');
        await userEvent.keyboard('{Control>}y{/Control}');
        expect(editor.undo).toHaveBeenCalledTimes(1);
        expect(editor.redo).toHaveBeenCalledTimes(2);
    });

    it('change nothing for a viewer, who still looks around', async () => {
        useScreen.setState({ selection: ['chip'] });
        const editor = at(fakeEditor(), false);
        await userEvent.keyboard('{Control>}z{/Control}{Delete}{Control>}d{/Control}h');
        expect(editor.undo).not.toHaveBeenCalled();
        expect(editor.edit).not.toHaveBeenCalled();
        expect(useScreen.getState().hidden).toEqual(['chip']);
    });

    it('act on the selection, and clear it', async () => {
        useScreen.setState({ selection: ['chip'], tool: 'probe' });
        const editor = at();
        await userEvent.keyboard('{Delete}');
        expect(editor.edit).toHaveBeenCalledTimes(1);
        await userEvent.keyboard('m');
        expect(useScreen.getState()).toMatchObject({ tool: 'measure' });
        await userEvent.keyboard('{Escape}');
        expect(useScreen.getState()).toMatchObject({ selection: [], tool: 'select' });
    });

    it('do not act while something is typed or a menu is open', async () => {
        at();
        await userEvent.type(screen.getByLabelText('field'), '3m');
        screen.getByText('item').focus();
        await userEvent.keyboard('4m');
        expect(useScreen.getState()).toMatchObject({ stage: 'Judge', tool: 'select' });
    });

    it('do not act by single letters where that is switched off', async () => {
        const { unmount } = render(<KeysDialog open onClose={() => {}} />);
        await userEvent.click(screen.getByRole('switch', { name: 'Single letters and digits act' }));
        unmount();
        const editor = at();
        await userEvent.keyboard('1m?');
        await userEvent.keyboard('{Control>}z{/Control}');
        expect(useScreen.getState()).toMatchObject({ stage: 'Judge', tool: 'select' });
        expect(editor.undo).toHaveBeenCalledTimes(1);
    });
});

describe('the palette of commands', () => {
    const open = (fields: { editor?: ModelEditor; mayEdit?: boolean; findings?: Finding[] } = {}) => {
        const close = vi.fn();
        const editor = fields.editor ?? fakeEditor();
        render(
            <CommandPalette
                variant={7}
                outline={outline}
                findings={fields.findings ?? []}
                editor={editor}
                mayEdit={fields.mayEdit ?? true}
                showKeys={() => {}}
                showEvidence={() => {}}
                variants={null}
                onClose={close}
            />,
            { wrapper: Frame },
        );
        return { close, editor };
    };

    it('finds a part by its name and selects it', async () => {
        const { close } = open();
        await userEvent.type(screen.getByLabelText('Command or part'), 'lid{Enter}');
        expect(useScreen.getState().selection).toEqual(['lid']);
        expect(close).toHaveBeenCalled();
    });

    it('starts a run at a grade', async () => {
        const requests = answering({ 'POST /api/variants/7/runs': sampleRun({ state: 'queued' }), 'GET /api/variants/7/runs': [] });
        open();
        await userEvent.type(screen.getByLabelText('Command or part'), 'run at work{Enter}');
        expect(useScreen.getState().grade).toBe('working');
        expect(requests[0]?.body).toMatchObject({ grade: 'working' });
    });

    it('offers to take back by the name of the step', async () => {
        const { editor } = open({ editor: fakeEditor({ undoLabel: 'Chip: 5 W' }) });
        await userEvent.click(screen.getByText('Undo: Chip: 5 W'));
        expect(editor.undo).toHaveBeenCalledTimes(1);
    });

    it('adds parts where they are built', async () => {
        const { editor } = open();
        await userEvent.type(screen.getByLabelText('Command or part'), 'add block{Enter}');
        expect(editor.edit).toHaveBeenCalledTimes(1);
        expect(useScreen.getState().stage).toBe('Build');
    });

    it('offers a viewer nothing that changes the model', () => {
        open({ mayEdit: false, editor: fakeEditor({ undoLabel: 'Chip: 5 W' }) });
        for (const text of [/^Run at/, /^Undo/, /^Add/]) expect(screen.queryByText(text)).toBeNull();
        expect(screen.getByText('Perspective view')).toBeInTheDocument();
    });

    it('says that nothing is called that', async () => {
        open();
        await userEvent.type(screen.getByLabelText('Command or part'), 'qqq');
        expect(screen.getByText('Nothing is called that')).toBeInTheDocument();
    });
});

describe('the rail of stages', () => {
    it('leads anywhere and says how much is to be looked at', async () => {
        render(<StageRail findings={[finding('error', 'Load', 'No heat.'), finding('warning', 'Load', 'Odd.'), finding('warning', 'Build', 'Thin.')]} />);
        expect(screen.getByText('Judge')).toHaveAttribute('aria-current', 'step');
        expect(screen.getByTitle(/Key 2/)).toHaveTextContent('Load2');
        expect(screen.getByTitle(/Key 2/)).toHaveAttribute('title', 'Key 2\nNo heat.\nOdd.');
        expect(screen.getByTitle('Key 3')).toHaveTextContent(/^Limit$/);
        await userEvent.click(screen.getByTitle(/Key 2/));
        expect(screen.getByTitle(/Key 2/)).toHaveAttribute('aria-current', 'step');
    });
});
