import { useThree } from '@react-three/fiber';
import { useEffect } from 'react';
import type { OrbitControls as Controls } from 'three-stdlib';
import { useAim } from './aim';
import { software } from './software';

/** Milliseconds without a move after which the picture is drawn finely. */
const REST = 250;

/** Pixels of the picture per pixel of the page. */
const fine = software ? 2 : Math.min(2, Math.max(1, window.devicePixelRatio));
const coarse = software ? 0.6 : fine;
const plain = software ? 1 : fine;

/** Without a graphics card the picture is coarse while it moves and fine, with smooth edges, at rest; with one it is always fine. */
export function Sharpness({ busy }: { /** Whether something moves by itself, or a run needs the processor. */ busy: boolean }) {
    const { controls, setDpr, setEvents, invalidate } = useThree();
    useEffect(() => {
        const orbit = controls as Controls | null;
        let timer = 0;
        let held = false;
        const rest = () => {
            window.clearTimeout(timer);
            timer = window.setTimeout(() => {
                setDpr(busy ? plain : fine);
                useAim.setState({ moving: false });
                // Whoever holds a handle takes the end of the move for himself.
                setEvents({ enabled: true });
                invalidate();
            }, REST);
        };
        const move = () => {
            window.clearTimeout(timer);
            setDpr(coarse);
            useAim.setState({ moving: true });
            // Nothing is read under the pointer while it turns the model; a click that turns nothing is one.
            if (held) setEvents({ enabled: false });
            rest();
        };
        const turn = () => {
            held = true;
        };
        const stand = () => {
            held = false;
            setEvents({ enabled: true });
        };
        rest();
        orbit?.addEventListener('start', turn);
        orbit?.addEventListener('change', move);
        orbit?.addEventListener('end', stand);
        return () => {
            window.clearTimeout(timer);
            orbit?.removeEventListener('start', turn);
            orbit?.removeEventListener('change', move);
            orbit?.removeEventListener('end', stand);
        };
    }, [controls, busy, setDpr, setEvents, invalidate]);
    return null;
}
