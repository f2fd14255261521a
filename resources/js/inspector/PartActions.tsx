import AlignHorizontalCenter from '@mui/icons-material/AlignHorizontalCenter';
import ArrowDownward from '@mui/icons-material/ArrowDownward';
import ArrowUpward from '@mui/icons-material/ArrowUpward';
import ContentCopy from '@mui/icons-material/ContentCopy';
import DeleteOutlined from '@mui/icons-material/DeleteOutlined';
import GridOn from '@mui/icons-material/GridOn';
import Lock from '@mui/icons-material/LockOutlined';
import LockOpen from '@mui/icons-material/LockOpenOutlined';
import VerticalAlignBottom from '@mui/icons-material/VerticalAlignBottom';
import Divider from '@mui/material/Divider';
import IconButton from '@mui/material/IconButton';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import Tooltip from '@mui/material/Tooltip';
import { useState, type ReactNode } from 'react';
import type { Outline, OutlinePart } from '../api/types';
import { alignments, mayMatch, mayReplace, type Alignment } from '../model/arrange';
import { isLocked, type ModelDocument } from '../model/document';
import {
    alignParts,
    copyParts,
    duplicateParts,
    lockParts,
    matchSize,
    mirrorParts,
    removeParts,
    reorderPart,
    repeatParts,
    replaceByBlock,
    replaceByFan,
    replaceByPackage,
    sitPart,
} from '../model/partCommands';
import { useScreen } from '../state/screen';
import { isDevice } from '../model/partKinds';
import { withoutCopies } from '../model/repeat';
import type { ModelEditor } from '../model/useModelEditor';
import { CopiesDialog } from './CopiesDialog';

interface Props {
    document: ModelDocument;
    parts: OutlinePart[];
    outline: Outline;
    editor: ModelEditor;
}

function Action({
    label,
    disabled = false,
    onClick,
    children,
}: {
    label: string;
    disabled?: boolean;
    onClick: (e: React.MouseEvent<HTMLElement>) => void;
    children: ReactNode;
}) {
    return (
        <Tooltip title={label}>
            <span>
                <IconButton size="small" aria-label={label} disabled={disabled} onClick={onClick}>
                    {children}
                </IconButton>
            </span>
        </Tooltip>
    );
}

/** What can be done with the selected parts as wholes. */
export function PartActions({ document, parts: selected, outline, editor }: Props) {
    const parts = withoutCopies(selected);
    const [sitting, setSitting] = useState<HTMLElement | null>(null);
    const [arranging, setArranging] = useState<HTMLElement | null>(null);
    const [row, setRow] = useState(false);
    // Parts follow the one that was selected last.
    const last = useScreen((s) => s.selection.at(-1));
    const to = parts.find((part) => part.id === last) ?? parts[0];
    const arrange = (work: () => void) => () => {
        setArranging(null);
        work();
    };
    const ids = parts.map((part) => part.id);
    const locked = ids.every((id) => isLocked(document, id));
    const only = parts.length === 1 ? parts[0] : undefined;
    const index = only ? outline.parts.findIndex((part) => part.id === only.id) : -1;
    return (
        <Stack direction="row" role="toolbar" aria-label="Part" sx={{ mt: 1, ml: -0.75, gap: 0.25, color: 'text.secondary' }}>
            <Action label="Duplicate (Ctrl+D)" onClick={() => duplicateParts(editor, ids)}>
                <ContentCopy fontSize="small" />
            </Action>
            <Action label="Copies in a row or a field" onClick={() => setRow(true)}>
                <GridOn fontSize="small" />
            </Action>
            <Action label="Sit on another part" disabled={!only || locked || outline.parts.length < 2} onClick={(e) => setSitting(e.currentTarget)}>
                <VerticalAlignBottom fontSize="small" />
            </Action>
            <Action label="Align, mirror, match size, replace" disabled={locked} onClick={(e) => setArranging(e.currentTarget)}>
                <AlignHorizontalCenter fontSize="small" />
            </Action>
            <Action label="Lower overlap priority" disabled={index <= 0} onClick={() => only && reorderPart(editor, only, -1)}>
                <ArrowUpward fontSize="small" />
            </Action>
            <Action
                label="Higher overlap priority: wins where parts overlap"
                disabled={!only || index === outline.parts.length - 1}
                onClick={() => only && reorderPart(editor, only, 1)}
            >
                <ArrowDownward fontSize="small" />
            </Action>
            <Action label={locked ? 'Unlock: may be moved and changed again' : 'Lock shape and place'} onClick={() => lockParts(editor, ids, !locked)}>
                {locked ? <Lock fontSize="small" /> : <LockOpen fontSize="small" />}
            </Action>
            <Action label="Remove (Delete)" disabled={locked} onClick={() => removeParts(editor, ids)}>
                <DeleteOutlined fontSize="small" />
            </Action>
            <Menu anchorEl={sitting} open={sitting !== null} onClose={() => setSitting(null)} slotProps={{ paper: { sx: { maxHeight: 320 } } }}>
                {outline.parts
                    .filter((part) => part.id !== only?.id && !isDevice(part.kind))
                    .map((part) => (
                        <MenuItem
                            key={part.id}
                            dense
                            onClick={() => {
                                setSitting(null);
                                if (only) sitPart(editor, only, part);
                            }}
                        >
                            On {part.name}
                        </MenuItem>
                    ))}
            </Menu>
            <Menu anchorEl={arranging} open={arranging !== null} onClose={() => setArranging(null)} slotProps={{ paper: { sx: { maxHeight: 420 } } }}>
                {to &&
                    parts.length > 1 &&
                    [0, 1, 2].flatMap((axis) =>
                        (Object.keys(alignments) as Alignment[]).map((alignment) => (
                            <MenuItem key={`${axis} ${alignment}`} dense onClick={arrange(() => alignParts(editor, parts, to, axis, alignment))}>
                                Align {alignments[alignment]} along {'xyz'[axis]} with {to.name}
                            </MenuItem>
                        )),
                    )}
                {to && parts.length > 1 && mayMatch(to) && (
                    <MenuItem dense onClick={arrange(() => matchSize(editor, parts, to))}>
                        As large as {to.name}
                    </MenuItem>
                )}
                {only?.kind === 'mesh' && only.axes === null && (
                    <MenuItem dense onClick={arrange(() => replaceByBlock(editor, only))}>
                        A block of the same volume instead
                    </MenuItem>
                )}
                {only &&
                    mayReplace(only) && [
                        <MenuItem key="package" dense onClick={arrange(() => replaceByPackage(editor, only))}>
                            A package of its size instead
                        </MenuItem>,
                        <MenuItem key="fan" dense onClick={arrange(() => replaceByFan(editor, only))}>
                            A fan of its size instead
                        </MenuItem>,
                    ]}
                {(parts.length > 1 || (only && mayReplace(only))) && <Divider />}
                {[0, 1, 2].map((axis) => (
                    <MenuItem key={axis} dense onClick={arrange(() => mirrorParts(editor, parts, outline.space, axis))}>
                        Mirror place along {'xyz'[axis]}, at the middle of the space
                    </MenuItem>
                ))}
            </Menu>
            {row && (
                <CopiesDialog
                    parts={parts}
                    onClose={() => setRow(false)}
                    copy={(offsets) => copyParts(editor, ids, offsets)}
                    repeat={(directions) => repeatParts(editor, ids, directions)}
                />
            )}
        </Stack>
    );
}
