import type { ModelDocument } from './document';
import { buoyancyOf, flowOf, inletKindOf, sideNames, sideOf } from './space';

/** What flows does over time: each in a word, and in a sentence. */
export const airs = {
    frozen: ['Frozen', 'Air flows as a steady run has it at the loads of 0 s, and anew where fans or what is let in change: right where fans drive it.'],
    follows: ['Follows', 'Air is brought to rest again whenever the parts have moved its buoyancy by a quarter: right for the warm-up of parts in free air.'],
    unsteady: ['Unsteady', 'The motion of the air itself is computed in time, in steps of about two cells: for small models and seconds.'],
} as const;

export type Air = keyof typeof airs;

/** The course in time that is asked of a model. */
export interface TimeEntry {
    kind?: 'steady' | 'transient';
    end?: string | number;
    step?: string | number | { tolerance?: string | number };
    start?: 'steady' | 'periodic' | { uniform: string | number; velocity?: (string | number)[] } | { run: number };
    air?: Air;
    keep?: number | (string | number)[];
}

/** What is asked of the time; null where the steady state is asked for. */
export function timeOf(document: ModelDocument): TimeEntry | null {
    const time = (document.analysis as { time?: TimeEntry } | undefined)?.time;
    return time?.kind === 'transient' ? time : null;
}

/** Sets or, with undefined, removes fields of what is asked of the time; null asks for the steady state again. */
export function withTime(document: ModelDocument, fields: Partial<TimeEntry> | null): ModelDocument {
    const { time, ...others } = (document.analysis ?? {}) as { time?: TimeEntry; [field: string]: unknown };
    if (fields === null) return { ...document, analysis: others };
    const entry = {
        kind: 'transient',
        end: '10 min',
        start: 'steady',
        ...(onlyBuoyancy(document) ? { air: 'follows' } : {}),
        ...(time?.kind === 'transient' ? time : {}),
        ...fields,
    };
    return { ...document, analysis: { ...others, time: Object.fromEntries(Object.entries(entry).filter(([, value]) => value !== undefined)) } };
}

/** Whether nothing but the warmth of the parts moves the air. */
function onlyBuoyancy(document: ModelDocument): boolean {
    const openings = sideNames.map((name) => sideOf(document, name)).flatMap((side) => [side, ...(side.patches ?? [])]);
    const isDriven = openings.some((opening) => inletKindOf(opening) !== undefined) || (document.parts ?? []).some((part) => part.shape.kind === 'fan');
    return flowOf(document) !== 'none' && buoyancyOf(document) && !isDriven;
}
