import { afterEach } from 'vitest';

// Only component tests have a page; they begin with "@vitest-environment jsdom".
if (typeof window !== 'undefined') {
    const { cleanup, configure } = await import('@testing-library/react');
    await import('@testing-library/jest-dom/vitest');
    afterEach(cleanup);
    // What is fetched when it is opened comes later on a busy machine.
    configure({ asyncUtilTimeout: 10_000 });
    // The page of the tests has no layout: every element is as large as a screen, so that lists show what they hold.
    for (const [property, size] of [
        ['clientHeight', 800],
        ['clientWidth', 1280],
    ] as const)
        Object.defineProperty(Element.prototype, property, { configurable: true, get: () => size });
    globalThis.ResizeObserver = class {
        observe() {}
        unobserve() {}
        disconnect() {}
    };
    Element.prototype.scrollTo = () => {};
    const bytesOf = (blob: Blob): Promise<ArrayBuffer> =>
        new Promise((resolve) => {
            const reader = new FileReader();
            reader.onload = () => resolve(reader.result as ArrayBuffer);
            reader.readAsArrayBuffer(blob);
        });
    Object.assign(Blob.prototype, {
        arrayBuffer(this: Blob) {
            return bytesOf(this);
        },
        async text(this: Blob) {
            return new TextDecoder().decode(await bytesOf(this));
        },
    });
    globalThis.CSS = { ...globalThis.CSS, escape: (text: string) => text.replace(/["\\]/g, '\\$&') };
}
