import { describe, expect, it } from 'vitest';
import type { LedgerRow } from './rows';
import { sorted, withHeadings } from './rows';

const row = (id: string, group: string | null, margin: number | null): LedgerRow =>
    ({ id, heading: null, name: id, margin, part: { group } }) as unknown as LedgerRow;

describe('rows of the ledger', () => {
    const rows = [row('a', 'Housing', null), row('b', 'Board', 3), row('c', 'Housing', -1)];

    it('stand under the headings of their assemblies', () => {
        expect(withHeadings(rows).map((r) => r.heading ?? r.id)).toEqual(['Housing', 'a', 'c', 'Board', 'b']);
        expect(withHeadings([row('a', null, 1)]).map((r) => r.id)).toEqual(['a']);
    });

    it('keep rows without a value last in either direction', () => {
        expect(sorted(rows, 'margin', 1).map((r) => r.id)).toEqual(['c', 'b', 'a']);
        expect(sorted(rows, 'margin', -1).map((r) => r.id)).toEqual(['b', 'c', 'a']);
    });
});
