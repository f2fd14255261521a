import AxeBuilder from '@axe-core/playwright';
import { expect, type Page } from '@playwright/test';

/** Opens the demo project and waits for the verdict of its first run. */
export async function openDemo(page: Page): Promise<void> {
    await page.goto('/');
    await page.getByRole('button', { name: 'Enter as the demo engineer' }).click();
    await page.getByRole('link', { name: /Signal processing box of the avalanche radar/ }).click();
    await expect(page.getByRole('region', { name: 'Run' })).toContainText('Solved', { timeout: 60_000 });
}

export const ledger = (page: Page) => page.getByRole('region', { name: 'Ledger' });
export const runStrip = (page: Page) => page.getByRole('region', { name: 'Run' });

/** A cell of the ledger by the name of the part and the field of the column. */
export const cell = (page: Page, part: string, field: string) =>
    ledger(page)
        .getByRole('row')
        .filter({ has: page.getByRole('gridcell', { name: part, exact: true }) })
        .locator(`[data-field="${field}"]`);

/** Types into a cell as a user does: double click, replace, Enter; waits until it is saved. */
export async function typeInto(page: Page, part: string, field: string, text: string): Promise<void> {
    const before = await revision(page);
    await cell(page, part, field).dblclick();
    await cell(page, part, field).getByRole('textbox').fill(text);
    await page.keyboard.press('Enter');
    await expect.poll(() => revision(page)).toBe(before + 1);
}

export async function revision(page: Page): Promise<number> {
    const text =
        (await page
            .getByText(/^Saved, revision \d+$/)
            .textContent({ timeout: 10_000 })
            .catch(() => null)) ?? '0';
    return Number(/\d+/.exec(text)?.[0]);
}

/** Presses Run at a grade and waits until a result of the present revision is there, at most so many milliseconds. */
export async function run(page: Page, grade?: string, patience = 60_000): Promise<void> {
    if (grade) {
        await page.getByLabel('Grade').locator('..').getByRole('combobox').click();
        await page.getByRole('option', { name: grade }).click();
    }
    await runStrip(page).getByRole('button', { name: 'Run', exact: true }).click();
    await expect(page.getByText(`revision ${await revision(page)}`, { exact: false }).last()).toBeVisible();
    await expect(ledger(page).getByText('the model has changed since')).toBeHidden({ timeout: patience });
    await expect(runStrip(page)).toContainText('Solved', { timeout: patience });
}

/** How large a metre is in the view once the camera stands still, by the scale bar. */
export async function pixelsPerMetre(page: Page): Promise<number> {
    await page.waitForTimeout(1200);
    const bar = page.getByTestId('scale bar');
    const millimetres = Number.parseFloat((await bar.textContent())!);
    return Number.parseFloat(await bar.evaluate((element) => element.style.width)) / (millimetres / 1000);
}

/** Whether everybody can use what is on the screen, as far as a program can tell. */
export async function nothingSerious(page: Page): Promise<void> {
    // What fades in has other colours on its way.
    await page.waitForTimeout(600);
    // What lies behind a dialog is hidden from everybody, and shaded.
    const builder = new AxeBuilder({ page }).exclude('canvas');
    const { violations } = await ((await page.getByRole('dialog').count()) > 0 ? builder.include('[role="dialog"]') : builder).analyze();
    expect(violations.filter(({ impact }) => impact === 'serious' || impact === 'critical').map(({ id, nodes }) => `${id}: ${nodes[0]?.html}`)).toEqual([]);
}
