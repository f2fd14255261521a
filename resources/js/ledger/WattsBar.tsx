import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import Stack from '@mui/material/Stack';
import type { Outline } from '../api/types';
import { watts } from '../units/units';
import { shareOut } from './shares';

const shades = ['#a8482f', '#c9785f', '#d99b6c', '#e3bd8c', '#3b7c96', '#7fa9ba'];

/** Who makes the watts: the largest by name, the others together; a click selects. */
export function WattsBar({ outline, select }: { outline: Outline; select: (ids: string[]) => void }) {
    const shares = shareOut(outline.parts, shades.length);
    if (shares.length === 0) return null;
    return (
        <Stack
            direction="row"
            role="group"
            aria-label={`Budget: ${watts(outline.watts)} W`}
            sx={{ px: 1.75, py: 0.75, gap: '2px', borderTop: 1, borderColor: 'divider' }}
        >
            {shares.map(({ name, ids, power, share }, n) => (
                <ButtonBase
                    key={name}
                    title={`${name}: ${watts(power)} W, ${Math.round(100 * share)} %`}
                    aria-label={`${name}: ${watts(power)} W`}
                    onClick={() => select(ids)}
                    sx={{
                        flex: `${share} 1 3px`,
                        minWidth: 3,
                        height: 18,
                        px: 0.5,
                        borderRadius: 0.5,
                        bgcolor: shades[n],
                        color: n === 0 || n === 4 ? '#fff' : '#1d1a16',
                        fontSize: 11,
                        justifyContent: 'start',
                        overflow: 'hidden',
                        '&:hover, &:focus-visible': { filter: 'brightness(1.12)' },
                    }}
                >
                    {share > 0.16 && (
                        <Box component="span" sx={{ overflow: 'hidden', textOverflow: 'ellipsis', whiteSpace: 'nowrap' }}>
                            {name}
                        </Box>
                    )}
                </ButtonBase>
            ))}
        </Stack>
    );
}
