import { useEffect, useMemo } from 'react';
import { ArrowHelper, Vector3, type Ray } from 'three';
import { directions, useRayDrag } from './useLineDrag';
import { useByValue, useStateFor } from '../state/hooks';

/** Within this angle of an axis the arrow snaps to it. */
const SNAP = (7 * Math.PI) / 180;

/** The direction nearest to where the ray passes a sphere around a point; snapped to axes near by. */
function directionUnder(ray: Ray, centre: Vector3, radius: number): Vector3 {
    const nearest = ray.closestPointToPoint(centre, new Vector3()).sub(centre);
    const inside = radius ** 2 - nearest.lengthSq();
    // Where the ray passes the sphere, its near side is meant; beside it, its rim.
    const direction = (inside > 0 ? nearest.addScaledVector(ray.direction, -Math.sqrt(inside)) : nearest).normalize();
    for (const axis of directions) {
        for (const sign of [1, -1]) {
            const along = axis.clone().multiplyScalar(sign);
            if (direction.angleTo(along) < SNAP) return along;
        }
    }
    return direction;
}

interface Props {
    /** What it is, for who looks for its handle. */
    name: string;
    /** Of any length. */
    direction: readonly number[];
    at: Vector3;
    length: number;
    ink: string;
    /** Whether the arrow comes from the end of its handle, as light does, and is so much shorter; else it points there. */
    comes?: number;
    /** Saves another direction of length one; without it the arrow cannot be turned. */
    onTurn: ((direction: readonly number[]) => Promise<unknown>) | undefined;
}

/** A direction as an arrow whose end can be dragged around a point. */
export function DirectionArrow({ name, direction: given, at, length, ink, comes, onTurn }: Props) {
    const kept = useByValue(given);
    const own = useMemo(() => new Vector3(...kept).normalize(), [kept]);
    const [turned, setTurned] = useStateFor<Vector3, Vector3 | null>(own, null);
    const direction = turned ?? own;
    const arrow = useMemo(() => {
        if (comes === undefined) return new ArrowHelper(direction, at, length, ink, 0.3 * length, 0.2 * length);
        const reach = comes * length;
        return new ArrowHelper(direction.clone().negate(), at.clone().addScaledVector(direction, length), reach, ink, 0.3 * reach, 0.2 * reach);
    }, [direction, at, length, ink, comes]);
    useEffect(() => () => arrow.dispose(), [arrow]);
    const drag = useRayDrag({
        onMove: (ray) => setTurned(directionUnder(ray, at, length)),
        onEnd: () => {
            if (turned) void onTurn?.(turned.toArray()).catch(() => setTurned(null));
        },
    });
    const size = comes === undefined ? 0.11 * length : 0.045 * length;
    return (
        <>
            <primitive object={arrow} />
            {onTurn && (
                <mesh position={at.clone().addScaledVector(direction, length)} userData={{ handle: name }} renderOrder={11} {...drag}>
                    <sphereGeometry args={[size, 16, 12]} />
                    <meshBasicMaterial color="#d98a1c" depthTest={false} transparent />
                </mesh>
            )}
        </>
    );
}
