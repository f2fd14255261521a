import MoreVert from '@mui/icons-material/MoreVert';
import Box from '@mui/material/Box';
import Card from '@mui/material/Card';
import CardActionArea from '@mui/material/CardActionArea';
import Chip from '@mui/material/Chip';
import IconButton from '@mui/material/IconButton';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { Link } from 'react-router';
import type { Project } from '../api/types';
import { usePreferences } from '../state/screen';
import { difference, differenceUnit } from '../units/units';

const moment = new Intl.DateTimeFormat(undefined, { dateStyle: 'medium', timeStyle: 'short' });

function VerdictChip({ verdict }: { verdict: Project['variants'][number]['verdict'] }) {
    const units = usePreferences((s) => s.units);
    if (!verdict) return <Chip size="small" variant="outlined" label="Not solved yet" />;
    const worst = verdict.worstMargin === null ? '' : `, worst margin ${difference(verdict.worstMargin, units)} ${differenceUnit(units)}`;
    const { limits, missed, undecided } = verdict;
    const counts =
        missed > 0 ? `${missed} of ${limits} limits missed` : undecided > 0 ? `${undecided} of ${limits} limits undecided` : `All ${limits} limits met`;
    const text = `${counts}${missed > 0 && undecided > 0 ? `, ${undecided} undecided` : ''}${worst}`;
    return (
        <Chip
            size="small"
            variant={verdict.current ? 'filled' : 'outlined'}
            color={missed > 0 ? 'error' : undecided > 0 ? 'warning' : 'success'}
            label={verdict.current ? text : `${text} (before the last edits)`}
        />
    );
}

interface Props {
    project: Project;
    onRename: () => void;
    onDelete: () => void;
}

/** A project with its verdict; the menu renames and deletes it. */
export function ProjectCard({ project, onRename, onDelete }: Props) {
    const [menu, setMenu] = useState<HTMLElement | null>(null);
    const variant = project.variants[0];
    const choose = (action: () => void) => () => {
        setMenu(null);
        action();
    };
    return (
        <Card variant="outlined" sx={{ position: 'relative' }}>
            <CardActionArea component={Link} to={variant ? `/projects/${project.id}/variants/${variant.id}` : '/'} sx={{ p: 2, pr: 6 }}>
                <Stack direction="row" sx={{ justifyContent: 'space-between', gap: 2, alignItems: 'start' }}>
                    <Box>
                        <Typography component="h2" sx={{ fontWeight: 600, fontSize: 16 }}>
                            {project.name}
                        </Typography>
                        {project.summary && <Typography color="text.secondary">{project.summary}</Typography>}
                    </Box>
                    <VerdictChip verdict={variant?.verdict ?? null} />
                </Stack>
                <Typography variant="body2" color="text.secondary" sx={{ mt: 1 }}>
                    {project.variants.length === 1 ? '1 variant' : `${project.variants.length} variants`} · revision {variant?.revision ?? 0} · {project.role}
                    {project.openedAt
                        ? ` · opened ${moment.format(new Date(project.openedAt))}`
                        : project.updatedAt && ` · changed ${moment.format(new Date(project.updatedAt))}`}
                </Typography>
            </CardActionArea>
            {project.role !== 'viewer' && (
                <IconButton
                    size="small"
                    aria-label={`Menu of ${project.name}`}
                    aria-haspopup="menu"
                    onClick={(e) => setMenu(e.currentTarget)}
                    sx={{ position: 'absolute', right: 10, top: 12 }}
                >
                    <MoreVert fontSize="small" />
                </IconButton>
            )}
            <Menu anchorEl={menu} open={menu !== null} onClose={() => setMenu(null)}>
                <MenuItem dense onClick={choose(onRename)}>
                    Rename
                </MenuItem>
                <MenuItem dense component="a" href={`/api/projects/${project.id}/archive`} download onClick={() => setMenu(null)}>
                    Save archive
                </MenuItem>
                {project.role === 'owner' && (
                    <MenuItem dense onClick={choose(onDelete)}>
                        Delete
                    </MenuItem>
                )}
            </Menu>
        </Card>
    );
}
