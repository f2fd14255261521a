import { useTheme } from '@mui/material/styles';
import type { ReactNode } from 'react';
import type { Start } from './starts';

/** A small drawing of each start: solids dark, hot parts amber, air as arrows. */
export function StartPicture({ start }: { start: Start }) {
    const { palette } = useTheme();
    const line = palette.text.secondary;
    const hot = '#c9785f';
    const air = '#3b7c96';
    const box = <rect x="3" y="6" width="50" height="28" rx="1.5" fill="none" stroke={line} strokeWidth="1.5" />;
    const board = <rect x="10" y="27" width="36" height="2.5" fill={line} />;
    const chips = <path d="M18 23h9v4h-9zM33 24.5h6v2.5h-6z" fill={hot} />;
    const arrow = (x: number, y: number, dx: number, dy: number) => (
        <path
            key={`${x} ${y}`}
            d={`M${x} ${y}l${dx} ${dy}m${dy === 0 ? '-3 -2.5l3 2.5l-3 2.5' : '-2.5 3l2.5 -3l2.5 3'}`}
            fill="none"
            stroke={air}
            strokeWidth="1.5"
            strokeLinecap="round"
            strokeLinejoin="round"
        />
    );
    const drawings: Record<Start, ReactNode> = {
        ventilated: (
            <>
                {box}
                {board}
                {chips}
                {arrow(-1, 14, 13, 0)}
                {arrow(43, 14, 13, 0)}
                <path d="M41 8v12" stroke={air} strokeWidth="2.5" />
            </>
        ),
        sealed: (
            <>
                {box}
                {board}
                {chips}
                {arrow(22, 20, 0, -8)}
            </>
        ),
        sink: (
            <>
                <path d="M10 26h36v4h-36zM12 12h2.5v14h-2.5zM20 12h2.5v14h-2.5zM28 12h2.5v14h-2.5zM36 12h2.5v14h-2.5zM43 12h2.5v14h-2.5z" fill={line} />
                <rect x="22" y="30" width="12" height="4" fill={hot} />
                {arrow(17.5, 22, 0, -17)}
                {arrow(33.5, 22, 0, -17)}
            </>
        ),
        duct: (
            <>
                <path d="M2 8h52M2 32h52" stroke={line} strokeWidth="1.5" />
                <rect x="12" y="28" width="34" height="2.5" fill={line} />
                <path d="M20 24h9v4h-9zM35 25.5h6v2.5h-6z" fill={hot} />
                {arrow(3, 16, 13, 0)}
                {arrow(24, 16, 13, 0)}
                {arrow(42, 16, 11, 0)}
            </>
        ),
        plate: (
            <>
                <path d="M8 18h40v5h-40z" fill={line} />
                <path d="M15 14h9v4h-9zM32 14h9v4h-9z" fill={hot} />
                <path d="M4 23h48v9h-48z" fill="none" stroke={line} strokeWidth="1.5" />
                {arrow(10, 27.5, 14, 0)}
                {arrow(32, 27.5, 14, 0)}
            </>
        ),
        bars: (
            <>
                <path d="M2 13h22v14h-22zM38 13h16v14h-16z" fill={line} />
                <path d="M24 17h14v6h-14z" fill={hot} />
                {arrow(6, 8, 14, 0)}
                {arrow(38, 8, 14, 0)}
            </>
        ),
        empty: <path d="M8 12l20 -7l20 7v18l-20 7l-20 -7zM8 12l20 7l20 -7M28 19v18" fill="none" stroke={line} strokeWidth="1.5" strokeLinejoin="round" />,
    };
    return (
        <svg width="56" height="40" viewBox="-2 0 60 40" aria-hidden style={{ flexShrink: 0 }}>
            {drawings[start]}
        </svg>
    );
}
