import { useThree } from '@react-three/fiber';
import { useEffect, type RefObject } from 'react';
import { Vector2, Vector3 } from 'three';
import type { OutlinePart } from '../api/types';
import { useAim } from './camera/aim';

/** A rectangle of the page. */
export interface PageBox {
    left: number;
    top: number;
    right: number;
    bottom: number;
}

/** Width of a small picture, pixels. */
const THUMBNAIL = 252;

/** Finds parts in the picture for what happens over it. */
export interface Picker {
    /** The part under a place of the page. */
    partUnder: (place: { clientX: number; clientY: number }) => string | null;
    /** Those of the parts whose middle lies in a rectangle of the page. */
    partsIn: (box: PageBox, parts: readonly OutlinePart[]) => string[];
}

export function Picking({ picker }: { picker: RefObject<Picker | null> }) {
    const { camera, scene, raycaster, gl } = useThree();
    useEffect(() => {
        picker.current = {
            partUnder: ({ clientX, clientY }) => {
                const box = gl.domElement.getBoundingClientRect();
                raycaster.setFromCamera(new Vector2((2 * (clientX - box.left)) / box.width - 1, 1 - (2 * (clientY - box.top)) / box.height), camera);
                return (
                    raycaster
                        .intersectObjects(scene.children)
                        .map((hit) => hit.object.userData.part as string | undefined)
                        .find((part) => part !== undefined) ?? null
                );
            },
            partsIn: ({ left, top, right, bottom }, parts) => {
                const box = gl.domElement.getBoundingClientRect();
                return parts
                    .filter((part) => {
                        const seen = new Vector3(...part.min.map((m, n) => 0.5 * (m + part.max[n]!))).project(camera);
                        const [x, y] = [box.left + 0.5 * (1 + seen.x) * box.width, box.top + 0.5 * (1 - seen.y) * box.height];
                        return x >= left && x <= right && y >= top && y <= bottom;
                    })
                    .map((part) => part.id);
            },
        };
    }, [camera, scene, raycaster, gl, picker]);
    useEffect(() => {
        const drawn = (width: number): HTMLCanvasElement => {
            // What was drawn before may be gone already.
            gl.render(scene, camera);
            const canvas = document.createElement('canvas');
            [canvas.width, canvas.height] = [width, Math.round((width * gl.domElement.height) / gl.domElement.width)];
            const context = canvas.getContext('2d');
            if (!context) return canvas;
            context.fillStyle = '#f4f1ea';
            context.fillRect(0, 0, canvas.width, canvas.height);
            context.drawImage(gl.domElement, 0, 0, canvas.width, canvas.height);
            return canvas;
        };
        const snapshot = (width = THUMBNAIL) => drawn(width).toDataURL('image/jpeg', width > THUMBNAIL ? 0.92 : 0.8);
        const render = (ratio: number): HTMLCanvasElement => {
            const before = gl.getPixelRatio();
            gl.setPixelRatio(ratio);
            const canvas = drawn(gl.domElement.width);
            gl.setPixelRatio(before);
            gl.render(scene, camera);
            return canvas;
        };
        useAim.setState({ snapshot, render });
        return () => useAim.setState({ snapshot: null, render: null });
    }, [camera, scene, gl]);
    return null;
}
