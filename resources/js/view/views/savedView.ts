import type { Pose } from '../camera/aim';
import { readShown, type Shown } from '../shown/shown';

/** What a saved view keeps. */
export type ViewContent = {
    version: 1;
    pose: Pose;
    shown: Shown;
    hidden: string[];
    /** The columns and the base of a comparison, as its address has them; null for a view of one run. */
    compare: string | null;
};

const isTriple = (value: unknown): value is [number, number, number] => Array.isArray(value) && value.length === 3 && value.every((x) => Number.isFinite(x));

/** The content of a view as far as it is understood; null where even the camera is not. */
export function readContent(content: unknown): ViewContent | null {
    const { pose, shown, hidden, compare } = (content ?? {}) as Partial<ViewContent>;
    if (!pose || !isTriple(pose.position) || !isTriple(pose.target) || !(pose.zoom > 0)) return null;
    return {
        version: 1,
        pose: { ...pose, perspective: pose.perspective === true },
        shown: readShown(shown),
        hidden: Array.isArray(hidden) ? hidden.filter((id) => typeof id === 'string') : [],
        compare: typeof compare === 'string' ? compare : null,
    };
}
