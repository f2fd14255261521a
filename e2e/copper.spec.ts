import { expect, test, type Page } from '@playwright/test';
import { ledger, nothingSerious, run } from './demo';

const inspector = (page: Page) => page.getByRole('complementary', { name: 'Inspector' });
const files = ['top.gbr', 'inner-1.gbr', 'inner-2.gbr', 'bottom.gbr', 'holes.drl'].map((name) => `examples/tap-board/${name}`);

const stage = (page: Page, name: string) =>
    page
        .getByRole('navigation', { name: 'Stages' })
        .getByRole('button', { name: new RegExp(name) })
        .click();

/** Presses a place of a picture, in mm as the artwork counts. */
async function pressAt(page: Page, x: number, y: number): Promise<void> {
    const [left, top] = await page.getByRole('img', { name: /^Nets on layer/ }).evaluate(
        (svg, [right, up]) => {
            const { a, d, e, f } = (svg as unknown as SVGSVGElement).getScreenCTM()!;
            return [a * right! + e, f - d * up!] as const;
        },
        [x, y],
    );
    await page.mouse.click(left, top);
}

/** Adds a terminal by pressing a place, and makes it what is wanted. */
async function terminal(page: Page, [x, y]: readonly [number, number], name: string, field: string | null, value: string): Promise<void> {
    const dialog = page.getByRole('dialog', { name: /^Copper of/ });
    await dialog.getByRole('button', { name: 'Add a terminal' }).click();
    await pressAt(page, x, y);
    const open = dialog.getByRole('region', { name: /^Terminal / });
    await open.getByLabel('Terminal', { exact: true }).fill(name);
    await page.keyboard.press('Enter');
    const own = dialog.getByRole('region', { name: `Terminal ${name}`, exact: true });
    await expect(own).toBeVisible();
    if (field !== null) {
        await own.getByLabel(field).fill(value);
        await page.keyboard.press('Enter');
        await expect(own.getByLabel(field)).toHaveValue(value);
    }
}

/** A new project with nothing but a board. */
async function board(page: Page, product: string): Promise<void> {
    await page.goto('/');
    await page.getByRole('button', { name: 'Enter as the demo engineer' }).click();
    await page.getByRole('button', { name: 'New project' }).click();
    await page.getByLabel('Name of the product').fill(product);
    await page.getByRole('radio', { name: /^Empty/ }).click();
    await page.getByRole('button', { name: 'Create' }).click();
    await page.getByRole('button', { name: 'Add part' }).click();
    await page.getByRole('menuitem', { name: 'Board', exact: true }).click();
}

/** Still air around the board, which cools it on all its faces. */
async function cool(page: Page): Promise<void> {
    await expect(page.getByText(/^Saved, revision/)).toBeVisible();
    await page.keyboard.press('Escape');
    await stage(page, 'Load');
    await page.getByRole('complementary', { name: 'Space' }).getByRole('combobox', { name: 'Air' }).click();
    await page.getByRole('option', { name: /^Still/ }).click();
    await ledger(page).getByRole('gridcell', { name: 'Board', exact: true }).click();
    await inspector(page).getByRole('button', { name: 'Condition on a face' }).click();
    await page.getByRole('menuitem', { name: 'All bare faces' }).click();
}

test('a board is imported, loaded and run; the worst via is found and relieved', async ({ page }) => {
    test.setTimeout(420_000);
    await board(page, 'Tap board of the winch');

    await inspector(page).getByRole('button', { name: 'Import artwork' }).click();
    const artwork = page.getByRole('dialog', { name: 'Artwork of Board' });
    await artwork.getByLabel('Artwork and drill files').setInputFiles('package.json');
    await expect(artwork).toContainText('neither artwork in Gerber format nor a drill file in Excellon format nor a list of nets in IPC-D-356 format');
    await artwork.getByLabel('Artwork and drill files').setInputFiles(files);
    await expect(artwork).toContainText('56 holes, plated');
    await expect(artwork.getByRole('combobox', { name: 'Place of inner-2.gbr' })).toContainText('3');
    // Coarse pixels: what is tried here are the screens.
    await artwork.getByLabel('Pixels of').fill('0.15 mm');
    await nothingSerious(page);
    await artwork.getByRole('button', { name: 'Take 4 layers' }).click();
    await expect(inspector(page)).toContainText('4 layers with artwork, 0 terminals');

    await stage(page, 'Load');
    await inspector(page).getByRole('button', { name: 'Nets and terminals' }).click();
    const copper = page.getByRole('dialog', { name: 'Copper of Board' });
    const nets = copper.getByRole('table', { name: 'Nets' });
    await expect(nets.getByRole('row', { name: /VBAT/ })).toContainText('no terminals', { timeout: 60_000 });
    await terminal(page, [6, 20], 'Battery', null, '');
    await expect(nets.getByRole('row', { name: /VBAT/ })).toContainText('no load');
    await terminal(page, [6, 5.5], 'Battery return', null, '');
    for (const [name, y, back, current] of [
        ['Winch', 32, 36.5, '14 A'],
        ['Lamp', 20, 24.5, '5 A'],
        ['Radio', 8, 12.5, '1 A'],
    ] as const) {
        await terminal(page, [50, y], name, 'Current in (negative: out)', `-${current}`);
        await terminal(page, [53, back], `${name} return`, 'Current in (negative: out)', current);
    }
    await expect(nets.getByRole('row', { name: /VBAT/ })).toContainText('20 A', { timeout: 30_000 });
    await expect(nets.getByRole('row', { name: /VBAT/ })).toContainText('ready');
    await expect(nets.getByRole('row', { name: /GND/ })).toContainText('ready');
    await nothingSerious(page);
    await copper.getByRole('button', { name: 'Close' }).click();

    await stage(page, 'Limit');
    await inspector(page).getByRole('button', { name: 'Limit', exact: true }).last().click();
    const limit = inspector(page).getByRole('region', { name: 'Limit 1' });
    await limit.getByRole('combobox', { name: 'Of' }).click();
    await page.getByRole('option', { name: 'Current per via' }).click();
    await expect(limit.getByLabel('May carry', { exact: true })).toHaveValue('2 A');
    await cool(page);

    await run(page, 'Scout', 180_000);
    await stage(page, 'Judge');
    await inspector(page).getByRole('button', { name: 'Currents', exact: true }).click();
    const currents = page.getByRole('dialog', { name: 'Currents in Board' });
    await expect(currents).toContainText(/\d+ of 56 vias over their limit/, { timeout: 30_000 });
    const over = Number(/(\d+) of 56 vias/.exec((await currents.textContent()) ?? '')?.[1]);
    const worst = currents.getByRole('table', { name: 'Currents of vias' }).getByRole('row').nth(1);
    await expect(worst).toContainText('VBAT at 46.6, 30.8 mm');
    await worst.click();
    await nothingSerious(page);
    await worst.getByRole('button', { name: 'More vias' }).click();

    await run(page, 'Scout', 180_000);
    await inspector(page).getByRole('button', { name: 'Currents', exact: true }).click();
    await expect(currents).toContainText(/\d+ of 59 vias over their limit/, { timeout: 30_000 });
    expect(Number(/(\d+) of 59 vias/.exec((await currents.textContent()) ?? '')?.[1])).toBeLessThan(over);
});

test('copper is drawn by hand and carries a current', async ({ page }) => {
    test.setTimeout(240_000);
    await board(page, 'Heater of the mast box');
    await cool(page);
    await inspector(page).getByRole('button', { name: 'Draw copper' }).click();
    const copper = page.getByRole('dialog', { name: 'Copper of Board' });
    const drawn = (name: string) => copper.getByRole('region', { name, exact: true });
    await expect(copper.getByRole('table', { name: 'Nets' }).getByRole('row')).toHaveCount(2, { timeout: 60_000 });
    await copper.getByRole('button', { name: /^Pour 1/ }).click();
    await drawn('Pour 1').getByLabel('Corners').fill('5 mm, 5 mm; 45 mm, 5 mm; 45 mm, 15 mm; 5 mm, 15 mm');
    await page.keyboard.press('Enter');
    // A track up from it.
    await copper.getByRole('button', { name: 'Draw copper' }).click();
    await page.getByRole('menuitem', { name: 'Track' }).click();
    await pressAt(page, 25, 10);
    await pressAt(page, 25, 35);
    await page.keyboard.press('Enter');
    await drawn('Track 2').getByLabel('Width').fill('2 mm');
    await page.keyboard.press('Enter');
    await expect(copper.getByRole('table', { name: 'Nets' }).getByRole('row')).toHaveCount(2, { timeout: 30_000 });
    await nothingSerious(page);
    await terminal(page, [7, 10], 'Supply', null, '');
    await terminal(page, [25, 34], 'Load', null, '');
    const load = copper.getByRole('region', { name: 'Terminal Load', exact: true });
    await load.getByRole('combobox', { name: 'Kind' }).click();
    await page.getByRole('option', { name: 'Given current' }).click();
    await load.getByLabel('Current in (negative: out)').fill('-5 A');
    await page.keyboard.press('Enter');
    await expect(copper.getByRole('table', { name: 'Nets' })).toContainText('ready', { timeout: 30_000 });
    await copper.getByRole('button', { name: 'Close' }).click();

    await run(page, 'Scout', 120_000);
    await stage(page, 'Judge');
    await inspector(page).getByRole('button', { name: 'Currents', exact: true }).click();
    const currents = page.getByRole('dialog', { name: 'Currents in Board' });
    await expect(currents.getByRole('table', { name: 'Currents of nets' })).toContainText('Net 1', { timeout: 30_000 });
    await expect(currents.getByRole('table', { name: 'Currents at terminals' }).getByRole('row', { name: /^Load/ })).toContainText('5');
});
