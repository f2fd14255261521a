import { useTheme } from '@mui/material/styles';

const HEIGHT = 130;
const LEFT = 48;
const BOTTOM = 24;

/** Room for the names of several curves. */
const NAMES = 150;

const LINE = 13;

/** Heights of names, moved so that none covers another; the order of the curves is kept. */
function apart(heights: readonly number[]): number[] {
    const order = heights.map((_h, n) => n).sort((a, b) => heights[a]! - heights[b]!);
    const placed = [...heights];
    order.forEach((n, i) => {
        if (i > 0) placed[n] = Math.max(placed[n]!, placed[order[i - 1]!]! + LINE);
    });
    const beyond = Math.max(0, Math.max(...placed) - (HEIGHT - BOTTOM));
    return placed.map((at) => at - beyond);
}

interface Props {
    label: string;
    /** What the horizontal axis ends with. */
    end: string;
    width: number;
    curves: { name: string; points: { x: number; y: number }[]; colour?: string | undefined }[];
    /** Where the horizontal axis ends; by default with the last of the points. */
    last?: number;
    /** Whether the points of a single curve show as dots. */
    dots?: boolean;
    /** Values with a line and a name, the lowest and the highest of them bound the axis. */
    ticks: { at: number; name: string }[];
}

/** Curves over the iterations of a run, or along a line; several are named where they end. */
export function Curve({ label, end, width, curves, ticks, last: given, dots = true }: Props) {
    const { palette } = useTheme();
    const named = curves.length > 1;
    const right = width - (named ? NAMES : 8);
    const last = given ?? Math.max(1, ...curves.flatMap((curve) => curve.points.map((p) => p.x)));
    const low = Math.min(...ticks.map((t) => t.at));
    const high = Math.max(...ticks.map((t) => t.at));
    const x = (value: number) => LEFT + ((right - LEFT) * value) / last;
    const y = (value: number) => 8 + ((HEIGHT - BOTTOM - 8) * (high - Math.max(low, Math.min(value, high)))) / (high - low);
    return (
        <svg width={width} height={HEIGHT} role="img" aria-label={`${label}, ${end}`} style={{ flexShrink: 0 }}>
            {ticks.map((tick) => (
                <g key={tick.name}>
                    <line x1={LEFT} x2={right} y1={y(tick.at)} y2={y(tick.at)} stroke={palette.divider} />
                    <text x={LEFT - 6} y={y(tick.at) + 4} textAnchor="end" fontSize={11} fill={palette.text.secondary}>
                        {tick.name}
                    </text>
                </g>
            ))}
            {curves.map((curve) => (
                <g key={curve.name} stroke={curve.colour ?? palette.primary.main} fill={curve.colour ?? palette.primary.main}>
                    <polyline fill="none" strokeWidth={1.6} points={curve.points.map((p) => `${x(p.x)},${y(p.y)}`).join(' ')} />
                    {!named && dots && curve.points.map((p, i) => <circle key={i} cx={x(p.x)} cy={y(p.y)} r={1.7} stroke="none" />)}
                </g>
            ))}
            {named &&
                apart(curves.map((curve) => y(curve.points.at(-1)?.y ?? low))).map((at, n) => (
                    <text key={curves[n]!.name} x={right + 6} y={at + 4} fontSize={11} fill={curves[n]!.colour}>
                        {curves[n]!.name}
                    </text>
                ))}
            <text x={right} y={HEIGHT - 6} textAnchor="end" fontSize={11} fill={palette.text.secondary}>
                {end}
            </text>
            <text x={LEFT} y={HEIGHT - 6} fontSize={11} fill={palette.text.secondary}>
                {label}
            </text>
        </svg>
    );
}
