/** What a field of a document shows: texts and numbers as they are, and what stands for it where it is neither. */
export function textOf(value: unknown, otherwise = ''): string {
    return typeof value === 'string' ? value : typeof value === 'number' || typeof value === 'boolean' ? String(value) : otherwise;
}

/** What is typed as a document keeps it: a plain number as one, anything else, such as a formula or nothing, as it is. */
export const numberOrText = (text: string): string | number => (text.trim() === '' || Number.isNaN(Number(text)) ? text : Number(text));
