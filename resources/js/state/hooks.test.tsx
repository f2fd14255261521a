// @vitest-environment jsdom
import { act, renderHook } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { useByValue, useLatest, useStateFor } from './hooks';

describe('useByValue', () => {
    it('keeps the object while its value stays', () => {
        const { result, rerender } = renderHook(({ value }) => useByValue(value), { initialProps: { value: { min: [0, 1], max: [2, 3] } } });
        const first = result.current;
        rerender({ value: { min: [0, 1], max: [2, 3] } });
        expect(result.current).toBe(first);
        rerender({ value: { min: [0, 1], max: [2, 4] } });
        expect(result.current).not.toBe(first);
        expect(result.current).toEqual({ min: [0, 1], max: [2, 4] });
    });
});

describe('useLatest', () => {
    it('is one function that reads what the last render had', () => {
        const { result, rerender } = renderHook(({ value }) => useLatest(value), { initialProps: { value: 1 } });
        const read = result.current;
        rerender({ value: 2 });
        expect(result.current).toBe(read);
        expect(read()).toBe(2);
    });
});

describe('useStateFor', () => {
    const hook = () => renderHook(({ owner }) => useStateFor(owner, [] as number[]), { initialProps: { owner: 'a' } });

    it('holds what was set while it belongs to the same thing', () => {
        const { result, rerender } = hook();
        act(() => result.current[1]([1]));
        rerender({ owner: 'a' });
        act(() => result.current[1]((old) => [...old, 2]));
        expect(result.current[0]).toEqual([1, 2]);
    });

    it('never shows what belonged to another thing, nor after that comes back', () => {
        const { result, rerender } = hook();
        act(() => result.current[1]([1]));
        rerender({ owner: 'b' });
        expect(result.current[0]).toEqual([]);
        rerender({ owner: 'a' });
        expect(result.current[0]).toEqual([]);
    });
});
