import load from 'occt-import-js';
import wasm from 'occt-import-js/dist/occt-import-js.wasm?url';

/*
 * Reads STEP files beside the page: a large file does not hold it up, and the geometry kernel, which makes functions from text,
 * is the only script that may. The web server gives this file alone a policy that allows it.
 */
self.onmessage = async ({ data }: MessageEvent<{ bytes: Uint8Array; options: object }>) => {
    try {
        const kernel = (await load({ locateFile: () => wasm })) as { ReadStepFile: (bytes: Uint8Array, options: object) => unknown };
        self.postMessage({ found: kernel.ReadStepFile(data.bytes, data.options) });
    } catch (e) {
        self.postMessage({ error: e instanceof Error ? e.message : String(e) });
    }
};
