import { expect, test } from '@playwright/test';
import { ledger, nothingSerious, openDemo, run } from './demo';

test('a finish on the housing, its margin and the way of the heat, and a sun that is turned', async ({ page }) => {
    test.setTimeout(400_000);
    await openDemo(page, 'Mast gateway');
});
