/** A streamline: points one after the other, m, and when a particle is there, s. */
export interface Stream {
    points: Float32Array;
    times: Float32Array;
}

/** What the core sends: the number of lines and of the points of each, then x, y, z and time of every point. */
export function readStreams(bytes: ArrayBuffer): Stream[] {
    const view = new DataView(bytes);
    const count = view.getUint32(0, true);
    let at = 4 * (1 + count);
    return Array.from({ length: count }, (_, n) => {
        const length = view.getUint32(4 * (1 + n), true);
        const points = new Float32Array(3 * length);
        const times = new Float32Array(length);
        for (let i = 0; i < length; i++, at += 16) {
            for (let axis = 0; axis < 3; axis++) points[3 * i + axis] = view.getFloat32(at + 4 * axis, true);
            times[i] = view.getFloat32(at + 12, true);
        }
        return { points, times };
    });
}

/** The line without points that lie nearer than a distance to the one before and bend it by nothing that is seen. */
export function thinned({ points, times }: Stream, apart: number): Stream {
    const kept: number[] = [];
    const at = (i: number) => [points[3 * i]!, points[3 * i + 1]!, points[3 * i + 2]!] as const;
    const last = times.length - 1;
    for (let i = 0; i <= last; i++) {
        const before = kept.at(-1);
        if (before === undefined || i === last) {
            kept.push(i);
            continue;
        }
        const [a, b] = [at(before), at(i)];
        if (Math.hypot(b[0] - a[0], b[1] - a[1], b[2] - a[2]) >= apart) kept.push(i);
    }
    return { points: new Float32Array(kept.flatMap((i) => [...at(i)])), times: new Float32Array(kept.map((i) => times[i]!)) };
}

/** Where a particle is at a time between the ends of its line, m. */
export function placeAt({ points, times }: Stream, time: number, from: number): { at: [number, number, number]; segment: number } {
    let segment = from < times.length - 1 && times[from]! <= time ? from : 0;
    while (segment < times.length - 2 && times[segment + 1]! < time) segment++;
    const [a, b] = [times[segment]!, times[segment + 1]!];
    const share = b > a ? Math.min(1, Math.max(0, (time - a) / (b - a))) : 0;
    const mix = (axis: number) => points[3 * segment + axis]! + share * (points[3 * segment + 3 + axis]! - points[3 * segment + axis]!);
    return { at: [mix(0), mix(1), mix(2)], segment };
}

/** How many times slower than they are particles move, so that the middle one of the lines takes so many seconds: 1, 2 or 5 times a power of ten. */
export function slowdown(streams: readonly Stream[], seconds: number): number {
    const durations = streams.map(({ times }) => times.at(-1)! - times[0]!).sort((a, b) => a - b);
    const wanted = seconds / Math.max(durations[Math.floor(durations.length / 2)] ?? 1, 1e-9);
    const power = 10 ** Math.floor(Math.log10(wanted));
    return power * ([5, 2, 1].find((n) => n * power <= wanted) ?? 1);
}
