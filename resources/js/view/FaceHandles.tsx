import { useEffect, useMemo, useRef } from 'react';
import { Vector3 } from 'three';
import type { Face } from '../model/resize';
import { axisColours } from './colours';
import { boxGeometry, edgeGeometry } from './geometry';
import { STEP } from './MoveHandles';
import { directions, useLineDrag } from './useLineDrag';
import { useByValue, useStateFor } from '../state/hooks';

type Triple = [number, number, number];

interface Props {
    min: readonly number[];
    max: readonly number[];
    faces: readonly Face[];
    /** Edge of a handle, m. */
    size: number;
    /** A face was dragged outwards (inwards: negative) by metres; rejects where that is refused. */
    onDrop: (face: Face, by: number) => Promise<unknown>;
}

/** A small cube on each face of a box that may be dragged, where two opposite ones find room; meanwhile the new box is drawn as a frame. */
export function FaceHandles({ min, max, faces, size, onDrop }: Props) {
    const [dragged, setDragged] = useStateFor<string, { face: Face; by: number } | null>(`${String(min)} ${String(max)}`, null);
    const moved = (end: 'min' | 'max') =>
        (end === 'min' ? min : max).map((at, n) =>
            dragged && dragged.face.axis === n && dragged.face.upper === (end === 'max') ? at + (end === 'max' ? dragged.by : -dragged.by) : at,
        ) as Triple;
    const [low, high] = useByValue([moved('min'), moved('max')] as const);
    const active = dragged !== null;
    const frame = useMemo(() => (active ? edgeGeometry(boxGeometry(low, high)) : null), [active, low, high]);
    useEffect(() => () => frame?.dispose(), [frame]);
    return (
        <>
            {faces
                .filter(({ axis }) => max[axis]! - min[axis]! > 2 * size)
                .map((face) => {
                    const middle = new Vector3(...low.map((at, n) => (n === face.axis ? (face.upper ? high[n] : at) : (at + high[n]!) / 2)));
                    const room = max[face.axis]! - min[face.axis]! - STEP;
                    return (
                        <FaceHandle
                            key={`${face.axis}${face.upper}`}
                            face={face}
                            middle={middle}
                            size={size}
                            onMove={(by) => setDragged({ face, by: Math.max(by, -room) })}
                            onEnd={() => {
                                if (dragged && dragged.by !== 0) void onDrop(face, dragged.by).catch(() => setDragged(null));
                            }}
                        />
                    );
                })}
            {frame && (
                <lineSegments geometry={frame} renderOrder={10} raycast={() => undefined}>
                    <lineBasicMaterial color="#d98a1c" depthTest={false} />
                </lineSegments>
            )}
        </>
    );
}

function FaceHandle({ face, middle, size, onMove, onEnd }: { face: Face; middle: Vector3; size: number; onMove: (by: number) => void; onEnd: () => void }) {
    const begun = useRef(0);
    const outward = face.upper ? 1 : -1;
    const drag = useLineDrag({
        direction: directions[face.axis]!,
        from: middle,
        onStart: (at) => {
            begun.current = at;
        },
        onMove: (at) => onMove(Math.round((outward * (at - begun.current)) / STEP) * STEP),
        onEnd,
    });
    return (
        <mesh position={middle} renderOrder={13} userData={{ handle: `face ${'xyz'[face.axis]}${face.upper ? '+' : '-'}` }} {...drag}>
            <boxGeometry args={[size, size, size]} />
            <meshBasicMaterial color={axisColours[face.axis]} depthTest={false} transparent />
        </mesh>
    );
}
