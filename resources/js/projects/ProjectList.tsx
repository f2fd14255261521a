import Add from '@mui/icons-material/Add';
import UploadFileOutlined from '@mui/icons-material/UploadFileOutlined';
import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Skeleton from '@mui/material/Skeleton';
import Snackbar from '@mui/material/Snackbar';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { lazy, Suspense, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { ApiError } from '../api/client';
import { useDeletedProjects, useImportProject, useProjectChange, useProjects, useSession, useSignOut } from '../api/queries';
import type { Project } from '../api/types';
import { Bar } from '../theme/Bar';
import { bar } from '../theme/theme';
import { Wordmark } from '../theme/Wordmark';
import { ProjectCard } from './ProjectCard';

/** Fetched when it is opened. */
const NewProject = lazy(() => import('./NewProject').then((module) => ({ default: module.NewProject })));

const MOST_BYTES = 20_000_000;

/** As much as the server takes. */
const MOST_OF_ARCHIVE = 70_000_000;

/** Reads a model document or the archive of a project into a new project; what is wrong with a file is said place by place. */
function ImportButton() {
    const input = useRef<HTMLInputElement>(null);
    const navigate = useNavigate();
    const importing = useImportProject();
    const [refusal, setRefusal] = useState<ApiError | null>(null);

    const choose = async (file: File | undefined) => {
        if (!file) return;
        setRefusal(null);
        try {
            const archive = /\.zip$/i.test(file.name);
            const most = archive ? MOST_OF_ARCHIVE : MOST_BYTES;
            if (file.size > most) {
                throw new ApiError(
                    422,
                    `${file.name} has ${(file.size / 1e6).toFixed(1)} MB; ${archive ? 'an archive' : 'a model document'} may have at most ${most / 1e6} MB.`,
                );
            }
            const project = await importing.mutateAsync(archive ? file : await file.text());
            await navigate(`/projects/${project.id}/variants/${project.variants[0]?.id}`);
        } catch (e) {
            setRefusal(e instanceof ApiError ? e : new ApiError(0, String(e)));
        }
    };

    return (
        <>
            <Button variant="outlined" startIcon={<UploadFileOutlined />} loading={importing.isPending} onClick={() => input.current?.click()}>
                Import model or archive
            </Button>
            <input
                ref={input}
                type="file"
                accept=".json,application/json,.zip,application/zip"
                hidden
                aria-label="Model document"
                onChange={(e) => {
                    void choose(e.target.files?.[0]);
                    e.target.value = '';
                }}
            />
            <Dialog open={refusal !== null} onClose={() => setRefusal(null)}>
                <DialogTitle>This file cannot be opened</DialogTitle>
                <DialogContent>
                    <Typography sx={{ mb: 1 }}>{refusal?.message}</Typography>
                    {refusal?.problems.slice(0, 12).map((problem) => (
                        <Typography key={problem.pointer + problem.message} variant="body2" sx={{ mb: 0.5 }}>
                            {problem.pointer && <code>{problem.pointer}</code>} {problem.message}
                        </Typography>
                    ))}
                </DialogContent>
                <DialogActions>
                    <Button onClick={() => setRefusal(null)}>Close</Button>
                </DialogActions>
            </Dialog>
        </>
    );
}

/** What was deleted, for as long as it can be restored. */
function Deleted({ restore }: { restore: (project: Project) => void }) {
    const deleted = useDeletedProjects();
    const days = useSession().data?.keep.deletedDays;
    if (!deleted.data?.length) return null;
    return (
        <Box component="section" aria-label="Deleted projects" sx={{ mt: 4 }}>
            <Typography component="h2" sx={{ fontSize: 14, fontWeight: 600, mb: 0.5 }}>
                Deleted, restorable for {days} days
            </Typography>
            {deleted.data.map((project) => (
                <Stack key={project.id} direction="row" sx={{ alignItems: 'center', gap: 1, color: 'text.secondary' }}>
                    <span>{project.name}</span>
                    <Button size="small" onClick={() => restore(project)}>
                        Restore
                    </Button>
                </Stack>
            ))}
        </Box>
    );
}

function RenameDialog({ project, save, onClose }: { project: Project; save: (name: string) => void; onClose: () => void }) {
    const [name, setName] = useState(project.name);
    return (
        <Dialog open onClose={onClose} fullWidth maxWidth="xs">
            <form
                onSubmit={(e) => {
                    e.preventDefault();
                    save(name.trim());
                }}
            >
                <DialogTitle>Rename project</DialogTitle>
                <DialogContent>
                    <TextField
                        autoFocus
                        fullWidth
                        size="small"
                        label="Name"
                        sx={{ mt: 1 }}
                        value={name}
                        onChange={(e) => setName(e.target.value)}
                        slotProps={{ htmlInput: { maxLength: 200 } }}
                    />
                </DialogContent>
                <DialogActions>
                    <Button color="inherit" onClick={onClose}>
                        Cancel
                    </Button>
                    <Button type="submit" variant="contained" disabled={name.trim() === ''}>
                        Rename
                    </Button>
                </DialogActions>
            </form>
        </Dialog>
    );
}

/** From so many projects on they are searched. */
const MANY = 4;

export function ProjectList() {
    const projects = useProjects();
    const session = useSession();
    const signOut = useSignOut();
    const change = useProjectChange();
    const [creating, setCreating] = useState(false);
    const [search, setSearch] = useState('');
    const [renaming, setRenaming] = useState<Project | null>(null);
    const [deleted, setDeleted] = useState<Project | null>(null);
    const wanted = search.trim().toLowerCase();
    const shown = projects.data?.filter((project) => `${project.name} ${project.summary}`.toLowerCase().includes(wanted));
    return (
        <Stack sx={{ minHeight: '100%' }}>
            <Bar>
                <Wordmark onDark />
                <Box sx={{ flex: 1 }} />
                <span style={{ color: bar.quiet }}>{session.data?.user?.name}</span>
                <Button sx={{ color: bar.text }} onClick={() => signOut.mutate()}>
                    Sign out
                </Button>
            </Bar>
            <Box component="main" sx={{ width: '100%', maxWidth: 880, mx: 'auto', p: 3 }}>
                <Stack direction="row" sx={{ justifyContent: 'space-between', alignItems: 'center', mb: 2, gap: 1 }}>
                    <Typography component="h1" variant="h5" sx={{ flex: 1 }}>
                        Projects
                    </Typography>
                    {(projects.data?.length ?? 0) >= MANY && (
                        <TextField
                            size="small"
                            placeholder="Find project"
                            value={search}
                            onChange={(e) => setSearch(e.target.value)}
                            slotProps={{ htmlInput: { 'aria-label': 'Find project', style: { padding: '6px 12px' } } }}
                        />
                    )}
                    <ImportButton />
                    <Button variant="contained" startIcon={<Add />} onClick={() => setCreating(true)}>
                        New project
                    </Button>
                </Stack>
                {projects.isError && (
                    <Alert severity="error" action={<Button onClick={() => void projects.refetch()}>Try again</Button>}>
                        {projects.error.message}
                    </Alert>
                )}
                {change.isError && (
                    <Alert severity="error" onClose={change.reset} sx={{ mb: 1.5 }}>
                        {change.error.message}
                    </Alert>
                )}
                <Stack sx={{ gap: 1.5 }}>
                    {projects.isPending && [1, 2].map((n) => <Skeleton key={n} variant="rounded" height={92} />)}
                    {shown?.map((project) => (
                        <ProjectCard
                            key={project.id}
                            project={project}
                            onRename={() => setRenaming(project)}
                            onDelete={() => change.mutate({ remove: project }, { onSuccess: () => setDeleted(project) })}
                        />
                    ))}
                    {projects.data?.length === 0 && <Typography color="text.secondary">No project yet. Make a new one, or import a model.</Typography>}
                    {shown?.length === 0 && wanted !== '' && (
                        <Typography color="text.secondary">No project has “{search.trim()}” in its name or summary.</Typography>
                    )}
                </Stack>
                <Deleted restore={(project) => change.mutate({ restore: project })} />
            </Box>
            {creating && (
                <Suspense fallback={null}>
                    <NewProject open onClose={() => setCreating(false)} />
                </Suspense>
            )}
            {renaming && (
                <RenameDialog
                    project={renaming}
                    onClose={() => setRenaming(null)}
                    save={(name) => change.mutate({ rename: renaming, name }, { onSuccess: () => setRenaming(null) })}
                />
            )}
            <Snackbar
                open={deleted !== null}
                autoHideDuration={8000}
                onClose={(_e, reason) => {
                    if (reason !== 'clickaway') setDeleted(null);
                }}
                message={`Deleted ${deleted?.name ?? ''}`}
                action={
                    <Button
                        color="inherit"
                        size="small"
                        onClick={() => {
                            if (deleted) change.mutate({ restore: deleted });
                            setDeleted(null);
                        }}
                    >
                        Undo
                    </Button>
                }
            />
        </Stack>
    );
}
