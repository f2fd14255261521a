import Button from '@mui/material/Button';
import { lazy, Suspense, useState } from 'react';
import type { Outline, Result } from '../api/types';

const RoutesDialog = lazy(() => import('./RoutesDialog').then((module) => ({ default: module.RoutesDialog })));

interface Props {
    label: string;
    outlined?: boolean;
    outline: Outline;
    result: Result;
    /** The parts that are followed first; null: all. */
    of: readonly string[] | null;
}

/** Opens the heat routes; what draws them is fetched then. */
export function RoutesButton({ label, outlined = false, ...shown }: Props) {
    const [open, setOpen] = useState(false);
    return (
        <>
            <Button size="small" variant={outlined ? 'outlined' : 'text'} color="inherit" onClick={() => setOpen(true)} sx={outlined ? { mt: 1 } : undefined}>
                {label}
            </Button>
            {open && (
                <Suspense fallback={null}>
                    <RoutesDialog {...shown} onClose={() => setOpen(false)} />
                </Suspense>
            )}
        </>
    );
}
