import { expect, test } from '@playwright/test';
import { cell, nothingSerious, revision, runStrip } from './demo';
import { fiftyPlaces } from './painted';

test('why the processor is hot is found in the picture, the routes and the ladder, and kept as a view', async ({ page }) => {
    test.setTimeout(600_000);
    await page.goto('/');
    await page.getByRole('button', { name: 'Enter as the demo engineer' }).click();
    await page.getByRole('link', { name: /most of the air bypasses the heat sink/ }).click();
    await runStrip(page).getByRole('button', { name: 'Run', exact: true }).click();
    await expect(runStrip(page)).toContainText('Solved, Scout', { timeout: 400_000 });
    await page.keyboard.press('5');

    // A section with the speed of the air, and lines that the air follows: most of it goes past the fins.
    const shown = page.getByRole('region', { name: 'Shown' });
    await shown.getByRole('button', { name: 'Add' }).click();
    await page.getByRole('menuitem', { name: 'Section with air speed and vectors' }).click();
    await expect(page.locator('[data-section="speed"]')).toBeVisible();
    await shown.getByRole('button', { name: 'Add' }).click();
    const traced = page.waitForResponse((response) => response.url().endsWith('/streamlines'));
    await page.getByRole('menuitem', { name: 'Streamlines' }).click();
    expect((await (await traced).body()).byteLength).toBeGreaterThan(10_000);
    await shown.getByRole('button', { name: 'Add' }).click();
    await page.getByRole('menuitem', { name: 'Labels of parts' }).click();
    await expect(page.locator('[data-callout^="label"]').first()).toBeVisible();
    await nothingSerious(page);

    // The processor: where its heat goes, and where the kelvins go.
    await cell(page, 'Signal processor', 'name').click();
    const inspector = page.getByRole('complementary', { name: 'Inspector' });
    const ladder = inspector.getByRole('region', { name: 'Where the kelvins go' });
    await expect(ladder).toContainText(/air before Heat sink/);
    await expect(ladder).toContainText(/bypass \d\d %/);
    await inspector.getByRole('button', { name: 'Follow its heat' }).click();
    const routes = page.getByRole('region', { name: 'Heat routes' });
    await expect(routes).toContainText(/14\.00 W are followed, 14\.00 W leave: the balance is open by 0\.0\d\d %/);
    await expect(routes.locator('canvas')).toBeVisible();
    await nothingSerious(page);
    await routes.getByRole('button', { name: 'Close' }).click();

    // What would help is found in the queue; other watts are tried at once, and nothing of the model changes.
    await inspector.getByRole('button', { name: 'Find what would help' }).click();
    await expect(inspector.getByText('Watts of Signal processor −20 %')).toBeVisible({ timeout: 180_000 });
    const junction = async () => Number(/Junction(\d+\.\d) °C/.exec((await inspector.textContent()) ?? '')?.[1]);
    const asSolved = await junction();
    const saved = await revision(page);
    const slider = inspector.getByRole('slider', { name: 'Watts of Signal processor' });
    await slider.focus();
    for (let n = 0; n < 20; n++) await page.keyboard.press('ArrowLeft');
    await expect(page.getByRole('heading', { name: /^What if: / })).toBeVisible();
    // A fifth of its watts less, at about 2.5 K/W.
    expect(asSolved - (await junction())).toBeGreaterThan(5);
    expect(asSolved - (await junction())).toBeLessThan(10);
    await nothingSerious(page);
    await page.getByRole('button', { name: 'Discard' }).click();
    expect(await junction()).toBe(asSolved);
    expect(await revision(page)).toBe(saved);

    // A probe is pinned.
    await page.getByRole('button', { name: 'Probe', exact: true }).click();
    const canvas = page.getByRole('region', { name: 'View' }).locator('canvas');
    const box = (await canvas.boundingBox())!;
    await canvas.click({ position: { x: box.width * 0.62, y: box.height * 0.62 } });
    await expect(page.locator('[data-callout="pin 0"]')).toContainText(/\d+\.\d\d °C/);
    await page.keyboard.press('Escape');

    // The whole picture is saved as a view, and comes back after the page was loaded anew and everything was taken away.
    await page.getByRole('button', { name: 'Views' }).click();
    const views = page.getByRole('dialog', { name: 'Saved views' });
    await views.getByLabel('Name of the new view').fill('Air bypasses the fins');
    await views.getByRole('button', { name: 'Save view' }).click();
    await expect(views.getByRole('button', { name: 'Show Air bypasses the fins' })).toBeVisible();
    await nothingSerious(page);
    await page.keyboard.press('Escape');
    await expect(page).toHaveURL(/stage=judge.*view=\d+/);

    await shown.getByRole('button', { name: /^Remove Section/ }).click();
    await shown.getByRole('button', { name: 'Remove Streamlines' }).click();
    await shown.getByRole('button', { name: 'Remove Probes' }).click();
    await page.goto(page.url().replace(/\?.*/, ''));
    await expect(shown).not.toContainText('Streamlines');
    await page.getByRole('button', { name: 'Views' }).click();
    await views.getByRole('button', { name: 'Show Air bypasses the fins' }).click();
    await expect(shown).toContainText('Streamlines');
    await expect(page.locator('[data-section="speed"]')).toBeVisible();
    await expect(page.locator('[data-callout="pin 0"]')).toBeVisible();

    // The address alone brings it back too.
    await page.reload();
    await expect(page.locator('[data-section="speed"]')).toBeVisible();
    await expect(page.getByRole('button', { name: 'Judge' })).toHaveAttribute('aria-current', /.+/);

    // What is painted is what the core has there.
    await page.evaluate(() => localStorage.removeItem('foehn-shown'));
    await page.goto(new URL(page.url()).pathname);
    await page.keyboard.press('5');
    await expect(page.locator('[data-coloured="temperature"]')).toBeVisible();
    await fiftyPlaces(page, 40, 110);
});
