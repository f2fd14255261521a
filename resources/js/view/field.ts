/** A temperature field on the rectilinear grid, as the core stores it. */
export interface Field {
    /** Grid lines in metres along x, y, z. */
    lines: [number[], number[], number[]];
    cells: [number, number, number];
    /** Kelvin per cell, NaN where nothing is computed. */
    values: Float32Array;
    /** Least and greatest value and where they are, metres. */
    min: Extreme;
    max: Extreme;
}

export interface Extreme {
    value: number;
    at: [number, number, number];
}

const centre = (line: number[], i: number): number => 0.5 * (line[i]! + line[i + 1]!);

export function makeField(lines: number[][], bytes: ArrayBuffer): Field {
    const [x, y, z] = lines as [number[], number[], number[]];
    const cells: [number, number, number] = [x.length - 1, y.length - 1, z.length - 1];
    const values = new Float32Array(bytes);
    if (values.length !== cells[0] * cells[1] * cells[2]) throw new Error(`The field has ${values.length} values, the grid ${cells.join(' × ')} cells.`);
    let low = -1;
    let high = -1;
    for (let c = 0; c < values.length; c++) {
        if (Number.isNaN(values[c])) continue;
        if (low < 0 || values[c]! < values[low]!) low = c;
        if (high < 0 || values[c]! > values[high]!) high = c;
    }
    const extreme = (c: number): Extreme => ({
        value: values[c] ?? NaN,
        at: [centre(x, c % cells[0]), centre(y, Math.floor(c / cells[0]) % cells[1]), centre(z, Math.floor(c / (cells[0] * cells[1])))],
    });
    return { lines: [x, y, z], cells, values, min: extreme(low), max: extreme(high) };
}

/**
 * Value and mask per cell for a linear-filtering texture: empty cells next to solid ones take the mean of these, so that
 * a surface between the two shows the temperature of the solid.
 */
export function textureData(field: Field): Float32Array {
    const [nx, ny, nz] = field.cells;
    const { values } = field;
    const data = new Float32Array(values.length * 2);
    const strides = [1, nx, nx * ny];
    const sizes = [nx, ny, nz];
    for (let c = 0; c < values.length; c++) {
        const own = values[c]!;
        if (!Number.isNaN(own)) {
            data[2 * c] = own;
            data[2 * c + 1] = 1;
            continue;
        }
        const index = [c % nx, Math.floor(c / nx) % ny, Math.floor(c / (nx * ny))];
        let sum = 0;
        let count = 0;
        for (let axis = 0; axis < 3; axis++) {
            for (const step of [-1, 1]) {
                const i = index[axis]! + step;
                if (i < 0 || i >= sizes[axis]!) continue;
                const neighbour = values[c + step * strides[axis]!]!;
                if (!Number.isNaN(neighbour)) {
                    sum += neighbour;
                    count++;
                }
            }
        }
        data[2 * c] = count > 0 ? sum / count : field.min.value;
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
