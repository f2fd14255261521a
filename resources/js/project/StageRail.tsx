import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import Stack from '@mui/material/Stack';
import type { Finding } from '../api/types';
import { bar } from '../theme/theme';
import { stages, useScreen } from '../state/screen';

/** The order of the job; every stage is always open. A number says how much preflight misses in it. */
export function StageRail({ findings }: { findings: readonly Finding[] }) {
    const stage = useScreen((s) => s.stage);
    const set = useScreen((s) => s.set);
    return (
        <Stack component="nav" aria-label="Stages" direction="row" sx={{ bgcolor: bar.track, borderRadius: 99, p: '3px' }}>
            {stages.map((name, i) => {
                const missing = findings.filter((finding) => finding.stage === name);
                return (
                    <ButtonBase
                        key={name}
                        aria-current={stage === name ? 'step' : undefined}
                        title={[`Key ${i + 1}`, ...missing.map((finding) => finding.message)].join('\n')}
                        onClick={() => set({ stage: name })}
                        sx={{
                            px: 2,
                            height: 27,
                            borderRadius: 99,
                            fontSize: 13,
                            fontFamily: 'inherit',
                            fontWeight: stage === name ? 650 : 450,
                            color: stage === name ? bar.onAccent : bar.text,
                            bgcolor: stage === name ? bar.accent : 'transparent',
                            '&:focus-visible': { outline: `2px solid ${bar.text}` },
                        }}
                    >
                        {name}
                        {missing.length > 0 && (
                            <Box
                                component="span"
                                aria-label={`${missing.length} to look at`}
                                sx={{
                                    ml: 0.75,
                                    minWidth: 16,
                                    height: 16,
                                    borderRadius: 99,
                                    fontSize: 11,
                                    lineHeight: '16px',
                                    textAlign: 'center',
                                    fontWeight: 650,
                                    color: '#fff',
                                    bgcolor: missing.some((f) => f.severity === 'error') ? '#b3392b' : '#8a5a12',
                                }}
                            >
                                {missing.length}
                            </Box>
                        )}
                    </ButtonBase>
                );
            })}
        </Stack>
    );
}
