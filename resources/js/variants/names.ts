/** A name that no variant has yet: the one given with the next free number. */
export function freeName(wanted: string, taken: readonly string[]): string {
    const stem = wanted.replace(/ \d+$/, '');
    for (let n = 2; ; n++) {
        const name = `${stem} ${n}`;
        if (!taken.includes(name)) return name;
    }
}
