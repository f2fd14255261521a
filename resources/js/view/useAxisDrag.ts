import { useThree, type ThreeEvent } from '@react-three/fiber';
import { useRef } from 'react';
import { Line3, Plane, Vector3 } from 'three';
import type { OrbitControls } from 'three-stdlib';

export const directions = [new Vector3(1, 0, 0), new Vector3(0, 1, 0), new Vector3(0, 0, 1)];

interface Drag {
    axis: 0 | 1 | 2;
    /** A point of the line along which is dragged. */
    from: Vector3;
    /** Coordinate along the axis while the pointer moves, in metres. */
    onMove: (position: number) => void;
    onStart?: (position: number) => void;
    onEnd?: () => void;
}

/** Handlers of a thing that is dragged along an axis of the space; the camera rests meanwhile. */
export function useAxisDrag({ axis, from, onMove, onStart, onEnd }: Drag) {
    const { controls, camera, invalidate } = useThree();
    const dragging = useRef(false);

    /** The point of the line nearest to the ray under the pointer. */
    const under = (event: ThreeEvent<PointerEvent>): number | null => {
        const direction = directions[axis]!;
        const facing = new Plane().setFromNormalAndCoplanarPoint(camera.getWorldDirection(new Vector3()).projectOnPlane(direction).normalize(), from);
        const hit = event.ray.intersectPlane(facing, new Vector3());
        return hit && new Line3(from, from.clone().add(direction)).closestPointToPoint(hit, false, new Vector3()).getComponent(axis);
    };
    const hold = (event: ThreeEvent<PointerEvent>, down: boolean) => {
        event.stopPropagation();
        dragging.current = down;
        const orbit = controls as OrbitControls | null;
        if (orbit) orbit.enabled = !down;
        const target = event.target as Element;
        if (down) target.setPointerCapture(event.pointerId);
        else target.releasePointerCapture(event.pointerId);
    };
    return {
        onPointerDown: (event: ThreeEvent<PointerEvent>) => {
            hold(event, true);
            const position = under(event);
            if (position !== null) onStart?.(position);
        },
        onPointerUp: (event: ThreeEvent<PointerEvent>) => {
            hold(event, false);
            onEnd?.();
        },
        onPointerMove: (event: ThreeEvent<PointerEvent>) => {
            if (!dragging.current) return;
            event.stopPropagation();
            const position = under(event);
            if (position !== null) onMove(position);
            invalidate();
        },
    };
}
