import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Snackbar from '@mui/material/Snackbar';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useEffect, useState } from 'react';
import { useDeletedVariants } from '../api/queries';
import type { ModelEditor } from '../model/useModelEditor';
import { NewImpedance } from '../impedance/NewImpedance';
import { NewStudy } from '../studies/NewStudy';
import { TitledDialog } from '../theme/TitledDialog';
import { DifferencesDialog } from './DifferencesDialog';
import { HistoryDialog } from './HistoryDialog';
import { NameDialog } from './NameDialog';
import { freeName } from './names';
import type { Variants } from './useVariants';

interface Props {
    variants: Variants;
    editor: ModelEditor;
    /** Whether a run of the variant goes on. */
    running: boolean;
}

/** Whatever is asked or told of a variant over the screen. */
export function VariantDialogs({ variants, editor, running }: Props) {
    const { current, list, dialog, show, error, busy, removed } = variants;
    const close = () => show(null);
    // Once it is asked it stays, also when the run ends meanwhile.
    const [asked, setAsked] = useState(false);
    const asks = dialog === 'delete' && (running || asked);
    if (asks !== asked) setAsked(asks);
    const { remove } = variants;
    // Without a run there is nothing to ask: it can be undone.
    useEffect(() => {
        if (dialog === 'delete' && !running) void remove().catch(() => undefined);
        // Once for every time that it is asked for.
        // eslint-disable-next-line react-hooks/exhaustive-deps
    }, [dialog]);
    return (
        <>
            {dialog === 'clone' && (
                <NameDialog
                    title={`Clone ${current.name}`}
                    action="Clone"
                    said="A new variant with everything on it: model, limits and watches. Saved views serve all variants."
                    name={freeName(
                        current.name,
                        list.map(({ name }) => name),
                    )}
                    note=""
                    error={error}
                    busy={busy || editor.state !== 'saved'}
                    onDone={(naming) => void variants.clone(naming).catch(() => undefined)}
                    onClose={close}
                />
            )}
            {dialog === 'rename' && (
                <NameDialog
                    title="Name and note"
                    action="Save"
                    name={current.name}
                    note={current.note}
                    error={error}
                    busy={busy}
                    onDone={(naming) => void variants.rename(naming).catch(() => undefined)}
                    onClose={close}
                />
            )}
            {asks && (
                <Dialog open onClose={close} maxWidth="xs">
                    <DialogTitle sx={{ fontSize: 16 }}>Delete {current.name} while it is computed?</DialogTitle>
                    <DialogContent>
                        A run of this variant goes on. It is stopped, and the variant is put away; for a while it can be restored with its runs.
                        {error && <Alert severity="error">{error.message}</Alert>}
                    </DialogContent>
                    <DialogActions>
                        <Button color="inherit" onClick={close}>
                            Keep it
                        </Button>
                        <Button color="error" variant="contained" disabled={busy} onClick={() => void variants.remove().catch(() => undefined)}>
                            Stop the run and delete
                        </Button>
                    </DialogActions>
                </Dialog>
            )}
            {dialog === 'deleted' && <DeletedDialog variants={variants} onClose={close} />}
            {dialog === 'history' && (
                <HistoryDialog
                    variant={current.id}
                    name={current.name}
                    editor={editor}
                    mayEdit={variants.mayEdit}
                    onDifferences={() => show('differences')}
                    onClose={close}
                />
            )}
            {dialog === 'impedance' && (
                <NewImpedance
                    variant={current}
                    project={variants.project.id}
                    editor={editor}
                    onMade={(made) => {
                        close();
                        variants.open(made);
                    }}
                    onClose={close}
                />
            )}
            {dialog === 'study' && <NewStudy project={variants.project.id} variant={current.id} editor={editor} onClose={close} />}
            {dialog === 'differences' && <DifferencesDialog variants={variants} editor={editor} onClose={close} />}
            <Snackbar
                open={removed !== null}
                autoHideDuration={12_000}
                onClose={(_event, reason) => {
                    if (reason !== 'clickaway') variants.forget();
                }}
                message={removed ? `${removed.name} is deleted` : ''}
                action={
                    <Button color="inherit" size="small" onClick={() => removed && void variants.restore(removed).catch(() => undefined)}>
                        Undo
                    </Button>
                }
                sx={{ mb: 5 }}
            />
            <Snackbar open={dialog === null && error !== null} autoHideDuration={8_000} onClose={close} sx={{ mb: 5 }}>
                <Alert severity="error" onClose={close}>
                    {error?.message}
                </Alert>
            </Snackbar>
        </>
    );
}

function DeletedDialog({ variants, onClose }: { variants: Variants; onClose: () => void }) {
    const deleted = useDeletedVariants(variants.project.id);
    return (
        <TitledDialog title="Deleted variants" maxWidth="xs" fullWidth onClose={onClose}>
            {(deleted.error ?? variants.error) && <Alert severity="error">{(deleted.error ?? variants.error)!.message}</Alert>}
            {deleted.data?.length === 0 && <Typography color="text.secondary">None can be restored.</Typography>}
            {deleted.data?.map((variant) => (
                <Stack key={variant.id} direction="row" sx={{ alignItems: 'center', gap: 1, py: 0.5 }}>
                    <Typography sx={{ flex: 1 }}>{variant.name}</Typography>
                    <Button
                        size="small"
                        color="inherit"
                        aria-label={`Restore ${variant.name}`}
                        disabled={variants.busy}
                        onClick={() => void variants.restore(variant).catch(() => undefined)}
                    >
                        Restore
                    </Button>
                </Stack>
            ))}
        </TitledDialog>
    );
}
