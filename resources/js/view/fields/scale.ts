/** How values become colours: null at an end means that it follows what is shown. */
export interface Range {
    min: number | null;
    max: number | null;
    /** Number of bands of one colour each; 0 for none. */
    bands: number;
    logarithmic: boolean;
}

export const automatic: Range = { min: null, max: null, bands: 0, logarithmic: false };

/** A range with both ends known. */
export interface Scale {
    min: number;
    max: number;
    bands: number;
    logarithmic: boolean;
}

export const isLocked = (range: Range): boolean => range.min !== null && range.max !== null;

/** Ends that are given, else those of what is shown. A logarithmic scale needs positive values: where there are none it is a straight one. */
export function scaleOf(range: Range, shown: { min: number; max: number } | null): Scale {
    const low = range.min ?? shown?.min ?? 0;
    const high = range.max ?? shown?.max ?? 1;
    const [min, max] = high > low ? [low, high] : [low, low + Math.max(1e-9, Math.abs(low) * 1e-6)];
    return { min, max, bands: range.bands, logarithmic: range.logarithmic && min > 0 };
}

/** Where a value lies between the ends, 0 to 1, in bands where these are wanted. */
export function shareOf(value: number, { min, max, bands, logarithmic }: Scale): number {
    const raw = logarithmic ? Math.log(Math.max(value, min) / min) / Math.log(max / min) : (value - min) / (max - min);
    const share = Math.min(Math.max(raw, 0), 1);
    return bands > 0 ? (Math.min(Math.floor(share * bands), bands - 1) + 0.5) / bands : share;
}

/** The value at a share of the scale. */
export const valueAt = (share: number, { min, max, logarithmic }: Scale): number => (logarithmic ? min * (max / min) ** share : min + share * (max - min));
