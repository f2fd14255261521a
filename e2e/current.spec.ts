import { expect, test } from '@playwright/test';
import { ledger, run, runStrip } from './demo';

test('current in copper: a new project is computed, a current is changed and a further face grounded', async ({ page }) => {
    await page.goto('/');
    await page.getByRole('button', { name: 'Enter as the demo engineer' }).click();
    await page.getByRole('button', { name: 'New project' }).click();
    await page.getByLabel('Name of the product').fill('Bars of the winch');
    await page.getByLabel('What is the question?').click();
    await page.getByRole('option', { name: 'Current in copper and the heat it makes' }).click();
    await expect(page.getByRole('radio', { name: /Copper bars/ })).toBeChecked();
    await page.getByRole('button', { name: 'Create' }).click();
    await expect(ledger(page)).toContainText('and what currents make');

    await run(page);
    await page.getByRole('button', { name: 'Judge', exact: true }).click();
    const summary = page.getByRole('complementary', { name: 'Space' });
    await expect(summary).toContainText('Bar to the source, face x-');
    const heat = async () => Number(/Joule heat([\d.]+) W/.exec((await summary.textContent()) ?? '')?.[1]);
    const before = await heat();
    expect(before).toBeGreaterThan(2);

    await page.getByRole('button', { name: 'Load', exact: true }).click();
    await ledger(page).getByRole('gridcell', { name: 'Bar to the source', exact: true }).click();
    const inspector = page.getByRole('complementary', { name: 'Inspector' });
    const terminal = inspector.getByRole('region', { name: 'Current at face x-' });
    await terminal.getByLabel('Current in').fill('5 V');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('alert').filter({ hasText: 'here a current' })).toBeVisible();
    await expect(terminal.getByLabel('Current in')).toHaveValue('5 V');
    await page.keyboard.press('Escape');
    await expect(terminal.getByLabel('Current in')).toHaveValue('200 A');
    await terminal.getByLabel('Current in').fill('100');
    await page.keyboard.press('Enter');
    await expect(terminal.getByLabel('Current in')).toHaveValue('100 A');

    // Another way out: what is added after a current is ground already there, so this one is a current until it is changed.
    await inspector.getByRole('button', { name: 'Current at a face' }).click();
    await page.getByRole('menuitem', { name: 'Face y-' }).click();
    const other = inspector.getByRole('region', { name: 'Current at face y-' });
    await expect(other.getByLabel('Current in')).toHaveValue('10 A');
    await other.getByRole('combobox').click();
    await page.getByRole('option', { name: 'Ground' }).click();
    await expect(other.getByLabel('Current in')).toBeHidden();

    await run(page);
    await page.getByRole('button', { name: 'Judge', exact: true }).click();
    await expect(inspector).toContainText('Greatest density');
    await page.keyboard.press('Escape');
    await expect(runStrip(page)).toContainText('Solved');
    expect(await heat()).toBeLessThan(0.3 * before);
});
