import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { nothingSerious, openDemo } from './demo';

test('a result is reported as one page, and its project goes through an archive with nothing lost', async ({ page }, info) => {
    test.setTimeout(180_000);
    page.setDefaultTimeout(20_000);
    await openDemo(page);
    await page.keyboard.press('5');
    await expect(page.locator('[data-coloured="temperature"]')).toBeVisible();
    await page.getByRole('button', { name: 'Report', exact: true }).click();
    const dialog = page.getByRole('dialog', { name: 'Report' });
    await dialog.getByLabel('What you have to say').fill('For the review on Monday.');
    await dialog.getByLabel('Conditions').uncheck();
    await nothingSerious(page);
    const reporting = page.waitForEvent('download');
    await dialog.getByRole('button', { name: 'Save as HTML' }).click();
    const report = info.outputPath('report.html');
    await (await reporting).saveAs(report);
    const html = readFileSync(report, 'utf8');
    for (const said of ['For the review on Monday.', 'limits undecided', 'Signal processor', 'Traceability', 'src="data:image/jpeg;base64,'])
        expect(html).toContain(said);
    expect(html).not.toContain('<h2>Conditions</h2>');
    await dialog.getByRole('button', { name: 'Close' }).click();

    const verdict = await page.getByRole('heading', { level: 2, name: /limits/ }).textContent();
    await page.getByRole('link', { name: 'Foehn' }).click();
    await page.getByRole('button', { name: 'Menu of Ridge radar processor, convection coefficients' }).click();
    const archiving = page.waitForEvent('download');
    await page.getByRole('menuitem', { name: 'Save archive' }).click();
    const archive = info.outputPath('project.zip');
    await (await archiving).saveAs(archive);

    const input = page.getByLabel('Model document');
    await input.setInputFiles({ name: 'pictures.zip', mimeType: 'application/zip', buffer: Buffer.from('no zip') });
    await expect(page.getByRole('dialog')).toContainText('This file is no zip archive.');
    await page.getByRole('dialog').getByRole('button', { name: 'Close' }).click();
    await input.setInputFiles(archive);
    await expect(page.getByRole('region', { name: 'Run' })).toContainText('Solved, Scout');
    await page.keyboard.press('5');
    await expect(page.getByRole('heading', { level: 2, name: /limits/ })).toHaveText(verdict!);
    await expect(page.locator('[data-coloured="temperature"]')).toBeVisible();

    // Two projects have one name now; the one that was opened last is the first.
    await page.getByRole('link', { name: 'Foehn' }).click();
    await page.getByRole('button', { name: 'Menu of Ridge radar processor, convection coefficients' }).first().click();
    await page.getByRole('menuitem', { name: 'Delete' }).click();
    await expect(page.getByRole('button', { name: 'Menu of Ridge radar processor, convection coefficients' })).toHaveCount(1);
});
