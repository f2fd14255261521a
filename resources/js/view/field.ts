/** A field on the rectilinear grid, as the core stores it. */
export interface Field {
    /** Grid lines in metres along x, y, z. */
    lines: [number[], number[], number[]];
    cells: [number, number, number];
    /** Kelvin (or m/s) per cell, NaN where nothing is computed. */
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

export function makeField(lines: number[][], bytes: ArrayBuffer, parts: ArrayBuffer | null = null): Field {
    const [x, y, z] = lines as [number[], number[], number[]];
    const cells: [number, number, number] = [x.length - 1, y.length - 1, z.length - 1];
    const values = new Float32Array(bytes);
    const owners = parts === null ? null : new Uint16Array(parts);
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

/** Value and owner per cell for the texture that surfaces are coloured from; a surface takes cells of its own part only. */
export function textureData(field: Field): Float32Array {
    const { values, owners } = field;
    const span = Math.max(field.max.value - field.min.value, 1e-9);
    const data = new Float32Array(values.length * 2);
    for (let c = 0; c < values.length; c++) {
        const live = !Number.isNaN(values[c]);
        data[2 * c] = live ? (values[c]! - field.min.value) / span : 0;
        data[2 * c + 1] = live ? (owners?.[c] ?? 0) : DEAD;
    }
    return data;
}

/** Texture coordinate (0 to 1) of so many evenly spaced places along an axis with uneven cells. */
export function coordinateMap(line: number[], steps: number): Float32Array {
    const n = line.length - 1;
    const from = line[0]!;
    const to = line[n]!;
    const map = new Float32Array(steps);
    let i = 0;
    for (let s = 0; s < steps; s++) {
        const x = from + ((to - from) * s) / (steps - 1);
        while (i < n - 1 && x > centre(line, i + 1)) i++;
        const a = centre(line, i);
        const b = i < n - 1 ? centre(line, i + 1) : to;
        const inside = x <= a ? 0 : Math.min((x - a) / (b - a), 1);
        map[s] = (i + 0.5 + (i < n - 1 ? inside : 0)) / n;
    }
    return map;
}
