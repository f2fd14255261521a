import type { Result } from '../api/types';
import { number } from '../units/units';

export type Sink = NonNullable<NonNullable<Result['flow']>['sinks']>[number];

/** Share of the air that goes past a heat sink instead of through its fins, %. */
export const bypassPercent = ({ through, beside }: Pick<Sink, 'through' | 'beside'>): string => number((100 * beside) / Math.max(through + beside, 1e-12), 0);
