import { useHotkeys } from 'react-hotkeys-hook';
import { keys, liesOver, type KeyContext } from './keys';
import { usePreferences } from '../state/screen';

const bound = keys.filter((key) => key.run !== undefined);
const produced = bound.filter((key) => key.hotkey === '?');
const pressed = bound.filter((key) => key.hotkey !== '?');

/** The keys of the project screen; not while something is typed or lies over it. */
export function useKeys(context: KeyContext): void {
    const letters = usePreferences((s) => s.letterKeys);
    const run =
        (list: typeof bound) =>
        (event: KeyboardEvent, { hotkey }: { hotkey: string }) => {
            const key = list.find((k) => k.hotkey === hotkey);
            if (!key?.run || (key.plain && !letters)) return;
            event.preventDefault();
            key.run(context);
        };
    const options = { ignoreEventWhen: (event: KeyboardEvent) => event.defaultPrevented || liesOver(event.target) };
    useHotkeys(
        pressed.map((k) => k.hotkey),
        run(pressed),
        options,
        [context, letters],
    );
    useHotkeys(
        produced.map((k) => k.hotkey),
        run(produced),
        { ...options, useKey: true, ignoreModifiers: true },
        [context, letters],
    );
}
