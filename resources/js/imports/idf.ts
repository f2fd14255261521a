import { boardLayers, millimetres } from '../model/parts';
import { ImportError, type ImportPlan, type PlannedBody } from './plan';

/** What a line of an IDF file says: words, with quoted ones kept whole. */
const words = (line: string): string[] => [...line.matchAll(/"([^"]*)"|(\S+)/g)].map((m) => m[1] ?? m[2]!);

interface Section {
    name: string;
    head: string[];
    lines: string[];
}

/** Sections of an IDF 3.0 file, ".NAME ... .END_NAME"; comments (#) left out. */
function sections(text: string, what: string): Section[] {
    const found: Section[] = [];
    let open: Section | null = null;
    for (const line of text
        .split(/\r?\n/)
        .map((l) => l.trim())
        .filter((l) => l && !l.startsWith('#'))) {
        if (open && line.toUpperCase() === `.END_${open.name}`) open = null;
        else if (line.startsWith('.')) {
            if (open) throw new ImportError(`The ${what} is cut off or damaged: section .${open.name} has no .END_${open.name}.`);
            const [name, ...head] = words(line.slice(1));
            open = { name: name!.toUpperCase(), head, lines: [] };
            found.push(open);
        } else if (open) open.lines.push(line);
        else throw new ImportError(`This is no IDF 3.0 file: "${line.slice(0, 40)}" stands outside any section.`);
    }
    if (open) throw new ImportError(`The ${what} is cut off: section .${open.name} has no .END_${open.name}.`);
    return found;
}

/** Metres of one unit of a file or outline. */
function unitOf(word: string | undefined, where: string): number {
    if (word?.toUpperCase() === 'MM') return 1e-3;
    if (word?.toUpperCase() === 'THOU') return 25.4e-6;
    throw new ImportError(`${where} gives the unit "${word ?? ''}"; IDF knows MM and THOU.`);
}

interface Outline {
    min: [number, number];
    max: [number, number];
    /** Whether it is the rectangle around it. */
    rectangular: boolean;
}

/** The box around the outer loop (0) of "loop x y angle" lines, in metres. */
function outline(lines: readonly string[], unit: number, where: string): Outline {
    const points = lines.map((line) => words(line).map(Number)).filter((p) => p[0] === 0);
    if (points.length < 2 || points.some((p) => p.length < 4 || p.some((v) => !Number.isFinite(v))))
        throw new ImportError(`${where} has no outline of lines "loop x y angle".`);
    const circle = points.length === 2 && Math.abs(points[1]![3]!) === 360;
    const reach = circle ? Math.hypot(points[1]![1]! - points[0]![1]!, points[1]![2]! - points[0]![2]!) : 0;
    const xs = circle ? [points[0]![1]! - reach, points[0]![1]! + reach] : points.map((p) => p[1]!);
    const ys = circle ? [points[0]![2]! - reach, points[0]![2]! + reach] : points.map((p) => p[2]!);
    const [min, max]: [[number, number], [number, number]] = [
        [Math.min(...xs), Math.min(...ys)],
        [Math.max(...xs), Math.max(...ys)],
    ];
    const near = (a: number, b: number, n: 0 | 1) => Math.abs(a - b) <= 1e-3 * (max[n] - min[n]);
    const rectangular =
        !circle && points.every((p) => p[3] === 0 && (near(p[1]!, min[0], 0) || near(p[1]!, max[0], 0)) && (near(p[2]!, min[1], 1) || near(p[2]!, max[1], 1)));
    return { min: [min[0] * unit, min[1] * unit], max: [max[0] * unit, max[1] * unit], rectangular };
}

/**
 * A board with its components from an IDF 3.0 board file and the library file that goes with it. The board becomes its
 * rectangle, components blocks of their height around their turned outline, named by reference designator.
 */
export function readIdf(board: string, library: string): ImportPlan {
    const parts = sections(board, 'board file');
    const header = parts.find((s) => s.name === 'HEADER');
    const edge = parts.find((s) => s.name === 'BOARD_OUTLINE' || s.name === 'PANEL_OUTLINE');
    const placement = parts.find((s) => s.name === 'PLACEMENT');
    const missing = [
        ['HEADER', header],
        ['BOARD_OUTLINE', edge],
        ['PLACEMENT', placement],
    ]
        .filter(([, section]) => !section)
        .map(([name]) => `.${name as string}`);
    if (!header || !edge || !placement) throw new ImportError(`The board file lacks ${missing.join(' and ')}. Choose the board file (.emn) of the pair.`);
    const unit = unitOf(words(header.lines[1] ?? '')[1], 'The header of the board file');
    const thickness = Number(edge.lines[0]) * unit;
    if (!(thickness > 0)) throw new ImportError(`The board is ${edge.lines[0] ?? ''} thick; a number above 0 is expected.`);
    const around = outline(edge.lines.slice(1), unit, 'The board');

    const packages = new Map<string, Outline & { height: number }>();
    for (const section of sections(library, 'library file')) {
        if (section.name !== 'ELECTRICAL' && section.name !== 'MECHANICAL') continue;
        const [geometry, part, unitWord, height] = words(section.lines[0] ?? '');
        const own = unitOf(unitWord, `Package "${geometry ?? ''}" of the library`);
        packages.set(`${geometry} ${part}`, {
            ...outline(
                section.lines.slice(1).filter((l) => /^[01]\s/.test(l)),
                own,
                `Package "${geometry ?? ''}"`,
            ),
            height: Number(height) * own,
        });
    }

    const bodies: PlannedBody[] = [
        {
            name: 'Board',
            min: [around.min[0], around.min[1], 0],
            max: [around.max[0], around.max[1], thickness],
            note: 'board, four layers assumed',
            fields: {
                shape: {
                    kind: 'board',
                    size: [millimetres(around.max[0] - around.min[0]), millimetres(around.max[1] - around.min[1])],
                    layers: scaled(thickness),
                } as PlannedBody['fields']['shape'],
                at: [millimetres(around.min[0]), millimetres(around.min[1]), '0 mm'],
            },
        },
    ];
    const notes: string[] = [];
    const unknown: string[] = [];
    let turned = 0;
    let odd = 0;
    for (let n = 0; n + 1 < placement.lines.length; n += 2) {
        const [geometry, part, designator] = words(placement.lines[n]!);
        const [x, y, offset, angle] = words(placement.lines[n + 1]!)
            .slice(0, 4)
            .map(Number);
        const bottom = words(placement.lines[n + 1]!)[4]?.toUpperCase() === 'BOTTOM';
        const body = packages.get(`${geometry} ${part}`);
        if (!body || [x, y, offset, angle].some((v) => !Number.isFinite(v)) || !(body.height > 0)) {
            unknown.push(designator ?? `line ${n + 1}`);
            continue;
        }
        if (!body.rectangular) odd++;
        if (angle! % 90 !== 0) turned++;
        const [cos, sin] = [Math.cos((angle! * Math.PI) / 180), Math.sin((angle! * Math.PI) / 180)];
        const corners = [body.min[0], body.max[0]].flatMap((u) =>
            [body.min[1], body.max[1]].map((v) => [(bottom ? -1 : 1) * (u * cos - v * sin) + x! * unit, u * sin + v * cos + y! * unit]),
        );
        const [xs, ys] = [corners.map((c) => c[0]!), corners.map((c) => c[1]!)];
        const from = bottom ? -offset! * unit - body.height : thickness + offset! * unit;
        const low: [number, number, number] = [Math.min(...xs), Math.min(...ys), from];
        const high: [number, number, number] = [Math.max(...xs), Math.max(...ys), from + body.height];
        bodies.push({
            name: !designator || designator === 'NOREFDES' ? `${geometry ?? 'Part'}` : designator,
            min: low,
            max: high,
            note: `${part ?? ''}${bottom ? ', underside' : ''}`,
            fields: {
                shape: { kind: 'block', size: [0, 1, 2].map((i) => millimetres(high[i]! - low[i]!)) } as PlannedBody['fields']['shape'],
                at: low.map(millimetres),
                material: 'mould-compound',
            },
        });
    }
    const holes = parts.find((s) => s.name === 'DRILLED_HOLES')?.lines.length ?? 0;
    if (!around.rectangular) notes.push('The outline of the board is simplified to the rectangle around it');
    if (holes > 0) notes.push(`${holes} drilled ${holes === 1 ? 'hole' : 'holes'} left out`);
    if (odd > 0) notes.push(`${odd} component ${odd === 1 ? 'outline' : 'outlines'} simplified to rectangles`);
    if (turned > 0)
        notes.push(`${turned} turned ${turned === 1 ? 'component fills' : 'components fill'} the straight rectangle around ${turned === 1 ? 'it' : 'them'}`);
    if (unknown.length > 0)
        notes.push(`Not in the library, left out: ${unknown.slice(0, 12).join(', ')}${unknown.length > 12 ? ` and ${unknown.length - 12} more` : ''}`);
    return { bodies, notes };
}

/** Four layers, stretched or thinned to a thickness in their dielectric. */
function scaled(thickness: number): { thickness: string; copper: number }[] {
    const layers = boardLayers(4);
    const own = layers.map((layer) => Number.parseFloat(layer.thickness) / 1e3);
    const copper = own.reduce((sum, t, n) => sum + (layers[n]!.copper > 0 ? t : 0), 0);
    const rest = own.reduce((sum, t) => sum + t, 0) - copper;
    const share = (thickness - copper) / rest;
    if (share <= 0.05) return [{ thickness: millimetres(thickness), copper: 0 }];
    return layers.map((layer, n) => (layer.copper > 0 ? layer : { ...layer, thickness: millimetres(own[n]! * share) }));
}
