// Pictures per second of the 3-D view while it is turned, with many parts, drawn without a graphics card. Yardstick: 8 per second with 300 parts.
// Needs a running installation: ./foehn start; node bench/view.mjs [ADDRESS]
import { chromium } from '@playwright/test';

const address = process.argv[2] ?? 'http://127.0.0.1:8080';
const YARDSTICK = 8;

/** A board with rows of blocks. */
function model(count) {
    const side = Math.ceil(Math.sqrt(count - 1));
    const blocks = Array.from({ length: count - 1 }, (_b, n) => ({
        id: `b${n}`, name: `Block ${n}`, material: 'mould-compound', power: '0.1 W', shape: { kind: 'block', size: ['4 mm', '4 mm', '2 mm'] },
        at: [`${6 * (n % side) + 1} mm`, `${6 * Math.floor(n / side) + 1} mm`, '2 mm'],
    }));
    const width = `${6 * side + 2} mm`;
    return {
        format: 'foehn-model', version: 1, name: `${count} parts`,
        space: { box: { min: [0, 0, 0], max: [width, width, '20 mm'] }, fluid: null, sides: { 'z-': { kind: 'wall', heat: { kind: 'film', coefficient: '50 W/m^2/K' } } } },
        parts: [{ id: 'plate', name: 'Plate', material: 'aluminium-6061', shape: { kind: 'block', size: [width, width, '2 mm'] }, at: [0, 0, 0] }, ...blocks],
        analysis: { grid: { grade: 'scout' } },
    };
}

const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--use-angle=swiftshader', '--enable-unsafe-swiftshader'] });
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
await page.goto(address);
await page.getByRole('button', { name: 'Enter as the demo engineer' }).click();
await page.getByRole('heading', { name: 'Projects' }).waitFor();
console.log('parts   pictures/s   of the yardstick   edit saved after, s');
for (const count of [300, 2000]) {
    const project = await page.evaluate(async (body) => {
        const token = decodeURIComponent(document.cookie.split('XSRF-TOKEN=')[1].split(';')[0]);
        const answer = await fetch('/api/projects', { method: 'POST', headers: { Accept: 'application/json', 'Content-Type': 'application/json', 'X-XSRF-TOKEN': token }, body });
        return answer.json();
    }, JSON.stringify(model(count)));
    await page.goto(`${address}/projects/${project.id}/variants/${project.variants[0].id}`);
    await page.getByRole('button', { name: /^Build/ }).click();
    const canvas = page.locator('canvas');
    await canvas.waitFor();
    await page.waitForTimeout(4000);
    const box = await canvas.boundingBox();
    // Every picture clears the canvas once.
    await page.evaluate(() => {
        window.pictures = 0;
        const clear = WebGL2RenderingContext.prototype.clear;
        WebGL2RenderingContext.prototype.clear = function (...mask) {
            window.pictures++;
            return clear.apply(this, mask);
        };
    });
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
    await page.mouse.down();
    const began = Date.now();
    for (let n = 0; Date.now() - began < 4000; n++) await page.mouse.move(box.x + box.width / 2 + 120 * Math.sin(n / 10), box.y + box.height / 2 + 40 * Math.cos(n / 10));
    const rate = (await page.evaluate(() => window.pictures)) / ((Date.now() - began) / 1e3);
    await page.mouse.up();

    await page.getByRole('gridcell', { name: 'Plate', exact: true }).click();
    const name = page.getByRole('complementary', { name: 'Inspector' }).getByLabel('Name', { exact: true });
    await name.fill('Base plate');
    const typed = Date.now();
    await page.keyboard.press('Enter');
    await page.getByText('Saved, revision 2').waitFor();
    console.log(`${String(count).padStart(5)}   ${rate.toFixed(1).padStart(10)}   ${(rate / YARDSTICK).toFixed(2).padStart(16)}   ${((Date.now() - typed) / 1e3).toFixed(2).padStart(19)}`);
}
await browser.close();
