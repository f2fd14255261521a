import { hasArtwork, layersOf, written, type LayerEntry } from './copper';
import type { PartEntry, Place } from './document';

export const drawnKinds = { track: 'Track', pour: 'Pour', pad: 'Pad' } as const;
export type DrawnKind = keyof typeof drawnKinds;

/** A piece of copper drawn by hand on a layer of a board: a track along points, a pour within corners, or a pad. */
export interface DrawnEntry {
    kind: DrawnKind;
    points?: Place[];
    at?: Place;
    width?: string | number;
    size?: Place;
    diameter?: string | number;
    net?: string;
    /** Whether copper is taken away there. */
    clear?: boolean;
}

/** Points without which there is no such piece. */
export const fewestPoints: Record<DrawnKind, number> = { track: 2, pour: 3, pad: 1 };

const nameOf = (layer: LayerEntry, n: number): string => layer.name ?? `Layer ${n + 1}`;

export const drawnOn = (board: PartEntry, layer: string): DrawnEntry[] =>
    (layersOf(board).find((one, n) => nameOf(one, n) === layer)?.drawn as DrawnEntry[] | undefined) ?? [];

const withLayers = (board: PartEntry, change: (layer: LayerEntry, n: number) => LayerEntry): Partial<PartEntry> => ({
    shape: { ...board.shape, layers: layersOf(board).map(change) } as PartEntry['shape'],
});

/** Sets the nth piece of a layer, or one more; without it, it is removed. */
export const withDrawn = (board: PartEntry, layer: string, n: number, piece: DrawnEntry | undefined): Partial<PartEntry> =>
    withLayers(board, (one, at) => {
        if (nameOf(one, at) !== layer) return one;
        const present = (one.drawn as DrawnEntry[] | undefined) ?? [];
        const drawn = piece ? [...present.slice(0, n), piece, ...present.slice(n + 1)] : present.filter((_piece, i) => i !== n);
        return { ...one, drawn: drawn.length > 0 ? drawn : undefined };
    });

/** A piece through places that were picked, m. */
export function pickedPiece(kind: DrawnKind, places: readonly (readonly number[])[]): DrawnEntry {
    const points = places.map(written);
    return kind === 'pad' ? { kind, at: points[0]!, size: ['3 mm', '2 mm'] } : { kind, points, ...(kind === 'track' && { width: '1 mm' }) };
}

/** Number of the uppermost layer whose copper is known by its share alone; below 0 where there is none. */
const shared = (board: PartEntry): number =>
    layersOf(board)
        .map(({ copper, artwork, drawn }) => artwork === undefined && drawn === undefined && Number.parseFloat(String(copper ?? 0)) > 0)
        .lastIndexOf(true);

/** Name of the next layer that can be drawn, from the top; null where there is none. */
export function nextToDraw(board: PartEntry): string | null {
    const at = shared(board);
    return at < 0 ? null : (layersOf(board)[at]!.name ?? (hasArtwork(board) ? nameOf(layersOf(board)[at]!, at) : 'Top'));
}

/** That layer as a pour over all of the board, to be cut and added to. */
export function withNextDrawn(board: PartEntry): Partial<PartEntry> {
    const [x, y] = (board.shape as { size?: Place }).size ?? ['10 mm', '10 mm'];
    const points: Place[] = [
        ['0 mm', '0 mm'],
        [x!, '0 mm'],
        [x!, y!],
        ['0 mm', y!],
    ];
    const [at, name] = [shared(board), nextToDraw(board)];
    return {
        material: undefined,
        ...withLayers(board, (layer, n) => (n === at && name !== null ? { ...layer, name, drawn: [{ kind: 'pour', points }] } : layer)),
    };
}
