import CircularProgress from '@mui/material/CircularProgress';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { lazy, Suspense } from 'react';
import { BrowserRouter, Link, Route, Routes } from 'react-router';
import { useSession } from './api/queries';
import { ProjectList } from './projects/ProjectList';
import { SignIn } from './session/SignIn';
import { Boundary } from './theme/Boundary';

const CompareScreen = lazy(() => import('./compare/CompareScreen'));
const StudyScreen = lazy(() => import('./studies/StudyScreen'));
const ProjectScreen = lazy(() => import('./project/ProjectScreen'));

function Waiting({ text }: { text: string }) {
    return (
        <Stack role="status" sx={{ height: '100%', alignItems: 'center', justifyContent: 'center', gap: 2 }}>
            <CircularProgress size={28} aria-label={text} />
            <Typography color="text.secondary">{text}</Typography>
        </Stack>
    );
}

function NotFound() {
    return (
        <Stack component="main" sx={{ height: '100%', alignItems: 'center', justifyContent: 'center', gap: 1 }}>
            <Typography component="h1" variant="h6">
                There is nothing at this address.
            </Typography>
            <Link to="/">Back to the projects</Link>
        </Stack>
    );
}

export function App() {
    const session = useSession();
    if (session.isPending) return <Waiting text="Opening Foehn" />;
    if (!session.data?.user) return <SignIn demo={session.data?.demo ?? false} unreachable={session.isError} />;
    return (
        <BrowserRouter>
            <Boundary what="This page">
                <Suspense fallback={<Waiting text="Opening the project" />}>
                    <Routes>
                        <Route path="/" element={<ProjectList />} />
                        <Route path="/projects/:project/variants/:variant" element={<ProjectScreen />} />
                        <Route path="/projects/:project/compare" element={<CompareScreen />} />
                        <Route path="/projects/:project/studies/:study" element={<StudyScreen />} />
                        <Route path="*" element={<NotFound />} />
                    </Routes>
                </Suspense>
            </Boundary>
        </BrowserRouter>
    );
}
