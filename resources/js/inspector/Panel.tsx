import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import type { Revision } from '../api/types';
import type { ModelEditor } from '../model/useModelEditor';

/** What the panels of the stages show and change. */
export interface StageProps {
    revision: Revision;
    editor: ModelEditor;
    mayEdit: boolean;
}

/** The column on the right while no part is selected. */
export function Panel({ label, title, note, children }: { label: string; title: string; note: string; children: ReactNode }) {
    return (
        <Box component="aside" aria-label={label} sx={{ height: '100%', bgcolor: 'background.paper', p: 1.75, overflowY: 'auto', fontSize: 13 }}>
            <Typography component="h2" sx={{ fontWeight: 650, fontSize: 15 }}>
                {title}
            </Typography>
            <Typography variant="body2" color="text.secondary" sx={{ mb: 1.75 }}>
                {note}
            </Typography>
            {children}
        </Box>
    );
}
