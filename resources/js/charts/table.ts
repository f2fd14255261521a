import { saveFile } from '../api/saveFile';

/** Numbers as a table, the first row its head. */
export type Cells = (string | number)[][];

const csv = (rows: Cells): string =>
    rows.map((row) => row.map((cell) => (typeof cell === 'string' && /[",\n]/.test(cell) ? `"${cell.replace(/"/g, '""')}"` : cell)).join(',')).join('\n');

export const fileName = (label: string): string => label.toLowerCase().replace(/[^a-z0-9]+/g, '-');

/** Hands a table to the browser as a CSV file. */
export const saveTable = (label: string, rows: Cells): void => saveFile(new Blob([csv(rows)], { type: 'text/csv' }), `${fileName(label)}.csv`);

/** Copies a table so that it can be pasted into a sheet. */
export const copyTable = (rows: Cells): Promise<void> => navigator.clipboard.writeText(rows.map((row) => row.join('\t')).join('\n'));
