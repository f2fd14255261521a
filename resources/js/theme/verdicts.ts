import type { ResultLimit } from '../api/types';

/** The colours of a limit that is met, missed, or whose margin is smaller than its uncertainty. */
export const verdictColours: Readonly<Record<ResultLimit['verdict'], string>> = { met: 'success.main', missed: 'error.main', undecided: 'warning.main' };
