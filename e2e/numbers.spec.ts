import { expect, test } from '@playwright/test';
import { nothingSerious, openDemo, revision } from './demo';

test('the numbers of a run are read, believed, plotted and watched', async ({ page }) => {
    await openDemo(page);
    await page.keyboard.press('5');

    // All parts in a table, with a column more.
    await page.getByRole('button', { name: 'Table', exact: true }).click();
    const table = page.getByRole('table', { name: 'All parts' });
    await expect(table.getByRole('row', { name: /^Signal processor 14\.00 / })).toBeVisible();
    await page.getByRole('button', { name: 'Columns' }).click();
    await page.getByRole('menuitemcheckbox', { name: 'Case' }).click();
    await page.keyboard.press('Escape');
    await expect(table.getByRole('columnheader', { name: 'Case, °C' })).toBeVisible();
    await nothingSerious(page);
    await page.getByRole('button', { name: 'Close', exact: true }).click();

    // Every value on every grid, and what that says of the verdict.
    await page.getByRole('button', { name: /^a finer grid / }).click();
    const trust = page.getByRole('dialog');
    await expect(trust).toContainText('Would a finer grid change the verdict?');
    await expect(trust.getByRole('row', { name: /Converter B junction .* °C .* °C ± .* K/ })).toBeVisible();
    await nothingSerious(page);
    await trust.getByRole('button', { name: 'Close' }).click();

    // Two probes: the temperature between them, and one of them watched.
    await page.getByRole('button', { name: 'Probe', exact: true }).click();
    const canvas = page.getByRole('region', { name: 'View' }).locator('canvas');
    const box = (await canvas.boundingBox())!;
    await canvas.click({ position: { x: box.width * 0.45, y: box.height * 0.55 } });
    await canvas.click({ position: { x: box.width * 0.6, y: box.height * 0.55 } });
    await expect(page.locator('[data-callout="pin 1"]')).toContainText(/\d+\.\d\d °C/);
    await page.keyboard.press('Escape');
    const shown = page.getByRole('region', { name: 'Shown' });
    await shown.getByRole('button', { name: /^Probes/ }).click();
    await shown.getByRole('button', { name: 'Along a line' }).click();
    const line = page.getByRole('dialog');
    await expect(line.getByRole('figure', { name: 'Temperature along a line' }).locator('canvas')).toBeVisible();
    await nothingSerious(page);
    await line.getByRole('button', { name: 'Close' }).click();
    const before = await revision(page);
    await shown.getByRole('button', { name: 'Watch probe 1' }).click();
    await expect.poll(() => revision(page)).toBe(before + 1);

    // Undone, the model is the one that was solved.
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect.poll(() => revision(page)).toBe(before + 2);
});
