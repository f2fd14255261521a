import type { Result, ResultPart } from '../api/types';
import { AIR, RADIATION } from './heatRoutes';

/** A step of the temperature on the way from the ambient to the hottest place of a part. */
export interface Rung {
    kind: 'air' | 'convection' | 'radiation' | 'conduction' | 'contact' | 'junction';
    /** The part that conducts, or that gives its heat to the next; null for the air. */
    part: string | null;
    /** The part at the other end of a contact. */
    to: string | null;
    /** K. */
    rise: number;
}

export interface Ladder {
    /** K, where it begins: the surroundings, or the side of the space that the heat leaves through. */
    from: number;
    /** What it begins at: "ambient", or a side. */
    base: string;
    rungs: Rung[];
    /** K, where it ends. */
    to: number;
}

interface Step {
    part: ResultPart;
    /** Where its heat goes on. */
    target: string;
}

/** The parts that the largest share of the heat passes one after the other, each with where it goes on. */
function mainRoute(result: Result, start: ResultPart): Step[] {
    const parts = new Map(result.parts.map((part) => [part.id, part]));
    const steps: Step[] = [];
    const passed = new Set<string>();
    let at: ResultPart | undefined = start;
    while (at) {
        passed.add(at.id);
        const ways: [string, number][] = Object.entries(at.routes).filter(([to, heat]) => heat > 0 && !passed.has(to));
        const best: [string, number] | undefined = ways.sort((a, b) => b[1] - a[1])[0];
        if (!best) break;
        steps.push({ part: at, target: best[0] });
        at = parts.get(best[0]);
    }
    return steps;
}

/**
 * Where the kelvins go between the ambient and a part, along the way that most of its heat takes. Every rung is the difference of two mean
 * temperatures: of surfaces where parts meet, of the air before a heat sink or beside a surface, and of the junction or the hottest place at the end, so that
 * all of them together are exactly the whole. Null where the result does not tell the surfaces.
 */
export function ladder(result: Result, id: string, ambient: number): Ladder | null {
    const part = result.parts.find((p) => p.id === id);
    const end = part?.nodes?.junction ?? part?.temperature?.max;
    const steps = part ? mainRoute(result, part) : [];
    const last = steps.at(-1);
    if (!part || end === undefined || !last || steps.some(({ part: on, target }) => !on.interfaces[target])) return null;

    const outer = last.part.interfaces[last.target]!;
    const rungs: Rung[] = [];
    let from = ambient;
    let base = 'ambient';
    if (last.target === AIR) {
        // Of a heat sink the air that comes to it; beside other surfaces that in the cells next to them.
        const air = result.flow?.sinks?.find((sink) => sink.part === last.part.id)?.before ?? outer.beyond;
        rungs.push({ kind: 'air', part: null, to: last.part.id, rise: air - ambient });
        rungs.push({ kind: 'convection', part: last.part.id, to: null, rise: outer.temperature - air });
    } else if (last.target === 'surroundings' || last.target === RADIATION) {
        from = outer.beyond;
        rungs.push({ kind: last.target === RADIATION ? 'radiation' : 'convection', part: last.part.id, to: null, rise: outer.temperature - outer.beyond });
    } else {
        const side = result.sides[last.target.slice(5)];
        from = outer.beyond;
        base = last.target;
        if (side && Math.abs(outer.temperature - outer.beyond) > 1e-9)
            rungs.push({ kind: 'convection', part: last.part.id, to: null, rise: outer.temperature - outer.beyond });
    }
    // Back from the outside to the part: through each body, then through what lies between it and the one before.
    let here = outer.temperature;
    for (let n = steps.length - 1; n > 0; n--) {
        const { part: body } = steps[n]!;
        const before = steps[n - 1]!.part;
        const joint = before.interfaces[body.id]!;
        rungs.push({ kind: 'conduction', part: body.id, to: null, rise: joint.beyond - here });
        if (Math.abs(joint.temperature - joint.beyond) > 1e-9)
            rungs.push({ kind: 'contact', part: body.id, to: before.id, rise: joint.temperature - joint.beyond });
        here = joint.temperature;
    }
    rungs.push({ kind: part.nodes ? 'junction' : 'conduction', part: part.id, to: null, rise: end - here });
    return { from, base, rungs, to: end };
}
