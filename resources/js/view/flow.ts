import type { Section } from '../project/screenState';
import { makeField, type Field } from './field';

/** Velocities on the rectilinear grid in the middle of the cells, as the core stores them: three components one after the other. */
export interface Flow {
    speed: Field;
    components: [Float32Array, Float32Array, Float32Array];
}

export function makeFlow(lines: number[][], bytes: ArrayBuffer): Flow {
    const all = new Float32Array(bytes);
    const n = all.length / 3;
    const components: Flow['components'] = [all.subarray(0, n), all.subarray(n, 2 * n), all.subarray(2 * n)];
    const speeds = new Float32Array(n);
    for (let c = 0; c < n; c++) {
        const speed = Math.hypot(components[0][c]!, components[1][c]!, components[2][c]!);
        // Exactly at rest is only what cannot flow.
        speeds[c] = speed > 0 ? speed : NaN;
    }
    return { speed: makeField(lines, speeds.buffer), components };
}

const ARROWS = 30;

function cellAt(line: number[], x: number): number {
    let low = 0;
    let high = line.length - 1;
    while (high - low > 1) {
        const middle = (low + high) >> 1;
        if (line[middle]! <= x) low = middle;
        else high = middle;
    }
    return low;
}

export interface Arrows {
    /** End points of the strokes, metres: a shaft and two strokes of the head each. */
    places: Float32Array;
    /** Light on the dark colours of slow air, dark on the light ones of fast air. */
    colours: Float32Array;
}

/** The flow in a section as arrows, the fastest as long as 1.6 steps between them. */
export function arrows(flow: Flow, section: Section): Arrows {
    const { lines, cells, values, max } = flow.speed;
    const [a, b] = [
        [1, 2],
        [0, 2],
        [0, 1],
    ][section.axis] as [0 | 1 | 2, 0 | 1 | 2];
    const span = (axis: number) => lines[axis]!.at(-1)! - lines[axis]![0]!;
    const step = Math.max(span(a), span(b)) / ARROWS;
    const strokes: number[] = [];
    const colours: number[] = [];
    const place: [number, number, number] = [0, 0, 0];
    place[section.axis] = section.position + 0.02 * step;
    const index = [0, 0, 0];
    index[section.axis] = cellAt(lines[section.axis], section.position);
    for (let y = lines[b][0]! + 0.5 * step; y < lines[b].at(-1)!; y += step) {
        index[b] = cellAt(lines[b], y);
        for (let x = lines[a][0]! + 0.5 * step; x < lines[a].at(-1)!; x += step) {
            index[a] = cellAt(lines[a], x);
            const c = index[0]! + cells[0] * (index[1]! + cells[1] * index[2]!);
            if (Number.isNaN(values[c])) continue;
            // Slow air is seen too: lengths follow the square root of the speed.
            const scale = (1.6 * step * Math.sqrt(values[c]! / max.value)) / values[c]!;
            const [u, v] = [flow.components[a][c]! * scale, flow.components[b][c]! * scale];
            const tip = [x + 0.5 * u, y + 0.5 * v];
            const ink = values[c]! > 0.45 * max.value ? [0.08, 0.09, 0.1] : [0.95, 0.93, 0.88];
            const point = (p: number, q: number) => {
                place[a] = p;
                place[b] = q;
                strokes.push(...place);
                colours.push(...ink);
            };
            point(x - 0.5 * u, y - 0.5 * v);
            point(tip[0]!, tip[1]!);
            for (const side of [1, -1]) {
                point(tip[0]!, tip[1]!);
                point(tip[0]! - 0.3 * u + side * 0.16 * v, tip[1]! - 0.3 * v - side * 0.16 * u);
            }
        }
    }
    return { places: new Float32Array(strokes), colours: new Float32Array(colours) };
}
