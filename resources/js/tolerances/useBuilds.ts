import { useFoundWhatIf } from '../api/queries';
import type { ModelDocument } from '../model/document';
import { isCurrent } from './tolerances';

/** The share of builds that meet every limit, as it was found from a run for the tolerances that the model has now; null where it is not known. */
export function useBuilds(document: ModelDocument | undefined, run: number | undefined): number | null {
    const found = useFoundWhatIf(run).whatIf?.tolerances;
    return document && found && isCurrent(document, found) && found.rows.every(({ changes }) => changes !== null) ? found.met : null;
}
