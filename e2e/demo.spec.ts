import AxeBuilder from '@axe-core/playwright';
import { expect, test } from '@playwright/test';
import { execSync } from 'node:child_process';
import { cell, ledger, openDemo, revision, run, runStrip, typeInto } from './demo';

test('change watts, run, see the margin change, undo', async ({ page }) => {
    await openDemo(page);
    await expect(ledger(page).getByRole('heading')).toContainText(/limits undecided: Converter B junction, \d\.\d K over ± \d+\.\d K/);
    await expect(cell(page, 'Converter B', 'margin')).toHaveText(/^−\d\.\d ±\d+\.\d$/);

    await typeInto(page, 'Converter B', 'powerText', '1.5');
    await expect(cell(page, 'Converter B', 'powerText')).toHaveText('1.50');
    await expect(ledger(page).getByText('the model has changed since')).toBeVisible();
    await run(page);
    await expect(cell(page, 'Converter B', 'margin')).toHaveText(/^\+\d+\.\d ±\d+\.\d$/);
    await expect(ledger(page).getByRole('heading')).toContainText(/closest is .* K left/);

    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(cell(page, 'Converter B', 'powerText')).toHaveText('2.50');
    await page.getByRole('button', { name: 'Redo' }).click();
    await expect(cell(page, 'Converter B', 'powerText')).toHaveText('1.50');
    await page.keyboard.press('Control+z');
    await expect(cell(page, 'Converter B', 'powerText')).toHaveText('2.50');
    await run(page);
    await expect(cell(page, 'Converter B', 'margin')).toHaveText(/^−\d\.\d ±\d+\.\d$/);
});

test('name, material and limit are edited with units, and a wrong one is refused in words', async ({ page }) => {
    await openDemo(page);
    await page.keyboard.press('3');
    await typeInto(page, 'Heat sink', 'limitText', '176 degF');
    await expect(cell(page, 'Heat sink', 'limitText')).toHaveText('80.0');

    const before = await revision(page);
    await cell(page, 'Heat sink', 'limitText').dblclick();
    await cell(page, 'Heat sink', 'limitText').getByRole('textbox').fill('80 mm');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('alert').filter({ hasText: '"80 mm" is a length' })).toContainText('The edit was not saved; the model is as before.');
    await page.keyboard.press('Escape');
    expect(await revision(page)).toBe(before);

    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: 'Build' }).click();
    await cell(page, 'Heat sink', 'material').dblclick();
    await page.getByRole('option', { name: 'Copper, pure' }).click();
    await expect(cell(page, 'Heat sink', 'material')).toHaveText('Copper, pure');
    await typeInto(page, 'Heat sink', 'name', 'Copper fins');
    await expect(cell(page, 'Copper fins', 'material')).toHaveText('Copper, pure');
    for (let i = 0; i < 3; i++) {
        const now = await revision(page);
        await page.getByRole('button', { name: 'Undo' }).click();
        await expect.poll(() => revision(page)).toBe(now + 1);
    }
    await expect(cell(page, 'Heat sink', 'material')).toHaveText('Aluminium 6063-T5, extruded');
});

test('ledger, view and inspector share the selection; the probe reads the core', async ({ page }) => {
    await openDemo(page);
    await run(page);
    await expect(page.locator('[data-coloured="temperature"]')).toBeVisible();
    await cell(page, 'Signal processor', 'name').click();
    const inspector = page.getByRole('complementary', { name: 'Inspector' });
    await expect(inspector).toContainText('Junction');
    await expect(inspector).toContainText('to Heat sink');
    await inspector.getByRole('button', { name: 'Close the inspector' }).click();
    await expect(inspector).toBeHidden();

    await page.getByRole('button', { name: 'Z', exact: true }).click();
    const view = page.getByRole('region', { name: 'View' }).locator('canvas');
    const box = (await view.boundingBox())!;
    // From above, a little right of the middle, lies the heat sink or the board: either way a part.
    await view.click({ position: { x: box.width * 0.5, y: box.height * 0.5 } });
    await expect(inspector).toBeVisible();
    const picked = (await inspector.getByRole('heading', { level: 2 }).textContent())!;
    await expect(ledger(page).locator('[aria-selected="true"]')).toContainText(picked);

    await page.getByRole('button', { name: 'Probe' }).click();
    // The inspector has made the view narrower; what is clicked while it still moves hits nothing.
    await expect(async () => {
        const now = (await view.boundingBox())!;
        await view.click({ position: { x: now.width * 0.5, y: now.height * 0.5 } });
        await expect(
            page
                .getByRole('region', { name: 'View' })
                .getByText(/^\d+\.\d\d °C$/)
                .first(),
        ).toBeVisible({ timeout: 5_000 });
    }).toPass();

    await page.getByRole('button', { name: 'Section', exact: true }).click();
    const shown = page.getByRole('region', { name: 'Shown' });
    await shown.getByRole('button', { name: 'x', exact: true }).click();
    await expect(shown.getByRole('button', { name: 'Section x 120 mm', exact: false }).last()).toBeVisible();
    await shown.getByRole('slider', { name: 'Position of the section' }).press('ArrowRight');
    await expect(shown).toContainText('Section x 121.2 mm');
    await shown.getByLabel('Position of the section, typed').fill('60');
    await page.keyboard.press('Enter');
    await expect(shown).toContainText('Section x 60 mm');
});

test('two tabs on one variant: the second is asked and nothing is lost', async ({ page, context }) => {
    await openDemo(page);
    const other = await context.newPage();
    await other.goto(page.url());
    await expect(other.getByText(/^Saved, revision/)).toBeVisible();
    await typeInto(page, 'Memory 1', 'powerText', '0.8');

    await cell(other, 'Memory 2', 'powerText').dblclick();
    await cell(other, 'Memory 2', 'powerText').getByRole('textbox').fill('0.9');
    await other.keyboard.press('Enter');
    const dialog = other.getByRole('dialog', { name: 'This variant was saved somewhere else' });
    await expect(dialog).toContainText('Demo engineer saved revision');
    await expect(dialog).toContainText('Memory 1: 0.8 W');
    await dialog.getByRole('button', { name: 'Take theirs' }).click();
    await other.keyboard.press('Escape');
    await expect(cell(other, 'Memory 1', 'powerText')).toHaveText('0.80');
    await other.close();
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(cell(page, 'Memory 1', 'powerText')).toHaveText('0.75');
});

test('a worker killed during a run is recovered', async ({ page }) => {
    await openDemo(page);
    await page.getByLabel('Grade').locator('..').getByRole('combobox').click();
    await page.getByRole('option', { name: 'Sign-off' }).click();
    await runStrip(page).getByRole('button', { name: 'Run', exact: true }).click();
    await expect(runStrip(page)).toContainText(/Sign-off: (Making|Setting|Solving)/, { timeout: 30_000 });
    // Every worker of this installation, so that the one that computes is among them; the supervisor brings new ones.
    const pids = execSync(`cut -d' ' -f1 "${process.env.FOEHN_VAR}"/run/worker-*`).toString().trim().split('\n').map(Number);
    expect(pids.length).toBeGreaterThan(0);
    for (const pid of pids) process.kill(pid, 'SIGKILL');
    await expect(runStrip(page)).toContainText('again after its worker was lost', { timeout: 30_000 });

    await runStrip(page).getByRole('button', { name: 'Stop' }).click();
    await expect(runStrip(page)).toContainText('Stopped', { timeout: 60_000 });
    await run(page, 'Scout');
});

test('a file that is no model is refused with reasons and a good one becomes a project', async ({ page }) => {
    await page.goto('/');
    await page.getByRole('button', { name: 'Enter as the demo engineer' }).click();
    const input = page.getByLabel('Model document', { exact: true });
    await input.setInputFiles({ name: 'bad.json', mimeType: 'application/json', buffer: Buffer.from('{"format": "foehn-model", "version": 1, "colour": 3}') });
    await expect(page.getByRole('dialog')).toContainText('/colour');
    await expect(page.getByRole('dialog')).toContainText('unknown field "colour"');
    await page.getByRole('button', { name: 'Close' }).click();
    await input.setInputFiles({ name: 'big.json', mimeType: 'application/json', buffer: Buffer.alloc(25_000_000, 32) });
    await expect(page.getByRole('dialog')).toContainText('big.json has 25.0 MB');
    await page.getByRole('button', { name: 'Close' }).click();
    await input.setInputFiles('examples/ridge-radar-processor.json');
    await expect(page.getByText('Not solved yet: press Run')).toBeVisible();
    await expect(ledger(page)).toContainText('No answer yet');
});

for (const scheme of ['light', 'dark']) {
    test(`nothing serious hinders access, ${scheme}`, async ({ page }) => {
        test.setTimeout(300_000);
        const serious = async () => {
            // What fades in has other colours on its way; what moves all the time ends never.
            await page.evaluate(() =>
                Promise.race([
                    Promise.all(document.getAnimations().map((animation) => animation.finished.catch(() => undefined))),
                    new Promise((after) => setTimeout(after, 1000)),
                ]),
            );
            return (await new AxeBuilder({ page }).analyze()).violations
                .filter((v) => v.impact === 'serious' || v.impact === 'critical')
                .map((v) => `${v.id}: ${v.nodes.map((n) => n.html).join(', ')}`);
        };
        await page.addInitScript((s) => localStorage.setItem('foehn-preferences', JSON.stringify({ state: { units: 'mm', scheme: s }, version: 0 })), scheme);
        await page.goto('/');
        await expect(page.getByRole('button', { name: 'Sign in' })).toBeVisible();
        expect(await serious()).toEqual([]);
        await page.getByRole('button', { name: 'Enter as the demo engineer' }).click();
        await expect(page.getByRole('heading', { name: 'Ridge radar processor' }).first()).toBeVisible();
        expect(await serious()).toEqual([]);
        await page.getByRole('link', { name: /Signal processing box/ }).click();
        await expect(page.getByRole('region', { name: 'Run' })).toContainText('Solved');
        for (const key of ['1', '2', '3', '4', '5']) {
            await page.keyboard.press(key);
            await expect(page.getByRole('grid')).toBeVisible();
            if (key === '5') await expect(page.locator('[data-coloured="temperature"]')).toBeVisible();
            expect(await serious()).toEqual([]);
        }
        const dialog = page.getByRole('dialog');
        await page.keyboard.press('1');
        await page.getByRole('button', { name: 'Materials', exact: true }).click();
        await dialog.getByRole('gridcell').first().click();
        expect(await serious()).toEqual([]);
        await dialog.getByRole('button', { name: 'Close' }).click();
        await page.getByRole('button', { name: 'Add part' }).click();
        await page.getByRole('menuitem', { name: /^From a file/ }).click();
        await expect(dialog).toBeVisible();
        expect(await serious()).toEqual([]);
        await dialog.getByRole('button', { name: 'Cancel' }).click();
        await page.keyboard.press('2');
        await page.getByRole('button', { name: 'Paste table' }).click();
        await expect(dialog).toBeVisible();
        expect(await serious()).toEqual([]);
    });
}
