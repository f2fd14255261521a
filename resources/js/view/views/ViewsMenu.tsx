import ArrowUpward from '@mui/icons-material/ArrowUpward';
import BookmarkBorderOutlined from '@mui/icons-material/BookmarkBorderOutlined';
import DeleteOutlined from '@mui/icons-material/DeleteOutlined';
import EditOutlined from '@mui/icons-material/EditOutlined';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import ButtonBase from '@mui/material/ButtonBase';
import IconButton from '@mui/material/IconButton';
import InputBase from '@mui/material/InputBase';
import Popover from '@mui/material/Popover';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Tooltip from '@mui/material/Tooltip';
import Typography from '@mui/material/Typography';
import { useState, type ReactNode } from 'react';
import { useNavigate } from 'react-router';
import { useSavedViews, useViewChange } from '../../api/queries';
import type { SavedView } from '../../api/types';
import { useScreen } from '../../state/screen';
import { readContent } from './savedView';
import { showView, viewNow } from './useSavedView';

interface Props {
    project: number;
    mayEdit: boolean;
}

/** Views of the project: camera, what is shown and its ranges under a name, to be shown of any variant and run. */
export function ViewsMenu({ project, mayEdit }: Props) {
    const [anchor, setAnchor] = useState<HTMLElement | null>(null);
    const [name, setName] = useState('');
    const views = useSavedViews(project).data ?? [];
    const change = useViewChange(project);
    const current = useScreen((s) => s.savedView);
    const set = useScreen((s) => s.set);
    const navigate = useNavigate();
    const keep = async () => {
        const now = viewNow();
        if (!now) return;
        const view = await change.mutateAsync({ add: { name: name.trim() || `View ${views.length + 1}`, caption: '', ...now } });
        set({ savedView: view?.id ?? null });
        setName('');
    };
    return (
        <>
            <Tooltip title="Saved views">
                <Button
                    color="inherit"
                    aria-haspopup="dialog"
                    startIcon={<BookmarkBorderOutlined fontSize="small" />}
                    onClick={(e) => setAnchor(e.currentTarget)}
                    sx={{ px: 0.75, minWidth: 0, '& .MuiButton-startIcon': { mr: 0.5 } }}
                >
                    Views
                </Button>
            </Tooltip>
            <Popover
                open={anchor !== null}
                anchorEl={anchor}
                onClose={() => setAnchor(null)}
                anchorOrigin={{ vertical: 'bottom', horizontal: 'right' }}
                transformOrigin={{ vertical: 'top', horizontal: 'right' }}
                slotProps={{ paper: { 'aria-label': 'Saved views', role: 'dialog', sx: { width: 320, p: 1.25, maxHeight: '70vh' } } }}
            >
                {views.length === 0 && (
                    <Typography variant="body2" color="text.secondary" sx={{ pb: 1 }}>
                        No views are saved. One keeps the camera, what is shown and the colour ranges, and can be shown of every variant and run.
                    </Typography>
                )}
                <Stack sx={{ gap: 0.5 }}>
                    {views.map((view, n) => (
                        <ViewRow
                            key={view.id}
                            view={view}
                            current={view.id === current}
                            mayEdit={mayEdit}
                            onShow={() => {
                                setAnchor(null);
                                const compare = readContent(view.content)?.compare;
                                if (compare == null) return showView(view);
                                void navigate(`/projects/${project}/compare?${compare}&view=${view.id}`);
                            }}
                            onRename={(by) => change.mutate({ change: view.id, by })}
                            onUp={n > 0 ? () => change.mutate({ change: view.id, by: { before: views[n - 1]!.id } }) : undefined}
                            onUpdate={() => {
                                const now = viewNow();
                                if (now) change.mutate({ change: view.id, by: now });
                            }}
                            onRemove={() => change.mutate({ remove: view.id })}
                        />
                    ))}
                </Stack>
                {mayEdit && (
                    <Stack
                        component="form"
                        direction="row"
                        sx={{ gap: 1, pt: 1 }}
                        onSubmit={(event) => {
                            event.preventDefault();
                            void keep();
                        }}
                    >
                        <TextField
                            size="small"
                            fullWidth
                            placeholder={`View ${views.length + 1}`}
                            value={name}
                            onChange={(e) => setName(e.target.value)}
                            slotProps={{ htmlInput: { 'aria-label': 'Name of the new view', maxLength: 80 } }}
                        />
                        <Button type="submit" variant="contained" disabled={change.isPending} sx={{ whiteSpace: 'nowrap', flexShrink: 0 }}>
                            Save view
                        </Button>
                    </Stack>
                )}
                {change.error && (
                    <Typography role="alert" variant="body2" color="error" sx={{ pt: 1 }}>
                        {change.error.message}
                    </Typography>
                )}
            </Popover>
        </>
    );
}

interface RowProps {
    view: SavedView;
    current: boolean;
    mayEdit: boolean;
    onShow: () => void;
    onRename: (by: { name: string; caption: string }) => void;
    onUp: (() => void) | undefined;
    onUpdate: () => void;
    onRemove: () => void;
}

function ViewRow({ view, current, mayEdit, onShow, onRename, onUp, onUpdate, onRemove }: RowProps) {
    const [naming, setNaming] = useState<{ name: string; caption: string } | null>(null);
    const rename = () => {
        const now = { name: naming?.name.trim() || view.name, caption: naming?.caption.trim() ?? view.caption };
        if (now.name !== view.name || now.caption !== view.caption) onRename(now);
        setNaming(null);
    };
    const field = (key: 'name' | 'caption', label: string, most: number) => (
        <InputBase
            autoFocus={key === 'name'}
            fullWidth
            value={naming?.[key] ?? ''}
            placeholder={key === 'caption' ? 'Caption, for reports' : undefined}
            onChange={(e) => setNaming((now) => now && { ...now, [key]: e.target.value })}
            onKeyDown={(e) => {
                if (e.key === 'Enter') rename();
                if (e.key === 'Escape') {
                    e.stopPropagation();
                    setNaming(null);
                }
            }}
            inputProps={{ 'aria-label': label, maxLength: most }}
            sx={{ fontSize: 13, borderBottom: 1, borderColor: 'primary.main' }}
        />
    );
    return (
        <Stack direction="row" sx={{ alignItems: 'center', gap: 1, borderRadius: 0.75, bgcolor: current ? 'action.selected' : undefined }}>
            <ButtonBase aria-label={`Show ${view.name}`} onClick={onShow} sx={{ borderRadius: 0.75, flexShrink: 0 }}>
                {view.thumbnail ? (
                    <Box
                        component="img"
                        src={view.thumbnail}
                        alt=""
                        sx={{ width: 84, height: 56, objectFit: 'cover', borderRadius: 0.75, border: 1, borderColor: 'divider' }}
                    />
                ) : (
                    <Box sx={{ width: 84, height: 56, border: 1, borderColor: 'divider', borderRadius: 0.75 }} />
                )}
            </ButtonBase>
            <Box sx={{ flex: 1, minWidth: 0 }}>
                {naming === null ? (
                    <>
                        <ButtonBase onClick={onShow} sx={{ font: 'inherit', fontSize: 13, fontWeight: 550, textAlign: 'left', overflowWrap: 'anywhere' }}>
                            {view.name}
                        </ButtonBase>
                        {view.caption !== '' && <Box sx={{ fontSize: 12, color: 'text.secondary', overflowWrap: 'anywhere' }}>{view.caption}</Box>}
                    </>
                ) : (
                    <Box onBlur={(event) => !event.currentTarget.contains(event.relatedTarget) && rename()}>
                        {field('name', 'Name of the view', 80)}
                        {field('caption', 'Caption of the view', 500)}
                    </Box>
                )}
                {mayEdit && (
                    <Stack direction="row" sx={{ ml: -0.5 }}>
                        <Small label={`Name and caption of ${view.name}`} onClick={() => setNaming({ name: view.name, caption: view.caption })}>
                            <EditOutlined sx={{ fontSize: 15 }} />
                        </Small>
                        {onUp && (
                            <Small label={`Move ${view.name} up`} onClick={onUp}>
                                <ArrowUpward sx={{ fontSize: 15 }} />
                            </Small>
                        )}
                        <Small label={`Delete ${view.name}`} onClick={onRemove}>
                            <DeleteOutlined sx={{ fontSize: 15 }} />
                        </Small>
                        <Button size="small" color="inherit" onClick={onUpdate} sx={{ py: 0, fontSize: 11.5, minWidth: 0, color: 'text.secondary' }}>
                            Replace by what is shown
                        </Button>
                    </Stack>
                )}
            </Box>
        </Stack>
    );
}

function Small({ label, onClick, children }: { label: string; onClick: () => void; children: ReactNode }) {
    return (
        <Tooltip title={label}>
            <IconButton size="small" aria-label={label} onClick={onClick} sx={{ p: 0.4 }}>
                {children}
            </IconButton>
        </Tooltip>
    );
}
