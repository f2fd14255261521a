import type { CopperTerminal } from '../model/copper';
import type { DrawnEntry } from '../model/drawn';
import { plainLength } from '../units/units';
import type { Mark } from './LayerPicture';
import { pathOf } from './useDrawing';

/** Metres of a length that is no formula. */
const lengthOf = (text: string | number | undefined): number => (text === undefined ? NaN : (plainLength(text) ?? NaN));

const known = ({ at, size }: Mark): boolean => [...at, ...size].every(Number.isFinite);

/** The terminals of a layer, as far as their places are no formulas. */
export const terminalMarks = (terminals: readonly CopperTerminal[], layer: string, lit: string | null): Mark[] =>
    terminals
        .flatMap((terminal, n): (Mark & { layer: string })[] =>
            [terminal.at, ...(terminal.pads ?? [])].map((place, pad) => ({
                key: `terminal ${n} ${pad}`,
                at: place.map(lengthOf),
                size: terminal.diameter === undefined ? (terminal.size ?? []).map(lengthOf) : [lengthOf(terminal.diameter), lengthOf(terminal.diameter)],
                isRound: terminal.diameter !== undefined,
                title: pad === 0 ? terminal.name : '',
                isLit: terminal.name === lit,
                layer: terminal.layer,
            })),
        )
        .filter((mark) => mark.layer === layer && known(mark));

/** The line of a piece that is drawn by hand, as far as its places are no formulas. */
export function pieceOutline(piece: DrawnEntry | undefined): string | undefined {
    const points = (piece?.points ?? []).map((place) => place.map(lengthOf));
    return points.flat().every(Number.isFinite) ? pathOf(points, piece?.kind === 'pour' ? (points[0] ?? null) : null) : undefined;
}

/** Plated holes. */
export const holeMarks = (holes: readonly (readonly number[])[]): Mark[] =>
    holes.map(([x, y, diameter], n) => ({ key: `hole ${n}`, at: [x!, y!], size: [diameter!, diameter!], isRound: true, title: '', isLit: false }));
