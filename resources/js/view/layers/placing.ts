export interface Anchor {
    /** Where what is named is in the picture, pixels. */
    x: number;
    y: number;
    width: number;
    height: number;
}

export interface Place {
    x: number;
    y: number;
}

/** Pixels between a label and what it names, at the nearest. */
const GAP = 16;
const STEPS = 5;

/** Directions that are tried, the best one first. */
const tries: readonly (readonly [number, number])[] = [
    [0, -1],
    [1, -1],
    [-1, -1],
    [1, 0],
    [-1, 0],
    [0, 1],
    [1, 1],
    [-1, 1],
];

const overlap = (a: Place & { width: number; height: number }, b: Place & { width: number; height: number }): boolean =>
    a.x < b.x + b.width + 2 && b.x < a.x + a.width + 2 && a.y < b.y + b.height + 2 && b.y < a.y + a.height + 2;

/**
 * Upper left corners of labels that do not overlap each other nor what stands over the picture, the first ones first; null where there is
 * no room, or the place is out of the picture.
 */
export function place(anchors: readonly Anchor[], picture: { width: number; height: number }, obstacles: readonly Anchor[] = []): (Place | null)[] {
    const taken: (Place & { width: number; height: number })[] = [...obstacles];
    return anchors.map(({ x, y, width, height }) => {
        if (x < 0 || y < 0 || x > picture.width || y > picture.height) return null;
        for (let step = 1; step <= STEPS; step++) {
            for (const [right, down] of tries) {
                const label = {
                    x: x - width / 2 + right * (width / 2 + step * GAP),
                    y: y - height / 2 + down * (height / 2 + step * GAP),
                    width,
                    height,
                };
                const fits = label.x >= 2 && label.y >= 2 && label.x + width <= picture.width - 2 && label.y + height <= picture.height - 2;
                if (fits && !taken.some((other) => overlap(label, other))) {
                    taken.push(label);
                    return { x: label.x, y: label.y };
                }
            }
        }
        return null;
    });
}
