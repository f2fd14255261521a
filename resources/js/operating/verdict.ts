import type { OperatingPoint } from '../api/types';
import { verdictColours } from '../theme/verdicts';
import { distanceOf } from '../units/quantities';
import type { UnitSet } from '../units/units';

export type Judged = Pick<OperatingPoint, 'missed' | 'undecided' | 'worstMargin'>;

/** What is missed or left, in words, and its colour. */
export function verdictOf({ missed, undecided, worstMargin }: Judged, units: UnitSet): { text: string; colour: string } {
    const margin = worstMargin === null ? '' : `, ${distanceOf('temperature', worstMargin, units)} ${worstMargin < 0 ? 'over' : 'left'}`;
    if (missed > 0) return { text: `${missed} missed${margin}`, colour: verdictColours.missed };
    return undecided > 0 ? { text: `${undecided} undecided${margin}`, colour: verdictColours.undecided } : { text: `met${margin}`, colour: verdictColours.met };
}

/** The operating points that do not meet all limits, or have no answer; what is undecided counts as met here. */
export const missedAt = (points: readonly OperatingPoint[]): OperatingPoint[] => points.filter(({ missed, state }) => missed > 0 || state !== 'solved');
