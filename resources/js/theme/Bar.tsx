import Stack from '@mui/material/Stack';
import type { ReactNode } from 'react';
import { bar } from './theme';

/** The dark bar on top of every screen. */
export function Bar({ children }: { children: ReactNode }) {
    return (
        <Stack
            component="header"
            direction="row"
            sx={{ height: 48, px: 1.75, gap: 1.5, alignItems: 'center', bgcolor: bar.background, color: bar.text, flexShrink: 0 }}
        >
            {children}
        </Stack>
    );
}
