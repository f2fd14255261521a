import Button from '@mui/material/Button';
import { useScreen } from '../state/screen';

interface Props {
    label: string;
    outlined?: boolean;
    /** The parts that are followed first; null: all. */
    of: readonly string[] | null;
}

/** Opens the heat routes below the view. */
export function RoutesButton({ label, outlined = false, of }: Props) {
    const set = useScreen((s) => s.set);
    return (
        <Button
            size="small"
            variant={outlined ? 'outlined' : 'text'}
            color="inherit"
            onClick={() => set({ stage: 'Judge', routes: { of } })}
            sx={outlined ? { mt: 1 } : undefined}
        >
            {label}
        </Button>
    );
}
