import { useState } from 'react';
import { useStartRun } from '../api/queries';
import type { Finding, Grade } from '../api/types';
import { useScreen } from '../state/screen';

/** Starts a run unless preflight has found an error; then it shows what is wrong instead. */
export function useRunCommand(variant: number, findings: readonly Finding[]) {
    const start = useStartRun(variant);
    const set = useScreen((s) => s.set);
    const [refused, setRefused] = useState(false);
    const blocking = findings.find((finding) => finding.severity === 'error');
    const run = (grade: Grade, keepFlow = false) => {
        setRefused(blocking !== undefined);
        if (blocking) set({ stage: 'Solve', selection: [] });
        else {
            set({ openRun: null });
            start.mutate({ grade, keepFlow });
        }
    };
    return { run, pending: start.isPending, error: refused && blocking ? `Not started: ${blocking.message}` : start.isError ? start.error.message : null };
}
