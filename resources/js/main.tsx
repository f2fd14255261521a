import '@fontsource-variable/inter';
import CssBaseline from '@mui/material/CssBaseline';
import { ThemeProvider } from '@mui/material/styles';
import { QueryClientProvider } from '@tanstack/react-query';
import { StrictMode, useMemo } from 'react';
import { createRoot } from 'react-dom/client';
import { queryClient } from './api/queries';
import { App } from './App';
import { usePreferences } from './state/screen';
import { makeTheme } from './theme/theme';

function Root() {
    const scheme = usePreferences((s) => s.scheme);
    const theme = useMemo(() => makeTheme(scheme), [scheme]);
    return (
        <ThemeProvider theme={theme}>
            <CssBaseline />
            <App />
        </ThemeProvider>
    );
}

createRoot(document.getElementById('root')!).render(
    <StrictMode>
        <QueryClientProvider client={queryClient}>
            <Root />
        </QueryClientProvider>
    </StrictMode>,
);
