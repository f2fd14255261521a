import Typography from '@mui/material/Typography';
import { reasonsOf } from '../api/client';
import { useBoardCopper } from '../api/queries';
import type { BoardCopper, Revision } from '../api/types';

/** What keeps the currents of a board from being computed; nothing where all circuits are complete. */
export function obstacleOf({ loose, nets }: Pick<BoardCopper, 'loose' | 'nets'>): string | null {
    if (loose.length > 0) return `On no copper: ${loose.join(', ')}`;
    const open = nets.find(({ terminals, ready }) => terminals.length > 0 && !ready);
    return open ? `${open.name}: ${open.says}` : null;
}

/** Whether the circuits of a board are complete, before a run tells. */
export function Readiness({ revision, part }: { revision: Revision; part: string }) {
    const { data, error } = useBoardCopper(revision.variant.id, part, revision.number);
    const obstacle = error ? reasonsOf(error).join(' ') : data && obstacleOf(data);
    if (obstacle === undefined) return null;
    return (
        <Typography variant="body2" sx={{ mb: 0.75, color: obstacle === null ? 'success.main' : 'error.main' }}>
            {obstacle ?? 'All circuits are complete'}
        </Typography>
    );
}
