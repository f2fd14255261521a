import Close from '@mui/icons-material/Close';
import Box from '@mui/material/Box';
import Dialog, { type DialogProps } from '@mui/material/Dialog';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import IconButton from '@mui/material/IconButton';
import type { ReactNode } from 'react';

interface Props {
    title: string;
    /** Beside the title: what can be done with the whole. */
    tools?: ReactNode;
    maxWidth: DialogProps['maxWidth'];
    fullWidth?: boolean;
    onClose: () => void;
    children: ReactNode;
}

/** A dialog that is read: its title, tools for the whole of it, and a way out. */
export function TitledDialog({ title, tools, maxWidth, fullWidth = false, onClose, children }: Props) {
    return (
        <Dialog open onClose={onClose} maxWidth={maxWidth} fullWidth={fullWidth} slotProps={{ paper: { 'aria-label': title } }}>
            <DialogTitle sx={{ display: 'flex', alignItems: 'center', gap: 1.5, fontSize: 16, pb: 1 }}>
                <Box component="span" sx={{ fontWeight: 650, flex: 1, minWidth: 120 }}>
                    {title}
                </Box>
                {tools}
                <IconButton size="small" aria-label="Close" onClick={onClose}>
                    <Close fontSize="small" />
                </IconButton>
            </DialogTitle>
            <DialogContent sx={{ fontSize: 13, pt: 0 }}>{children}</DialogContent>
        </Dialog>
    );
}
