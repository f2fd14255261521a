import { expect, test, type Page } from '@playwright/test';
import { scaleBytes } from '../resources/js/view/colours';
import { cell, ledger, openDemo, revision, run, typeInto } from './demo';

const LIGHT_FROM_ABOVE = 0.925;

/** Imports a model document as a project of its own. */
async function importModel(page: Page, document: object): Promise<void> {
    await page.goto('/');
    await page.getByRole('button', { name: 'Enter as the demo engineer' }).click();
    await page.getByLabel('Model document').setInputFiles({ name: 'model.json', mimeType: 'application/json', buffer: Buffer.from(JSON.stringify(document)) });
    await expect(page.getByText(/^Saved, revision 1$/)).toBeVisible();
}

async function openProject(page: Page, name: RegExp): Promise<void> {
    await page.goto('/');
    await page.getByRole('button', { name: 'Enter as the demo engineer' }).click();
    await page.getByRole('link', { name }).click();
    await expect(page.getByText(/^Saved, revision/)).toBeVisible();
}

/** A warm block under a cold plate in air between a hot and a cold wall: whoever mixes air into its surface paints it many kelvin off. */
const blockInAir = {
    format: 'foehn-model',
    version: 1,
    name: 'Block in air',
    surroundings: { temperature: '20 degC' },
    space: {
        box: { min: [0, 0, 0], max: ['60 mm', '60 mm', '40 mm'] },
        fluid: 'air',
        sides: { 'z+': { heat: { kind: 'temperature', temperature: '20 degC' } } },
    },
    parts: [
        { id: 'b', name: 'Block', shape: { kind: 'block', size: ['40 mm', '40 mm', '10 mm'] }, at: ['10 mm', '10 mm', 0], material: 'copper', power: '0.1 W' },
    ],
    analysis: { grid: { cells: [12, 12, 8] } },
};

test('what is painted on a part is what the core has there, without the air beside it', async ({ page }) => {
    await importModel(page, blockInAir);
    await run(page);
    await page.getByRole('button', { name: 'Judge' }).click();
    await expect(page.locator('[data-coloured="temperature"]')).toBeVisible();
    await page.getByRole('button', { name: 'Z', exact: true }).click();
    await page.getByRole('button', { name: 'Probe' }).click();
    const view = page.getByRole('region', { name: 'View' });
    const canvas = view.locator('canvas');
    const box = (await canvas.boundingBox())!;
    const at = { x: Math.round(box.width * 0.56), y: Math.round(box.height * 0.44) };
    await canvas.click({ position: at });
    const label = view.getByText(/^Block -?\d+\.\d\d °C$/);
    await expect(label).toBeVisible();
    const probed = Number(/(-?\d+\.\d\d)/.exec((await label.textContent())!)![1]);
    const [low, high] = [0, 4].map(async (n) => Number(await view.getByText('Temperature, °C').locator('..').locator('span').nth(n).textContent()));
    const [min, max] = [await low!, await high!];

    // Away from labels and edges.
    const place = { x: Math.round(box.width * 0.44), y: Math.round(box.height * 0.58) };
    const picture = (await canvas.screenshot()).toString('base64');
    const painted = await page.evaluate(
        async ({ picture: data, place: { x, y } }) => {
            const image = new Image();
            image.src = `data:image/png;base64,${data}`;
            await image.decode();
            const drawn = new OffscreenCanvas(image.width, image.height).getContext('2d')!;
            drawn.drawImage(image, 0, 0);
            return [...drawn.getImageData(x, y, 1, 1).data];
        },
        { picture, place },
    );
    const scale = scaleBytes(256);
    const distance = (i: number) => [0, 1, 2].reduce((sum, n) => sum + (scale[4 * i + n]! * LIGHT_FROM_ABOVE - painted[n]!) ** 2, 0);
    const nearest = [...Array(256).keys()].reduce((best, i) => (distance(i) < distance(best) ? i : best));
    const shown = min + (nearest / 255) * (max - min);

    // Copper has one temperature within a few hundredths; the air above it is tens of kelvin colder.
    expect(max - min).toBeGreaterThan(20);
    expect(Math.abs(shown - probed)).toBeLessThan(0.015 * (max - min));
});

test('a ledger of a thousand parts shows all of them', async ({ page }) => {
    await importModel(page, {
        format: 'foehn-model',
        version: 1,
        name: 'Pins',
        space: { box: { min: [0, 0, 0], max: [1.1, 0.1, 0.1] }, fluid: null, sides: { 'z-': { heat: { kind: 'temperature', temperature: '20 degC' } } } },
        parts: [
            {
                id: 'pin',
                name: 'Pin',
                group: 'Row',
                shape: { kind: 'block', size: [5e-4, 5e-4, 0.01] },
                material: 'copper',
                repeat: [{ count: 1000, step: [1e-3, 0, 0] }],
            },
        ],
    });
    await page.getByRole('button', { name: 'Build' }).click();
    await expect(ledger(page).getByText('1000 parts')).toBeVisible();
    await expect(page.getByRole('grid')).toHaveAttribute('aria-rowcount', '1002');
    await ledger(page).getByRole('gridcell', { name: 'Pin', exact: true }).click();
    await page.keyboard.press('End');
    await expect(ledger(page).getByRole('gridcell', { name: 'Pin 1000', exact: true })).toBeVisible();

    await page.keyboard.press('Home');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('grid')).toHaveAttribute('aria-rowcount', '2');
    await expect(ledger(page).getByRole('gridcell', { name: 'Row 1000' })).toBeVisible();
});

test('undo stays with its variant', async ({ page }) => {
    await openProject(page, /bypasses the heat sink/);
    await page.getByRole('button', { name: 'Load' }).click();
    const before = await revision(page);
    await typeInto(page, 'Memory 1', 'powerText', '0.7');
    await page.getByRole('combobox', { name: 'Variant' }).click();
    await page.getByRole('option', { name: 'Baffle and taller fins' }).click();
    await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();
    await page.keyboard.press('Control+z');
    await expect(cell(page, 'Memory 1', 'powerText')).toHaveText('0.75');

    await page.getByRole('combobox', { name: 'Variant' }).click();
    await page.getByRole('option', { name: 'First design' }).click();
    await expect(cell(page, 'Memory 1', 'powerText')).toHaveText('0.70');
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(cell(page, 'Memory 1', 'powerText')).toHaveText('0.75');
    await expect.poll(() => revision(page)).toBe(before + 2);
});

test('edits made while the server is away are shown, kept and saved later', async ({ page }) => {
    await openDemo(page);
    const before = await revision(page);
    await page.route('**/api/variants/*/model', (route) => route.abort());
    await page.keyboard.press('2');
    await cell(page, 'Memory 2', 'powerText').dblclick();
    await cell(page, 'Memory 2', 'powerText').getByRole('textbox').fill('0.6');
    await page.keyboard.press('Enter');
    await expect(page.getByText('Not saved: the server cannot be reached')).toBeVisible();
    await page.unroute('**/api/variants/*/model');
    await page.getByRole('button', { name: 'Try again' }).click();
    await expect.poll(() => revision(page)).toBe(before + 1);
    await page.keyboard.press('Control+z');
    await expect.poll(() => revision(page)).toBe(before + 2);
});

test('a session that ended is opened again over the page, and the edit is saved', async ({ page, context }) => {
    await openDemo(page);
    const before = await revision(page);
    // An answer that is still on its way would bring the cookie of the session back.
    await expect(async () => {
        await context.clearCookies();
        await page.waitForTimeout(700);
        expect(await context.cookies()).toEqual([]);
    }).toPass();
    await page.keyboard.press('2');
    await cell(page, 'Memory 2', 'powerText').dblclick();
    await cell(page, 'Memory 2', 'powerText').getByRole('textbox').fill('0.6');
    await page.keyboard.press('Enter');
    await page.getByRole('dialog', { name: 'Sign in again' }).getByRole('button', { name: 'Enter as the demo engineer' }).click();
    await expect.poll(() => revision(page)).toBe(before + 1);
    await page.keyboard.press('Control+z');
    await expect.poll(() => revision(page)).toBe(before + 2);
});

test('keys act on the screen and not through what lies over it', async ({ page }) => {
    await openDemo(page);
    await page.keyboard.press('Control+k');
    const palette = page.getByRole('dialog', { name: 'Commands' });
    await expect(palette).toBeVisible();
    await page.keyboard.press('Escape');
    await expect(palette).toBeHidden();

    await page.getByLabel('Grade').locator('..').getByRole('combobox').click();
    await page.keyboard.press('4');
    await page.keyboard.press('Escape');
    await expect(page.getByRole('button', { name: 'Judge' })).toHaveAttribute('aria-current', 'step');

    await page.keyboard.press('?');
    await page.getByRole('switch', { name: 'Single letters and digits act' }).or(page.getByLabel('Single letters and digits act')).first().uncheck();
    await page.keyboard.press('Escape');
    await page.keyboard.press('4');
    await expect(page.getByRole('button', { name: 'Judge' })).toHaveAttribute('aria-current', 'step');
});

test('a project is renamed, deleted and restored', async ({ page }) => {
    await importModel(page, { ...blockInAir, name: 'Short lived' });
    await page.goto('/');
    const card = (name: string) => page.getByRole('link', { name: new RegExp(name) });
    await page.getByRole('button', { name: 'Menu of Short lived' }).click();
    await page.getByRole('menuitem', { name: 'Rename' }).click();
    await page.getByRole('textbox', { name: 'Name' }).fill('Renamed');
    await page.keyboard.press('Enter');
    await expect(card('Renamed')).toBeVisible();
    await page.getByRole('button', { name: 'Menu of Renamed' }).click();
    await page.getByRole('menuitem', { name: 'Delete' }).click();
    await expect(card('Renamed')).toBeHidden();
    await page.getByRole('region', { name: 'Deleted projects' }).getByRole('button', { name: 'Restore' }).first().click();
    await expect(card('Renamed')).toBeVisible();
    await page.getByRole('button', { name: 'Menu of Renamed' }).click();
    await page.getByRole('menuitem', { name: 'Delete' }).click();
});
