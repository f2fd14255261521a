import Add from '@mui/icons-material/Add';
import Close from '@mui/icons-material/Close';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import ButtonBase from '@mui/material/ButtonBase';
import Stack from '@mui/material/Stack';
import Tooltip from '@mui/material/Tooltip';
import { usePreferences, useScreen } from '../state/screen';
import { StudiesMenu } from '../studies/StudiesMenu';
import type { Variants } from './useVariants';
import { verdictOf } from './verdictOf';

const dots = { error: 'error.main', warning: 'warning.main', success: 'success.main', quiet: 'text.secondary' } as const;

/** The variants of the project beside one another with their worst margins; there as soon as there are two. */
export function VariantBar({ variants, running, onCompare }: { variants: Variants; running: boolean; onCompare: () => void }) {
    const units = usePreferences((s) => s.units);
    const { list, current, mayEdit, open, show } = variants;
    const against = useScreen((s) => s.against);
    const marked = useScreen((s) => s.marked);
    const set = useScreen((s) => s.set);
    if (list.length < 2 && !against) return null;
    return (
        <Stack
            component="nav"
            aria-label="Variants"
            direction="row"
            sx={{ height: 38, px: 1, gap: 0.5, alignItems: 'center', borderBottom: 1, borderColor: 'divider', bgcolor: 'background.paper', flexShrink: 0 }}
        >
            <Stack direction="row" sx={{ gap: 0.5, overflowX: 'auto', minWidth: 0, scrollbarWidth: 'thin' }}>
                {list.map((variant) => {
                    const here = variant.id === current.id;
                    const { text, said, colour } =
                        here && running ? { text: 'running', said: 'A run goes on', colour: 'quiet' as const } : verdictOf(variant, units);
                    return (
                        <Tooltip key={variant.id} describeChild title={`${said}${variant.note ? `. ${variant.note}` : ''}`}>
                            <ButtonBase
                                aria-current={here ? 'page' : undefined}
                                onClick={() => open(variant.id)}
                                sx={{
                                    font: 'inherit',
                                    fontSize: 13,
                                    flexShrink: 0,
                                    px: 1.25,
                                    height: 28,
                                    gap: 1,
                                    borderRadius: 0.75,
                                    border: 1,
                                    borderColor: here ? 'text.secondary' : 'transparent',
                                    bgcolor: here ? 'action.selected' : undefined,
                                    fontWeight: here ? 600 : 450,
                                    '&:hover, &.Mui-focusVisible': { bgcolor: 'action.hover' },
                                }}
                            >
                                <Box component="span" sx={{ maxWidth: 220, overflow: 'hidden', textOverflow: 'ellipsis', whiteSpace: 'nowrap' }}>
                                    {variant.name}
                                </Box>
                                <Box component="span" sx={{ color: dots[colour], fontWeight: 550, fontStyle: colour === 'quiet' ? 'italic' : undefined }}>
                                    {text}
                                </Box>
                            </ButtonBase>
                        </Tooltip>
                    );
                })}
            </Stack>
            {mayEdit && (
                <Button color="inherit" startIcon={<Add fontSize="small" />} onClick={() => show('clone')} sx={{ flexShrink: 0, color: 'text.secondary' }}>
                    Clone
                </Button>
            )}
            <Box sx={{ flex: 1 }} />
            {against && (
                <Stack direction="row" role="status" sx={{ alignItems: 'center', color: 'primary.main', fontSize: 12.5, whiteSpace: 'nowrap' }}>
                    {marked.length === 1 ? '1 part differs' : `${marked.length} parts differ`} from {against.name}
                    <Button
                        color="inherit"
                        size="small"
                        aria-label="Stop marking differences"
                        onClick={() => set({ against: null })}
                        sx={{ minWidth: 0, p: 0.5 }}
                    >
                        <Close sx={{ fontSize: 15 }} />
                    </Button>
                </Stack>
            )}
            <StudiesMenu project={variants.project.id} mayEdit={mayEdit} onNew={show} />
            <Button color="inherit" onClick={() => show('differences')} sx={{ flexShrink: 0 }}>
                Differences
            </Button>
            {list.length > 1 && (
                <Button variant="outlined" onClick={onCompare} sx={{ flexShrink: 0 }}>
                    Compare
                </Button>
            )}
        </Stack>
    );
}
