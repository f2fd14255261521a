import type { SavedView } from '../api/types';
import { useScreen } from '../state/screen';
import { useAim } from '../view/camera/aim';
import { show } from '../view/shown/store';
import { showView, viewNow } from '../view/views/useSavedView';

export interface ReportPicture {
    title: string;
    caption: string;
    source: string;
}

/** Pixels across. */
const WIDTH = 1400;

/** Until the camera has come to rest and what is shown has been drawn, ms. */
const SETTLE = 1500;

const pause = (ms: number) => new Promise((after) => setTimeout(after, ms));

/** Pictures of what is shown now and of saved views, one after the other; afterwards the view is as it was. */
export async function takePictures(now: boolean, views: readonly SavedView[], onTaken: (count: number) => void): Promise<ReportPicture[]> {
    const taken: ReportPicture[] = [];
    const before = viewNow();
    const { perspective, savedView } = useScreen.getState();
    const take = (title: string, caption: string) => {
        const source = useAim.getState().snapshot?.(WIDTH);
        if (source) taken.push({ title, caption, source });
        onTaken(taken.length);
    };
    if (now) take('As shown', '');
    for (const view of views) {
        showView(view);
        await pause(SETTLE);
        take(view.name, view.caption);
    }
    if (before && views.length > 0) {
        show.apply(before.content.shown);
        useScreen.getState().set({ hidden: before.content.hidden, perspective, savedView });
        useAim.getState().give({ kind: 'pose', pose: before.content.pose });
    }
    return taken;
}
