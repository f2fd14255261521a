import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { Outline } from '../api/types';
import type { ModelDocument } from '../model/document';
import { sunChoiceOf, sunOf, suns, withSun, type SunChoice, type SunEntry } from '../model/space';
import { numberOrText } from '../model/text';
import type { ModelEditor } from '../model/useModelEditor';
import { number } from '../units/units';
import { ChoiceField } from './ChoiceField';
import { compact, EditField } from './EditField';

interface Props {
    document: ModelDocument;
    /** The sun as it is evaluated. */
    sun: Outline['sun'];
    gravity: readonly number[];
    editor: ModelEditor;
    disabled: boolean;
}

const choices: Record<SunChoice, string> = { none: 'None', direction: 'By a direction', hour: 'By latitude, date and hour' };

/** Degrees that the sun stands above the horizon. */
function height(direction: readonly number[], gravity: readonly number[]): number {
    const strength = Math.hypot(...gravity);
    const up = strength > 0 ? gravity.map((g) => -g / strength) : [0, 0, 1];
    return (Math.asin(direction.reduce((sum, d, n) => sum + d * up[n]!, 0)) * 180) / Math.PI;
}

/** Where the sun stands and how strongly it shines. */
export function SunFields({ document, sun, gravity, editor, disabled }: Props) {
    const entry = sunOf(document);
    const choice = sunChoiceOf(entry);
    const change = (label: string, fields: SunEntry) => editor.edit(`Sun: ${label}`, (d) => withSun(d, { ...sunOf(d), ...fields }));
    const field = (key: 'flux' | 'diffuse' | 'latitude' | 'date' | 'hour' | 'longitude' | 'zone', label: string, hint?: string) => (
        <EditField
            label={label}
            value={String(entry?.[key] ?? '')}
            hint={hint}
            disabled={disabled}
            save={(text) => change(`${label.toLowerCase()} ${text}`, { [key]: key === 'date' ? text : numberOrText(text) })}
        />
    );
    const vector = (key: 'direction' | 'north', given: readonly (string | number)[]) => (
        <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(3, 1fr)', ...compact }}>
            {['x', 'y', 'z'].map((axis, n) => (
                <EditField
                    key={axis}
                    label={axis}
                    value={String(given[n] ?? 0)}
                    disabled={disabled}
                    save={(text) => change(`${key} ${axis} ${text}`, { [key]: [0, 1, 2].map((m) => (m === n ? numberOrText(text) : (given[m] ?? 0))) })}
                />
            ))}
        </Box>
    );
    return (
        <Box component="section" aria-label="Sun">
            <ChoiceField
                label="Sun"
                value={choice}
                choices={choices}
                disabled={disabled}
                save={(to) => editor.edit(to === 'none' ? 'No sun' : `Sun ${choices[to].toLowerCase()}`, (d) => withSun(d, suns[to]))}
            />
            {choice === 'direction' && (
                <>
                    <Typography variant="body2" color="text.secondary" sx={{ mb: 0.75 }}>
                        Towards the sun; its arrow in the view can be turned.
                    </Typography>
                    {vector('direction', entry?.direction ?? [])}
                </>
            )}
            {choice === 'hour' && (
                <>
                    {field('latitude', 'Latitude')}
                    {field('date', 'Date', 'year-month-day')}
                    {field('hour', 'Hour', entry?.zone === undefined ? 'true solar time' : 'clock time')}
                    {field('longitude', 'Longitude', 'for clock time')}
                    {field('zone', 'Time zone, hours ahead of UTC', 'for clock time')}
                    <Typography variant="body2" color="text.secondary" sx={{ mb: 0.75 }}>
                        North in the drawing
                    </Typography>
                    {vector('north', entry?.north ?? [0, 1, 0])}
                </>
            )}
            {choice !== 'none' && field('flux', 'Flux facing the sun', choice === 'hour' ? 'of a clear sky' : 'W/m^2')}
            {choice !== 'none' && field('diffuse', 'Diffuse flux', choice === 'hour' ? 'of a clear sky' : '0 W/m^2')}
            {sun && choice !== 'none' && (
                <Typography variant="body2" color="text.secondary" sx={{ mb: 1.25 }}>
                    {number(height(sun.direction, gravity), 1)}° above the horizon, {number(sun.flux, 0)} W/m² facing it, {number(sun.diffuse, 0)} W/m² diffuse.
                </Typography>
            )}
        </Box>
    );
}
