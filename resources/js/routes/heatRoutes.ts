import type { Result } from '../api/types';

/** Where heat is on its way: a part, the air, or a place where it leaves. */
export interface RouteNode {
    id: string;
    kind: 'part' | 'air' | 'exit' | 'sun';
}

export interface RouteLink {
    from: string;
    to: string;
    /** W of the heat that is followed. */
    heat: number;
}

export interface Routes {
    nodes: RouteNode[];
    links: RouteLink[];
    /** W that are followed, and W that leave. */
    given: number;
    left: number;
}

/** The moving or resting fluid inside the space. */
export const AIR = 'fluid';

/** What surfaces radiate, and what they take up of sunlight. */
export const RADIATION = 'radiation';
export const SUN = 'sun';

/** Below this share of what is followed heat is left out. */
const LEAST = 1e-4;

/** Further rounds through the parts move less than this share. */
const SETTLED = 1e-7;

const isExit = (id: string): boolean => id === 'surroundings' || id === RADIATION || id.startsWith('side ') || id.startsWith('opening ');

/** Where what is radiated ends. */
const ends = (id: string): string => (id === 'surroundings' || id === 'others' ? RADIATION : id);

/** What is left of the heat that a part radiates beside what its rows of the table tell; rounding is none. */
const rest = (heat: number, taken: number): number => (Math.abs(heat + taken) > 1e-6 * Math.abs(heat) ? heat + taken : 0);

/** W between all neighbours, from the warmer to the colder, with the places where heat leaves. */
function flows(result: Result): Map<string, Map<string, number>> {
    const all = new Map<string, Map<string, number>>();
    const add = (from: string, to: string, heat: number) => {
        if (heat < 0) return add(to, from, -heat);
        if (heat === 0) return;
        const own = all.get(from) ?? new Map<string, number>();
        own.set(to, (own.get(to) ?? 0) + heat);
        all.set(from, own);
    };
    const fromParts = new Map<string, number>();
    const exchange = result.radiation?.exchange ?? [];
    const radiatedTo = new Map<string, number>();
    for (const { from, to, heat } of exchange) {
        for (const [id, sign] of [
            [from, -1],
            [to, 1],
        ] as const)
            radiatedTo.set(id, (radiatedTo.get(id) ?? 0) + sign * heat);
        add(ends(from), ends(to), heat);
    }
    result.parts.forEach((part, n) => {
        for (const [to, heat] of Object.entries(part.routes)) {
            const other = result.parts.findIndex((p) => p.id === to);
            // What the table does not tell, as of faces that look out of the space, goes to the surroundings.
            if (to === RADIATION) add(part.id, to, rest(heat, radiatedTo.get(part.id) ?? 0));
            // Both parts tell of what passes between them; the first one speaks.
            else if (other < 0 || n < other) add(part.id, to, heat);
            if (to.startsWith('side ')) fromParts.set(to, (fromParts.get(to) ?? 0) + heat);
        }
    });
    // What a side passes beyond what parts give it, and what reaches it by radiation, comes from the air.
    for (const [side, sum] of Object.entries(result.sides)) {
        const name = `side ${side}`;
        if (sum) add(AIR, name, sum.heat - (sum.radiated ?? 0) + (sum.byWalls ?? 0) - (fromParts.get(name) ?? 0) - (radiatedTo.get(name) ?? 0));
    }
    for (const opening of result.flow?.openings ?? []) add(AIR, `opening ${opening.name}`, opening.heat);
    return all;
}

/**
 * Follows the watts of some sources to where they leave. What comes into a part is mixed: of every watt that enters, each way out takes
 * its share of all that leaves. That holds for loops too (air that warms a part it has passed before); the net of what goes to and fro
 * between two neighbours is shown.
 */
export function heatRoutes(result: Result, sources: ReadonlyMap<string, number>): Routes {
    const all = flows(result);
    const out = new Map([...all].map(([from, to]) => [from, [...to.values()].reduce((sum, heat) => sum + heat, 0)]));
    const given = [...sources.values()].reduce((sum, heat) => sum + heat, 0);
    const links = new Map<string, number>();
    const key = (from: string, to: string) => `${from}\n${to}`;
    // Round by round what has arrived goes on, until next to nothing is left on its way.
    let moving = new Map(sources);
    for (let round = 0; round < 2000 && [...moving.values()].reduce((sum, heat) => sum + heat, 0) > SETTLED * given; round++) {
        const next = new Map<string, number>();
        for (const [from, heat] of moving) {
            for (const [to, share] of all.get(from) ?? []) {
                const passed = (heat * share) / out.get(from)!;
                links.set(key(from, to), (links.get(key(from, to)) ?? 0) + passed);
                if (!isExit(to)) next.set(to, (next.get(to) ?? 0) + passed);
            }
        }
        moving = next;
    }
    const net = withoutLoops([...links].map(([names, heat]) => ({ from: names.split('\n')[0]!, to: names.split('\n')[1]!, heat })));
    const left = net.filter((link) => isExit(link.to)).reduce((sum, link) => sum + link.heat, 0);
    const shown = net.filter((link) => link.heat > LEAST * given);
    const ids = [...new Set(shown.flatMap((link) => [link.from, link.to]))];
    return {
        nodes: ids.map((id) => ({ id, kind: kindOf(id) })),
        links: shown,
        given,
        left,
    };
}

function kindOf(id: string): RouteNode['kind'] {
    if (isExit(id)) return 'exit';
    if (id === SUN) return 'sun';
    return id === AIR ? 'air' : 'part';
}

/** Takes out of every loop what goes all the way round it, which leaves nowhere; the balance of every place stays. */
function withoutLoops(links: RouteLink[]): RouteLink[] {
    const left = links.map((link) => ({ ...link }));
    for (;;) {
        const loop = findLoop(left);
        if (!loop) return left.filter((link) => link.heat > 0);
        const least = Math.min(...loop.map((link) => link.heat));
        for (const link of loop) link.heat = link.heat - least <= 1e-12 * link.heat ? 0 : link.heat - least;
    }
}

function findLoop(links: readonly RouteLink[]): RouteLink[] | null {
    const from = new Map<string, RouteLink[]>();
    for (const link of links) if (link.heat > 0) from.set(link.from, [...(from.get(link.from) ?? []), link]);
    const done = new Set<string>();
    const path: RouteLink[] = [];
    const walk = (at: string): RouteLink[] | null => {
        const begun = path.findIndex((link) => link.from === at);
        if (begun >= 0) return path.slice(begun);
        if (done.has(at)) return null;
        for (const link of from.get(at) ?? []) {
            path.push(link);
            const loop = walk(link.to);
            if (loop) return loop;
            path.pop();
        }
        done.add(at);
        return null;
    };
    for (const start of from.keys()) {
        const loop = walk(start);
        if (loop) return loop;
    }
    return null;
}

/** The sources of parts: their watts, and what a current makes in them; of all parts also what the sun gives them. */
export function sourcesOf(result: Result, ids: ReadonlySet<string> | null): Map<string, number> {
    const sources = result.parts
        .filter((part) => ids === null || ids.has(part.id))
        .map((part): [string, number] => [part.id, part.power + (part.current?.heat ?? 0)])
        .filter(([, heat]) => heat > 0);
    const sun = result.parts.reduce((sum, part) => sum - (part.routes[SUN] ?? 0), 0);
    return new Map(ids === null && sun > 0 ? [...sources, [SUN, sun]] : sources);
}

/** How many steps from the sources a place is: 0 for what heats, or is followed first. */
export function stepsOf({ links }: Pick<Routes, 'links'>, sources: Iterable<string>): Map<string, number> {
    const steps = new Map([...sources].map((id) => [id, 0]));
    let reached = [...steps.keys()];
    for (let step = 1; reached.length > 0; step++) {
        reached = [...new Set(links.filter((link) => reached.includes(link.from) && !steps.has(link.to)).map((link) => link.to))];
        for (const id of reached) steps.set(id, step);
    }
    return steps;
}

/** What a place is called. */
export function nameOfRoute(id: string, { parts }: { parts: readonly { id: string; name: string }[] }): string {
    const part = parts.find((p) => p.id === id);
    if (part) return part.name;
    if (id === AIR) return 'Air';
    if (id === 'surroundings') return 'Convection to ambient';
    if (id === RADIATION) return 'Radiation outside';
    if (id === SUN) return 'Sun';
    if (id === 'others') return 'Other parts';
    if (id.startsWith('side ')) return `Side ${id.slice(5)}`;
    return `Opening ${id.slice(8).replace(/ patch (\d+)/, (_m, n: string) => `, ${Number(n) + 1}`)}`;
}
