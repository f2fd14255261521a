import FileDownloadOutlined from '@mui/icons-material/FileDownloadOutlined';
import IconButton from '@mui/material/IconButton';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import Paper from '@mui/material/Paper';
import Tooltip from '@mui/material/Tooltip';
import { useState } from 'react';
import type { Outline } from '../api/types';

/** The bodies of the model as a file. What writes it is fetched when it is asked for. */
export function ExportMenu({ outline }: { outline: Outline }) {
    const [anchor, setAnchor] = useState<HTMLElement | null>(null);
    const write = (kind: 'stl' | 'gltf') => {
        setAnchor(null);
        void import('./exports').then((exports) => (kind === 'stl' ? exports.exportStl(outline) : exports.exportGltf(outline)));
    };
    return (
        <Paper variant="outlined" sx={{ display: 'flex', alignItems: 'center', height: 36 }}>
            <Tooltip title="Save the geometry">
                <span>
                    <IconButton
                        size="small"
                        aria-label="Save the geometry"
                        aria-haspopup="menu"
                        disabled={outline.parts.length === 0}
                        onClick={(e) => setAnchor(e.currentTarget)}
                    >
                        <FileDownloadOutlined fontSize="small" />
                    </IconButton>
                </span>
            </Tooltip>
            <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)}>
                <MenuItem dense onClick={() => write('stl')}>
                    STL, in millimetres
                </MenuItem>
                <MenuItem dense onClick={() => write('gltf')}>
                    glTF, with names and colours
                </MenuItem>
            </Menu>
        </Paper>
    );
}
