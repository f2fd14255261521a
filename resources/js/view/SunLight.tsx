import { useMemo } from 'react';
import { Object3D, Vector3 } from 'three';
import type { Outline } from '../api/types';
import { useByValue } from '../state/hooks';
import { DirectionArrow } from './DirectionArrow';

interface Props {
    outline: Outline;
    /** Whether it lights the model; where colours mean something it only stands there. */
    lights: boolean;
    onTurn: ((direction: readonly number[]) => Promise<unknown>) | undefined;
}

/** The sun: parallel light with the shadows that it casts, and an arrow that turns it. */
export function SunLight({ outline, lights, onTurn }: Props) {
    const { min, max } = useByValue(outline.space);
    const direction = useByValue(outline.sun?.direction ?? [0, 0, 1]);
    const [centre, radius] = useMemo(() => {
        const middle = new Vector3(...min.map((m, n) => 0.5 * (m + max[n]!)));
        return [middle, 0.5 * Math.hypot(...max.map((m, n) => m - min[n]!))] as const;
    }, [min, max]);
    const target = useMemo(() => {
        const held = new Object3D();
        held.position.copy(centre);
        return held;
    }, [centre]);
    const from = centre.clone().addScaledVector(new Vector3(...direction), 2 * radius);
    return (
        <>
            <primitive object={target} />
            {lights && (
                <directionalLight
                    key={radius}
                    position={from}
                    target={target}
                    intensity={2.4}
                    color="#fff3d6"
                    castShadow
                    shadow-mapSize={[2048, 2048]}
                    shadow-camera-left={-radius}
                    shadow-camera-right={radius}
                    shadow-camera-top={radius}
                    shadow-camera-bottom={-radius}
                    shadow-camera-near={0.5 * radius}
                    shadow-camera-far={3.5 * radius}
                    shadow-normalBias={0.004 * radius}
                />
            )}
            <DirectionArrow name="sun" direction={direction} at={centre} length={1.15 * radius} comes={0.28} ink="#d98a1c" onTurn={onTurn} />
        </>
    );
}
