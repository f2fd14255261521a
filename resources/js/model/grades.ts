import type { Grade } from '../api/types';

/** The grades, from coarse to fine. */
export const gradeNames: Record<Grade, string> = { scout: 'Scout', working: 'Working', 'sign-off': 'Sign-off' };

export const grades = Object.keys(gradeNames) as Grade[];
