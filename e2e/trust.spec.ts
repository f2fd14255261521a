import { expect, test, type Page } from '@playwright/test';
import { cell, ledger, openDemo, revision, run, typeInto } from './demo';
import { bare, fiftyPlaces, paintedAt, rangeShown, shareOf } from './painted';

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
    await bare(page);
    // The air too has its place on the scale: else that of the parts spans hundredths.
    await page.getByTestId('legend temperature').getByLabel('Least of Temperature').fill('20');
    await page.keyboard.press('Enter');
    await page.getByRole('button', { name: 'Z', exact: true }).click();
    await page.waitForTimeout(1200);
    const box = (await page.getByRole('region', { name: 'View' }).locator('canvas').boundingBox())!;
    const place = { x: Math.round(box.width * 0.44), y: Math.round(box.height * 0.58) };
    const [painted] = await paintedAt(page, [place]);
    await page.getByRole('button', { name: 'Probe' }).click();
    await page.getByRole('region', { name: 'View' }).locator('canvas').click({ position: place });
    const label = page.locator('[data-callout="pin 0"]');
    await expect(label).toContainText(/Block.*-?\d+\.\d\d °C$/);
    const probed = Number(/(-?\d+\.\d\d) °C/.exec((await label.textContent())!)![1]);
    const [min, max] = await rangeShown(page);

    // Copper has one temperature within a few hundredths; the air above it is tens of kelvin colder.
    expect(max - min).toBeGreaterThan(20);
    const { share, off } = shareOf(painted!);
    expect(off).toBeLessThan(6);
    expect(Math.abs(min + share * (max - min) - probed)).toBeLessThan(0.01 * (max - min));
});

test('at fifty places of the demo what is painted, what is read under the pointer and what the core says are one', async ({ page }) => {
    test.setTimeout(240_000);
    await openDemo(page);
    await page.keyboard.press('5');
    await expect(page.locator('[data-coloured="temperature"]')).toBeVisible();
    const places = await fiftyPlaces(page, 40, 115);
    await page.getByRole('button', { name: 'Probe', exact: true }).click();
    const box = (await page.getByRole('region', { name: 'View' }).locator('canvas').boundingBox())!;
    for (const place of places.slice(0, 12)) await page.mouse.click(box.x + place.x, box.y + place.y);
    const pins = page.locator('[data-callout^="pin"]');
    await expect.poll(() => pins.count()).toBeGreaterThan(4);
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
    const variants = page.getByRole('navigation', { name: 'Variants' });
    await variants.getByRole('button', { name: /Baffle and taller fins/ }).click();
    await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();
    await page.keyboard.press('Control+z');
    await expect(cell(page, 'Memory 1', 'powerText')).toHaveText('0.75');

    await variants.getByRole('button', { name: /First design/ }).click();
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
