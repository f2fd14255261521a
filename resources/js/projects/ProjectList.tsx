import Add from '@mui/icons-material/Add';
import UploadFileOutlined from '@mui/icons-material/UploadFileOutlined';
import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Card from '@mui/material/Card';
import CardActionArea from '@mui/material/CardActionArea';
import Chip from '@mui/material/Chip';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Skeleton from '@mui/material/Skeleton';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useRef, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { ApiError } from '../api/client';
import { useImportProject, useProjects, useSession, useSignOut } from '../api/queries';
import type { Project } from '../api/types';
import { usePreferences } from '../project/screenState';
import { Bar } from '../theme/Bar';
import { bar } from '../theme/theme';
import { Wordmark } from '../theme/Wordmark';
import { difference, differenceUnit } from '../units/units';
import { NewProject } from './NewProject';

const MOST_BYTES = 20_000_000;

const moment = new Intl.DateTimeFormat(undefined, { dateStyle: 'medium', timeStyle: 'short' });

function VerdictChip({ verdict }: { verdict: Project['variants'][number]['verdict'] }) {
    const units = usePreferences((s) => s.units);
    if (!verdict) return <Chip size="small" variant="outlined" label="Not solved yet" />;
    const worst = verdict.worstMargin === null ? '' : `, worst margin ${difference(verdict.worstMargin, units)} ${differenceUnit(units)}`;
    const text = verdict.missed > 0 ? `${verdict.missed} of ${verdict.limits} limits missed${worst}` : `All ${verdict.limits} limits met${worst}`;
    return <Chip size="small" variant={verdict.current ? 'filled' : 'outlined'} color={verdict.missed > 0 ? 'error' : 'success'} label={verdict.current ? text : `${text} (before the last edits)`} />;
}

function ProjectCard({ project }: { project: Project }) {
    const variant = project.variants[0];
    return (
        <Card variant="outlined">
            <CardActionArea component={Link} to={variant ? `/projects/${project.id}/variants/${variant.id}` : '/'} sx={{ p: 2 }}>
                <Stack direction="row" sx={{ justifyContent: 'space-between', gap: 2, alignItems: 'start' }}>
                    <Box>
                        <Typography component="h2" sx={{ fontWeight: 600, fontSize: 16 }}>{project.name}</Typography>
                        {project.summary && <Typography color="text.secondary">{project.summary}</Typography>}
                    </Box>
                    <VerdictChip verdict={variant?.verdict ?? null} />
                </Stack>
                <Typography variant="body2" color="text.secondary" sx={{ mt: 1 }}>
                    {project.variants.length === 1 ? '1 variant' : `${project.variants.length} variants`} · revision {variant?.revision ?? 0} · you are {project.role}
                    {project.updatedAt && ` · changed ${moment.format(new Date(project.updatedAt))}`}
                </Typography>
            </CardActionArea>
        </Card>
    );
}

/** Reads a model document into a new project; what is wrong with a file is said place by place. */
function ImportButton() {
    const input = useRef<HTMLInputElement>(null);
    const navigate = useNavigate();
    const importing = useImportProject();
    const [refusal, setRefusal] = useState<ApiError | null>(null);

    const choose = async (file: File | undefined) => {
        if (!file) return;
        setRefusal(null);
        try {
            if (file.size > MOST_BYTES) {
                throw new ApiError(422, `${file.name} has ${(file.size / 1e6).toFixed(1)} MB; a model document may have at most ${MOST_BYTES / 1e6} MB.`);
            }
            const project = await importing.mutateAsync(await file.text());
            await navigate(`/projects/${project.id}/variants/${project.variants[0]?.id}`);
        } catch (e) {
            setRefusal(e instanceof ApiError ? e : new ApiError(0, String(e)));
        }
    };

    return (
        <>
            <Button variant="outlined" startIcon={<UploadFileOutlined />} loading={importing.isPending} onClick={() => input.current?.click()}>
                Open a model document
            </Button>
            <input
                ref={input}
                type="file"
                accept=".json,application/json"
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
                <DialogActions><Button onClick={() => setRefusal(null)}>Close</Button></DialogActions>
            </Dialog>
        </>
    );
}

export function ProjectList() {
    const projects = useProjects();
    const session = useSession();
    const signOut = useSignOut();
    const [creating, setCreating] = useState(false);
    return (
        <Stack sx={{ minHeight: '100%' }}>
            <Bar>
                <Wordmark onDark />
                <Box sx={{ flex: 1 }} />
                <span style={{ color: bar.quiet }}>{session.data?.user?.name}</span>
                <Button sx={{ color: bar.text }} onClick={() => signOut.mutate()}>Sign out</Button>
            </Bar>
            <Box component="main" sx={{ width: '100%', maxWidth: 880, mx: 'auto', p: 3 }}>
                <Stack direction="row" sx={{ justifyContent: 'space-between', alignItems: 'center', mb: 2 }}>
                    <Typography component="h1" variant="h5">Projects</Typography>
                    <Stack direction="row" sx={{ gap: 1 }}>
                        <ImportButton />
                        <Button variant="contained" startIcon={<Add />} onClick={() => setCreating(true)}>New project</Button>
                    </Stack>
                </Stack>
                {projects.isError && (
                    <Alert severity="error" action={<Button onClick={() => void projects.refetch()}>Try again</Button>}>{projects.error.message}</Alert>
                )}
                <Stack sx={{ gap: 1.5 }}>
                    {projects.isPending && [1, 2].map((n) => <Skeleton key={n} variant="rounded" height={92} />)}
                    {projects.data?.map((project) => <ProjectCard key={project.id} project={project} />)}
                    {projects.data?.length === 0 && (
                        <Typography color="text.secondary">No project yet. Make a new one, or open a model document.</Typography>
                    )}
                </Stack>
            </Box>
            {creating && <NewProject open onClose={() => setCreating(false)} />}
        </Stack>
    );
}
