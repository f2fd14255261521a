import { useThree } from '@react-three/fiber';
import { useEffect } from 'react';
import type { OrbitControls as Controls } from 'three-stdlib';
import { software } from './software';

/** Milliseconds without a move after which the picture is drawn finely. */
const REST = 250;

/** Pixels of the picture per pixel of the page. */
const fine = software ? 2 : Math.min(2, Math.max(1, window.devicePixelRatio));
const coarse = software ? 1 : fine;

/** Without a graphics card the picture is coarse while it moves and fine, with smooth edges, at rest; with one it is always fine. */
export function Sharpness({ busy }: { /** Whether something moves by itself, or a run needs the processor. */ busy: boolean }) {
    const { controls, setDpr, invalidate } = useThree();
    useEffect(() => {
        if (fine === coarse) return;
        const orbit = controls as Controls | null;
        let timer = 0;
        const rest = () => {
            window.clearTimeout(timer);
            timer = window.setTimeout(() => {
                setDpr(busy ? coarse : fine);
                invalidate();
            }, REST);
        };
        const move = () => {
            window.clearTimeout(timer);
            setDpr(coarse);
            rest();
        };
        rest();
        orbit?.addEventListener('change', move);
        return () => {
            window.clearTimeout(timer);
            orbit?.removeEventListener('change', move);
        };
    }, [controls, busy, setDpr, invalidate]);
    return null;
}
