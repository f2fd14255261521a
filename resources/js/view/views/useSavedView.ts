import { useCallback, useEffect, useRef } from 'react';
import { useSavedViews } from '../../api/queries';
import type { SavedView } from '../../api/types';
import { useScreen } from '../../state/screen';
import { useAim } from '../camera/aim';
import { show, shownNow } from '../shown/store';
import { readContent, type ViewContent } from './savedView';

/** Shows a saved view on whatever variant and run is on screen. */
export function showView(view: SavedView): void {
    const content = readContent(view.content);
    if (!content) return;
    show.apply(content.shown);
    const { perspective, set } = useScreen.getState();
    set({ stage: 'Judge', hidden: content.hidden, perspective: content.pose.perspective, savedView: view.id, openLayer: null });
    const aim = () => useAim.getState().give({ kind: 'pose', pose: content.pose });
    // Another kind of camera begins with the whole in view.
    if (perspective === content.pose.perspective) aim();
    else window.setTimeout(aim, 100);
}

/** What is on screen now, to be kept. */
export function viewNow(): { content: ViewContent; thumbnail: string } | null {
    const { read, snapshot } = useAim.getState();
    return read
        ? { content: { version: 1, pose: read(), shown: shownNow(), hidden: useScreen.getState().hidden, compare: null }, thumbnail: snapshot?.() ?? '' }
        : null;
}

/** Shows the view that the address of the page names, once it is there and there is a camera to show it with. */
export function useAddressedView(project: number): void {
    const wanted = useScreen((s) => s.savedView);
    const views = useSavedViews(project).data;
    const ready = useAim((s) => s.read !== null);
    const first = useRef(wanted);
    const once = useCallback(() => {
        const view = views?.find((v) => v.id === first.current);
        if (view && ready) {
            first.current = null;
            showView(view);
        }
    }, [views, ready]);
    useEffect(once, [once]);
}
