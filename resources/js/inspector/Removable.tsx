import DeleteOutlined from '@mui/icons-material/DeleteOutlined';
import Box from '@mui/material/Box';
import IconButton from '@mui/material/IconButton';
import Stack from '@mui/material/Stack';
import type { ReactNode } from 'react';

interface Props {
    label: string;
    disabled: boolean;
    remove: () => void;
    children: ReactNode;
}

/** Fields that belong together, with a button that takes them away. */
export function Removable({ label, disabled, remove, children }: Props) {
    return (
        <Stack
            direction="row"
            component="section"
            aria-label={label}
            sx={{ gap: 0.5, alignItems: 'start', pl: 1.25, borderLeft: 2, borderColor: 'divider', mb: 1.25 }}
        >
            <Box sx={{ flex: 1, minWidth: 0 }}>{children}</Box>
            <IconButton size="small" aria-label={`Remove ${label.toLowerCase()}`} disabled={disabled} onClick={remove}>
                <DeleteOutlined fontSize="small" />
            </IconButton>
        </Stack>
    );
}
