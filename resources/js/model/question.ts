import type { ModelDocument } from './document';
import { computesCurrents, heatOf, withCurrents, withHeat } from './space';
import { timeOf, withTime } from './time';

/** What a model is to answer. */
export const questions = {
    heat: 'Temperatures against limits',
    time: 'How it warms up, over time',
    air: 'Only where the air goes',
    current: 'Current in copper and the heat it makes',
} as const;
export type Question = keyof typeof questions;

export function questionOf(document: ModelDocument): Question {
    if (!heatOf(document)) return 'air';
    if (timeOf(document)) return 'time';
    return computesCurrents(document) ? 'current' : 'heat';
}

/** Asks something else; the currents and watts that were given stay. */
export function withQuestion(document: ModelDocument, question: Question): ModelDocument {
    const heated = withHeat(document, question !== 'air');
    if (question === 'time') return withTime(heated, {});
    const asked = timeOf(heated) ? withTime(heated, null) : heated;
    return computesCurrents(document) || question === 'current' ? withCurrents(asked, question === 'current') : asked;
}
