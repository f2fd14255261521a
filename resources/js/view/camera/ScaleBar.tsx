import Box from '@mui/material/Box';
import { useFrame } from '@react-three/fiber';
import type { RefObject } from 'react';
import { Vector3 } from 'three';
import type { OrbitControls as Controls } from 'three-stdlib';
import { size, type UnitSet } from '../../units/units';
import { barFor } from './barFor';

/** A length of the model, as long as it is in the picture at what is looked at. */
export function ScaleBar({ bar }: { bar: RefObject<HTMLDivElement | null> }) {
    return (
        <Box
            ref={bar}
            data-testid="scale bar"
            sx={{ position: 'absolute', right: 14, bottom: 12, textAlign: 'center', fontSize: 11.5, pointerEvents: 'none', color: 'text.secondary' }}
        >
            <span />
            <Box sx={{ height: 5, borderBottom: 1.5, borderLeft: 1.5, borderRight: 1.5, borderColor: 'text.secondary' }} />
        </Box>
    );
}

export function ScaleBarLength({ bar, units }: { bar: RefObject<HTMLDivElement | null>; units: UnitSet }) {
    useFrame(({ camera, controls, size: picture }) => {
        const { current } = bar;
        if (!current) return;
        const target = (controls as Controls | null)?.target ?? new Vector3();
        const aside = new Vector3(1, 0, 0).transformDirection(camera.matrixWorld).multiplyScalar(1e-3);
        const [a, b] = [target.clone().project(camera), target.clone().add(aside).project(camera)];
        const pixelsPerMetre = (Math.hypot((b.x - a.x) * picture.width, (b.y - a.y) * picture.height) / 2) * 1e3;
        const { length, pixels } = barFor(pixelsPerMetre, units);
        current.style.width = `${pixels}px`;
        current.firstElementChild!.textContent = size([length], units);
    });
    return null;
}
