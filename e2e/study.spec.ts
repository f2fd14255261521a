import { expect, test } from '@playwright/test';
import { nothingSerious, openDemo } from './demo';

test('a parameter is swept, an impossible value is told, a point is opened and made a variant', async ({ page }) => {
    test.setTimeout(240_000);
    page.setDefaultTimeout(20_000);
    await openDemo(page);
    const menu = page.getByRole('button', { name: /^Variant / });
    await menu.click();
    await page.getByRole('menuitem', { name: 'New study…' }).click();
    const dialog = page.getByRole('dialog', { name: 'New study' });
    await dialog.getByLabel('Name').fill('Fin height');
    await dialog.getByLabel('Vary fin_height').check();
    const values = dialog.getByLabel('Values of fin_height');
    await expect(values).toHaveValue('17.6 mm .. 26.4 mm : 5');
    await values.fill('18 W');
    await expect(dialog).toContainText('"18 W" is a heat flow (e.g. "12 W"), but the parameter is a length');
    await expect(dialog.getByRole('button', { name: 'Start' })).toBeDisabled();
    await values.fill('-1 mm, 14 mm, 18 mm, 22 mm, 26 mm, 30 mm');
    await expect(dialog).toContainText('6 points');
    await nothingSerious(page);
    await dialog.getByRole('button', { name: 'Start' }).click();

    await expect(page.getByRole('heading', { name: 'Study: Fin height' })).toBeVisible();
    await expect(page.getByText('6 of 6 points computed, 1 impossible')).toBeVisible({ timeout: 90_000 });
    const points = page.getByRole('grid', { name: 'Points' });
    await expect(points.getByRole('row', { name: /^2 .* 14 / })).toBeVisible();
    await points.getByRole('row', { name: /impossible/ }).click();
    await expect(page.getByRole('region', { name: 'Point 1' })).toContainText('Heat sink: "fin_height" is given; the value must be above 0');
    await expect(page.getByRole('figure', { name: 'Worst margin of the study' }).locator('canvas')).toBeVisible();
    await nothingSerious(page);

    // Taller fins help the processor: its junction falls from point to point.
    const junction = async (number: number) =>
        Number((await points.getByRole('row').nth(number).getByRole('gridcell').nth(4).textContent())!.replace('−', '-'));
    const read = [await junction(2), await junction(3), await junction(4), await junction(5), await junction(6)];
    expect(read).toEqual([...read].sort((a, b) => b - a));

    await points.getByRole('row').nth(5).click();
    await page.getByRole('link', { name: 'Open result' }).click();
    await expect(page.getByRole('link', { name: 'Fin height, point 5' })).toBeVisible();
    await expect(page.locator('[data-coloured="temperature"]')).toBeVisible();
    await page.getByRole('link', { name: 'Fin height, point 5' }).click();
    await points.getByRole('row').nth(5).click();
    await page.getByRole('button', { name: 'Make it a variant' }).click();
    await page.getByRole('dialog').getByLabel('Name').fill('Fins of 26 mm');
    await page.getByRole('dialog').getByRole('button', { name: 'Make variant' }).click();
    const bar = page.getByRole('navigation', { name: 'Variants' });
    await expect(bar.getByRole('button', { name: /Fins of 26 mm .\d/ })).toHaveAttribute('aria-current', 'page');

    // The study is found again, and put away without the variant that came of it.
    await bar.getByRole('button', { name: 'Studies' }).click();
    await page.getByRole('menuitem', { name: /Fin height, 5 solved/ }).click();
    await page.getByRole('button', { name: 'Delete', exact: true }).click();
    await page.getByRole('button', { name: 'Delete all its points' }).click();
    await expect(bar.getByRole('button', { name: /Fins of 26 mm/ })).toBeVisible();
    await bar.getByRole('button', { name: /Fins of 26 mm/ }).click();
    await menu.click();
    await page.getByRole('menuitem', { name: 'Delete', exact: true }).click();
    await expect(bar).toHaveCount(0);
});
