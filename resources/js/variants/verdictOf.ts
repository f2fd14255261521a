import type { Variant } from '../api/types';
import { difference, differenceUnit, type UnitSet } from '../units/units';

export interface ChipVerdict {
    /** The worst margin with its unit, or what there is instead. */
    text: string;
    /** The whole of it in a sentence. */
    said: string;
    colour: 'error' | 'warning' | 'success' | 'quiet';
}

/** What the last solved run of a variant says, short; grey where the model has changed since. */
export function verdictOf({ verdict }: Pick<Variant, 'verdict'>, units: UnitSet): ChipVerdict {
    if (!verdict) return { text: 'not run', said: 'No run yet', colour: 'quiet' };
    const { limits, missed, undecided, worstMargin, current } = verdict;
    const counts =
        limits === 0
            ? 'No limits are stated'
            : missed > 0
              ? `${missed} of ${limits} limits missed`
              : undecided > 0
                ? `${undecided} of ${limits} limits undecided`
                : `All ${limits} limits met`;
    const margin = worstMargin === null ? null : `${difference(worstMargin, units)} ${differenceUnit(units)}`;
    return {
        text: margin ?? (limits === 0 ? 'no limits' : missed > 0 ? 'missed' : 'met'),
        said: `${counts}${margin ? `, worst margin ${margin}` : ''}${current ? '' : '; before the last edits, run it again'}`,
        colour: !current ? 'quiet' : missed > 0 ? 'error' : undecided > 0 ? 'warning' : 'success',
    };
}
