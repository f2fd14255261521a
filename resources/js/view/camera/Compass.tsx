import Box from '@mui/material/Box';
import { useFrame } from '@react-three/fiber';
import { useRef, type RefObject } from 'react';
import { Vector3 } from 'three';
import { axisColours } from '../colours';
import { useAim, type Facing } from './aim';

const SIZE = 74;
const REACH = 24;
const names = ['x', 'y', 'z'] as const;

/** The three axes as they lie in the picture; a click on one looks along it, a second one from the other side. */
export function Compass({ arms }: { arms: RefObject<HTMLDivElement | null> }) {
    const last = useRef<Facing>('home');
    const look = (axis: (typeof names)[number]) => {
        // From the front as drawings do: against x and y from their negative side, z from above.
        const first: Facing = axis === 'z' ? 'z' : `-${axis}`;
        const facing: Facing = last.current === first ? (axis === 'z' ? '-z' : axis) : first;
        last.current = facing;
        useAim.getState().give({ kind: 'face', facing, box: null });
    };
    return (
        <Box ref={arms} role="group" aria-label="Look along" sx={{ position: 'absolute', right: 10, bottom: 34, width: SIZE, height: SIZE }}>
            <svg width={SIZE} height={SIZE} aria-hidden style={{ position: 'absolute' }}>
                {names.map((name, n) => (
                    <line key={name} x1={SIZE / 2} y1={SIZE / 2} x2={SIZE / 2} y2={SIZE / 2} stroke={axisColours[n]} strokeWidth={2} strokeLinecap="round" />
                ))}
            </svg>
            {names.map((name, n) => (
                <Box
                    key={name}
                    component="button"
                    type="button"
                    aria-label={name.toUpperCase()}
                    title={`Look along ${name}`}
                    onClick={() => look(name)}
                    sx={{
                        position: 'absolute',
                        left: 0,
                        top: 0,
                        width: 24,
                        height: 24,
                        p: 0,
                        border: 0,
                        borderRadius: '50%',
                        background: 'none',
                        font: 'inherit',
                        fontSize: 13,
                        fontWeight: 650,
                        cursor: 'pointer',
                        color: axisColours[n],
                        '&:hover, &:focus-visible': { bgcolor: 'background.paper', outline: '1px solid currentColor' },
                    }}
                >
                    {name}
                </Box>
            ))}
        </Box>
    );
}

/** Inside the picture: lays the arms of the compass as the camera sees the axes. */
export function CompassNeedles({ arms }: { arms: RefObject<HTMLDivElement | null> }) {
    useFrame(({ camera }) => {
        const lines = arms.current?.querySelectorAll('line') ?? [];
        const buttons = arms.current?.querySelectorAll('button') ?? [];
        [0, 1, 2].forEach((n) => {
            const seen = new Vector3().setComponent(n, 1).transformDirection(camera.matrixWorldInverse);
            const [x, y] = [SIZE / 2 + REACH * seen.x, SIZE / 2 - REACH * seen.y];
            lines[n]?.setAttribute('x2', String(x));
            lines[n]?.setAttribute('y2', String(y));
            const [tx, ty] = [SIZE / 2 + (REACH + 8) * seen.x, SIZE / 2 - (REACH + 8) * seen.y];
            if (buttons[n]) {
                buttons[n].style.transform = `translate(${tx - 12}px, ${ty - 12}px)`;
                buttons[n].style.zIndex = String(20 + Math.round(10 * seen.z));
            }
        });
    });
    return null;
}
