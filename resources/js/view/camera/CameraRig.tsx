import { OrbitControls, OrthographicCamera, PerspectiveCamera } from '@react-three/drei';
import { useFrame, useThree } from '@react-three/fiber';
import { useEffect, useRef } from 'react';
import { Vector3, type OrthographicCamera as ParallelCamera, type PerspectiveCamera as CentralCamera } from 'three';
import type { OrbitControls as Controls } from 'three-stdlib';
import { useLatest } from '../../state/hooks';
import type { Box } from '../../model/box';
import { directionOf, useAim, type Pose } from './aim';

const isCentral = (camera: object): camera is CentralCamera => 'isPerspectiveCamera' in camera;

/** Seconds that a move of the camera takes. */
const MOVE = 0.28;

/** Share of the picture that what is looked at may fill. */
const FILL = 0.84;

interface View {
    position: Vector3;
    target: Vector3;
    /** Pixels per metre at the target. */
    scale: number;
}

/** How many pixels a metre has at most for a box to be seen whole along a direction. */
function scaleFor({ min, max }: Box, direction: Vector3, width: number, height: number): number {
    const back = direction.clone().normalize();
    const right = new Vector3(0, 0, 1).cross(back).normalize();
    const up = back.clone().cross(right);
    const half = new Vector3(...max.map((m, n) => 0.5 * (m - min[n]!)));
    const extent = (along: Vector3) => Math.abs(half.x * along.x) + Math.abs(half.y * along.y) + Math.abs(half.z * along.z);
    return FILL * Math.min(width / Math.max(2 * extent(right), 1e-9), height / Math.max(2 * extent(up), 1e-9));
}

const middleOf = ({ min, max }: Box): Vector3 => new Vector3(...min.map((m, n) => 0.5 * (m + max[n]!)));

/** Cameras of the views on the page: where there are several, all look at the same from the same side. */
const rigs = new Set<(view: View) => void>();

interface Props {
    /** All that may be looked at. */
    box: Box;
    perspective: boolean;
}

/** The camera, what moves it by hand, and the orders that it follows smoothly. */
export function CameraRig({ box, perspective }: Props) {
    return (
        <>
            {perspective ? <PerspectiveCamera key="central" makeDefault fov={30} /> : <OrthographicCamera key="parallel" makeDefault />}
            <OrbitControls makeDefault enableDamping={false} zoomToCursor />
            <Moves box={box} />
        </>
    );
}

function Moves({ box }: { box: Box }) {
    const { camera, controls, size, invalidate } = useThree();
    const order = useAim((s) => s.order);
    const latest = useLatest({ size, box });
    const move = useRef<{ from: View; to: View; since: number } | null>(null);
    const orbit = controls as Controls | null;
    const radius = 0.5 * new Vector3(...box.min).distanceTo(new Vector3(...box.max));

    const put = (view: View) => {
        camera.up.set(0, 0, 1);
        const { height } = latest().size;
        const direction = view.position.clone().sub(view.target).normalize();
        // A central projection shows at its target as many pixels per metre as the parallel one.
        const distance = isCentral(camera) ? height / (2 * view.scale * Math.tan((camera.fov * Math.PI) / 360)) : 6 * radius;
        camera.position.copy(view.target).addScaledVector(direction, distance);
        if (!isCentral(camera)) (camera as ParallelCamera).zoom = view.scale;
        camera.near = 0.01 * radius;
        camera.far = 40 * radius;
        camera.lookAt(view.target);
        camera.updateProjectionMatrix();
        orbit?.target.copy(view.target);
        orbit?.update();
        invalidate();
    };
    const here = (): View => {
        const target = orbit?.target.clone() ?? new Vector3();
        const distance = camera.position.distanceTo(target);
        const scale = isCentral(camera) ? latest().size.height / (2 * Math.max(distance, 1e-9) * Math.tan((camera.fov * Math.PI) / 360)) : camera.zoom;
        return { position: camera.position.clone(), target, scale };
    };
    const tools = useLatest({ put, here });

    // The whole of it as soon as there is a picture to put it in; another camera or space begins anew.
    const sized = size.width > 0 && size.height > 0;
    useEffect(() => {
        if (!sized) return;
        move.current = null;
        const { size: now, box: whole } = latest();
        const direction = new Vector3(...directionOf.home);
        tools().put({ position: middleOf(whole).add(direction), target: middleOf(whole), scale: scaleFor(whole, direction, now.width, now.height) });
    }, [sized, camera, controls, box, latest, tools]);

    useEffect(() => {
        if (!order) return;
        const now = latest();
        const from = tools().here();
        const looking = from.position.clone().sub(from.target);
        let to: View;
        if (order.kind === 'pose') {
            to = { position: new Vector3(...order.pose.position), target: new Vector3(...order.pose.target), scale: order.pose.zoom };
        } else {
            const direction = order.kind === 'face' ? new Vector3(...directionOf[order.facing]) : looking;
            const seen = order.box ?? now.box;
            const target = middleOf(seen);
            to = { position: target.clone().add(direction), target, scale: scaleFor(seen, direction, now.size.width, now.size.height) };
        }
        if (window.matchMedia('(prefers-reduced-motion: reduce)').matches) tools().put(to);
        else {
            move.current = { from, to, since: performance.now() };
            invalidate();
        }
    }, [order, latest, tools, invalidate]);

    useFrame(() => {
        const { current } = move;
        if (!current) return;
        const share = Math.min(1, (performance.now() - current.since) / (1000 * MOVE));
        const eased = share * share * (3 - 2 * share);
        const [a, b] = [current.from, current.to].map((view) => view.position.clone().sub(view.target).normalize()) as [Vector3, Vector3];
        const direction = a.lerp(b, eased);
        // Straight through between opposite directions there would be none.
        if (direction.lengthSq() < 1e-4) direction.copy(b);
        const target = current.from.target.clone().lerp(current.to.target, eased);
        const scale = current.from.scale * (current.to.scale / current.from.scale) ** eased;
        if (share === 1) move.current = null;
        put(share === 1 ? current.to : { position: target.clone().add(direction), target, scale });
    });

    // What is turned by hand in one view is turned in all of them.
    useEffect(() => {
        let following = false;
        const follow = (view: View) => {
            move.current = null;
            following = true;
            tools().put(view);
            following = false;
        };
        const lead = () => {
            if (following || move.current || rigs.size < 2) return;
            const view = tools().here();
            rigs.forEach((rig) => {
                if (rig !== follow) rig(view);
            });
        };
        rigs.add(follow);
        orbit?.addEventListener('change', lead);
        return () => {
            rigs.delete(follow);
            orbit?.removeEventListener('change', lead);
        };
    }, [orbit, tools]);

    useEffect(() => {
        const stop = () => (move.current = null);
        orbit?.addEventListener('start', stop);
        return () => orbit?.removeEventListener('start', stop);
    }, [orbit]);

    useEffect(() => {
        const read = (): Pose => {
            const { position, target, scale } = tools().here();
            return { position: position.toArray(), target: target.toArray(), zoom: scale, perspective: isCentral(camera) };
        };
        useAim.setState({ read });
        return () => useAim.setState({ read: null });
    }, [camera, tools]);

    const width = useRef(size.width);
    useEffect(() => {
        // A panel that opens or closes scales the picture instead of cutting it.
        if (width.current > 0 && size.width > 0) camera.zoom *= size.width / width.current;
        width.current = size.width;
        camera.updateProjectionMatrix();
        invalidate();
    }, [camera, size.width, invalidate]);
    return null;
}
