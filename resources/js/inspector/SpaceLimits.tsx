import Box from '@mui/material/Box';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import type { ModelDocument } from '../model/document';
import { flowOf } from '../model/space';
import { spaceSubjects } from '../model/targets';
import { usePreferences } from '../state/screen';
import { ToleranceFields } from '../tolerances/ToleranceFields';
import { Panel, type StageProps } from './Panel';
import { PlaceWatches } from './PlaceWatches';
import { LimitFields, WatchFields } from './TargetFields';

/** Limits and watches on what leaves the space and on its walls: what the Limit stage shows while no part is selected. */
export function SpaceLimits({ revision, editor, mayEdit }: StageProps) {
    const units = usePreferences((s) => s.units);
    const document = revision.document as ModelDocument;
    return (
        <Panel
            label="Limits of the space"
            title="Space"
            note="Tolerances of the design, limits on what leaves the space and on its walls; those of a part show when it is selected"
        >
            <ToleranceFields document={document} editor={editor} disabled={!mayEdit} />
            {spaceSubjects(document, flowOf(document) !== 'none').map((subject) => (
                <Box key={subject.id} component="section" aria-label={subject.name} sx={{ borderTop: 1, borderColor: 'divider', pt: 1.25, pb: 0.75 }}>
                    <Typography component="h3" sx={{ fontSize: 12, color: 'text.secondary', mb: 0.75 }}>
                        {subject.name}
                    </Typography>
                    <Stack direction="row" sx={{ flexWrap: 'wrap', columnGap: 1, '& > section': { flex: '0 0 100%', minWidth: 0, boxSizing: 'border-box' } }}>
                        <LimitFields subject={subject} document={document} editor={editor} units={units} disabled={!mayEdit} />
                        <WatchFields subject={subject} document={document} editor={editor} units={units} disabled={!mayEdit} />
                    </Stack>
                </Box>
            ))}
            <PlaceWatches document={document} space={revision.outline.space} editor={editor} units={units} disabled={!mayEdit} />
        </Panel>
    );
}
