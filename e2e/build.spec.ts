import { expect, test, type Page } from '@playwright/test';
import { cell, ledger, runStrip, typeInto } from './demo';

const inspector = (page: Page) => page.getByRole('complementary', { name: 'Inspector' });

test.beforeEach(async ({ page }) => {
    await page.goto('/');
    await page.getByRole('button', { name: 'Enter as the demo engineer' }).click();
    await expect(page.getByRole('heading', { name: 'Projects' })).toBeVisible();
});

async function newProject(page: Page, name: string, start: RegExp): Promise<void> {
    await page.goto('/');
    await page.getByRole('button', { name: 'New project' }).click();
    await page.getByLabel('Name of the product').fill(name);
    await page.getByRole('radio', { name: start }).click();
    await page.getByRole('button', { name: 'Create' }).click();
    await expect(page.getByRole('heading', { name })).toBeVisible();
}

async function add(page: Page, kind: string): Promise<void> {
    await page.getByRole('button', { name: 'Add part' }).click();
    await page.getByRole('menuitem', { name: kind, exact: true }).click();
    await expect(inspector(page).getByRole('heading', { name: kind })).toBeVisible();
}

test('from an empty project to a verdict: parts, watts, films, limits, a run', async ({ page }) => {
    test.setTimeout(180_000);
    await newProject(page, 'Shelf lamp driver', /^Empty/);
    const load = page.getByRole('navigation', { name: 'Stages' }).getByRole('button', { name: /Load/ });
    await expect(load).toContainText('2');

    await add(page, 'Board');
    await add(page, 'Package');
    await expect(inspector(page).getByLabel('At z')).toHaveValue('1.6 mm');
    await inspector(page).getByRole('button', { name: 'Copies in a row or a field' }).click();
    await page.getByRole('textbox', { name: 'In a row' }).fill('3');
    await page.getByLabel('Linked: what is changed on one holds for all').uncheck();
    await page.getByRole('button', { name: 'Make 2 copies' }).click();
    await expect(inspector(page).getByRole('heading', { name: '2 parts' })).toBeVisible();
    await expect(ledger(page).getByText('4 parts')).toBeVisible();
    await page.keyboard.press('Delete');
    await expect(ledger(page).getByText('2 parts')).toBeVisible();

    await runStrip(page).getByRole('button', { name: 'Run', exact: true }).click();
    await expect(runStrip(page).getByRole('alert')).toContainText('Heat has no way out');
    const preflight = page.getByRole('complementary', { name: 'Preflight' });
    await preflight.getByRole('button', { name: 'Convection on all walls' }).click();
    await expect(preflight.getByText(/Heat has no way out/)).toHaveCount(0);
    await page.keyboard.press('Control+z');
    await preflight.getByRole('button', { name: /Heat has no way out/ }).click();
    const side = page.getByRole('region', { name: 'Side z+' });
    await side.getByRole('combobox', { name: 'Heat through this wall' }).click();
    await page.getByRole('option', { name: 'Convection to ambient' }).click();
    await expect(side.getByLabel('Convection coefficient')).toHaveValue('8 W/m^2/K');
    await page.getByRole('complementary', { name: 'Space' }).getByRole('combobox', { name: 'Air' }).click();
    await page.getByRole('option', { name: /^Still/ }).click();
    await typeInto(page, 'Package', 'powerText', '0.5');
    await expect(cell(page, 'Package', 'powerText')).toContainText('0.50');

    await page.getByRole('navigation', { name: 'Stages' }).getByRole('button', { name: /Limit/ }).click();
    await typeInto(page, 'Package', 'limitText', '250');
    await runStrip(page).getByRole('button', { name: 'Run', exact: true }).click();
    await expect(runStrip(page)).toContainText('Solved', { timeout: 90_000 });
    await page.keyboard.press('5');
    await expect(ledger(page).getByRole('heading')).toContainText(/limit/);
});

test('every start is a model that can be computed; sizes, layers and materials are edited', async ({ page }) => {
    for (const start of [/^Ventilated box/, /^Sealed box/, /^Heat sink in open air/, /^Board in a duct/, /^Power module/, /^Copper bars/]) {
        await newProject(page, `Trial ${start.source.slice(1)}`, start);
        await page.getByRole('navigation', { name: 'Stages' }).getByRole('button', { name: /Solve/ }).click();
        await expect(page.getByRole('complementary', { name: 'Preflight' }).getByText('Nothing is missing.')).toBeVisible();
    }
    await newProject(page, 'Trial of edits', /^Heat sink in open air/);
    await ledger(page).getByRole('gridcell', { name: 'Heat sink', exact: true }).click();
    await inspector(page).getByLabel('Fins', { exact: true }).fill('80');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('alert').filter({ hasText: '80 fins of 1.5 mm do not fit' })).toBeVisible();
    // What was refused stays to be mended; Esc takes it back.
    await expect(inspector(page).getByLabel('Fins', { exact: true })).toHaveValue('80');
    await page.keyboard.press('Escape');
    await expect(inspector(page).getByLabel('Fins', { exact: true })).toHaveValue('8');
    await inspector(page).getByRole('combobox', { name: 'Material' }).click();
    await page.keyboard.type('copper, pure');
    await page.getByRole('option', { name: /Copper, pure/ }).click();
    await expect(cell(page, 'Heat sink', 'material')).toContainText('Copper, pure');
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(cell(page, 'Heat sink', 'material')).toContainText('Aluminium 6063');
});
