/** What a field of a document shows: texts and numbers as they are, and what stands for it where it is neither. */
export function textOf(value: unknown, otherwise = ''): string {
    return typeof value === 'string' ? value : typeof value === 'number' || typeof value === 'boolean' ? String(value) : otherwise;
}
