/** Undo and redo as a pure reducer over whole documents, each with the name of the step that left it. */
export interface Step<T> {
    label: string;
    before: T;
    after: T;
}

export interface History<T> {
    past: Step<T>[];
    future: Step<T>[];
}

export type HistoryAction<T> = { type: 'done'; step: Step<T> } | { type: 'undone' } | { type: 'redone' } | { type: 'cleared' };

const MOST_STEPS = 200;

export const emptyHistory = <T>(): History<T> => ({ past: [], future: [] });

export function historyReducer<T>(history: History<T>, action: HistoryAction<T>): History<T> {
    switch (action.type) {
        case 'done':
            return { past: [...history.past, action.step].slice(-MOST_STEPS), future: [] };
        case 'undone': {
            const step = history.past.at(-1);
            return step ? { past: history.past.slice(0, -1), future: [step, ...history.future] } : history;
        }
        case 'redone': {
            const [step, ...rest] = history.future;
            return step ? { past: [...history.past, step], future: rest } : history;
        }
        case 'cleared':
            return emptyHistory();
    }
}
