import type { ModelDocument } from './document';

/** The course in time that is asked of a model. */
export interface TimeEntry {
    kind?: 'steady' | 'transient';
    end?: string | number;
    step?: string | number | { tolerance?: string | number };
    start?: 'steady' | 'periodic' | { uniform: string | number };
    air?: 'frozen';
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
    const entry = { kind: 'transient', end: '10 min', start: 'steady', ...(time?.kind === 'transient' ? time : {}), ...fields };
    return { ...document, analysis: { ...others, time: Object.fromEntries(Object.entries(entry).filter(([, value]) => value !== undefined)) } };
}
