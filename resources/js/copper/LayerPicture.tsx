import Box from '@mui/material/Box';
import { useTheme } from '@mui/material/styles';
import { useRef, useState, type PointerEvent, type WheelEvent } from 'react';
import { usePreferences } from '../state/screen';
import { size } from '../units/units';
import { barFor } from '../view/camera/barFor';
import type { Raster } from './raster';

/** Something that lies on the layer. */
export interface Mark {
    key: string;
    /** m. */
    at: readonly number[];
    size: readonly number[];
    isRound: boolean;
    title: string;
    isLit: boolean;
}

/** What is seen of a board: its middle in m, and how many times larger than the whole. */
export interface Sight {
    x: number;
    y: number;
    zoom: number;
}

export const wholeOf = ({ origin, size, pixels }: Raster): Sight => ({
    x: origin[0]! + 0.5 * size[0]! * pixels[0]!,
    y: origin[1]! + 0.5 * size[1]! * pixels[1]!,
    zoom: 1,
});

interface Props {
    label: string;
    raster: Raster;
    picture: string;
    marks: readonly Mark[];
    /** A path of arrows, in millimetres. */
    arrows?: string | undefined;
    sight: Sight;
    onSight: (sight: Sight) => void;
    onHover: (place: [number, number] | null) => void;
    onPick?: ((place: [number, number]) => void) | undefined;
    isPicking?: boolean;
}

const MOST = 60;
/** Pixels of the screen that a press may move and still be a click. */
const CLICK = 4;
/** Of the screen, about as wide as a picture is. */
const ACROSS = 500;
/** Of the board, left free around it. */
const MARGIN = 1.12;

/** One layer of a board from above, in millimetres, to be moved and zoomed. */
export function LayerPicture({ label, raster, picture, marks, arrows, sight, onSight, onHover, onPick, isPicking = false }: Props) {
    const { palette } = useTheme();
    const units = usePreferences((s) => s.units);
    const svg = useRef<SVGSVGElement>(null);
    const press = useRef<{ x: number; y: number; sight: Sight; moved: boolean } | null>(null);
    const [isMoving, setMoving] = useState(false);
    const [width, height] = [1e3 * raster.size[0]! * raster.pixels[0]!, 1e3 * raster.size[1]! * raster.pixels[1]!];
    const [seenWidth, seenHeight] = [(MARGIN * width) / sight.zoom, (MARGIN * height) / sight.zoom];
    const [left, top] = [1e3 * sight.x - seenWidth / 2, -1e3 * sight.y - seenHeight / 2];
    /** mm of the picture per pixel of the screen. */
    const scale = () => {
        const box = svg.current?.getBoundingClientRect();
        return box ? Math.max(seenWidth / box.width, seenHeight / box.height) : 1;
    };
    const placeOf = ({ clientX, clientY }: { clientX: number; clientY: number }): [number, number] => {
        const box = svg.current!.getBoundingClientRect();
        const per = scale();
        return [sight.x + 1e-3 * per * (clientX - box.left - box.width / 2), sight.y - 1e-3 * per * (clientY - box.top - box.height / 2)];
    };
    const zoom = (event: WheelEvent) => {
        const next = Math.min(MOST, Math.max(1, sight.zoom * (event.deltaY < 0 ? 1.25 : 0.8)));
        const [x, y] = placeOf(event);
        const stays = sight.zoom / next;
        onSight(next === 1 ? wholeOf(raster) : { x: x + (sight.x - x) * stays, y: y + (sight.y - y) * stays, zoom: next });
    };
    const move = (event: PointerEvent) => {
        onHover(placeOf(event));
        const begun = press.current;
        if (!begun) return;
        const [dx, dy] = [event.clientX - begun.x, event.clientY - begun.y];
        begun.moved ||= Math.hypot(dx, dy) > CLICK;
        if (!begun.moved) return;
        setMoving(true);
        const per = 1e-3 * scale();
        onSight({ ...begun.sight, x: begun.sight.x - per * dx, y: begun.sight.y + per * dy });
    };
    const release = (event: PointerEvent) => {
        const begun = press.current;
        press.current = null;
        setMoving(false);
        if (begun && !begun.moved) onPick?.(placeOf(event));
    };
    const bar = barFor(ACROSS / (1e-3 * seenWidth), units);
    const thin = seenWidth / ACROSS;
    return (
        <Box
            component="svg"
            ref={svg}
            role="img"
            aria-label={label}
            viewBox={`${left} ${top} ${seenWidth} ${seenHeight}`}
            onWheel={zoom}
            onPointerDown={(event: PointerEvent) => {
                press.current = { x: event.clientX, y: event.clientY, sight, moved: false };
            }}
            onPointerMove={move}
            onPointerUp={release}
            onPointerLeave={() => {
                press.current = null;
                setMoving(false);
                onHover(null);
            }}
            sx={{
                width: '100%',
                height: '100%',
                display: 'block',
                touchAction: 'none',
                bgcolor: palette.mode === 'light' ? '#e9e6df' : '#15181a',
                cursor: isMoving ? 'grabbing' : isPicking ? 'crosshair' : 'default',
            }}
        >
            <rect
                x={1e3 * raster.origin[0]!}
                y={-1e3 * raster.origin[1]! - height}
                width={width}
                height={height}
                fill={palette.mode === 'light' ? '#dcd9cc' : '#2a302c'}
                stroke={palette.text.secondary}
                strokeWidth={thin}
            />
            <image
                href={picture}
                x={1e3 * raster.origin[0]!}
                y={-1e3 * raster.origin[1]! - height}
                width={width}
                height={height}
                preserveAspectRatio="none"
                style={{ imageRendering: 'pixelated' }}
            />
            {arrows && (
                <g fill="none" strokeLinecap="round" strokeLinejoin="round" aria-hidden>
                    <path d={arrows} stroke="#14181b" strokeOpacity={0.55} strokeWidth={2.6 * thin} />
                    <path d={arrows} stroke="#ffffff" strokeWidth={1.1 * thin} />
                </g>
            )}
            {marks.map(({ key, at, size: across, isRound, title, isLit }) => {
                const [x, y, w, h] = [1e3 * at[0]!, -1e3 * at[1]!, 1e3 * across[0]!, 1e3 * across[1]!];
                const line = { fill: 'none', stroke: isLit ? palette.error.main : palette.text.primary, strokeWidth: isLit ? 2.5 * thin : 1.2 * thin };
                return (
                    <g key={key}>
                        {isRound ? (
                            <circle cx={x} cy={y} r={Math.max(w / 2, isLit ? 3 * thin : 0)} {...line} />
                        ) : (
                            <rect x={x - w / 2} y={y - h / 2} width={w} height={h} {...line} />
                        )}
                        {title !== '' && (
                            <text
                                x={x}
                                y={y - h / 2 - 2.5 * thin}
                                textAnchor="middle"
                                fontSize={11 * thin}
                                fontWeight={600}
                                fill={line.stroke}
                                stroke={palette.background.paper}
                                strokeWidth={2.4 * thin}
                                paintOrder="stroke"
                            >
                                {title}
                            </text>
                        )}
                    </g>
                );
            })}
            <g transform={`translate(${left + 0.03 * seenWidth} ${top + 0.98 * seenHeight})`}>
                <path d={`M0 0 H${1e3 * bar.length}`} stroke={palette.text.primary} strokeWidth={2 * thin} />
                <text x={1e3 * bar.length + 4 * thin} y={2 * thin} fontSize={10 * thin} fill={palette.text.primary}>
                    {size([bar.length], units)}
                </text>
            </g>
        </Box>
    );
}
