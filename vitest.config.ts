import { defineConfig } from 'vitest/config';

// A test fails by what it finds, not by how busy the machine is.
export default defineConfig({
    test: { include: ['resources/js/**/*.test.{ts,tsx}'], setupFiles: ['resources/js/testing.ts'], testTimeout: 60_000, maxWorkers: 2 },
});
