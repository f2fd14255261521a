/** Numbers in base64, as the model document keeps the surface of a body. */
export function base64(values: Float32Array | Uint32Array): string {
    const bytes = new Uint8Array(values.buffer);
    let text = '';
    for (let n = 0; n < bytes.length; n += 0x8000) text += String.fromCharCode(...bytes.subarray(n, n + 0x8000));
    return btoa(text);
}

/** The bytes of such a text, little-endian. */
export const fromBase64 = (text: string): ArrayBuffer => Uint8Array.from(atob(text), (c) => c.charCodeAt(0)).buffer;
