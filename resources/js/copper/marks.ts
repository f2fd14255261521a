import type { CopperTerminal, ViaGroup } from '../model/copper';
import { plainNumber } from '../units/units';
import type { Mark } from './LayerPicture';

const metres = { m: 1, cm: 1e-2, mm: 1e-3, um: 1e-6, in: 0.0254, mil: 25.4e-6 };

/** Metres of a length that is no formula. */
const lengthOf = (text: string | number | undefined): number => (text === undefined ? NaN : (plainNumber(text, metres) ?? NaN));

const known = ({ at, size }: Mark): boolean => [...at, ...size].every(Number.isFinite);

/** The terminals of a layer, as far as their places are no formulas. */
export const terminalMarks = (terminals: readonly CopperTerminal[], layer: string, lit: string | null): Mark[] =>
    terminals
        .map((terminal, n): Mark & { layer: string } => ({
            key: `terminal ${n}`,
            at: terminal.at.map(lengthOf),
            size: terminal.diameter === undefined ? (terminal.size ?? []).map(lengthOf) : [lengthOf(terminal.diameter), lengthOf(terminal.diameter)],
            isRound: terminal.diameter !== undefined,
            title: terminal.name,
            isLit: terminal.name === lit,
            layer: terminal.layer,
        }))
        .filter((mark) => mark.layer === layer && known(mark));

/** Vias that were added by hand. */
export const viaMarks = (groups: readonly ViaGroup[]): Mark[] =>
    groups.flatMap((group, g) => {
        const [columns, rows] = [Number(group.columns ?? 1), Number(group.rows ?? 1)];
        const [drill, pitch] = [lengthOf(group.drill), lengthOf(group.pitch ?? group.drill)];
        const [x, y] = group.at.map(lengthOf);
        const marks = Array.from({ length: Math.min(200, columns * rows || 0) }, (_one, n): Mark => ({
            key: `via ${g} ${n}`,
            at: [x! + pitch * ((n % columns) - 0.5 * (columns - 1)), y! + pitch * (Math.floor(n / columns) - 0.5 * (rows - 1))],
            size: [drill, drill],
            isRound: true,
            title: '',
            isLit: false,
        }));
        return marks.filter(known);
    });
