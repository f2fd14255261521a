import type { Take } from './catalogue';

/** A field on the rectilinear grid, as the core stores it. */
export interface Field {
    /** Grid lines in metres along x, y, z. */
    lines: [number[], number[], number[]];
    cells: [number, number, number];
    /** SI units per cell, NaN where there is no value. */
    values: Float32Array;
    /** Number of the part that each cell belongs to, counted from 1; 0 for fluid. Null where it does not matter. */
    owners: Uint16Array | null;
    /** Least and greatest value and where they are, metres. */
    min: Extreme;
    max: Extreme;
    /** Least and greatest value of the cells that belong to parts. */
    solid: { min: Extreme; max: Extreme } | null;
}

export interface Extreme {
    value: number;
    at: [number, number, number];
}

const centre = (line: number[], i: number): number => 0.5 * (line[i]! + line[i + 1]!);

/** Owner of a cell in which nothing is computed. */
export const DEAD = -1;

export function makeField(lines: readonly number[][], values: Float32Array, owners: Uint16Array | null = null): Field {
    const [x, y, z] = lines as [number[], number[], number[]];
    const cells: [number, number, number] = [x.length - 1, y.length - 1, z.length - 1];
    if (values.length !== cells[0] * cells[1] * cells[2]) throw new Error(`The field has ${values.length} values, the grid ${cells.join(' × ')} cells.`);
    const extreme = (c: number): Extreme => ({
        value: values[c] ?? NaN,
        at: [centre(x, c % cells[0]), centre(y, Math.floor(c / cells[0]) % cells[1]), centre(z, Math.floor(c / (cells[0] * cells[1])))],
    });
    const extremes = (counts: (c: number) => boolean): { min: Extreme; max: Extreme } | null => {
        let low = -1;
        let high = -1;
        for (let c = 0; c < values.length; c++) {
            if (Number.isNaN(values[c]) || !counts(c)) continue;
            if (low < 0 || values[c]! < values[low]!) low = c;
            if (high < 0 || values[c]! > values[high]!) high = c;
        }
        return low < 0 ? null : { min: extreme(low), max: extreme(high) };
    };
    const all = extremes(() => true) ?? { min: extreme(-1), max: extreme(-1) };
    return { lines: [x, y, z], cells, values, owners, ...all, solid: owners === null ? all : extremes((c) => owners[c]! > 0) };
}

/** One component of a stored field, or the length of its three; a vector without length has no value, since only what cannot flow is exactly at rest. */
export function taken(stored: Float32Array, take: Take): Float32Array {
    const n = stored.length / 3;
    if (take === 'value') return stored;
    const [x, y, z] = [stored.subarray(0, n), stored.subarray(n, 2 * n), stored.subarray(2 * n)];
    const values = new Float32Array(n);
    for (let c = 0; c < n; c++) {
        const length = Math.hypot(x[c]!, y[c]!, z[c]!);
        values[c] = length > 0 ? (take === 'length' ? length : [x, y, z][take]![c]!) : NaN;
    }
    return values;
}

/** Least and greatest value of a stored field, where parts have one in the cells of parts; null where it has none. */
export function extremesOf(values: Float32Array, owners: Uint16Array | null): [number, number] | null {
    let [min, max] = [Infinity, -Infinity];
    for (let c = 0; c < values.length; c++) {
        if (Number.isNaN(values[c]) || owners?.[c] === 0) continue;
        [min, max] = [Math.min(min, values[c]!), Math.max(max, values[c]!)];
    }
    return min <= max ? [min, max] : null;
}

/** Number of the cell along an axis that holds a place; the nearest one outside. */
export function cellAt(line: readonly number[], x: number): number {
    let low = 0;
    let high = line.length - 1;
    while (high - low > 1) {
        const middle = (low + high) >> 1;
        if (line[middle]! <= x) low = middle;
        else high = middle;
    }
    return low;
}

/** Where a place lies among the centres of the cells: the lower one of the two beside it, and the share of the way to the next. */
function between(line: readonly number[], x: number): [number, number] {
    const cell = cellAt(line, x);
    const last = line.length - 2;
    const low = x < 0.5 * (line[cell]! + line[cell + 1]!) ? cell - 1 : cell;
    if (low < 0) return [0, 0];
    if (low >= last) return [last, 0];
    const a = 0.5 * (line[low]! + line[low + 1]!);
    const b = 0.5 * (line[low + 1]! + line[low + 2]!);
    return [low, (x - a) / (b - a)];
}

/** Number of the owner of the cell at a place: a part from 1, 0 for fluid, DEAD where the field has no value. */
export function ownerAt(field: Field, [x, y, z]: readonly [number, number, number]): number {
    const [nx, ny] = field.cells;
    const cell = cellAt(field.lines[0], x) + nx * (cellAt(field.lines[1], y) + ny * cellAt(field.lines[2], z));
    return Number.isNaN(field.values[cell]) ? DEAD : (field.owners?.[cell] ?? 0);
}

/** The eight cells around a place and the weight of each: what a value there is mixed from. */
export interface Around {
    cells: Int32Array;
    weights: Float64Array;
}

/** Fills in what is around a place; the same for all fields of a grid. */
export function lookAround(field: Field, [x, y, z]: readonly [number, number, number], around: Around): void {
    const [nx, ny, nz] = field.cells;
    const [i, right] = between(field.lines[0], x);
    const [j, back] = between(field.lines[1], y);
    const [k, up] = between(field.lines[2], z);
    for (let n = 0; n < 8; n++) {
        const [a, b, c] = [n & 1, (n >> 1) & 1, n >> 2];
        around.weights[n] = (a ? right : 1 - right) * (b ? back : 1 - back) * (c ? up : 1 - up);
        around.cells[n] = Math.min(i + a, nx - 1) + nx * (Math.min(j + b, ny - 1) + ny * Math.min(k + c, nz - 1));
    }
}

export const noPlace = (): Around => ({ cells: new Int32Array(8), weights: new Float64Array(8) });

/** The value at a place whose surroundings are known; see sample. */
export function valueAround({ values, owners }: Field, { cells, weights }: Around, owner: number): number | null {
    let sum = 0;
    let all = 0;
    for (let n = 0; n < 8; n++) {
        const c = cells[n]!;
        const weight = weights[n]!;
        const value = values[c]!;
        if (weight > 0 && !Number.isNaN(value) && (owners?.[c] ?? 0) === owner) {
            sum += weight * value;
            all += weight;
        }
    }
    return all > 1e-9 ? sum / all : null;
}

/** The value at a place, as it is painted: straight between the centres of the cells of one owner around it. Null where that has none there. */
export function sample(field: Field, at: readonly [number, number, number], owner: number): number | null {
    const around = noPlace();
    lookAround(field, at, around);
    return valueAround(field, around, owner);
}

/** Depths at which the value under a surface is looked for, as shares of the diagonal: a round or turned part is made of steps, and its true surface may lie outside them. */
export const DEPTHS = [5e-4, 4e-3, 1.2e-2] as const;

/** The value of a part under its surface, as it is painted; null where it has none. */
export function sampleUnder(field: Field, at: readonly [number, number, number], normal: readonly [number, number, number], owner: number): number | null {
    const diagonal = Math.hypot(...field.lines.map((line) => line.at(-1)! - line[0]!));
    for (const depth of DEPTHS) {
        const value = sample(field, at.map((x, n) => x - depth * diagonal * normal[n]!) as [number, number, number], owner);
        if (value !== null) return value;
    }
    return null;
}

/** Value and owner per cell for the texture that surfaces are coloured from; a surface takes cells of its own part only. */
export function textureData(field: Field): Float32Array {
    const { values, owners } = field;
    const data = new Float32Array(values.length * 2);
    for (let c = 0; c < values.length; c++) {
        const live = !Number.isNaN(values[c]);
        data[2 * c] = live ? values[c]! : 0;
        data[2 * c + 1] = live ? (owners?.[c] ?? 0) : DEAD;
    }
    return data;
}

/** Numbers of the cells that hold so many evenly spaced places along an axis. */
export const cellHints = (line: readonly number[], steps: number): number[] =>
    Array.from({ length: steps }, (_, s) => cellAt(line, line[0]! + ((line.at(-1)! - line[0]!) * s) / (steps - 1)));
