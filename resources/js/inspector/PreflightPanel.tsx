import CheckCircleOutlined from '@mui/icons-material/CheckCircleOutlined';
import ErrorOutlined from '@mui/icons-material/ErrorOutlined';
import WarningAmberOutlined from '@mui/icons-material/WarningAmberOutlined';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import ButtonBase from '@mui/material/ButtonBase';
import Stack from '@mui/material/Stack';
import { useGridReport } from '../api/queries';
import { ofGrid, type Shown } from '../model/gridFindings';
import { mends, type Mend } from '../model/mends';
import { quietly } from '../model/partCommands';
import { useScreen } from '../state/screen';
import { TimeFields } from '../time/TimeFields';
import { GridFields } from './GridFields';
import { Panel, type StageProps } from './Panel';

const marks = {
    error: <ErrorOutlined fontSize="small" color="error" />,
    warning: <WarningAmberOutlined fontSize="small" color="warning" />,
};

/** What is missing or suspicious; each line goes to the stage and the parts where it is mended, or mends it. */
export function PreflightPanel({ revision, editor, mayEdit }: StageProps) {
    const set = useScreen((s) => s.set);
    const grade = useScreen((s) => s.grade);
    const grid = useGridReport(revision.variant.id, revision.number, grade, true);
    const own = revision.preflight.map(({ mend, ...finding }): Shown => ({ ...finding, mends: mend ? [mend] : [] }));
    const findings = [...own, ...(grid.data ? ofGrid(grid.data, revision.outline) : [])];
    const offer = (finding: Shown, mend: Mend) => {
        const { label, change } = mends[mend];
        return (
            <Button
                key={mend}
                size="small"
                variant="outlined"
                color="inherit"
                onClick={() => quietly(editor.edit(label(finding), (d) => change(d, revision.outline, finding)))}
            >
                {label(finding)}
            </Button>
        );
    };
    return (
        <Panel label="Preflight" title="Preflight" note="What to look at before time goes into a run">
            {findings.length === 0 && (
                <Stack direction="row" sx={{ gap: 1, alignItems: 'center' }}>
                    <CheckCircleOutlined fontSize="small" color="success" />
                    Nothing is missing.
                </Stack>
            )}
            {findings.map((finding) => (
                <Box key={finding.message} sx={{ mb: 0.5 }}>
                    <ButtonBase
                        onClick={() => set({ stage: finding.stage, selection: finding.parts })}
                        sx={{
                            width: '100%',
                            textAlign: 'left',
                            gap: 1,
                            p: 1,
                            mx: -1,
                            borderRadius: 1,
                            alignItems: 'start',
                            justifyContent: 'start',
                            font: 'inherit',
                            '&:hover, &:focus-visible': { bgcolor: 'action.hover' },
                        }}
                    >
                        {marks[finding.severity]}
                        <Box component="span">
                            {finding.message}
                            <Box component="span" sx={{ display: 'block', color: 'text.secondary', fontSize: 12 }}>
                                {finding.severity === 'error' ? 'Blocks the run' : 'Worth a look'} · fix in {finding.stage}
                            </Box>
                        </Box>
                    </ButtonBase>
                    {mayEdit && finding.mends.length > 0 && (
                        <Stack direction="row" sx={{ pl: 3.25, pb: 0.5, gap: 0.75, flexWrap: 'wrap' }}>
                            {finding.mends.map((mend) => offer(finding, mend))}
                        </Stack>
                    )}
                </Box>
            ))}
            <TimeFields revision={revision} editor={editor} mayEdit={mayEdit} />
            <GridFields revision={revision} editor={editor} mayEdit={mayEdit} />
        </Panel>
    );
}
