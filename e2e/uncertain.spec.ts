import { expect, test } from '@playwright/test';
import { ledger, nothingSerious, openDemo, run, runStrip } from './demo';

test('tolerances tell the share of builds, and a search finds the best values', async ({ page }) => {
    test.setTimeout(480_000);
    page.setDefaultTimeout(20_000);
    await openDemo(page);
    const menu = page.getByRole('button', { name: /^Variant / });
    await menu.click();
    await page.getByRole('menuitem', { name: 'Clone…' }).click();
    await page.getByRole('dialog').getByLabel('Name').fill('Uncertain');
    await page.getByRole('dialog').getByRole('button', { name: 'Clone' }).click();
    const bar = page.getByRole('navigation', { name: 'Variants' });
    await expect(bar.getByRole('button', { name: /Uncertain/ })).toHaveAttribute('aria-current', 'page');
    await run(page);

    // A tolerance does not make the result old.
    await page.keyboard.press('3');
    const add = page.getByRole('combobox', { name: 'Add tolerance' });
    await add.fill('Converter B watts');
    await page.getByRole('option', { name: 'Watts 2.5 W' }).click();
    await expect(page.getByRole('region', { name: 'Tolerance of Converter B: watts' })).toBeVisible();
    await nothingSerious(page);
    await page.keyboard.press('5');
    await expect(ledger(page)).not.toContainText('the model has changed since');
    await page.getByRole('button', { name: 'Find in how many builds the limits are met' }).click();
    const share = page.getByText(/^[\d.]+\s%\sof\sbuilds$/);
    await expect(share).toBeVisible({ timeout: 240_000 });
    const estimated = Number.parseFloat((await share.textContent())!);
    expect(estimated).toBeGreaterThan(0);
    expect(estimated).toBeLessThan(60);
    await expect(page.getByText(/^Met in .* of builds within the tolerances/)).toBeVisible();
    await nothingSerious(page);

    // The lightest fins that keep a margin of some limits: few runs, one best point, which becomes a variant.
    await bar.getByRole('button', { name: 'Studies' }).click();
    await page.getByRole('menuitem', { name: 'New study…' }).click();
    const dialog = page.getByRole('dialog', { name: 'New study' });
    await dialog.getByLabel('Points').click();
    await page.getByRole('option', { name: 'Search for the best' }).click();
    await dialog.getByLabel('Vary fin_height').check();
    await dialog.getByLabel('Values of fin_height').fill('12 mm .. 30 mm');
    await dialog.getByLabel('Number of runs').fill('8');
    await dialog.getByLabel('Worst margin at least').fill('30');
    await dialog.getByLabel('Of', { exact: true }).click();
    await page.getByRole('option', { name: 'Mass', exact: true }).click();
    await expect(dialog).toContainText('8 runs');
    await dialog.getByLabel('Worst margin at least').fill('-20');
    await nothingSerious(page);
    await dialog.getByRole('button', { name: 'Start' }).click();
    await expect(page.getByText(/8 of 8 runs spent/)).toBeVisible({ timeout: 120_000 });
    await page.getByRole('button', { name: /^point \d+$/ }).click();
    await expect(page.getByRole('region', { name: /^Point \d+$/ })).toContainText(/fin_height 1[2-4]/);
    await page.getByRole('link', { name: 'Ridge radar processor, convection coefficients' }).click();

    await expect(runStrip(page)).toContainText(/Solved, Scout(?!, for)/);

    await menu.click();
    await page.getByRole('menuitem', { name: 'Delete', exact: true }).click();
    await expect(page.getByText('Uncertain is deleted')).toBeVisible();
    await expect(bar).toHaveCount(0);
});
