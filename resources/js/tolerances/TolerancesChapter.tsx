import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useNavigate } from 'react-router';
import { useFoundWhatIf, useInfluenceChange, useStartStudy } from '../api/queries';
import type { Revision, Run } from '../api/types';
import { Chapter, Line } from '../inspector/Chapter';
import type { ModelDocument } from '../model/document';
import { difference, differenceUnit, type UnitSet } from '../units/units';
import { candidates, isCurrent, nameOfTolerance, ranked, shareOf, tolerancesOf } from './tolerances';

/** Builds that are computed to confirm. */
const BUILDS = 40;

interface Props {
    revision: Revision;
    run: Run;
    units: UnitSet;
    mayEdit: boolean;
}

/** In how many builds every limit is met, and which tolerance has most to do with it. */
export function TolerancesChapter({ revision, run, units, mayEdit }: Props) {
    const document = revision.document as ModelDocument;
    const project = revision.variant.projectId;
    const navigate = useNavigate();
    const { influence, whatIf } = useFoundWhatIf(run.id);
    const change = useInfluenceChange(run.id);
    const start = useStartStudy(revision.variant.id, project);
    const solved = influence?.state === 'solved';
    const found = whatIf?.tolerances;
    if (tolerancesOf(document).length === 0) return null;
    const known = candidates(document);
    const busy = influence?.state === 'queued' || influence?.state === 'running';
    const again = () =>
        void change.mutateAsync(false).then(
            () => change.mutate(true),
            () => undefined,
        );
    const compute = () =>
        void start
            .mutateAsync({ name: 'Builds', revision: revision.number, grade: run.grade, plan: { kind: 'builds', count: BUILDS, seed: 1 } })
            .then((study) => navigate(`/projects/${project}/studies/${study.id}`))
            .catch(() => undefined);
    if (!found || !isCurrent(document, found))
        return (
            <Chapter title="Tolerances" fields>
                <Button
                    size="small"
                    variant="outlined"
                    color="inherit"
                    disabled={!mayEdit || busy || change.isPending}
                    onClick={solved ? again : () => change.mutate(true)}
                >
                    {busy ? 'Finding it…' : 'Find in how many builds the limits are met'}
                </Button>
                {solved && !busy && (
                    <Typography variant="body2" color="text.secondary" sx={{ mt: 0.75 }}>
                        The tolerances have changed since it was found.
                    </Typography>
                )}
            </Chapter>
        );
    const tightest = [...found.limits].sort((a, b) => a.met - b.met || a.low - b.low)[0];
    const limit = revision.outline.limits.find(({ id }) => id === tightest?.id);
    const unknown = found.rows.filter(({ changes }) => changes === null);
    const kelvin = (value: number) => `${difference(value, units)}\u00a0${differenceUnit(units)}`;
    return (
        <>
            <Chapter title="Tolerances">
                {found.met !== null && tightest && (
                    <>
                        <Line label="All limits are met in">
                            <b>{shareOf(found.met)} of builds</b>
                        </Line>
                        <Line label={`Tightest: ${limit?.name ?? tightest.id}`}>{shareOf(tightest.met)}</Line>
                        <Line label="Its margin in all but 1 % of builds">{kelvin(tightest.low)}</Line>
                        <Line label="With everything at its worse end">{kelvin(tightest.worst)}</Line>
                    </>
                )}
            </Chapter>
            {tightest && (
                <Chapter title={`What moves ${limit?.name ?? 'it'}, at the end of each tolerance`}>
                    {ranked(found, tightest.id).map(({ of, by, changes }) => (
                        <Line key={of} label={`${nameOfTolerance(of, known)} ± ${by}`}>
                            {`±\u00a0${kelvin(Math.abs(changes![tightest.id]!)).replace('+', '')}`}
                        </Line>
                    ))}
                </Chapter>
            )}
            <Typography variant="body2" color="text.secondary" sx={{ mt: 0.75 }}>
                Estimated in straight lines from this run, with its flow kept; ± of the grid is not in it.
            </Typography>
            {unknown.length > 0 && (
                <Typography variant="body2" sx={{ color: 'warning.main', mt: 0.75 }}>
                    Not in it: {unknown.map(({ of }) => nameOfTolerance(of, known)).join(', ')}. Shapes and what drives the flow are known only from computed
                    builds.
                </Typography>
            )}
            {mayEdit && (
                <Button size="small" variant="outlined" color="inherit" disabled={start.isPending} onClick={compute} sx={{ mt: 1 }}>
                    Compute {BUILDS} builds
                </Button>
            )}
            {start.error && (
                <Box role="alert" sx={{ color: 'error.main', mt: 0.5 }}>
                    {start.error.message}
                </Box>
            )}
        </>
    );
}
