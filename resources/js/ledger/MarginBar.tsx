import Box from '@mui/material/Box';

const FULL = 15;

/** Margin in K on a scale of 15 K each way: to the right of the mark is kept, to the left is missed; amber is smaller than its uncertainty. */
export function MarginBar({ margin, undecided = false }: { margin: number; undecided?: boolean }) {
    const share = Math.min(Math.abs(margin) / FULL, 1) * 50;
    const missed = margin < 0;
    return (
        <Box aria-hidden sx={{ position: 'relative', width: '100%', height: 8, bgcolor: 'action.hover', borderRadius: 0.5 }}>
            <Box
                sx={{
                    position: 'absolute',
                    height: 8,
                    width: `${share}%`,
                    borderRadius: 0.5,
                    left: missed ? `${50 - share}%` : '50%',
                    bgcolor: undecided ? '#d98a1c' : missed ? 'error.main' : '#3b7c96',
                }}
            />
            <Box sx={{ position: 'absolute', left: 'calc(50% - 1px)', top: -2, width: '1.5px', height: 12, bgcolor: 'text.primary' }} />
        </Box>
    );
}
