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
    /** m/s2 */
    gravity: readonly number[];
    at: Vector3;
    length: number;
    ink: string;
    /** Saves another direction; without it the arrow cannot be turned. */
    onTurn: ((gravity: readonly number[]) => Promise<unknown>) | undefined;
}

/** Which way is down, as an arrow whose head can be dragged around its tail. */
export function GravityArrow({ gravity, at, length, ink, onTurn }: Props) {
    const strength = Math.hypot(...gravity);
    const given = useByValue(gravity);
    const own = useMemo(() => new Vector3(...given).normalize(), [given]);
    const [turned, setTurned] = useStateFor<Vector3, Vector3 | null>(own, null);
    const direction = turned ?? own;
    const arrow = useMemo(() => new ArrowHelper(direction, at, length, ink, 0.3 * length, 0.2 * length), [direction, at, length, ink]);
    useEffect(() => () => arrow.dispose(), [arrow]);
    const drag = useRayDrag({
        onMove: (ray) => setTurned(directionUnder(ray, at, length)),
        onEnd: () => {
            if (turned) void onTurn?.(turned.toArray().map((part) => Number((part * strength).toFixed(3)))).catch(() => setTurned(null));
        },
    });
    return (
        <>
            <primitive object={arrow} />
            {onTurn && (
                <mesh position={at.clone().addScaledVector(direction, length)} userData={{ handle: 'gravity' }} renderOrder={11} {...drag}>
                    <sphereGeometry args={[0.11 * length, 16, 12]} />
                    <meshBasicMaterial color="#d98a1c" depthTest={false} transparent />
                </mesh>
            )}
        </>
    );
}
