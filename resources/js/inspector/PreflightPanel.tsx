import CheckCircleOutlined from '@mui/icons-material/CheckCircleOutlined';
import ErrorOutlined from '@mui/icons-material/ErrorOutlined';
import WarningAmberOutlined from '@mui/icons-material/WarningAmberOutlined';
import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import Stack from '@mui/material/Stack';
import { useGridReport } from '../api/queries';
import type { Finding, GridReport, Outline, Revision } from '../api/types';
import { useScreen } from '../project/screenState';
import { Panel } from './Panel';

const marks = {
    error: <ErrorOutlined fontSize="small" color="error" />,
    warning: <WarningAmberOutlined fontSize="small" color="warning" />,
};

/** Gaps of fewer cells are not resolved; see the core. */
const RESOLVED = 3;

/** What the grid of the chosen grade does to the parts. */
function ofGrid(grid: GridReport, outline: Outline): Finding[] {
    const name = (id: string) => outline.parts.find((part) => part.id === id)?.name ?? id;
    const gaps = grid.features.filter((feature) => feature.feature === 'gap' && feature.cells < RESOLVED);
    const small = outline.parts.filter((part) => Math.max(...part.size) < grid.smallest);
    return [
        ...gaps.map((gap): Finding => ({ severity: 'warning', stage: 'Solve', message: `The gaps of "${name(gap.part)}" have ${gap.cells} ${gap.cells === 1 ? 'cell' : 'cells'} at this grade; where air moves, duct correlations stand for them.`, parts: [gap.part] })),
        ...grid.steps.map((step): Finding => ({ severity: 'warning', stage: 'Solve', message: `"${name(step.part)}" stands askew to the grid; its steps have ${Math.round(100 * step.excess)} % more surface for the air than it has.`, parts: [step.part] })),
        ...(small.length > 0 ? [{ severity: 'warning', stage: 'Build', message: `${small.length} ${small.length === 1 ? 'part is' : 'parts are'} smaller than every cell of this grid; merge or remove them.`, parts: small.map((part) => part.id) } satisfies Finding] : []),
    ];
}

/** What is missing or suspicious; each line goes to the stage and the parts where it is mended. */
export function PreflightPanel({ revision }: { revision: Revision }) {
    const { set, grade } = useScreen();
    const grid = useGridReport(revision.variant.id, revision.number, grade, true);
    const findings = [...revision.preflight, ...(grid.data ? ofGrid(grid.data, revision.outline) : [])];
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
