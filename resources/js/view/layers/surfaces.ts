import { BufferAttribute, BufferGeometry } from 'three';
import { cellAt } from '../fields/field';

/** Where the surface elements of a result are, as the core stores them. */
export interface Elements {
    lines: readonly (readonly number[])[];
    /** Cell, direction, part and part beyond of each, the parts from 1 and 0 for none. */
    rows: Uint32Array;
}

/** A field at the surfaces: a value for every element, NaN for none. */
export interface SurfaceField {
    elements: Elements;
    values: Float32Array;
    min: number;
    max: number;
    /** What is drawn of each part, by its number from 1. */
    parts: ReadonlyMap<number, BufferGeometry>;
}

/** Numbers that place an element. */
export const ROW = 4;

/** Corners of the face of a cell as two triangles, m. */
export function cornersOf({ lines, rows }: Elements, element: number): number[] {
    const [cell, direction] = [rows[ROW * element]!, rows[ROW * element + 1]!];
    const [nx, ny] = [lines[0]!.length - 1, lines[1]!.length - 1];
    const place = [cell % nx, Math.floor(cell / nx) % ny, Math.floor(cell / (nx * ny))];
    const axis = direction >> 1;
    const upper = direction & 1;
    const [a, b] = [0, 1, 2].filter((n) => n !== axis) as [number, number];
    const at = lines[axis]![place[axis]! + upper]!;
    const corner = (p: number, q: number): number[] => {
        const point = [0, 0, 0];
        point[axis] = at;
        point[a] = lines[a]![place[a]! + p]!;
        point[b] = lines[b]![place[b]! + q]!;
        return point;
    };
    const [c00, c10, c11, c01] = [corner(0, 0), corner(1, 0), corner(1, 1), corner(0, 1)];
    // The first and the third axis make a right-handed pair the other way round.
    const outwards = (upper === 1) !== (axis === 1);
    return outwards ? [...c00, ...c10, ...c11, ...c00, ...c11, ...c01] : [...c00, ...c11, ...c10, ...c00, ...c01, ...c11];
}

/** How far surfaces are above the limits of their parts, K. */
export const aboveLimits = ({ rows }: Elements, temperatures: Float32Array, limits: readonly number[]): Float32Array =>
    temperatures.map((temperature, element) => temperature - (limits[rows[ROW * element + 2]! - 1] ?? NaN));

/** Geometries of the surfaces of parts that lie open; contacts between parts are not seen. */
export function surfaceField(elements: Elements, values: Float32Array): SurfaceField {
    const { rows } = elements;
    const byPart = new Map<number, number[]>();
    let [min, max] = [Infinity, -Infinity];
    for (let element = 0; element < values.length; element++) {
        const part = rows[ROW * element + 2]!;
        if (part === 0 || rows[ROW * element + 3] !== 0) continue;
        const value = values[element]!;
        if (!Number.isNaN(value)) [min, max] = [Math.min(min, value), Math.max(max, value)];
        const own = byPart.get(part) ?? [];
        own.push(element);
        byPart.set(part, own);
    }
    const parts = new Map<number, BufferGeometry>();
    for (const [part, own] of byPart) {
        const geometry = new BufferGeometry();
        geometry.setAttribute('position', new BufferAttribute(new Float32Array(own.flatMap((element) => cornersOf(elements, element))), 3));
        geometry.setAttribute('value', new BufferAttribute(new Float32Array(own.flatMap((element) => Array<number>(6).fill(values[element]!))), 1));
        geometry.computeVertexNormals();
        parts.set(part, geometry);
    }
    return { elements, values, min, max, parts };
}

/** The value on the surface of a part under a point that lies a little inside of it, where the normal points outwards. */
export function surfaceValue(
    { elements: { lines, rows }, values }: SurfaceField,
    inside: readonly number[],
    normal: readonly number[],
    part: number,
): number | null {
    const [nx, ny] = [lines[0]!.length - 1, lines[1]!.length - 1];
    const cell = cellAt(lines[0]!, inside[0]!) + nx * (cellAt(lines[1]!, inside[1]!) + ny * cellAt(lines[2]!, inside[2]!));
    const strengths = normal.map(Math.abs);
    const axis = strengths.indexOf(Math.max(...strengths));
    const direction = 2 * axis + (normal[axis]! > 0 ? 1 : 0);
    for (let element = 0; element < values.length; element++) {
        if (rows[ROW * element] === cell && rows[ROW * element + 1] === direction && rows[ROW * element + 2] === part) {
            return Number.isNaN(values[element]) ? null : values[element]!;
        }
    }
    return null;
}
