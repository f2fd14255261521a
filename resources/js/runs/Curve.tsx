import { useTheme } from '@mui/material/styles';

const HEIGHT = 130;
const LEFT = 48;
const BOTTOM = 24;

interface Props {
    label: string;
    /** What the horizontal axis ends with. */
    end: string;
    width: number;
    points: { x: number; y: number }[];
    /** Values with a line and a name, the lowest and the highest of them bound the axis. */
    ticks: { at: number; name: string }[];
}

/** One curve over the iterations of a run. */
export function Curve({ label, end, width, points, ticks }: Props) {
    const { palette } = useTheme();
    const last = Math.max(1, ...points.map((p) => p.x));
    const low = Math.min(...ticks.map((t) => t.at));
    const high = Math.max(...ticks.map((t) => t.at));
    const x = (value: number) => LEFT + ((width - LEFT - 8) * value) / last;
    const y = (value: number) => 8 + ((HEIGHT - BOTTOM - 8) * (high - Math.max(low, Math.min(value, high)))) / (high - low);
    return (
        <svg width={width} height={HEIGHT} role="img" aria-label={`${label}, ${end}`} style={{ flexShrink: 0 }}>
            {ticks.map((tick) => (
                <g key={tick.name}>
                    <line x1={LEFT} x2={width - 8} y1={y(tick.at)} y2={y(tick.at)} stroke={palette.divider} />
                    <text x={LEFT - 6} y={y(tick.at) + 4} textAnchor="end" fontSize={11} fill={palette.text.secondary}>{tick.name}</text>
                </g>
            ))}
            <polyline fill="none" stroke={palette.primary.main} strokeWidth={1.6} points={points.map((p) => `${x(p.x)},${y(p.y)}`).join(' ')} />
            {points.map((p, i) => <circle key={i} cx={x(p.x)} cy={y(p.y)} r={1.7} fill={palette.primary.main} />)}
            <text x={width - 8} y={HEIGHT - 6} textAnchor="end" fontSize={11} fill={palette.text.secondary}>{end}</text>
            <text x={LEFT} y={HEIGHT - 6} fontSize={11} fill={palette.text.secondary}>{label}</text>
        </svg>
    );
}
