import { expect, test, type Page } from '@playwright/test';
import { cell, ledger, pixelsPerMetre, revision } from './demo';

/** A copy of the demo as a project of its own, so that what happens to it disturbs nobody. */
async function openCopy(page: Page): Promise<void> {
    await page.goto('/');
    await page.getByRole('button', { name: 'Enter as the demo engineer' }).click();
    await page.getByLabel('Model document', { exact: true }).setInputFiles('examples/ridge-radar-processor.json');
    await expect(page.getByText('Saved, revision 1')).toBeVisible();
}

const inspector = (page: Page) => page.getByRole('complementary', { name: 'Inspector' });

test('what is typed into one of several rows holds for all; one total is shared; parts are put in line', async ({ page }) => {
    await openCopy(page);
    await page.keyboard.press('2');
    await ledger(page).getByRole('gridcell', { name: 'Memory 1', exact: true }).click();
    await ledger(page)
        .getByRole('gridcell', { name: 'Memory 2', exact: true })
        .click({ modifiers: ['Control'] });
    await expect(ledger(page).getByText('2 selected; a cell holds for all')).toBeVisible();
    await cell(page, 'Memory 1', 'powerText').dblclick();
    await cell(page, 'Memory 1', 'powerText').getByRole('textbox').fill('1.1');
    await page.keyboard.press('Enter');
    await expect(cell(page, 'Memory 2', 'powerText')).toHaveText('1.10');
    await expect(cell(page, 'Memory 3', 'powerText')).toHaveText('0.75');

    await inspector(page).getByLabel('Total').fill('3');
    await page.keyboard.press('Enter');
    await inspector(page).getByRole('button', { name: 'Distribute' }).click();
    await expect(cell(page, 'Memory 1', 'powerText')).toHaveText('1.50');

    await page.keyboard.press('1');
    await inspector(page).getByRole('button', { name: 'Align, mirror, match size, replace' }).click();
    await page.getByRole('menuitem', { name: 'Align middles along y with Memory 2' }).click();
    await expect(page.getByRole('button', { name: 'Undo' })).toBeEnabled();
    const number = await revision(page);
    await page.keyboard.press('Control+z');
    await expect.poll(() => revision(page)).toBe(number + 1);
});

test('a part is dragged along an axis, turned, hidden and alone, and a distance is measured', async ({ page }) => {
    await openCopy(page);
    await page.keyboard.press('Control+k');
    await page.getByLabel('Command or part').fill('build');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('button', { name: 'Build' })).toHaveAttribute('aria-current', 'step');
    await ledger(page).getByRole('gridcell', { name: 'Heat sink', exact: true }).click();
    await page.getByRole('button', { name: 'Z', exact: true }).click();
    const canvas = page.getByRole('region', { name: 'View' }).locator('canvas');
    const box = (await canvas.boundingBox())!;
    // Seen along z the middle of the space, where the heat sink is, lies in the middle of the picture; its arrow along x ends to the right.
    const diagonal = Math.hypot(0.24, 0.18, 0.06);
    const scale = await pixelsPerMetre(page);
    const tip = { x: box.x + box.width / 2 + scale * (0.03 + 0.12 * diagonal), y: box.y + box.height / 2 };
    await page.mouse.move(tip.x, tip.y);
    await page.mouse.down();
    await page.mouse.move(tip.x + 10, tip.y, { steps: 4 });
    await page.mouse.move(tip.x + scale * 0.02, tip.y, { steps: 6 });
    await page.mouse.up();
    await expect(inspector(page).getByLabel('At x')).toHaveValue(/^(10[89]|11[01])(\.\d)? mm$/);
    await page.keyboard.press('Control+z');
    await expect(inspector(page).getByLabel('At x')).toHaveValue('90 mm');

    await inspector(page).getByLabel('Rotate z').fill('90');
    await page.keyboard.press('Enter');
    await expect(inspector(page).getByLabel('Rotate z')).toHaveValue('90 deg');
    await expect(cell(page, 'Heat sink', 'size')).toHaveText('60 × 60 × 25 mm');

    const view = page.getByRole('region', { name: 'View' });
    await view.getByRole('button', { name: 'Isolate' }).click();
    await expect(view.getByRole('button', { name: 'Show 14 hidden' })).toBeVisible();
    await view.getByRole('button', { name: 'Measure' }).click();
    // The scene hears of it a picture later than the page.
    await page.waitForTimeout(1000);
    await page.mouse.click(box.x + box.width / 2 - scale * 0.02, box.y + box.height / 2);
    await expect(view.getByText('click the other end')).toBeVisible();
    await page.mouse.click(box.x + box.width / 2 + scale * 0.02, box.y + box.height / 2);
    await expect(view.getByText(/mm \(x (39|4[01])(\.\d+)? mm, y /)).toBeVisible();
    await view.getByRole('button', { name: 'Perspective' }).click();
    await expect(view.getByRole('button', { name: 'Perspective' })).toHaveAttribute('aria-pressed', 'true');
    await view.getByRole('button', { name: 'Show 14 hidden' }).click();
    await expect(view.getByRole('button', { name: 'Isolate' })).toBeVisible();
});

test('copies stay linked until they are made independent; a locked part stays; a face and a side of the space are dragged', async ({ page }) => {
    await openCopy(page);
    await page.keyboard.press('1');
    const number = await revision(page);
    await ledger(page).getByRole('gridcell', { name: 'Memory 1', exact: true }).click();
    await inspector(page).getByRole('button', { name: 'Copies in a row or a field' }).click();
    await page.getByRole('textbox', { name: 'In a row' }).fill('2');
    await page.getByLabel('Step x, mm', { exact: true }).fill('0');
    await page.getByLabel('Step y, mm', { exact: true }).fill('-20');
    await page.getByRole('button', { name: 'Make 1 copy' }).click();
    await ledger(page).getByRole('gridcell', { name: 'Memory 1 2' }).click();
    await expect(inspector(page).getByText('Linked copy of Memory 1')).toBeVisible();
    await page.keyboard.press('2');
    await cell(page, 'Memory 1 2', 'powerText').dblclick();
    await cell(page, 'Memory 1 2', 'powerText').getByRole('textbox').fill('1.3');
    await page.keyboard.press('Enter');
    await expect(cell(page, 'Memory 1', 'powerText')).toHaveText('1.30');
    await page.keyboard.press('1');
    await inspector(page).getByRole('button', { name: 'Make independent' }).click();
    await expect.poll(() => revision(page)).toBe(number + 3);
    await expect(inspector(page).getByText('Linked copy of Memory 1')).toHaveCount(0);

    await ledger(page).getByRole('gridcell', { name: 'Heat sink', exact: true }).click();
    await inspector(page).getByRole('button', { name: 'Lock shape and place' }).click();
    await expect(inspector(page).getByLabel('At x')).toBeDisabled();
    await page.keyboard.press('Delete');
    await expect(ledger(page).getByRole('gridcell', { name: 'Heat sink', exact: true })).toBeVisible();
    await inspector(page)
        .getByRole('button', { name: /^Unlock/ })
        .click();
    await expect(inspector(page).getByLabel('Depth')).toBeEnabled();

    // Seen along z: the face of the heat sink that looks along x, 30 mm from the middle, is drawn out by 20 mm.
    await page.getByRole('button', { name: 'Z', exact: true }).click();
    const canvas = page.getByRole('region', { name: 'View' }).locator('canvas');
    const drag = async (x: number, by: number) => {
        const box = (await canvas.boundingBox())!;
        const scale = await pixelsPerMetre(page);
        await page.mouse.move(box.x + box.width / 2 + scale * x, box.y + box.height / 2);
        await page.mouse.down();
        await page.mouse.move(box.x + box.width / 2 + scale * (x + by / 2), box.y + box.height / 2, { steps: 5 });
        await page.mouse.move(box.x + box.width / 2 + scale * (x + by), box.y + box.height / 2, { steps: 5 });
        await page.mouse.up();
    };
    await drag(0.03, 0.02);
    await expect(inspector(page).getByLabel('Width')).toHaveValue(/^(79|80|81)(\.\d)? mm$/);
    await inspector(page).getByRole('button', { name: 'Close the inspector' }).click();
    await drag(0.12, 0.02);
    await expect(page.getByLabel('x to')).toHaveValue(/^(259|26[01])(\.\d)? mm$/);
});

test('an assembly gets axes of its own, is turned as a whole, repeated and taken apart; gravity is turned by hand', async ({ page }) => {
    await openCopy(page);
    await page.keyboard.press('1');
    await ledger(page).getByText('Board assembly', { exact: true }).click();
    await inspector(page).getByRole('button', { name: 'Give it axes of its own' }).click();
    await expect(inspector(page).getByLabel('At x')).toHaveValue('120 mm');
    const turn = async (angle: string) => {
        await inspector(page).getByLabel('Rotate z').fill(angle);
        await page.keyboard.press('Enter');
    };
    await turn('30');
    await expect(page.getByText('a package cannot be turned', { exact: false })).toBeVisible();
    await expect(page.getByText('The edit was not saved; the model is as before.')).toBeVisible();
    const number = await revision(page);
    await turn('180');
    await expect.poll(() => revision(page)).toBe(number + 1);
    await ledger(page).getByRole('gridcell', { name: 'Radio front end', exact: true }).click();
    await inspector(page).getByLabel('Name', { exact: true }).fill('Radio');
    await page.keyboard.press('Enter');
    await ledger(page).getByText('Board assembly', { exact: true }).click();
    await inspector(page).getByRole('button', { name: 'Linked copies', exact: true }).click();
    await inspector(page).getByLabel('Step y').fill('0');
    await page.keyboard.press('Enter');
    await expect(page.getByText(/all stand in one place/)).toBeVisible();
    await inspector(page).getByLabel('Step z').fill('20');
    await page.keyboard.press('Enter');
    await expect(ledger(page).getByRole('gridcell', { name: 'Radio 2' })).toBeVisible();
    await inspector(page).getByRole('button', { name: 'Make independent' }).click();
    await expect(ledger(page).getByText('Board assembly 2', { exact: true })).toBeVisible();

    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: 'Y', exact: true }).click();
    await page.waitForTimeout(1000);
    const box = (await page.getByRole('region', { name: 'View' }).locator('canvas').boundingBox())!;
    const scale = await pixelsPerMetre(page);
    // Seen along y: the arrow hangs beside the upper corner of the space; its head goes from below its tail to the right of it.
    const place = (x: number, z: number) => [box.x + box.width / 2 + scale * x, box.y + box.height / 2 - scale * z] as const;
    const [tail, length] = [[-0.1296, 0.03], 0.048] as const;
    await page.mouse.move(...place(tail[0], tail[1] - length));
    await page.mouse.down();
    await page.mouse.move(...place(tail[0] + 0.7 * length, tail[1] - 0.7 * length), { steps: 5 });
    await page.mouse.move(...place(tail[0] + length, tail[1]), { steps: 5 });
    await page.mouse.up();
    await expect(page.getByRole('combobox', { name: 'Gravity' })).toHaveText('Along +x');
});
