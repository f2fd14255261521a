import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Skeleton from '@mui/material/Skeleton';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { api } from '../api/client';
import { useRevisions } from '../api/queries';
import type { Revision, RevisionEntry } from '../api/types';
import type { ModelEditor } from '../model/useModelEditor';
import { useScreen } from '../state/screen';
import { TitledDialog } from '../theme/TitledDialog';

const moment = new Intl.DateTimeFormat(undefined, { dateStyle: 'medium', timeStyle: 'short' });

interface Props {
    variant: number;
    name: string;
    editor: ModelEditor;
    mayEdit: boolean;
    onDifferences: () => void;
    onClose: () => void;
}

/** Every saved state of a variant: who did what when. Any can be looked at, held against the present one, and restored as a new revision. */
export function HistoryDialog({ variant, name, editor, mayEdit, onDifferences, onClose }: Props) {
    const [pages, setPages] = useState<(number | null)[]>([null]);
    return (
        <TitledDialog title={`Revisions of ${name}`} maxWidth="sm" fullWidth onClose={onClose}>
            {pages.map((before) => (
                <Page
                    key={before}
                    variant={variant}
                    before={before}
                    name={name}
                    editor={editor}
                    mayEdit={mayEdit}
                    onDifferences={onDifferences}
                    onRestored={onClose}
                    onMore={before === pages.at(-1) ? (oldest) => setPages([...pages, oldest]) : undefined}
                />
            ))}
        </TitledDialog>
    );
}

interface PageProps extends Omit<Props, 'onClose'> {
    before: number | null;
    onRestored: () => void;
    onMore: ((oldest: number) => void) | undefined;
}

function Page({ variant, before, name, editor, mayEdit, onDifferences, onRestored, onMore }: PageProps) {
    const revisions = useRevisions(variant, before);
    const set = useScreen((s) => s.set);
    const [error, setError] = useState<string | null>(null);
    const now = editor.revision?.number;
    const restore = async ({ number }: RevisionEntry) => {
        try {
            const kept = await api.get<Revision>(`/api/variants/${variant}/revisions/${number}`);
            await editor.edit(`Restore revision ${number}`, () => kept.document);
            onRestored();
        } catch (e) {
            setError(e instanceof Error ? e.message : String(e));
        }
    };
    if (revisions.error) return <Alert severity="error">{revisions.error.message}</Alert>;
    if (!revisions.data)
        return (
            <>
                {[...Array(6).keys()].map((n) => (
                    <Skeleton key={n} height={36} />
                ))}
            </>
        );
    const oldest = revisions.data.at(-1)?.number ?? 1;
    return (
        <>
            {error && <Alert severity="error">{error}</Alert>}
            <Stack component="ul" aria-label="Revisions" sx={{ m: 0, p: 0, listStyle: 'none' }}>
                {revisions.data.map((revision) => (
                    <Stack
                        component="li"
                        key={revision.number}
                        direction="row"
                        sx={{ alignItems: 'center', gap: 1.5, py: 0.5, borderBottom: 1, borderColor: 'divider' }}
                    >
                        <Typography sx={{ width: 34, textAlign: 'right', color: 'text.secondary' }}>{revision.number}</Typography>
                        <div style={{ flex: 1, minWidth: 0 }}>
                            <Typography sx={{ fontWeight: revision.number === now ? 600 : undefined, overflowWrap: 'anywhere' }}>{revision.step}</Typography>
                            <Typography variant="body2" color="text.secondary">
                                {[
                                    revision.author,
                                    revision.at && moment.format(new Date(revision.at)),
                                    revision.runs > 0 && (revision.runs === 1 ? '1 run' : `${revision.runs} runs`),
                                ]
                                    .filter(Boolean)
                                    .join(' · ')}
                            </Typography>
                        </div>
                        {revision.number === now ? (
                            <Typography variant="body2" color="text.secondary">
                                on screen
                            </Typography>
                        ) : (
                            <>
                                <Button
                                    size="small"
                                    color="inherit"
                                    aria-label={`Differences from revision ${revision.number}`}
                                    onClick={() => {
                                        set({ against: { variant, revision: revision.number, name: `${name}, revision ${revision.number}` } });
                                        onDifferences();
                                    }}
                                >
                                    Differences
                                </Button>
                                {mayEdit && (
                                    <Button
                                        size="small"
                                        color="inherit"
                                        aria-label={`Restore revision ${revision.number}`}
                                        onClick={() => void restore(revision)}
                                    >
                                        Restore
                                    </Button>
                                )}
                            </>
                        )}
                    </Stack>
                ))}
            </Stack>
            {onMore && oldest > 1 && (
                <Button color="inherit" sx={{ mt: 1 }} onClick={() => onMore(oldest)}>
                    Older revisions
                </Button>
            )}
        </>
    );
}
