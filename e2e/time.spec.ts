import { expect, test, type Page } from '@playwright/test';
import { ledger, nothingSerious, runStrip } from './demo';

const inspector = (page: Page) => page.getByRole('complementary', { name: 'Inspector' });
const time = (page: Page) => page.getByRole('region', { name: 'Time' });

const stage = (page: Page, name: string) =>
    page
        .getByRole('navigation', { name: 'Stages' })
        .getByRole('button', { name: new RegExp(name) })
        .click();

/** Runs the course and waits for its verdict. */
async function run(page: Page): Promise<void> {
    await runStrip(page).getByRole('button', { name: 'Run', exact: true }).click();
    await expect(runStrip(page)).toContainText('Solved, Scout', { timeout: 120_000 });
    await stage(page, 'Judge');
    await expect(time(page)).toBeVisible({ timeout: 30_000 });
}

test('a thermostat is set and run, its overshoot read, its hysteresis changed and both courses compared', async ({ page }) => {
    test.setTimeout(420_000);
    await page.goto('/');
    await page.getByRole('button', { name: 'Enter as the demo engineer' }).click();
    await page.getByRole('link', { name: /anemometer on the ridge is thawed/ }).click();

    // A control of another kind, and back to a thermostat.
    await stage(page, 'Load');
    await ledger(page).getByText('Cartridge heater').click();
    const kind = inspector(page).getByRole('combobox', { name: 'Watts are' });
    await kind.click();
    await page.getByRole('option', { name: 'Pulses' }).click();
    await expect(inspector(page).getByLabel('Duty, share on')).toHaveValue('0.4');
    await expect(
        inspector(page)
            .getByRole('img', { name: /over time/ })
            .or(inspector(page).getByLabel(/^Watts of .* over time/))
            .first(),
    ).toBeVisible();
    await kind.click();
    await page.getByRole('option', { name: 'Thermostat' }).click();
    const set = async (label: string, value: string) => {
        await inspector(page).getByLabel(label, { exact: true }).fill(value);
        await page.keyboard.press('Enter');
        await expect(inspector(page).getByLabel(label, { exact: true })).toHaveValue(value);
    };
    await set('Watts while on', '25 W');
    await set('On at', '5 degC');
    await set('Off at', '5 degC');
    await expect(page.getByRole('alert').filter({ hasText: 'give a hysteresis' })).toBeVisible();
    await set('Off at', '12 degC');
    await inspector(page).getByRole('combobox', { name: 'Sensor at' }).click();
    await page.getByRole('option', { name: 'Sensor', exact: true }).click();
    await set('Time constant', '15 s');
    await inspector(page).getByRole('button', { name: 'Close the inspector' }).click();

    await stage(page, 'Solve');
    await page.getByLabel('End', { exact: true }).fill('15 min');
    await page.keyboard.press('Enter');
    await run(page);
    await expect(ledger(page)).toContainText('Bearing grease, 1.7 K over');
    await expect(ledger(page)).toContainText('first after 7.9 min');
    await nothingSerious(page);

    // Values at moments of one's own choice.
    await time(page).getByRole('button', { name: 'Values over time' }).click();
    const values = page.getByRole('dialog', { name: 'Values over time' });
    await values.getByLabel('At', { exact: true }).fill('2 min; 10 min');
    await page.keyboard.press('Enter');
    await expect(values.getByRole('row')).toHaveCount(3);
    await nothingSerious(page);
    await page.keyboard.press('Escape');

    // Before it was switched off the bearing was colder.
    const slider = time(page).getByRole('slider', { name: 'Moment' });
    await slider.focus();
    await page.keyboard.press('Home');
    await expect(time(page)).toContainText('22.5 s');
    await expect(ledger(page).getByRole('row').filter({ hasText: 'Cup bearing' })).toContainText('+3');
    await time(page).getByRole('button', { name: 'Peaks' }).click();
    await expect(ledger(page).getByRole('row').filter({ hasText: 'Cup bearing' })).toContainText('8.5 min');

    // The other variant has a smaller hysteresis and meets its limits.
    await page.getByRole('button', { name: /^Off at 8 °C/ }).click();
    await run(page);
    await expect(ledger(page)).toContainText('All 2 limits met');

    // The thermal impedance of the heater, by a variant made for it.
    await page.getByRole('button', { name: 'Studies' }).click();
    await page.getByRole('menuitem', { name: 'Thermal impedance…' }).click();
    const asks = page.getByRole('dialog', { name: 'Thermal impedance' });
    await asks.getByRole('combobox', { name: 'Heated part' }).click();
    await page.getByRole('option', { name: 'Cartridge heater' }).click();
    await asks.getByRole('button', { name: 'Compute' }).click();
    await expect(page.getByRole('button', { name: /^Zth of Cartridge heater/ })).toBeVisible({ timeout: 30_000 });
    await expect(runStrip(page)).toContainText('Solved, Scout', { timeout: 120_000 });
    await stage(page, 'Judge');
    await time(page).getByRole('button', { name: 'Zth', exact: true }).click();
    const impedance = page.getByRole('dialog', { name: 'Thermal impedance' });
    await expect(impedance.getByRole('table', { name: 'Foster network' }).getByRole('row').nth(1)).toBeVisible();
    await expect(impedance).toContainText(/Within [\d.e−-]+ K\/W of the curve/);
    await nothingSerious(page);
});
