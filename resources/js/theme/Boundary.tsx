import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import type { ReactNode } from 'react';
import { ErrorBoundary, type FallbackProps } from 'react-error-boundary';
import { anyUnsaved } from '../state/edits';

/** A part of the program that was not loaded, as after an update of the server. */
const isLost = (error: unknown): boolean =>
    error instanceof Error && /dynamically imported module|Importing a module script|error loading/i.test(error.message);

function Fallback({ what, error, resetErrorBoundary }: FallbackProps & { what: string }) {
    const lost = isLost(error);
    return (
        <Stack sx={{ height: '100%', alignItems: 'center', justifyContent: 'center', p: 2 }}>
            <Alert
                severity="error"
                action={
                    <Button color="inherit" size="small" onClick={() => (lost ? window.location.reload() : resetErrorBoundary())}>
                        Try again
                    </Button>
                }
                sx={{ maxWidth: 520 }}
            >
                {lost
                    ? `${what} could not be loaded. The server may have been updated or cannot be reached.`
                    : `${what} has failed: ${error instanceof Error ? error.message : String(error)}`}
                <div>{anyUnsaved() ? 'Your last edits are still being saved.' : 'Your model is saved.'}</div>
            </Alert>
        </Stack>
    );
}

/** Keeps a failure of one part of the page to that part. */
export function Boundary({ what, resetKeys, children }: { what: string; resetKeys?: unknown[]; children: ReactNode }) {
    return (
        <ErrorBoundary fallbackRender={(props) => <Fallback what={what} {...props} />} resetKeys={resetKeys} onError={(error) => console.error(error)}>
            {children}
        </ErrorBoundary>
    );
}
