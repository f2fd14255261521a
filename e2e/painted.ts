import { expect, type Page } from '@playwright/test';
import { scaleBytes } from '../resources/js/view/fields/palettes';

/** Colours of the canvas at places of it, in pixels of the page. */
export async function paintedAt(page: Page, places: readonly { x: number; y: number }[]): Promise<number[][]> {
    const picture = (await page.getByRole('region', { name: 'View' }).locator('canvas').screenshot()).toString('base64');
    return page.evaluate(
        async ({ data, at }) => {
            const image = new Image();
            image.src = `data:image/png;base64,${data}`;
            await image.decode();
            const drawn = new OffscreenCanvas(image.width, image.height).getContext('2d')!;
            drawn.drawImage(image, 0, 0);
            return at.map(({ x, y }) => [...drawn.getImageData(x, y, 1, 1).data].slice(0, 3));
        },
        { data: picture, at: [...places] },
    );
}

/** Share of the scale whose colour is nearest to a painted one, and how far it is from it. */
export function shareOf(colour: readonly number[]): { share: number; off: number } {
    const scale = scaleBytes('heat', 1024);
    const off = (i: number) => Math.hypot(...[0, 1, 2].map((n) => scale[4 * i + n]! - colour[n]!));
    const nearest = [...Array(1024).keys()].reduce((best, i) => (off(i) < off(best) ? i : best));
    return { share: nearest / 1023, off: off(nearest) };
}

/** The ends of the legend of the temperature, °C. */
export async function rangeShown(page: Page): Promise<[number, number]> {
    const legend = page.getByTestId('legend temperature');
    return [Number(await legend.getByLabel('Least of Temperature').inputValue()), Number(await legend.getByLabel('Greatest of Temperature').inputValue())];
}

/** Takes the light away, so that colours are exactly those of the scale, and everything that lies over the picture. */
export async function bare(page: Page): Promise<void> {
    const shown = page.getByRole('region', { name: 'Shown' });
    await shown.getByRole('button', { name: /^Parts/ }).click();
    await shown.getByRole('switch', { name: 'Light and shade' }).uncheck();
    for (const line of ['Min and max', 'Limits missed']) await shown.getByRole('button', { name: `Remove ${line}` }).click();
    await shown.getByRole('button', { name: 'Fold the list' }).click();
}

/** A place and four around it, in pixels. */
const BESIDE = [
    [0, 0],
    [2, 0],
    [-2, 0],
    [0, 2],
    [0, -2],
] as const;

/**
 * Compares what is painted with what is read under the pointer, to a hundredth of the scale, at fifty places of the parts.
 *
 * @param least of the scale, °C
 * @param greatest of the scale, °C
 * @returns places that were looked at, in pixels of the canvas
 */
export async function fiftyPlaces(page: Page, least: number, greatest: number): Promise<{ x: number; y: number }[]> {
    await bare(page);
    // With two digits behind the point, so that rounding of the ends has no share.
    const legend = page.getByTestId('legend temperature');
    for (const [end, value] of [
        ['Least', least],
        ['Greatest', greatest],
    ] as const) {
        await legend.getByLabel(`${end} of Temperature`).fill(String(value));
        await page.keyboard.press('Enter');
    }
    await page.waitForTimeout(1500);
    const canvas = page.getByRole('region', { name: 'View' }).locator('canvas');
    const box = (await canvas.boundingBox())!;
    const places = [...Array(400).keys()].map((n) => ({
        x: Math.round(box.width * (0.12 + 0.76 * ((n * 0.618034) % 1))),
        y: Math.round(box.height * (0.2 + 0.6 * ((n * 0.754878) % 1))),
    }));
    const painted = await paintedAt(
        page,
        places.flatMap(({ x, y }) => BESIDE.map(([dx, dy]) => ({ x: x + dx, y: y + dy }))),
    );
    const readout = page.getByTestId('readout');
    let compared = 0;
    let far = 0;
    for (const [n, place] of places.entries()) {
        const [here, ...beside] = painted.slice(BESIDE.length * n, BESIDE.length * (n + 1)).map(shareOf);
        const { share, off } = here!;
        // Edges, walls that are seen through and the ground have no colour of the scale, and on the edge of two parts the pointer is on either.
        const onEdge = beside.some((other) => other.off > 5 || Math.abs(other.share - share) > 0.01);
        if (off > 5 || onEdge || compared === 50) continue;
        await page.mouse.move(box.x + place.x, box.y + place.y);
        if (!(await readout.isVisible())) continue;
        const text = (await readout.textContent())!;
        const read = Number(/(-?\d+\.\d+) °C$/.exec(text)?.[1] ?? NaN);
        if (Number.isNaN(read) || text.startsWith('Enclosure')) continue;
        compared++;
        if (Math.abs(least + share * (greatest - least) - read) > 0.01 * (greatest - least)) far++;
    }
    expect(compared).toBe(50);
    // The pointer may be on the next of two fins.
    expect(far).toBeLessThanOrEqual(1);
    return places;
}
