import { useCallback, useLayoutEffect, useMemo, useRef, useState } from 'react';

/** The same object as long as its value stays the same, for what would otherwise change with every render. */
export function useByValue<T>(value: T): T {
    const written = JSON.stringify(value);
    return useMemo(() => JSON.parse(written) as T, [written]);
}

/** A function that always reads the latest value, and is itself the same in every render. */
export function useLatest<T>(value: T): () => T {
    const latest = useRef(value);
    useLayoutEffect(() => {
        latest.current = value;
    });
    return useCallback(() => latest.current, []);
}

/** State that belongs to something else: when that becomes another one, the state is the initial one again. */
export function useStateFor<K, T>(owner: K, initial: T): [T, (next: T | ((old: T) => T)) => void] {
    const [held, setHeld] = useState({ owner, value: initial });
    const isOther = !Object.is(held.owner, owner);
    // While rendering: what belonged to the other owner is never shown, and is gone when that one comes back.
    if (isOther) setHeld({ owner, value: initial });
    const set = (next: T | ((old: T) => T)) =>
        setHeld((old) => ({ owner: old.owner, value: typeof next === 'function' ? (next as (old: T) => T)(old.value) : next }));
    return [isOther ? initial : held.value, set];
}
