import type { Section } from '../project/screenState';

/** The lines of a grid on a section, as pairs of ends. */
export function gridLines(lines: readonly (readonly number[])[], section: Section): Float32Array {
    const axes = [0, 1, 2].filter((axis) => axis !== section.axis) as [number, number];
    const ends: number[] = [];
    for (const [along, across] of [axes, [axes[1], axes[0]] as const]) {
        const from = lines[along]![0]!;
        const to = lines[along]!.at(-1)!;
        for (const at of lines[across]!) {
            for (const end of [from, to]) {
                const place = [0, 0, 0];
                place[section.axis] = section.position;
                place[along] = end;
                place[across] = at;
                ends.push(...place);
            }
        }
    }
    return new Float32Array(ends);
}
