import { defineConfig } from '@playwright/test';

export default defineConfig({
    testDir: 'e2e',
    workers: 1,
    // Stories of many minutes, by ./foehn test --long.
    grepInvert: process.env.FOEHN_LONG ? /(?!)/ : /@long/,
    // Once more on a busy machine; what passed at the second try only is listed as flaky.
    retries: 1,
    timeout: 120_000,
    expect: { timeout: 30_000 },
    reporter: [['list']],
    use: {
        baseURL: process.env.FOEHN_URL ?? 'http://127.0.0.1:8080',
        viewport: { width: 1280, height: 800 },
        launchOptions: {
            executablePath: '/usr/bin/chromium',
            args: [
                '--no-sandbox',
                '--use-angle=swiftshader',
                '--enable-unsafe-swiftshader',
                '--disable-background-networking',
                '--disable-component-update',
                '--disable-sync',
                '--disable-quic',
                '--no-first-run',
            ],
        },
    },
});
