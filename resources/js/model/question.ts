import type { ModelDocument } from './document';
import { computesCurrents, heatOf, withCurrents, withHeat } from './space';

/** What a model is to answer. */
export const questions = {
    heat: 'Temperatures against limits',
    air: 'Only where the air goes',
    current: 'Current in copper and the heat it makes',
} as const;
export type Question = keyof typeof questions;

export function questionOf(document: ModelDocument): Question {
    if (!heatOf(document)) return 'air';
    return computesCurrents(document) ? 'current' : 'heat';
}

/** Asks something else; the currents and watts that were given stay. */
export const withQuestion = (document: ModelDocument, question: Question): ModelDocument => {
    const asked = withHeat(document, question !== 'air');
    return computesCurrents(document) || question === 'current' ? withCurrents(asked, question === 'current') : asked;
};
