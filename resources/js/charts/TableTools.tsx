import ContentCopy from '@mui/icons-material/ContentCopy';
import FileDownloadOutlined from '@mui/icons-material/FileDownloadOutlined';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import { useState } from 'react';
import { copyTable, saveTable, type Cells } from './table';

/** Copies a table, or saves it as CSV. */
export function TableTools({ label, table }: { label: string; table: () => Cells }) {
    const [copied, setCopied] = useState(false);
    return (
        <Stack direction="row" sx={{ gap: 1 }}>
            <Button
                size="small"
                color="inherit"
                startIcon={<ContentCopy />}
                onClick={() => void copyTable(table()).then(() => setCopied(true))}
                onBlur={() => setCopied(false)}
            >
                {copied ? 'Copied' : 'Copy'}
            </Button>
            <Button size="small" color="inherit" startIcon={<FileDownloadOutlined />} onClick={() => saveTable(label, table())}>
                CSV
            </Button>
        </Stack>
    );
}
