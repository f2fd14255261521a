import CheckCircleOutlined from '@mui/icons-material/CheckCircleOutlined';
import ErrorOutlined from '@mui/icons-material/ErrorOutlined';
import WarningAmberOutlined from '@mui/icons-material/WarningAmberOutlined';
import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import Stack from '@mui/material/Stack';
import type { Finding } from '../api/types';
import { useScreen } from '../project/screenState';
import { Panel } from './Panel';

const marks = {
    error: <ErrorOutlined fontSize="small" color="error" />,
    warning: <WarningAmberOutlined fontSize="small" color="warning" />,
};

/** What is missing or suspicious; each line goes to the stage and the parts where it is mended. */
export function PreflightPanel({ findings }: { findings: Finding[] }) {
    const set = useScreen((s) => s.set);
    return (
        <Panel label="Preflight" title="Preflight" note="What to look at before time goes into a run">
            {findings.length === 0 && (
                <Stack direction="row" sx={{ gap: 1, alignItems: 'center' }}><CheckCircleOutlined fontSize="small" color="success" />Nothing is missing.</Stack>
            )}
            {findings.map((finding) => (
                <ButtonBase
                    key={finding.message}
                    onClick={() => set({ stage: finding.stage, selection: finding.parts })}
                    sx={{ width: '100%', textAlign: 'left', gap: 1, p: 1, mx: -1, borderRadius: 1, alignItems: 'start', justifyContent: 'start', font: 'inherit', '&:hover, &:focus-visible': { bgcolor: 'action.hover' } }}
                >
                    {marks[finding.severity]}
                    <Box component="span">
                        {finding.message}
                        <Box component="span" sx={{ display: 'block', color: 'text.secondary', fontSize: 12 }}>{finding.severity === 'error' ? 'Would spoil the run' : 'Worth a look'} · mend in {finding.stage}</Box>
                    </Box>
                </ButtonBase>
            ))}
        </Panel>
    );
}
