import { systemOf, type UnitSet } from '../../units/units';

const WIDEST = 110;

/** The longest round length (1, 2 or 5 times a power of ten in the user's unit) that fits, m, and its width. */
export function barFor(pixelsPerMetre: number, units: UnitSet): { length: number; pixels: number } {
    const unit = systemOf(units, 'length') === 'us' ? 0.0254 : 1;
    const most = WIDEST / Math.max(pixelsPerMetre, 1e-9) / unit;
    const power = 10 ** Math.floor(Math.log10(most));
    const length = unit * power * ([5, 2, 1].find((n) => n * power <= most) ?? 1);
    return { length, pixels: length * pixelsPerMetre };
}
