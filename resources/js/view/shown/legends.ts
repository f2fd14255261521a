import type { UnitSet } from '../../units/units';
import { fieldKinds, fieldNumber, type FieldName } from '../fields/catalogue';
import { cssAt, type PaletteName } from '../fields/palettes';
import { valueAt, type Scale } from '../fields/scale';
import type { Picture } from '../layers/picture';
import { layerTitles, legendOf, type Layer } from './shown';

/** A field whose colours are in the picture, and what is coloured by it. */
export interface ShownLegend {
    field: FieldName;
    of: string;
    scale: Scale;
}

export function shownLegends(layers: readonly Layer[], picture: Picture): ShownLegend[] {
    const fields = [...new Set(layers.map(legendOf))].filter((field): field is FieldName => field !== null && picture.scales.has(field));
    return fields.map((field) => ({
        field,
        of: [...new Set(layers.filter((layer) => legendOf(layer) === field).map((layer) => layerTitles[layer.kind]))].join(', '),
        scale: picture.scales.get(field)!,
    }));
}

/** Size of a legend in a saved picture, in pixels of the page. */
const box = { width: 234, height: 62, gap: 8, inset: 12 };

/** Draws legends into the lower left of a picture that has so many pixels for one of the page. */
export function drawLegends(context: CanvasRenderingContext2D, legends: readonly ShownLegend[], units: UnitSet, ratio: number): void {
    context.save();
    context.scale(ratio, ratio);
    const top = context.canvas.height / ratio - box.inset - box.height;
    legends.forEach(({ field, of, scale }, n) => {
        const left = box.inset + n * (box.width + box.gap);
        const inner = { left: left + 10, width: box.width - 20 };
        context.fillStyle = '#ffffff';
        context.strokeStyle = '#d9d4c9';
        context.fillRect(left, top, box.width, box.height);
        context.strokeRect(left + 0.5, top + 0.5, box.width - 1, box.height - 1);
        const title = `${fieldKinds[field].title}, ${fieldKinds[field].unit(units)}`;
        write(context, title, inner.left, top + 17, 'left', 600);
        const wide = context.measureText(`${title}  `).width;
        write(context, of.toLowerCase(), inner.left + wide, top + 17, 'left', 400, inner.width - wide);
        paint(context, fieldKinds[field].palette, scale.bands, { left: inner.left, top: top + 25, width: inner.width, height: 11 });
        const span = scale.max - scale.min;
        const number = (value: number) => fieldNumber(field, value, span, units);
        write(context, number(scale.min), inner.left, top + 52, 'left', 400);
        write(context, number(valueAt(0.5, scale)), inner.left + inner.width / 2, top + 52, 'center', 400);
        write(context, number(scale.max), inner.left + inner.width, top + 52, 'right', 400);
    });
    context.restore();
}

function write(context: CanvasRenderingContext2D, text: string, x: number, y: number, align: CanvasTextAlign, weight: number, most?: number): void {
    context.font = `${weight} 12px "Inter Variable", sans-serif`;
    context.textAlign = align;
    context.fillStyle = '#1f2a30';
    context.fillText(text, x, y, most);
}

function paint(
    context: CanvasRenderingContext2D,
    palette: PaletteName,
    bands: number,
    { left, top, width, height }: { left: number; top: number; width: number; height: number },
): void {
    const steps = bands === 0 ? width : bands;
    for (let n = 0; n < steps; n++) {
        context.fillStyle = cssAt(palette, (n + 0.5) / steps);
        // A little more than its share, so that no seam is seen.
        context.fillRect(left + (n * width) / steps, top, Math.min(width / steps + 0.5, width - (n * width) / steps), height);
    }
}
