import Add from '@mui/icons-material/Add';
import Button from '@mui/material/Button';
import Divider from '@mui/material/Divider';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { lazy, Suspense, useState } from 'react';
import type { Outline } from '../api/types';
import { addPart } from '../model/partCommands';
import { partChoices, type PartChoice } from '../model/parts';
import type { ModelEditor } from '../model/useModelEditor';

const ImportDialog = lazy(() => import('../imports/ImportDialog'));

/** Adds a part, on top of the selected one where one is selected. */
export function AddPart({ outline, selection, editor }: { outline: Outline; selection: readonly string[]; editor: ModelEditor }) {
    const [anchor, setAnchor] = useState<HTMLElement | null>(null);
    const [importing, setImporting] = useState(false);
    const under = selection.length === 1 ? outline.parts.find((part) => part.id === selection[0]) : undefined;
    return (
        <>
            <Button
                size="small"
                variant="outlined"
                startIcon={<Add fontSize="small" />}
                aria-haspopup="menu"
                onClick={(e) => setAnchor(e.currentTarget)}
                sx={{ whiteSpace: 'nowrap' }}
            >
                Add part
            </Button>
            <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)}>
                {(Object.keys(partChoices) as PartChoice[]).map((choice) => (
                    <MenuItem
                        key={choice}
                        dense
                        onClick={() => {
                            setAnchor(null);
                            addPart(editor, outline, choice, under);
                        }}
                    >
                        {partChoices[choice]}
                    </MenuItem>
                ))}
                <Divider />
                <MenuItem
                    dense
                    onClick={() => {
                        setAnchor(null);
                        setImporting(true);
                    }}
                >
                    From a file: STL, STEP, IDF
                </MenuItem>
            </Menu>
            {importing && (
                <Suspense fallback={null}>
                    <ImportDialog outline={outline} editor={editor} onClose={() => setImporting(false)} />
                </Suspense>
            )}
        </>
    );
}
