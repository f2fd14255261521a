import { expect, test } from '@playwright/test';
import { ledger, nothingSerious, openDemo, run, runStrip } from './demo';

test('a finish is chosen, the way of what it radiates is seen, and the sun is turned', async ({ page }) => {
    test.setTimeout(400_000);
    page.setDefaultTimeout(20_000);
    await openDemo(page);
    const menu = page.getByRole('button', { name: /^Variant / });
    const bar = page.getByRole('navigation', { name: 'Variants' });
    await menu.click();
    await page.getByRole('menuitem', { name: 'Clone…' }).click();
    await page.getByRole('dialog').getByLabel('Name').fill('Radiating');
    await page.getByRole('dialog').getByRole('button', { name: 'Clone' }).click();
    await expect(bar.getByRole('button', { name: /Radiating/ })).toHaveAttribute('aria-current', 'page');

    // Radiation to what lies outside, and a sun.
    await page.keyboard.press('2');
    await page.getByLabel('Radiation').click();
    await page.getByRole('option', { name: 'To the surroundings', exact: true }).click();
    await page.getByRole('combobox', { name: 'Sun' }).click();
    await page.getByRole('option', { name: 'By a direction' }).click();
    const sun = page.getByRole('region', { name: 'Sun' });
    await expect(sun).toContainText(/° above the horizon, 900 W\/m² facing it, 100 W\/m² diffuse/);
    await nothingSerious(page);

    // White paint on the tray.
    await ledger(page).getByRole('gridcell', { name: 'Enclosure, steel', exact: true }).click();
    await page.getByRole('combobox', { name: 'Finish', exact: true }).click();
    await page.getByRole('option', { name: /^Painted, white/ }).click();
    await expect(page.getByText(/Emissivity 0.9, absorptivity of sunlight 0.26/)).toBeVisible();
    await page.getByRole('switch', { name: 'Colour the view by finish' }).check();
    await expect(page.getByLabel('Emissivity', { exact: true })).toBeVisible();
    await nothingSerious(page);
    await page.getByRole('button', { name: 'Close the inspector' }).click();
    await run(page);

    // The margin, and where the heat goes.
    await page.keyboard.press('5');
    await expect(page.getByText(/^Of all that, radiated to/)).toBeVisible();
    const taken = page.locator('dt', { hasText: 'Sunlight taken up' }).locator('xpath=following-sibling::dd[1]');
    const lit = Number.parseFloat((await taken.textContent())!);
    expect(lit).toBeGreaterThan(1);
    await expect(ledger(page)).toContainText(/, sun [\d.]+ W/);
    await expect(ledger(page)).toContainText(/% radiated/);
    await ledger(page).getByRole('gridcell', { name: 'Enclosure, steel', exact: true }).click();
    await expect(page.getByText('to surroundings, by radiation')).toBeVisible();
    await nothingSerious(page);
    await page.getByRole('button', { name: 'Close the inspector' }).click();

    // The sun stands lower, and gives less.
    await page.keyboard.press('2');
    await sun.getByLabel('z', { exact: true }).fill('0.1');
    await page.keyboard.press('Enter');
    await expect(sun).toContainText(/^(?!.*50\.\d° above).*° above the horizon/s);
    await run(page);
    await page.keyboard.press('5');
    await expect(taken).toBeVisible();
    await expect.poll(async () => Number.parseFloat((await taken.textContent())!)).toBeLessThan(lit);
    await expect(runStrip(page)).toContainText(/Solved, Scout(?!, for)/);

    // The same without radiation, side by side.
    await page.getByRole('button', { name: 'Compare without radiation' }).click();
    await expect(page).toHaveURL(/\/compare\?of=/);
    await expect(page.getByText('Radiating, without radiation').first()).toBeVisible();
    await page.getByRole('link', { name: 'Ridge radar processor, convection coefficients' }).click();

    for (const name of ['Radiating, without radiation', 'Radiating']) {
        await bar.getByRole('button', { name: new RegExp(`^${name} `) }).click();
        await expect(bar.getByRole('button', { name: new RegExp(`^${name} `) })).toHaveAttribute('aria-current', 'page');
        await expect(runStrip(page)).toContainText('Solved', { timeout: 60_000 });
        await menu.click();
        await page.getByRole('menuitem', { name: 'Delete', exact: true }).click();
        await expect(page.getByText(`${name} is deleted`)).toBeVisible();
    }
    await expect(bar).toHaveCount(0);
});
