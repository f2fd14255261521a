import { useThree, type ThreeEvent } from '@react-three/fiber';
import { useRef } from 'react';
import { Line3, Plane, Vector3, type Ray } from 'three';
import type { OrbitControls } from 'three-stdlib';

export const directions = [new Vector3(1, 0, 0), new Vector3(0, 1, 0), new Vector3(0, 0, 1)];

interface RayDrag {
    onStart?: (ray: Ray) => void;
    onMove: (ray: Ray) => void;
    onEnd?: () => void;
}

/** Handlers of a thing in the view that is dragged; the camera rests meanwhile. */
export function useRayDrag({ onStart, onMove, onEnd }: RayDrag) {
    const { controls, invalidate } = useThree();
    const dragging = useRef(false);
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
            onStart?.(event.ray);
        },
        onPointerUp: (event: ThreeEvent<PointerEvent>) => {
            hold(event, false);
            onEnd?.();
        },
        onPointerMove: (event: ThreeEvent<PointerEvent>) => {
            if (!dragging.current) return;
            event.stopPropagation();
            onMove(event.ray);
            invalidate();
        },
        // The end of a drag is no click on what lies behind.
        onClick: (event: ThreeEvent<MouseEvent>) => event.stopPropagation(),
    };
}

interface LineDrag {
    /** Of length one. */
    direction: Vector3;
    /** A point of the line along which is dragged. */
    from: Vector3;
    /** Distance from the origin along the direction while the pointer moves, in metres. */
    onMove: (position: number) => void;
    onStart?: (position: number) => void;
    onEnd?: () => void;
}

/** Handlers of a thing that is dragged along a line. */
export function useLineDrag({ direction, from, onMove, onStart, onEnd }: LineDrag) {
    const { camera } = useThree();
    /** The point of the line nearest to the ray under the pointer. */
    const under = (ray: Ray): number | null => {
        const facing = new Plane().setFromNormalAndCoplanarPoint(camera.getWorldDirection(new Vector3()).projectOnPlane(direction).normalize(), from);
        const hit = ray.intersectPlane(facing, new Vector3());
        return hit && new Line3(from, from.clone().add(direction)).closestPointToPoint(hit, false, new Vector3()).dot(direction);
    };
    const handed = (to: ((position: number) => void) | undefined) => (ray: Ray) => {
        const position = under(ray);
        if (position !== null) to?.(position);
    };
    return useRayDrag({ onStart: handed(onStart), onMove: handed(onMove), onEnd });
}
