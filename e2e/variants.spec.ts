import { expect, test } from '@playwright/test';
import { ledger, nothingSerious, openDemo, revision, run, runStrip, typeInto } from './demo';

test('a variant is cloned, changed, run, compared, taken over, and put away again', async ({ page }) => {
    test.setTimeout(240_000);
    page.setDefaultTimeout(20_000);
    await openDemo(page);
    const first = page.url();
    const before = await revision(page);
    await page.keyboard.press('2');
    const menu = page.getByRole('button', { name: /^Variant / });
    await menu.click();
    await page.getByRole('menuitem', { name: 'Clone…' }).click();
    const naming = page.getByRole('dialog', { name: 'Clone First design' });
    await naming.getByLabel('Name').fill('Less processor');
    await naming.getByLabel('Note').fill('What a slower clock is worth');
    await nothingSerious(page);
    await naming.getByRole('button', { name: 'Clone' }).click();
    const bar = page.getByRole('navigation', { name: 'Variants' });
    await expect(bar.getByRole('button', { name: /Less processor not run/ })).toHaveAttribute('aria-current', 'page');
    expect(await revision(page)).toBe(1);

    // The change has an undo of its own, and the other variant none.
    await typeInto(page, 'Signal processor', 'powerText', '7 W');
    expect(await revision(page)).toBe(2);
    await expect(page.getByRole('button', { name: 'Undo' })).toBeEnabled();
    await page.keyboard.press('Alt+PageUp');
    await expect(bar.getByRole('button', { name: /First design/ })).toHaveAttribute('aria-current', 'page');
    await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();
    await expect.poll(() => revision(page)).toBe(before);
    await page.keyboard.press('Alt+PageDown');
    await expect(bar.getByRole('button', { name: /Less processor/ })).toHaveAttribute('aria-current', 'page');
    await expect(runStrip(page)).toContainText('Not solved yet');
    await run(page);
    await expect(bar.getByRole('button', { name: /Less processor [+−]\d/ })).toBeVisible();

    // Held against what it comes from, it differs in one property, which is marked.
    await bar.getByRole('button', { name: 'Differences' }).click();
    const dialog = page.getByRole('dialog', { name: 'Differences of Less processor' });
    await dialog.getByLabel('Held against').click();
    await page.getByRole('option', { name: 'First design' }).click();
    await expect(dialog.getByRole('row', { name: /Signal processor Watts 14 W 7 W/ })).toBeVisible();
    await nothingSerious(page);
    await dialog.getByRole('button', { name: 'Close' }).click();
    await expect(bar).toContainText('1 part differs from First design');
    await expect(ledger(page).getByRole('img', { name: 'Differs from First design' })).toHaveCount(1);

    await bar.getByRole('button', { name: 'Compare' }).click();
    const junction = page.getByRole('row', { name: /Signal processor junction/ });
    await expect(junction).toContainText(/−\d+\.\d K/);
    await expect(page.locator('[data-coloured="temperature"]')).toHaveCount(2);
    await nothingSerious(page);
    await page.getByRole('button', { name: 'Show differences' }).click();
    await expect(page.locator('[data-coloured="warmer"]')).toHaveCount(1);
    await expect(page.getByTestId('legend warmer')).toBeVisible();
    await page.getByRole('tab', { name: 'What differs (1)' }).click();
    await expect(page.getByRole('row', { name: /Signal processor Watts 14 W 7 W/ })).toBeVisible();
    await page.getByRole('tab', { name: 'Over runs' }).click();
    await expect(page.getByRole('figure').locator('canvas')).toBeVisible();
    await page.getByRole('button', { name: 'Save comparison' }).click();
    await page.getByRole('dialog').getByLabel('Name').fill('Full and half clock');
    await page.getByRole('dialog').getByRole('button', { name: 'Save' }).click();
    await expect(page.getByRole('dialog')).toHaveCount(0);

    // Opened again from the views of the project.
    await page.goto(first);
    await page.keyboard.press('5');
    await page.getByRole('button', { name: 'Views' }).click();
    await page.getByRole('button', { name: 'Show Full and half clock' }).click();
    await expect(page.getByRole('heading', { name: 'Compare' })).toBeVisible();
    await expect(page.getByRole('row', { name: /Signal processor junction/ })).toContainText(/−\d+\.\d K/);
    await page.getByRole('link', { name: 'Ridge radar processor, convection coefficients' }).click();
    await expect(ledger(page)).toBeVisible();
    await expect(page.locator('[data-coloured="temperature"]')).toBeVisible();
    await page.getByRole('button', { name: 'Views' }).click();
    await page.getByRole('button', { name: 'Delete Full and half clock' }).click();
    await expect(page.getByRole('button', { name: 'Show Full and half clock' })).toHaveCount(0);
    await page.getByLabel('Name of the new view').press('Escape');

    // The watts come over, the revision from before is restored, and the result is that of this model again.
    await bar.getByRole('button', { name: 'Differences' }).click();
    const here = page.getByRole('dialog', { name: 'Differences of First design' });
    await here.getByLabel('Held against').click();
    await page.getByRole('option', { name: 'Less processor' }).click();
    await here.getByLabel('Take Watts of Signal processor').check();
    await here.getByRole('button', { name: 'Take it over into First design' }).click();
    await expect(here).toContainText('Nothing differs.');
    await here.getByRole('button', { name: 'Close' }).click();
    await expect.poll(() => revision(page)).toBe(before + 1);
    await menu.click();
    await page.getByRole('menuitem', { name: 'Revisions…' }).click();
    const history = page.getByRole('dialog', { name: 'Revisions of First design' });
    await expect(history).toContainText('Take Watts of Signal processor from Less processor');
    await nothingSerious(page);
    await history.getByRole('button', { name: `Restore revision ${before}`, exact: true }).click();
    await expect.poll(() => revision(page)).toBe(before + 2);
    await expect(page.locator('[data-coloured="temperature"]')).toBeVisible();

    // Deleted, brought back by a click, and deleted for good.
    await bar.getByRole('button', { name: /Less processor/ }).click();
    const remove = async () => {
        await menu.click();
        await page.getByRole('menuitem', { name: 'Delete', exact: true }).click();
        await expect(page.getByText('Less processor is deleted')).toBeVisible();
        await expect(bar).toHaveCount(0);
    };
    await remove();
    await page.getByRole('button', { name: 'Undo' }).last().click();
    await expect(bar.getByRole('button', { name: /Less processor/ })).toHaveAttribute('aria-current', 'page');
    await remove();
});
