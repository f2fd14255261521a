import { expect, test } from '@playwright/test';
import { ledger, runStrip } from './demo';

test('a flow shows pictures while it runs, is kept when stopped, goes on, and ends in a verdict', async ({ page }) => {
    test.setTimeout(300_000);
    await page.goto('/');
    await page.getByRole('button', { name: 'Enter as the demo engineer' }).click();
    await page.getByRole('link', { name: /Sealed aluminium box on a mast/ }).click();
    await runStrip(page).getByRole('button', { name: 'Run', exact: true }).click();
    await expect(ledger(page).getByText(/So far, on .* cells; the run goes on/)).toBeVisible({ timeout: 90_000 });
    await expect(page.locator('[data-coloured="temperature"]')).toBeVisible();

    await runStrip(page).getByRole('button', { name: 'Stop' }).click();
    await expect(ledger(page).getByText('Stopped before it was steady')).toBeVisible({ timeout: 60_000 });
    await runStrip(page).getByRole('button', { name: 'Resume' }).click();
    await expect(runStrip(page)).toContainText('Solved', { timeout: 180_000 });
    await expect(ledger(page).getByRole('heading')).toContainText(/limits/);
    await expect(ledger(page).getByText('Stopped before it was steady')).toBeHidden();
    await expect(page.getByRole('complementary', { name: 'Flow' })).toContainText('Laminar, as found');

    const shown = page.getByRole('region', { name: 'Shown' });
    await shown.getByRole('button', { name: 'Add' }).click();
    await page.getByRole('menuitem', { name: 'Section with air speed and vectors' }).click();
    await expect(page.locator('[data-section="speed"]')).toBeVisible();
    await expect(page.getByTestId('legend speed')).toContainText('Speed, m/s');
    // Parts keep their own field and legend.
    await expect(page.locator('[data-coloured="temperature"]')).toBeVisible();
    await expect(page.getByTestId('legend temperature')).toContainText('Temperature, °C');
});

test('sides, openings and fans are edited with units, and a wrong one is refused in words', async ({ page }) => {
    await page.goto('/');
    await page.getByRole('button', { name: 'Enter as the demo engineer' }).click();
    await page.getByRole('link', { name: /most of the air bypasses the heat sink/ }).click();
    await page.getByRole('button', { name: 'Load', exact: true }).click();
    const space = page.getByRole('complementary', { name: 'Space' });
    await space.getByRole('region', { name: 'Side y+' }).getByRole('combobox').first().click();
    await page.getByRole('option', { name: 'Inlet' }).click();
    await expect(space.getByRole('region', { name: 'Side y+' }).getByLabel('Speed')).toHaveValue('1 m/s');
    await space.getByRole('region', { name: 'Side y+' }).getByLabel('Speed').fill('2 kg');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('alert').filter({ hasText: 'The edit was not saved' })).toBeVisible();
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(space.getByRole('region', { name: 'Side y+' }).getByLabel('Speed')).toBeHidden();

    await ledger(page).getByRole('gridcell', { name: 'Fan, 40 mm', exact: true }).click();
    const inspector = page.getByRole('complementary', { name: 'Inspector' });
    await inspector.getByLabel('Rise').first().fill('70');
    await page.keyboard.press('Enter');
    await expect(inspector.getByLabel('Rise').first()).toHaveValue('70 Pa');
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(inspector.getByLabel('Rise').first()).toHaveValue('60 Pa');
});
