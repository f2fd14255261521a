import { useEffect, useRef } from 'react';
import { useSearchParams } from 'react-router';
import { stages, useScreen, type Stage } from '../state/screen';

/** So many selected parts are named in the address. */
const MOST = 20;

/** Stage, selection and saved view in the words of the address. */
export function addressOf(stage: Stage, selection: readonly string[], savedView: number | null): URLSearchParams {
    return new URLSearchParams([
        ['stage', stage.toLowerCase()],
        ...selection.slice(0, MOST).map((id) => ['part', id]),
        ...(savedView === null ? [] : [['view', String(savedView)]]),
    ]);
}

export function fromAddress(params: URLSearchParams): { stage?: Stage; selection: string[]; savedView: number | null } {
    const stage = stages.find((name) => name.toLowerCase() === params.get('stage'));
    const view = Number(params.get('view') ?? NaN);
    return { ...(stage ? { stage } : {}), selection: params.getAll('part'), savedView: Number.isInteger(view) ? view : null };
}

/** Keeps stage, selection and saved view in the address of the page, so that a link shows what its sender saw; another variant keeps them. */
export function useAddress(variant: number): void {
    const [params, setParams] = useSearchParams();
    const { stage, selection, savedView, set } = useScreen();
    const opened = useRef<number | null>(null);
    const given = useRef(params);
    useEffect(() => {
        const first = opened.current === null;
        opened.current = variant;
        set({ hidden: [], tool: 'select', pointed: null, openRun: null, ...(first ? fromAddress(given.current) : {}) });
    }, [variant, set]);
    useEffect(() => {
        if (opened.current !== null) setParams(addressOf(stage, selection, savedView), { replace: true });
        // The address follows the screen, never the other way round once it is open.
        // eslint-disable-next-line react-hooks/exhaustive-deps
    }, [stage, selection, savedView, variant]);
}
