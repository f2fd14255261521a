import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { useBesideVariant } from '../api/queries';
import type { Grade, Result, Revision } from '../api/types';
import { TableTools } from '../charts/TableTools';
import { addressOf } from '../compare/columns';
import { withRadiation, radiationOf } from '../model/space';
import type { ModelDocument } from '../model/document';
import { nameOfRoute } from '../routes/heatRoutes';
import { watts } from '../units/units';
import { Chapter, Line } from './Chapter';

interface Props {
    project: number;
    revision: Revision;
    result: Result;
    mayEdit: boolean;
}

/** W of a row that is told; smaller ones are in the table that is copied. */
const LEAST = 0.005;

/** Rows of the table of exchange that are shown before all are asked for. */
const FIRST = 6;

/** What is radiated between whom, what the sun gives, and the same model without radiation beside this one. */
export function RadiationChapter({ project, revision, result, mayEdit }: Props) {
    const [all, setAll] = useState(false);
    const { radiation } = result;
    const { outline } = revision;
    const every = radiation?.exchange ?? [];
    const rows = every.filter(({ heat }, n) => n === 0 || heat > LEAST);
    const name = (id: string) => (id === 'surroundings' ? 'the surroundings' : nameOfRoute(id, outline));
    return (
        <>
            {radiation && ((radiation.sun ?? 0) > 0 || rows.length > 0) && (
                <Chapter title="Radiation">
                    {(radiation.sun ?? 0) > 0 && <Line label="Sunlight taken up">{watts(radiation.sun ?? 0)} W</Line>}
                    {rows.slice(0, all ? rows.length : FIRST).map(({ from, to, heat }) => (
                        <Line key={`${from} ${to}`} label={`${name(from)} to ${name(to)}`}>
                            <span style={{ whiteSpace: 'nowrap' }}>{watts(heat)} W</span>
                        </Line>
                    ))}
                </Chapter>
            )}
            {rows.length > FIRST && (
                <Button size="small" color="inherit" onClick={() => setAll(!all)}>
                    {all ? 'Fewer rows' : `All ${rows.length} exchanges`}
                </Button>
            )}
            {rows.length > 0 && (
                <TableTools
                    label="Radiation"
                    table={() => [['From', 'To', 'Heat W'], ...every.map(({ from, to, heat }) => [name(from), name(to), Number(heat.toPrecision(6))])]}
                />
            )}
            {mayEdit && <Beside project={project} revision={revision} grade={result.grid.grade} />}
        </>
    );
}

/** The same model with, or without, radiation as a variant of its own, and both side by side. */
function Beside({ project, revision, grade }: { project: number; revision: Revision; grade: Grade }) {
    const navigate = useNavigate();
    const beside = useBesideVariant(project);
    const document = revision.document as ModelDocument;
    const without = radiationOf(document) !== 'none';
    const what = without ? 'without radiation' : 'with radiation';
    const compare = () =>
        beside.mutate(
            {
                of: revision,
                name: `${revision.variant.name}, ${what}`,
                step: without ? 'Radiation: not computed' : 'Radiation: between surfaces',
                document: withRadiation(document, without ? 'none' : 'surfaces'),
                grade,
            },
            {
                onSuccess: (made) => {
                    const columns = [revision.variant.id, made.id].map((variant) => ({ variant, run: null }));
                    void navigate(`/projects/${project}/compare?${addressOf(columns, 0)}`);
                },
            },
        );
    return (
        <>
            <Button size="small" color="inherit" disabled={beside.isPending} onClick={compare}>
                Compare {what}
            </Button>
            {beside.isError && (
                <Typography role="alert" variant="body2" color="error">
                    {beside.error.message}
                </Typography>
            )}
        </>
    );
}
