import Button from '@mui/material/Button';
import Divider from '@mui/material/Divider';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { isOpen, useStudies } from '../api/queries';

/** The studies of the project, and the way to a new one. */
export function StudiesMenu({ project, mayEdit, onNew }: { project: number; mayEdit: boolean; onNew: (what: 'study' | 'impedance') => void }) {
    const [anchor, setAnchor] = useState<HTMLElement | null>(null);
    const navigate = useNavigate();
    const studies = useStudies(project, anchor !== null).data ?? [];
    return (
        <>
            <Button color="inherit" aria-haspopup="menu" onClick={(event) => setAnchor(event.currentTarget)} sx={{ flexShrink: 0 }}>
                Studies
            </Button>
            <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)}>
                {mayEdit &&
                    (['study', 'impedance'] as const).map((what) => (
                        <MenuItem
                            key={what}
                            dense
                            onClick={() => {
                                setAnchor(null);
                                onNew(what);
                            }}
                        >
                            {what === 'study' ? 'New study…' : 'Thermal impedance…'}
                        </MenuItem>
                    ))}
                {mayEdit && studies.length > 0 && <Divider />}
                {studies.map((study) => (
                    <MenuItem key={study.id} dense onClick={() => void navigate(`/projects/${project}/studies/${study.id}`)}>
                        {study.name}, {study.counts.solved} solved{isOpen(study) ? (study.paused ? ', paused' : ', going on') : ''}
                    </MenuItem>
                ))}
                {studies.length === 0 && <MenuItem disabled>No study yet</MenuItem>}
            </Menu>
        </>
    );
}
