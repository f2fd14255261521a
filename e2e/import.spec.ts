import { expect, test } from '@playwright/test';
import { readFile } from 'node:fs/promises';
import { sampleBoard, sampleLibrary } from '../resources/js/imports/idfSample';
import { cell, ledger } from './demo';
import { stepFile } from './stepSample';

const board = sampleBoard([90, 60], ['"QFN" "FH-1" U1', '30 30 0 90 TOP PLACED', '"QFN" "FH-1" U2', '60 30 0 0 TOP PLACED'], 1);
const library = sampleLibrary([{ geometry: 'QFN', part: 'FH-1', size: [12, 10, 2] }], true);

const file = (name: string, text: string) => ({ name, mimeType: 'application/octet-stream', buffer: Buffer.from(text) });

test('a board from an IDF pair gets watts and limits from tables, an own material and a parameter', async ({ page }) => {
    await page.goto('/');
    await page.getByRole('button', { name: 'Enter as the demo engineer' }).click();
    await page.getByRole('button', { name: 'New project' }).click();
    await page.getByLabel('Name of the product').fill('Gateway board');
    await page.getByRole('radio', { name: /^Empty/ }).click();
    await page.getByRole('button', { name: 'Create' }).click();
    await expect(page.getByRole('heading', { name: 'Gateway board' })).toBeVisible();

    await page.getByRole('button', { name: 'Add part' }).click();
    await page.getByRole('menuitem', { name: 'From a file: STL, STEP, IDF' }).click();
    const dialog = page.getByRole('dialog', { name: 'Import geometry' });
    await dialog.getByLabel('Geometry files').setInputFiles(file('page.stl', '<!DOCTYPE html><html><body>Not found</body></html>'.padEnd(300)));
    await expect(dialog.getByRole('alert')).toContainText('This is a web page or XML, not an STL file');
    await dialog.getByLabel('Geometry files').setInputFiles([file('gateway.emn', board), file('gateway.emp', library)]);
    await expect(dialog.getByRole('row', { name: /U1 10 × 12 × 2 mm/ })).toBeVisible();
    await expect(dialog.getByText('1 drilled hole left out.')).toBeVisible();
    await dialog.getByRole('button', { name: 'Import 3 bodies' }).click();
    await expect(ledger(page).getByText('3 parts')).toBeVisible();

    // What is saved can be read again: the board with its two parts.
    const download = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Save the geometry' }).click();
    await page.getByRole('menuitem', { name: /^STL/ }).click();
    const saved = await download;
    expect(saved.suggestedFilename()).toBe('gateway-board.stl');
    await page.getByRole('button', { name: 'Add part' }).click();
    await page.getByRole('menuitem', { name: 'From a file: STL, STEP, IDF' }).click();
    await dialog
        .getByLabel('Geometry files')
        .setInputFiles(await saved.path().then(async (path) => ({ name: 'again.stl', mimeType: 'model/stl', buffer: await readFile(path) })));
    await expect(dialog.getByRole('row', { name: /90 × 60 × 1.6 mm/ })).toBeVisible();
    await dialog.getByRole('button', { name: 'Cancel' }).click();

    const stages = page.getByRole('navigation', { name: 'Stages' });
    await stages.getByRole('button', { name: /Load/ }).click();
    await page.getByRole('button', { name: 'Paste table' }).click();
    await page.getByLabel(/Name or pattern/).fill('Part\tW\nU*\t1,5\nU2\t800 mW\nR9\t1');
    await expect(page.getByText('R9: no part of that name')).toBeVisible();
    await page.getByRole('button', { name: 'Apply to 2 parts' }).click();
    await expect(cell(page, 'U1', 'powerText')).toContainText('1.50');
    await expect(cell(page, 'U2', 'powerText')).toContainText('0.80');

    await stages.getByRole('button', { name: /Limit/ }).click();
    await page.getByRole('button', { name: 'Paste table' }).click();
    await page.getByLabel(/Name or pattern/).fill('U*;105');
    await page.getByRole('button', { name: 'Apply to 2 parts' }).click();
    await expect(cell(page, 'U2', 'limitText')).toContainText('105');

    await stages.getByRole('button', { name: /Build/ }).click();
    await page.getByRole('button', { name: 'Add parameter' }).click();
    const panel = page.getByRole('complementary', { name: 'Project' });
    await expect(panel.getByText('not used yet')).toBeVisible();
    await panel.getByLabel('z to').fill('length_1 + 60 mm');
    await page.keyboard.press('Enter');
    await expect(panel.getByText('used once')).toBeVisible();
    await panel.getByLabel('Name', { exact: true }).fill('headroom');
    await page.keyboard.press('Enter');
    await expect(panel.getByLabel('z to')).toHaveValue('headroom + 60 mm');

    await ledger(page).getByRole('gridcell', { name: 'U1', exact: true }).click();
    await page.getByRole('button', { name: 'Materials', exact: true }).click();
    const materials = page.getByRole('dialog', { name: 'Materials' });
    await materials.getByLabel('Find material').fill('mould');
    await materials.getByRole('gridcell', { name: 'Mould compound, epoxy' }).click();
    await materials.getByRole('button', { name: 'Copy to edit' }).click();
    await materials.getByLabel(/^Conductivity/).fill('0.85');
    await page.keyboard.press('Enter');
    await expect(materials.getByRole('gridcell', { name: '0.850' })).toBeVisible();
    await materials.getByRole('button', { name: 'Assign to U1' }).click();
    await expect(cell(page, 'U1', 'material')).toContainText('Mould compound, epoxy, own');

    // Each of these was one step.
    for (let n = 0; n < 4; n++) await page.keyboard.press('Control+z');
    await expect(cell(page, 'U1', 'material')).not.toContainText('own');
});

test('solids of a STEP file become bodies with their names; what is no STEP file is refused in words', async ({ page }) => {
    await page.goto('/');
    await page.getByRole('button', { name: 'Enter as the demo engineer' }).click();
    await page.getByRole('button', { name: 'New project' }).click();
    await page.getByLabel('Name of the product').fill('Sensor bracket');
    await page.getByRole('radio', { name: /^Empty/ }).click();
    await page.getByRole('button', { name: 'Create' }).click();
    await page.getByRole('button', { name: 'Add part' }).click();
    await page.getByRole('menuitem', { name: 'From a file: STL, STEP, IDF' }).click();
    const dialog = page.getByRole('dialog', { name: 'Import geometry' });
    const text = stepFile([
        { name: 'Bracket', min: [0, 0, 0], max: [40, 20, 3] },
        { name: 'Boss', min: [10, 5, 3], max: [16, 11, 12] },
    ]);
    await dialog.getByLabel('Geometry files').setInputFiles(file('cut.step', text.slice(0, 3000)));
    await expect(dialog.getByRole('alert')).toContainText('it is cut off');
    await dialog.getByLabel('Geometry files').setInputFiles(file('none.step', stepFile([])));
    await expect(dialog.getByRole('alert')).toContainText('holds no solid');
    await dialog.getByLabel('Geometry files').setInputFiles(file('bracket.step', text));
    await expect(dialog.getByRole('row', { name: /Bracket 40 × 20 × 3 mm 12 facets/ })).toBeVisible();
    await expect(dialog.getByRole('row', { name: /Boss 6 × 6 × 9 mm 12 facets/ })).toBeVisible();
    await dialog.getByRole('button', { name: 'Import 2 bodies' }).click();
    await expect(ledger(page).getByText('2 parts')).toBeVisible();
    await expect(cell(page, 'Boss', 'size')).toHaveText('6 × 6 × 9 mm');
});
