import { expect, test } from '@playwright/test';
import { cell, ledger, run, runStrip } from './demo';
import { fiftyPlaces } from './painted';

test('current in copper: a new project is computed, a current is changed and a further face grounded', async ({ page }) => {
    await page.goto('/');
    await page.getByRole('button', { name: 'Enter as the demo engineer' }).click();
    await page.getByRole('button', { name: 'New project' }).click();
    await page.getByLabel('Name of the product').fill('Bars of the winch');
    await page.getByLabel('What is the question?').click();
    await page.getByRole('option', { name: 'Current in copper and the heat it makes' }).click();
    await expect(page.getByRole('radio', { name: /Copper bars/ })).toBeChecked();
    await page.getByRole('button', { name: 'Create' }).click();
    await expect(ledger(page)).toContainText('and what currents make');

    await run(page);
    await page.getByRole('button', { name: 'Judge', exact: true }).click();
    const summary = page.getByRole('complementary', { name: 'Space' });
    await expect(summary).toContainText('Bar to the source, face x-');
    const heat = async () => Number(/Joule heat([\d.]+) W/.exec((await summary.textContent()) ?? '')?.[1]);
    const before = await heat();
    expect(before).toBeGreaterThan(2);

    await page.getByRole('button', { name: 'Load', exact: true }).click();
    await ledger(page).getByRole('gridcell', { name: 'Bar to the source', exact: true }).click();
    const inspector = page.getByRole('complementary', { name: 'Inspector' });
    const terminal = inspector.getByRole('region', { name: 'Current at face x-' });
    await terminal.getByLabel('Current in').fill('5 V');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('alert').filter({ hasText: 'here a current' })).toBeVisible();
    await expect(terminal.getByLabel('Current in')).toHaveValue('5 V');
    await page.keyboard.press('Escape');
    await expect(terminal.getByLabel('Current in')).toHaveValue('200 A');
    await terminal.getByLabel('Current in').fill('100');
    await page.keyboard.press('Enter');
    await expect(terminal.getByLabel('Current in')).toHaveValue('100 A');

    // Another way out: what is added after a current is ground already there, so this one is a current until it is changed.
    await inspector.getByRole('button', { name: 'Current at a face' }).click();
    await page.getByRole('menuitem', { name: 'Face y-' }).click();
    const other = inspector.getByRole('region', { name: 'Current at face y-' });
    await expect(other.getByLabel('Current in')).toHaveValue('10 A');
    await other.getByRole('combobox').click();
    await page.getByRole('option', { name: 'Ground', exact: true }).click();
    await expect(other.getByLabel('Current in')).toBeHidden();

    await run(page);
    await page.getByRole('button', { name: 'Judge', exact: true }).click();
    await expect(inspector).toContainText('Greatest density');
    await page.keyboard.press('Escape');
    await expect(runStrip(page)).toContainText('Solved');
    expect(await heat()).toBeLessThan(0.3 * before);
});

test('a fuse melts, and beyond a greatest current has no steady temperature', async ({ page }) => {
    test.setTimeout(300_000);
    await page.goto('/');
    await page.getByRole('button', { name: 'Enter as the demo engineer' }).click();
    const [chooser] = await Promise.all([
        page.waitForEvent('filechooser'),
        page
            .getByRole('button', { name: /Import/ })
            .first()
            .click(),
    ]);
    await chooser.setFiles('examples/tap-board-fuse.json');
    // One run has the load, idle and the fault.
    await run(page, undefined, 150_000);
    await page.getByRole('button', { name: 'Judge', exact: true }).click();
    const points = page.getByRole('group', { name: 'Operating point on screen' });
    await expect(points.getByRole('button', { name: /^As it stands ?met, 7\d\.\d K left/ })).toHaveAttribute('aria-pressed', 'true');
    await points.getByRole('button', { name: /^Fault, 15 A ?1 missed, 8\d\.\d K over/ }).click();
    await expect(ledger(page)).toContainText('Fault, 15 A: 1 of 3 limits missed');
    await expect(cell(page, 'Fuse strip', 'limitText')).toContainText('419');
    await fiftyPlaces(page, 30, 520);
    await page.getByRole('button', { name: 'Side by side' }).click();
    const table = page.getByRole('table', { name: 'Operating points' });
    await expect(table.getByRole('row', { name: /^Fuse strip, melting point/ })).toContainText(/169\.\d °C.*5\d\.\d °C.*50\d\.\d °C.*missed/);
    await page.keyboard.press('Escape');

    await page.getByRole('button', { name: 'Load', exact: true }).click();
    await ledger(page).getByRole('gridcell', { name: 'Track from the battery', exact: true }).click();
    const inspector = page.getByRole('complementary', { name: 'Inspector' });
    const current = inspector.getByRole('region', { name: 'Current at face x-' }).getByLabel('Current in');
    const amperes = async (text: string) => {
        await current.fill(text);
        await page.keyboard.press('Enter');
        await expect(current).toHaveValue(text);
    };
    await amperes('24 A');
    await runStrip(page).getByRole('button', { name: 'Run', exact: true }).click();
    await expect(runStrip(page)).toContainText(/thermal runaway: steady up to 1[789]\.\d+ A at face x- of "Track from the battery"/, { timeout: 60_000 });

    // The other conductor meets a contact instead.
    await ledger(page).getByRole('gridcell', { name: 'Cap, battery', exact: true }).click();
    const contact = inspector.getByRole('region', { name: 'Current at face z-' });
    await expect(contact.getByRole('combobox')).toContainText('Contact resistance');
    await contact.getByLabel('Resistance times area').fill('2 ohm');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('alert').filter({ hasText: 'an electrical resistance times area' })).toBeVisible();
});
