import ButtonBase from '@mui/material/ButtonBase';
import Stack from '@mui/material/Stack';
import { bar } from '../theme/theme';
import { stages, useScreen } from './screenState';

/** The order of the job; every stage is always open. */
export function StageRail() {
    const stage = useScreen((s) => s.stage);
    const set = useScreen((s) => s.set);
    return (
        <Stack component="nav" aria-label="Stages" direction="row" sx={{ bgcolor: bar.track, borderRadius: 99, p: '3px' }}>
            {stages.map((name, i) => (
                <ButtonBase
                    key={name}
                    aria-current={stage === name ? 'step' : undefined}
                    title={`Key ${i + 1}`}
                    onClick={() => set({ stage: name })}
                    sx={{
                        px: 2, height: 27, borderRadius: 99, fontSize: 13, fontFamily: 'inherit', fontWeight: stage === name ? 650 : 450,
                        color: stage === name ? bar.onAccent : bar.text,
                        bgcolor: stage === name ? bar.accent : 'transparent',
                        '&:focus-visible': { outline: `2px solid ${bar.text}` },
                    }}
                >
                    {name}
                </ButtonBase>
            ))}
        </Stack>
    );
}
