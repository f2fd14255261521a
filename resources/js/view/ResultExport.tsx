import FileDownloadOutlined from '@mui/icons-material/FileDownloadOutlined';
import IconButton from '@mui/material/IconButton';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import Tooltip from '@mui/material/Tooltip';
import { useState } from 'react';

/** The result on screen in open formats, for other programs. */
export function ResultExport({ run, picture }: { run: number; picture: number }) {
    const [anchor, setAnchor] = useState<HTMLElement | null>(null);
    const at = `/api/runs/${run}/pictures/${picture}`;
    const choices = [
        ['Fields in the grid (VTK, .vtr)', `${at}/vtk/grid`, `run-${run}.vtr`],
        ['Fields at the surfaces (VTK, .vtp)', `${at}/vtk/surfaces`, `run-${run}.vtp`],
        ['Result document (JSON)', `${at}/result`, `run-${run}.json`],
    ] as const;
    return (
        <>
            <Tooltip title="Save the result for other programs">
                <IconButton
                    size="small"
                    aria-label="Save the result"
                    aria-haspopup="menu"
                    onClick={(event) => setAnchor(event.currentTarget)}
                    sx={{ borderRadius: 1 }}
                >
                    <FileDownloadOutlined fontSize="small" />
                </IconButton>
            </Tooltip>
            <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)}>
                {choices.map(([title, href, name]) => (
                    <MenuItem key={name} dense component="a" href={href} download={name} onClick={() => setAnchor(null)}>
                        {title}
                    </MenuItem>
                ))}
            </Menu>
        </>
    );
}
