import Box from '@mui/material/Box';
import { useFrame } from '@react-three/fiber';
import { useRef, type RefObject } from 'react';
import { Vector3 } from 'three';
import type { Triple } from '../shown/shown';
import { place } from './placing';

export interface Callout {
    id: string;
    at: Triple;
    title: string;
    value?: string;
    tone?: 'bad' | 'quiet';
}

/** Labels over the picture with a line to what they name. They are laid out by CalloutPlaces, inside of it. */
export function Callouts({ callouts, sheet }: { callouts: readonly Callout[]; sheet: RefObject<HTMLDivElement | null> }) {
    return (
        <Box ref={sheet} sx={{ position: 'absolute', inset: 0, overflow: 'hidden', pointerEvents: 'none' }}>
            <Box component="svg" aria-hidden sx={{ position: 'absolute', inset: 0, width: '100%', height: '100%', color: 'text.secondary' }}>
                {callouts.map(({ id }) => (
                    <line key={id} stroke="currentColor" strokeWidth={1} />
                ))}
            </Box>
            {callouts.map(({ id, title, value, tone }) => (
                <Box
                    key={id}
                    data-callout={id}
                    sx={{
                        position: 'absolute',
                        left: 0,
                        top: 0,
                        px: 0.75,
                        py: 0.1,
                        fontSize: 12,
                        whiteSpace: 'nowrap',
                        borderRadius: 0.75,
                        border: 1,
                        borderColor: tone === 'bad' ? 'error.main' : 'divider',
                        bgcolor: 'background.paper',
                        color: tone === 'bad' ? 'error.main' : tone === 'quiet' ? 'text.secondary' : 'text.primary',
                        visibility: 'hidden',
                    }}
                >
                    {title}
                    {value !== undefined && (
                        <Box component="span" sx={{ fontWeight: 600, ml: title ? 0.75 : 0 }}>
                            {value}
                        </Box>
                    )}
                </Box>
            ))}
        </Box>
    );
}

/** Inside the picture: puts the labels beside what they name, as the camera sees it. */
export function CalloutPlaces({ callouts, sheet }: { callouts: readonly Callout[]; sheet: RefObject<HTMLDivElement | null> }) {
    const sizes = useRef(new Map<string, { width: number; height: number }>());
    useFrame(({ camera, size }) => {
        const boxes = sheet.current?.querySelectorAll<HTMLElement>('[data-callout]') ?? [];
        const lines = sheet.current?.querySelectorAll('line') ?? [];
        const anchors = callouts.map(({ at, id, title, value }, n) => {
            const key = `${id} ${title} ${value}`;
            const box = boxes[n];
            const known = sizes.current.get(key) ?? { width: box?.offsetWidth ?? 0, height: box?.offsetHeight ?? 0 };
            if (known.width > 0) sizes.current.set(key, known);
            const seen = new Vector3(...at).project(camera);
            return { x: 0.5 * (1 + seen.x) * size.width, y: 0.5 * (1 - seen.y) * size.height, ...known };
        });
        const origin = sheet.current?.getBoundingClientRect();
        const obstacles = [...(sheet.current?.parentElement?.querySelectorAll('[data-over-view]') ?? [])].map((element) => {
            const { left, top, width, height } = element.getBoundingClientRect();
            return { x: left - (origin?.left ?? 0), y: top - (origin?.top ?? 0), width, height };
        });
        place(anchors, size, obstacles).forEach((at, n) => {
            const [box, line, anchor] = [boxes[n], lines[n], anchors[n]!];
            if (!box || !line) return;
            box.style.visibility = line.style.visibility = at && anchor.width > 0 ? 'visible' : 'hidden';
            if (!at) return;
            box.style.transform = `translate(${Math.round(at.x)}px, ${Math.round(at.y)}px)`;
            line.setAttribute('x1', String(anchor.x));
            line.setAttribute('y1', String(anchor.y));
            // To the nearest place of the label.
            line.setAttribute('x2', String(Math.min(Math.max(anchor.x, at.x), at.x + anchor.width)));
            line.setAttribute('y2', String(Math.min(Math.max(anchor.y, at.y), at.y + anchor.height)));
        });
    });
    return null;
}
