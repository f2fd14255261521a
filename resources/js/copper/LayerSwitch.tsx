import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { useEffect, useState } from 'react';

/** Between two layers that are seen in turn, ms. */
const BLINK = 700;

interface Props {
    /** From below. */
    names: readonly string[];
    layer: number;
    onLayer: (layer: number) => void;
}

/** Which layer is seen, the upper one first; two of them in turn to compare them. */
export function LayerSwitch({ names, layer, onLayer }: Props) {
    const [blinking, setBlinking] = useState<readonly [number, number] | null>(null);
    const below = layer > 0 ? layer - 1 : layer + 1;
    useEffect(() => {
        if (!blinking) return;
        const timer = window.setTimeout(() => onLayer(layer === blinking[0] ? blinking[1] : blinking[0]), BLINK);
        return () => window.clearTimeout(timer);
    }, [blinking, layer, onLayer]);
    return (
        <Stack direction="row" sx={{ gap: 1, alignItems: 'center' }}>
            <ToggleButtonGroup
                exclusive
                size="small"
                aria-label="Layer"
                value={layer}
                onChange={(_event, chosen: number | null) => {
                    setBlinking(null);
                    if (chosen !== null) onLayer(chosen);
                }}
            >
                {names
                    .map((name, n) => (
                        <ToggleButton key={name} value={n} sx={{ py: 0.25, px: 1.25, textTransform: 'none' }}>
                            {name}
                        </ToggleButton>
                    ))
                    .reverse()}
            </ToggleButtonGroup>
            {names.length > 1 && (
                <Button
                    size="small"
                    color="inherit"
                    variant={blinking ? 'outlined' : 'text'}
                    aria-pressed={blinking !== null}
                    onClick={() => setBlinking(blinking ? null : [layer, below])}
                >
                    {blinking ? 'Stop blinking' : `Blink with ${names[below]}`}
                </Button>
            )}
        </Stack>
    );
}
