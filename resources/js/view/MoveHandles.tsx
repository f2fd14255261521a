import { useRef } from 'react';
import { Euler, Vector3 } from 'three';
import type { OutlinePart } from '../api/types';
import { axisColours } from './colours';
import { directions, useLineDrag } from './useLineDrag';
import { boxAround } from '../model/box';

/** Moves go in steps of this many metres. */
export const STEP = 1e-4;

const turns = [new Euler(0, 0, -Math.PI / 2), new Euler(0, 0, 0), new Euler(Math.PI / 2, 0, 0)];

interface Props {
    parts: OutlinePart[];
    shift: readonly number[];
    /** Length of an arrow, m. */
    reach: number;
    onShift: (shift: [number, number, number]) => void;
    onDrop: () => void;
}

/** An arrow along each axis at the middle of what is selected; dragged, it moves the parts. */
export function MoveHandles({ parts, shift, reach, onShift, onDrop }: Props) {
    const { min: low, max: high } = boxAround(parts);
    const middle = new Vector3(...[0, 1, 2].map((n) => (low[n]! + high[n]!) / 2 + shift[n]!));
    return ([0, 1, 2] as const).map((axis) => (
        <Handle
            key={axis}
            axis={axis}
            middle={middle}
            length={(high[axis]! - low[axis]!) / 2 + reach}
            radius={0.09 * reach}
            onMove={(by) => onShift([0, 1, 2].map((n) => (n === axis ? by : 0)) as [number, number, number])}
            onDrop={onDrop}
        />
    ));
}

function Handle({
    axis,
    middle,
    length,
    radius,
    onMove,
    onDrop,
}: {
    axis: 0 | 1 | 2;
    middle: Vector3;
    length: number;
    radius: number;
    onMove: (by: number) => void;
    onDrop: () => void;
}) {
    const begun = useRef(0);
    const drag = useLineDrag({
        direction: directions[axis]!,
        from: middle,
        onStart: (at) => {
            begun.current = at;
        },
        onMove: (at) => onMove(Math.round((at - begun.current) / STEP) * STEP),
        onEnd: onDrop,
    });
    const tip = middle.clone().addScaledVector(directions[axis]!, length);
    const stem = middle.clone().addScaledVector(directions[axis]!, length / 2);
    return (
        <group userData={{ handle: 'xyz'[axis] }}>
            <mesh position={stem} rotation={turns[axis]} renderOrder={11} raycast={() => undefined}>
                <cylinderGeometry args={[radius * 0.22, radius * 0.22, length, 8]} />
                <meshBasicMaterial color={axisColours[axis]} depthTest={false} transparent />
            </mesh>
            <mesh position={tip} rotation={turns[axis]} renderOrder={12} {...drag}>
                <coneGeometry args={[radius, radius * 2.6, 14]} />
                <meshBasicMaterial color={axisColours[axis]} depthTest={false} transparent />
            </mesh>
        </group>
    );
}
