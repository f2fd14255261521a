import { DoubleSide, Euler, Vector3 } from 'three';
import type { OutlinePart } from '../api/types';

const turns = [new Euler(0, Math.PI / 2, 0), new Euler(-Math.PI / 2, 0, 0), new Euler(0, 0, 0)];

/** Name of the face of a part that looks along a normal, in the words of the model; null where the part is turned askew. */
export function faceUnder(part: OutlinePart, normal: Vector3): string | null {
    if (part.drawing[0]?.turn) return null;
    const strengths = normal.toArray().map(Math.abs);
    const axis = strengths.indexOf(Math.max(...strengths));
    const upper = normal.getComponent(axis) > 0;
    const [body] = part.drawing;
    if (part.kind === 'cylinder' || part.kind === 'profile') return axis !== body?.axis ? 'side' : upper ? 'end' : 'start';
    return `${'xyz'[axis]}${upper ? '+' : '-'}`;
}

/** A veil over the face of a part; faces that are not flat have none. */
export function FaceMark({ part, face, strong }: { part: OutlinePart; face: string; strong: boolean }) {
    const ends: Record<string, string> = { start: `${'xyz'[part.drawing[0]?.axis ?? 2]}-`, end: `${'xyz'[part.drawing[0]?.axis ?? 2]}+` };
    const flat = ends[face] ?? face;
    const axis = 'xyz'.indexOf(flat[0]!);
    if (axis < 0 || flat.length !== 2) return null;
    const size = [0, 1, 2].map((n) => part.max[n]! - part.min[n]!);
    const middle = new Vector3(...[0, 1, 2].map((n) => (part.min[n]! + part.max[n]!) / 2));
    const out = flat[1] === '+' ? 1 : -1;
    middle.setComponent(axis, (out > 0 ? part.max : part.min)[axis]! + out * 2e-3 * Math.max(...size));
    const extent: [number, number] = axis === 0 ? [size[2]!, size[1]!] : axis === 1 ? [size[0]!, size[2]!] : [size[0]!, size[1]!];
    return (
        <mesh position={middle} rotation={turns[axis]} raycast={() => undefined} renderOrder={4}>
            <planeGeometry args={extent} />
            <meshBasicMaterial color="#1f6f9c" transparent opacity={strong ? 0.6 : 0.3} side={DoubleSide} depthWrite={false} />
        </mesh>
    );
}
