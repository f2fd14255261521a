import Autocomplete from '@mui/material/Autocomplete';
import Box from '@mui/material/Box';
import Dialog from '@mui/material/Dialog';
import TextField from '@mui/material/TextField';
import type { Finding, Outline } from '../api/types';
import { gradeNames, grades } from '../model/grades';
import { addPart } from '../model/partCommands';
import { partChoices, type PartChoice } from '../model/parts';
import type { ModelEditor } from '../model/useModelEditor';
import { useRunCommand } from '../runs/useRunCommand';
import { stages, usePreferences, useScreen } from '../state/screen';
import type { Variants } from '../variants/useVariants';

interface Command {
    group: string;
    label: string;
    keys?: string;
    run: () => void;
}

interface Props {
    variant: number;
    outline: Outline | undefined;
    findings: readonly Finding[];
    editor: ModelEditor;
    variants: Variants | null;
    mayEdit: boolean;
    showKeys: () => void;
    showEvidence: () => void;
    onClose: () => void;
}

/** Every command and part by a few letters of its name. */
export function CommandPalette({ variant, outline, findings, editor, variants, mayEdit, showKeys, showEvidence, onClose }: Props) {
    const screen = useScreen();
    const { scheme, setScheme } = usePreferences();
    const { run } = useRunCommand(variant, findings);
    const under = screen.selection.length === 1 ? outline?.parts.find((part) => part.id === screen.selection[0]) : undefined;
    const commands: Command[] = [
        ...stages.map((stage, n): Command => ({ group: 'Go to', label: stage, keys: String(n + 1), run: () => screen.set({ stage }) })),
        ...(mayEdit
            ? grades.map((grade): Command => ({
                  group: 'Run',
                  label: `Run at ${gradeNames[grade]}`,
                  run: () => {
                      screen.set({ grade });
                      run(grade);
                  },
              }))
            : []),
        ...(mayEdit && editor.undoLabel ? [{ group: 'Edit', label: `Undo: ${editor.undoLabel}`, keys: 'Ctrl+Z', run: editor.undo }] : []),
        ...(mayEdit && editor.redoLabel ? [{ group: 'Edit', label: `Redo: ${editor.redoLabel}`, keys: 'Ctrl+Shift+Z', run: editor.redo }] : []),
        ...(mayEdit && outline
            ? (Object.keys(partChoices) as PartChoice[]).map((choice): Command => ({
                  group: 'Add',
                  label: `Add ${partChoices[choice].toLowerCase()}`,
                  run: () => {
                      screen.set({ stage: 'Build' });
                      addPart(editor, outline, choice, under);
                  },
              }))
            : []),
        ...(variants
            ? [
                  ...variants.list
                      .filter(({ id }) => id !== variants.current.id)
                      .map(({ id, name }): Command => ({ group: 'Variant', label: `Variant ${name}`, run: () => variants.open(id) })),
                  ...(mayEdit ? [{ group: 'Variant', label: 'Clone this variant', run: () => variants.show('clone') }] : []),
                  { group: 'Variant', label: 'Differences from another variant', run: () => variants.show('differences') },
                  ...(mayEdit
                      ? [
                            { group: 'Variant', label: 'New study: sweep parameters', run: () => variants.show('study') },
                            { group: 'Variant', label: 'Thermal impedance of a part', run: () => variants.show('impedance') },
                        ]
                      : []),
                  { group: 'Variant', label: 'Revisions of this variant', run: () => variants.show('history') },
              ]
            : []),
        { group: 'View', label: screen.perspective ? 'Parallel view' : 'Perspective view', run: () => screen.set({ perspective: !screen.perspective }) },
        { group: 'View', label: 'Measure a distance', keys: 'M', run: () => screen.set({ tool: 'measure' }) },
        { group: 'View', label: 'Show all parts', run: () => screen.set({ hidden: [] }) },
        { group: 'View', label: scheme === 'light' ? 'Dark surfaces' : 'Light surfaces', run: () => setScheme(scheme === 'light' ? 'dark' : 'light') },
        { group: 'View', label: 'Evidence: verification cases', run: showEvidence },
        { group: 'View', label: 'Keys', keys: '?', run: showKeys },
        ...(outline?.parts ?? []).map((part): Command => ({ group: 'Part', label: part.name, run: () => screen.set({ selection: [part.id] }) })),
    ];
    return (
        <Dialog
            open
            onClose={onClose}
            fullWidth
            maxWidth="xs"
            sx={{ '& .MuiDialog-container': { alignItems: 'start', pt: 8 } }}
            slotProps={{ transition: { timeout: 0 }, paper: { 'aria-label': 'Commands' } }}
        >
            <Autocomplete
                open
                autoHighlight
                disablePortal
                forcePopupIcon={false}
                options={commands}
                groupBy={(command) => command.group}
                getOptionLabel={(command) => `${command.label}${command.keys ? ` ${command.keys}` : ''}`}
                getOptionKey={(command) => `${command.group} ${command.label} ${commands.indexOf(command)}`}
                noOptionsText="Nothing is called that"
                onClose={(_e, reason) => {
                    if (reason === 'escape') onClose();
                }}
                onChange={(_e, command) => {
                    onClose();
                    command?.run();
                }}
                slotProps={{
                    popper: { sx: { position: 'static !important', transform: 'none !important', width: '100% !important' } },
                    paper: { elevation: 0 },
                    listbox: { sx: { maxHeight: 380, py: 0 } },
                }}
                renderInput={(params) => (
                    <TextField
                        {...params}
                        autoFocus
                        placeholder="Command or part"
                        slotProps={{ ...params.slotProps, htmlInput: { ...params.slotProps.htmlInput, 'aria-label': 'Command or part' } }}
                        sx={{ '& fieldset': { border: 0 } }}
                    />
                )}
                renderOption={({ key, ...props }, command) => (
                    <Box component="li" key={key} {...props} sx={{ display: 'flex', justifyContent: 'space-between !important', fontSize: 13 }}>
                        <span>{command.label}</span>
                        {command.keys && (
                            <Box component="kbd" sx={{ fontFamily: 'inherit', color: 'text.secondary' }}>
                                {command.keys}
                            </Box>
                        )}
                    </Box>
                )}
            />
        </Dialog>
    );
}
