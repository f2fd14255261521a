import { useEffect, useRef } from 'react';
import { isActive, useStartRun } from '../api/queries';
import type { Finding } from '../api/types';
import type { ModelDocument } from '../model/document';
import type { ModelEditor } from '../model/useModelEditor';
import { usePreferences, useScreen } from '../state/screen';
import { differences } from '../variants/differences';
import type { RunState } from './useRunState';

/** Fields of parts that hardly move the air: temperatures on the flow as it is are a fair first answer. */
const THERMAL = ['power', 'material', 'surface'];

/** Whether two models differ in nothing that drives or hinders the flow. */
export const keepsFlow = (from: ModelDocument, to: ModelDocument): boolean =>
    differences(from, to).every(
        ({ path: [section, , field] }) =>
            section === 'limits' ||
            section === 'watches' ||
            section === 'name' ||
            (section === 'parts' && typeof field === 'string' && THERMAL.includes(field)),
    );

/** What live does now, for who looks. */
export type LiveState = 'off' | 'waits for an edit' | 'waits: the model has an error' | 'goes on';

/**
 * While it is switched on every saved edit starts a run on the coarsest grid from the last flow, in place of the one that goes on. After
 * changed watts or materials temperatures come first, on the flow as it is, and the flow follows.
 */
export function useLive(variant: number, editor: ModelEditor, runs: RunState, findings: readonly Finding[], mayEdit: boolean): LiveState {
    const on = usePreferences((s) => s.live) && mayEdit;
    const set = useScreen((s) => s.set);
    const { mutate } = useStartRun(variant);
    const saved = editor.state === 'saved' ? editor.revision : undefined;
    const last = useRef<{ variant: number; hash: string; document: ModelDocument } | null>(null);
    // Runs of temperatures alone that live has started; the flow follows them.
    const follows = useRef<string | null>(null);
    const blocked = findings.some(({ severity }) => severity === 'error');
    const { latest } = runs;
    const hasFlow = runs.result?.flow != null;

    useEffect(() => {
        if (!saved) return;
        const before = last.current;
        last.current = { variant, hash: saved.hash, document: saved.document };
        // What is opened is looked at first; only edits start something.
        if (!on || blocked || before === null || before.variant !== variant || before.hash === saved.hash) return;
        const keepFlow = hasFlow && keepsFlow(before.document, saved.document);
        follows.current = keepFlow ? saved.hash : null;
        set({ openRun: null });
        mutate({ grade: 'scout', keepFlow });
    }, [saved, on, blocked, hasFlow, variant, set, mutate]);

    useEffect(() => {
        if (!on || follows.current === null || isActive(latest) || latest?.state !== 'solved' || !latest.keepFlow || latest.model !== follows.current) return;
        follows.current = null;
        mutate({ grade: 'scout', keepFlow: false });
    }, [on, latest, mutate]);

    if (!on) return 'off';
    return blocked ? 'waits: the model has an error' : isActive(latest) ? 'goes on' : 'waits for an edit';
}
