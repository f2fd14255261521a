// @vitest-environment jsdom
import { act, renderHook, waitFor } from '@testing-library/react';
import { beforeEach, describe, expect, it } from 'vitest';
import type { Result, Run } from '../api/types';
import { answering, Frame, sampleResult, sampleRevision, sampleRun } from '../fixtures';
import type { ModelDocument } from '../model/document';
import type { ModelEditor } from '../model/useModelEditor';
import { usePreferences } from '../state/screen';
import { keepsFlow, useLive } from './useLive';

const part = { id: 'chip', name: 'Chip', shape: { kind: 'block' }, at: ['1 mm', 0, 0], power: '5 W' };
const model = (fields: object = {}): ModelDocument => ({ parts: [{ ...part, ...fields }], limits: [] });
const flowing = sampleResult({ flow: {} as NonNullable<Result['flow']> });

interface Now {
    document: ModelDocument;
    hash: string;
    state?: ModelEditor['state'];
    latest?: Run;
    error?: boolean;
    mayEdit?: boolean;
}

const start = (first: Now) => {
    const requests = answering({ 'POST /api/variants/7/runs': sampleRun({ id: 30 }), 'GET /api/variants/7/runs': [] });
    const hook = renderHook(
        ({ document, hash, state = 'saved', latest = sampleRun(), error = false, mayEdit = true }: Now) =>
            useLive(
                7,
                { state, revision: sampleRevision(document, undefined, { hash }) } as ModelEditor,
                { latest, shown: latest, result: flowing, stale: false, point: null, base: 1 },
                error ? [{ severity: 'error' } as never] : [],
                mayEdit,
            ),
        { wrapper: Frame, initialProps: first },
    );
    const asked = () => requests.filter(({ method }) => method === 'POST').map(({ body }) => body);
    return { ...hook, asked };
};

beforeEach(() => usePreferences.setState({ live: true }));

describe('what hardly moves the air', () => {
    it('are watts, materials and limits, not places and shapes', () => {
        expect(keepsFlow(model(), model({ power: '7 W', material: 'copper' }))).toBe(true);
        expect(keepsFlow(model(), { ...model(), limits: [{ id: 'l', of: { part: 'chip' }, atMost: '80 degC' }] })).toBe(true);
        expect(keepsFlow(model(), model({ at: ['2 mm', 0, 0] }))).toBe(false);
        expect(keepsFlow(model(), { ...model(), parts: [] })).toBe(false);
    });
});

describe('live', () => {
    it('starts nothing when a model is opened, and a coarse run after an edit is saved', async () => {
        const { result, rerender, asked } = start({ document: model(), hash: 'a' });
        expect(result.current).toBe('waits for an edit');
        rerender({ document: model({ at: ['2 mm', 0, 0] }), hash: 'a', state: 'saving' });
        expect(asked()).toEqual([]);
        rerender({ document: model({ at: ['2 mm', 0, 0] }), hash: 'b' });
        await waitFor(() => expect(asked()).toEqual([{ grade: 'scout', keepFlow: false }]));
    });

    it('answers changed watts on the flow as it is first, and lets the flow follow', async () => {
        const { rerender, asked } = start({ document: model(), hash: 'a' });
        const hot = model({ power: '9 W' });
        rerender({ document: hot, hash: 'b' });
        await waitFor(() => expect(asked()).toEqual([{ grade: 'scout', keepFlow: true }]));
        rerender({ document: hot, hash: 'b', latest: sampleRun({ id: 30, keepFlow: true, model: 'b', state: 'running' }) });
        expect(asked()).toHaveLength(1);
        rerender({ document: hot, hash: 'b', latest: sampleRun({ id: 30, keepFlow: true, model: 'b' }) });
        await waitFor(() => expect(asked().at(-1)).toEqual({ grade: 'scout', keepFlow: false }));
        rerender({ document: hot, hash: 'b', latest: sampleRun({ id: 31, keepFlow: true, model: 'b' }) });
        expect(asked()).toHaveLength(2);
    });

    it('waits while the model has an error, is off by default and for who may not edit', () => {
        const { result, rerender, asked } = start({ document: model(), hash: 'a' });
        rerender({ document: model({ at: [9, 0, 0] }), hash: 'b', error: true });
        expect(result.current).toBe('waits: the model has an error');
        rerender({ document: model({ at: [8, 0, 0] }), hash: 'c', mayEdit: false });
        expect(result.current).toBe('off');
        act(() => {
            usePreferences.setState({ live: false });
        });
        rerender({ document: model({ at: [7, 0, 0] }), hash: 'd' });
        expect(asked()).toEqual([]);
    });
});
