import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { Link } from 'react-router';
import { isOpen, useStartStudy, useStudies, useStudy } from '../api/queries';
import type { Revision, Run, Study } from '../api/types';
import { Chapter } from '../inspector/Chapter';
import { difference, differenceUnit, type UnitSet } from '../units/units';
import { airTrials, studyOf, type AirTrial } from './trials';

interface Props {
    revision: Revision;
    run: Run;
    /** K, of the run. */
    worstMargin: number;
    units: UnitSet;
    mayEdit: boolean;
}

/** What faster fans and more free area would do. They change the flow, so that each is a run of its own, which starts on a click. */
export function AirTrials({ revision, run, worstMargin, units, mayEdit }: Props) {
    const project = revision.variant.projectId;
    const studies = useStudies(project).data ?? [];
    const start = useStartStudy(revision.variant.id, project);
    const trials = airTrials(revision);
    if (trials.length === 0) return null;
    return (
        <Chapter title="What would help, by another run" fields>
            {trials.map((trial) => {
                const study = studyOf(studies, trial, revision.variant.id, revision.number, run.grade);
                return (
                    <Box key={trial.place} sx={{ display: 'flex', justifyContent: 'space-between', alignItems: 'center', gap: 1, minHeight: 30 }}>
                        <Box component="span" sx={{ color: 'text.secondary' }}>
                            {trial.label}
                        </Box>
                        {study ? (
                            <Outcome study={study} worstMargin={worstMargin} units={units} />
                        ) : (
                            mayEdit && (
                                <Button
                                    size="small"
                                    color="inherit"
                                    aria-label={`Try ${trial.label}`}
                                    disabled={start.isPending}
                                    onClick={() =>
                                        start.mutate({
                                            name: `Try: ${trial.label}`.slice(0, 80),
                                            revision: revision.number,
                                            grade: run.grade,
                                            plan: planOf(trial),
                                        })
                                    }
                                >
                                    Try
                                </Button>
                            )
                        )}
                    </Box>
                );
            })}
            {start.error && (
                <Typography role="alert" variant="body2" color="error">
                    {start.error.message}
                </Typography>
            )}
            <Typography variant="body2" color="text.secondary">
                The air changes: each is a run from this flow, kept as a study.
            </Typography>
        </Chapter>
    );
}

const planOf = ({ place, value }: AirTrial) => ({ kind: 'grid' as const, variations: { [place]: value } });

/** By how much the worst margin changed, as soon as that is known. */
function Outcome({ study, worstMargin, units }: { study: Study; worstMargin: number; units: UnitSet }) {
    const { study: followed, points } = useStudy(study.id);
    const point = points?.[0];
    const to = `/projects/${study.project}/studies/${study.id}`;
    if (!point || (followed.data && isOpen(followed.data))) return <span role="status">computing</span>;
    const change = point.worstMargin === null ? null : point.worstMargin - worstMargin;
    return (
        <Link to={to} title="Open the study" style={{ color: 'inherit', whiteSpace: 'nowrap' }}>
            {point.state !== 'solved' || change === null ? (
                point.state
            ) : (
                <Box component="span" sx={{ color: change > 0 ? 'success.main' : 'error.main' }}>
                    margin {difference(change, units)} {differenceUnit(units)}
                </Box>
            )}
        </Link>
    );
}
