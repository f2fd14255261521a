import type { Cell } from '../model/loads';

/** Pairs of numbers of a CSV file: separated by commas, semicolons, tabs or blanks, a decimal comma where the separator is none; lines of words are left out. */
export function pairsOf(text: string): [number, number][] {
    const separator = text.includes(';') ? ';' : text.includes('\t') ? '\t' : /,/.test(text) ? ',' : /\s+/;
    const number = (cell: string | undefined) => {
        const written = (cell ?? '').trim().replace(/^"|"$/g, '');
        return written === '' ? NaN : Number(separator === ',' ? written : written.replace(',', '.'));
    };
    return text
        .split(/\r?\n/)
        .map((line) => line.trim().split(separator))
        .map(([time, value]): [number, number] => [number(time), number(value)])
        .filter(([time, value]) => Number.isFinite(time) && Number.isFinite(value));
}

/** A table of times in s and values in a unit, for the document. */
export const tableOfFile = (text: string, unit: string): [Cell, Cell][] => pairsOf(text).map(([time, value]) => [`${time} s`, `${value} ${unit}`]);
