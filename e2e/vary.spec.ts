import { readFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import { ledger, pixelsPerMetre, revision, run, runStrip } from './demo';

const inspector = (page: Page) => page.getByRole('complementary', { name: 'Inspector' });
const bar = (page: Page) => page.getByRole('navigation', { name: 'Variants' });

async function cloneAs(page: Page, name: string): Promise<void> {
    await page.getByRole('button', { name: /^Variant / }).click();
    await page.getByRole('menuitem', { name: 'Clone…' }).click();
    const dialog = page.getByRole('dialog', { name: /^Clone / });
    await dialog.getByLabel('Name').fill(name);
    await dialog.getByRole('button', { name: 'Clone' }).click();
    await expect(bar(page).getByRole('button', { name: new RegExp(`${name} not run`) })).toHaveAttribute('aria-current', 'page');
}

/** Types into a field of the inspector, and waits until it is saved. */
async function enter(page: Page, label: string, text: string): Promise<void> {
    const before = await revision(page);
    await inspector(page).getByLabel(label, { exact: true }).fill(text);
    await page.keyboard.press('Enter');
    await expect.poll(() => revision(page)).toBe(before + 1);
}

/** The most that a flow on 40 000 cells may take, ms. */
const FLOW = 600_000;

// Takes many minutes: every point is a flow on 40 000 cells. Run by ./foehn test --long.
test('the second design of the demo with a fan is made by hand, compared, swept, reported, archived and tried live @long', async ({ page }, info) => {
    test.setTimeout(3_600_000);
    page.setDefaultTimeout(30_000);
    await page.goto('/');
    await page.getByRole('button', { name: 'Enter as the demo engineer' }).click();
    await page.getByRole('link', { name: /most of the air bypasses the heat sink/ }).click();
    await expect(ledger(page)).toBeVisible();
    await bar(page)
        .getByRole('button', { name: /First design/ })
        .click();
    await run(page, undefined, FLOW);

    await cloneAs(page, 'Guided air');
    await page.keyboard.press('1');
    await ledger(page).getByRole('gridcell', { name: 'Fan, 40 mm', exact: true }).click();
    await enter(page, 'At y', '42 mm');
    await ledger(page).getByRole('gridcell', { name: 'Fan opening', exact: true }).click();
    await enter(page, 'At y', '62 mm');
    await inspector(page).getByRole('button', { name: 'Close the inspector' }).click();
    const panel = page.getByRole('complementary', { name: 'Project' });
    await panel.getByLabel('Value').nth(1).fill('34 mm');
    await page.keyboard.press('Enter');
    await page.getByRole('button', { name: 'Add part' }).click();
    await page.getByRole('menuitem', { name: 'Block', exact: true }).click();
    await expect(inspector(page).getByRole('heading', { name: 'Block' })).toBeVisible();
    for (const [label, text] of [
        ['At x', '80 mm'],
        ['At y', '26 mm'],
        ['At z', '10 mm'],
        ['Size x', '1 mm'],
        ['Size y', '24 mm'],
        ['Size z', '37 mm'],
    ] as const)
        await enter(page, label, text);
    await run(page, undefined, FLOW);
    await expect(bar(page).getByRole('button', { name: /Guided air [+−]\d/ })).toBeVisible();

    // What was changed, and what it is worth.
    await bar(page).getByRole('button', { name: 'Compare' }).click();
    await expect(page.getByRole('row', { name: /Signal processor junction/ })).toContainText(/−\d+\.\d K/);
    await page.getByRole('tab', { name: 'Heat routes' }).click();
    await expect(page.getByRole('row', { name: /Heat sink → Air/ })).toContainText(/W/);
    await page.goBack();

    await page.getByRole('button', { name: /^Variant / }).click();
    await page.getByRole('menuitem', { name: 'New study…' }).click();
    const study = page.getByRole('dialog', { name: 'New study' });
    await study.getByLabel('Name').fill('Fin height');
    await study.getByLabel('Vary fin_height').check();
    await study.getByLabel('Values of fin_height').fill('14 mm .. 34 mm : 6');
    await study.getByRole('button', { name: 'Start' }).click();
    await expect(page.getByText('6 of 6 points computed')).toBeVisible({ timeout: 1_800_000 });
    const points = page.getByRole('grid', { name: 'Points' });
    await points.getByRole('row').nth(5).click();
    await page.getByRole('link', { name: 'Open result' }).click();
    await expect(page.locator('[data-coloured="temperature"]')).toBeVisible();
    await page.getByRole('link', { name: 'Fin height, point 5' }).click();
    await points.getByRole('row').nth(5).click();
    await page.getByRole('button', { name: 'Make it a variant' }).click();
    await page.getByRole('dialog').getByLabel('Name').fill('Fins of 30 mm');
    await page.getByRole('dialog').getByRole('button', { name: 'Make variant' }).click();
    await expect(bar(page).getByRole('button', { name: /Fins of 30 mm .\d/ })).toHaveAttribute('aria-current', 'page');

    await page.keyboard.press('5');
    await page.getByRole('button', { name: 'Report', exact: true }).click();
    const report = page.getByRole('dialog', { name: 'Report' });
    const reporting = page.waitForEvent('download');
    await report.getByRole('button', { name: 'Save as HTML' }).click();
    await (await reporting).saveAs(info.outputPath('report.html'));
    expect(readFileSync(info.outputPath('report.html'), 'utf8')).toContain('Signal processor');
    await report.getByRole('button', { name: 'Close' }).click();

    // Live: the baffle is dragged, and a picture of the moved one follows by itself.
    await bar(page)
        .getByRole('button', { name: /Guided air/ })
        .click();
    await page.keyboard.press('1');
    await runStrip(page).getByLabel('Live').check();
    await ledger(page).getByRole('gridcell', { name: 'Block', exact: true }).click();
    await page.getByRole('button', { name: 'Z', exact: true }).click();
    const box = (await page.getByRole('region', { name: 'View' }).locator('canvas').boundingBox())!;
    const scale = await pixelsPerMetre(page);
    const tip = { x: box.x + box.width / 2 + scale * (0.081 - 0.12 + 0.12 * Math.hypot(0.24, 0.18, 0.06)), y: box.y + box.height / 2 + scale * (0.09 - 0.038) };
    const before = await revision(page);
    await page.mouse.move(tip.x, tip.y);
    await page.mouse.down();
    await page.mouse.move(tip.x + 6, tip.y, { steps: 3 });
    await page.mouse.move(tip.x + scale * 0.01, tip.y, { steps: 6 });
    await page.mouse.up();
    await expect.poll(() => revision(page)).toBeGreaterThan(before);
    await expect(inspector(page).getByLabel('At x')).toHaveValue(/^(89|9[01])(\.\d)? mm$/);
    await expect(runStrip(page)).toContainText('Live: coarse numbers of Scout');
    await expect(runStrip(page).getByRole('button', { name: 'Stop' })).toBeVisible();
    await expect(runStrip(page)).toContainText('Solved', { timeout: FLOW });
    await runStrip(page).getByLabel('Live').uncheck();
    await page.getByRole('navigation', { name: 'Stages' }).getByRole('button', { name: 'Judge' }).click();
    await expect(page.locator('[data-coloured="temperature"]')).toBeVisible();
    await expect(ledger(page)).toContainText(`revision ${await revision(page)}`);
    await expect(ledger(page)).not.toContainText('the model has changed since');

    await page.getByRole('link', { name: 'Foehn' }).click();
    const menu = () => page.getByRole('button', { name: /^Menu of Ridge radar processor$/ });
    await menu().click();
    const archiving = page.waitForEvent('download');
    await page.getByRole('menuitem', { name: 'Save archive' }).click();
    await (await archiving).saveAs(info.outputPath('project.zip'));
    await page.getByLabel('Model document').setInputFiles(info.outputPath('project.zip'));
    await expect(bar(page).getByRole('button')).not.toHaveCount(0);
    for (const name of ['First design', 'Guided air', 'Fins of 30 mm'])
        await expect(bar(page).getByRole('button', { name: new RegExp(`${name} [+−]\\d`) })).toBeVisible();
});
