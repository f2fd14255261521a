/** A box along the axes, m. */
export interface Box {
    min: readonly number[];
    max: readonly number[];
}

/** The least box around others. */
export const boxAround = (boxes: readonly Box[]): { min: number[]; max: number[] } => ({
    min: [0, 1, 2].map((n) => Math.min(...boxes.map((box) => box.min[n]!))),
    max: [0, 1, 2].map((n) => Math.max(...boxes.map((box) => box.max[n]!))),
});
