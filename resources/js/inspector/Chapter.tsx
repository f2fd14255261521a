import Box from '@mui/material/Box';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';

export function Line({ label, children }: { label: string; children: ReactNode }) {
    return (
        <Stack direction="row" sx={{ justifyContent: 'space-between', gap: 2, py: 0.35 }}>
            <Box component="dt" sx={{ color: 'text.secondary' }}>
                {label}
            </Box>
            <Box component="dd" sx={{ m: 0, fontWeight: 550, textAlign: 'right' }}>
                {children}
            </Box>
        </Stack>
    );
}

/** A titled block of lines, or of fields. */
export function Chapter({ title, fields = false, children }: { title: string; fields?: boolean; children: ReactNode }) {
    return (
        <Box sx={{ mt: 2 }}>
            <Typography component="h3" sx={{ fontSize: 12, color: 'text.secondary', mb: fields ? 1.25 : 0.5 }}>
                {title}
            </Typography>
            <Box component={fields ? 'div' : 'dl'} sx={{ m: 0 }}>
                {children}
            </Box>
        </Box>
    );
}
