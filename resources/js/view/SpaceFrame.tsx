import { useEffect, useMemo } from 'react';
import { DoubleSide, Vector3 } from 'three';
import type { Outline } from '../api/types';
import { boxGeometry, edgeGeometry } from './geometry';
import { DirectionArrow } from './DirectionArrow';
import { useByValue } from '../state/hooks';

const AIR = '#3b7c96';

/** The edges of the space, its openings in blue, and gravity as an arrow beside it. */
export function SpaceFrame({
    outline,
    dark,
    onGravity,
}: {
    outline: Outline;
    dark: boolean;
    onGravity: ((gravity: readonly number[]) => Promise<unknown>) | undefined;
}) {
    const { min, max } = useByValue(outline.space);
    const edges = useMemo(() => edgeGeometry(boxGeometry(min, max)), [min, max]);
    useEffect(() => () => edges.dispose(), [edges]);
    const ink = dark ? '#9aa5ab' : '#6d767b';
    const size = Math.max(...max.map((m, n) => m - min[n]!));
    const corner = useMemo(() => new Vector3(min[0]! - 0.04 * size, max[1]! + 0.04 * size, max[2]), [min, max, size]);
    return (
        <group>
            <lineSegments geometry={edges}>
                <lineBasicMaterial color={ink} transparent opacity={0.55} />
            </lineSegments>
            {outline.openings.map((opening) => (
                <OpeningFrame key={opening.name} min={opening.min} max={opening.max} round={opening.round} />
            ))}
            {outline.gravity.some((part) => part !== 0) && (
                <DirectionArrow
                    name="gravity"
                    direction={outline.gravity}
                    at={corner}
                    length={0.2 * size}
                    ink={ink}
                    onTurn={onGravity && ((down) => onGravity(down.map((part) => Number((part * Math.hypot(...outline.gravity)).toFixed(3)))))}
                />
            )}
        </group>
    );
}

function OpeningFrame({ min, max, round }: { min: number[]; max: number[]; round: boolean }) {
    const axis = min.findIndex((m, n) => m === max[n]);
    const [a, b] = [0, 1, 2].filter((n) => n !== axis) as [number, number];
    const middle = min.map((m, n) => 0.5 * (m + max[n]!)) as [number, number, number];
    const [width, height] = [max[a]! - min[a]!, max[b]! - min[b]!];
    // A flat shape of the library lies across z; its x and y go along the two axes of the side.
    const turn: [number, number, number] = axis === 0 ? [Math.PI / 2, Math.PI / 2, 0] : axis === 1 ? [Math.PI / 2, 0, 0] : [0, 0, 0];
    return (
        <mesh position={middle} rotation={turn} scale={[width, height, 1]} renderOrder={1}>
            {round ? <circleGeometry args={[0.5, 40]} /> : <planeGeometry args={[1, 1]} />}
            <meshBasicMaterial
                color={AIR}
                transparent
                opacity={0.18}
                side={DoubleSide}
                depthWrite={false}
                polygonOffset
                polygonOffsetFactor={-4}
                polygonOffsetUnits={-4}
            />
        </mesh>
    );
}
