import Button from '@mui/material/Button';
import { useRef } from 'react';

interface Props {
    label: string;
    /** What the file is, for who does not see the button. */
    name: string;
    read: (file: File) => Promise<unknown>;
}

/** Opens a CSV file. */
export function CsvButton({ label, name, read }: Props) {
    const file = useRef<HTMLInputElement>(null);
    return (
        <>
            <Button size="small" color="inherit" onClick={() => file.current?.click()} sx={{ minWidth: 0, py: 0.25 }}>
                {label}
            </Button>
            <input
                ref={file}
                type="file"
                accept=".csv,.txt,text/csv"
                hidden
                aria-label={name}
                onChange={(event) => {
                    const [chosen] = event.target.files ?? [];
                    event.target.value = '';
                    if (chosen) void read(chosen).catch(() => undefined);
                }}
            />
        </>
    );
}
