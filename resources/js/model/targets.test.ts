import { describe, expect, it } from 'vitest';
import { withLimit, type ModelDocument } from './document';
import { samplePart } from './samples';
import { limitsOfPart, watchesOfPart, whatOf, whatsOf, withEntry, withNewLimit, withNewWatch, withWhat } from './targets';

const lid = samplePart({ id: 'lid', name: 'Lid' });
const chip = samplePart({ id: 'chip', name: 'Chip', kind: 'package' });

describe('what limits and watches look at', () => {
    it('is a node of a package, an extreme or a face of anything else', () => {
        expect(Object.keys(whatsOf('package', false))[0]).toBe('junction');
        expect(whatsOf('cylinder', true)).toHaveProperty(['heat side']);
        const document = withNewLimit(withNewLimit({}, lid, 'touch z+', '60 degC'), lid, 'max', '80 degC');
        expect(limitsOfPart(document, 'lid')).toMatchObject([
            { id: 'limit-lid', name: 'Lid, hottest of face z+', of: { part: 'lid', face: 'z+' }, reduce: 'max', atMost: '60 degC' },
            { id: 'limit-lid-2', name: 'Lid', of: { part: 'lid' }, atMost: '80 degC' },
        ]);
        expect(limitsOfPart(document, 'lid').map((limit) => whatOf(limit, 'block'))).toEqual(['touch z+', 'max']);
    });

    it('changes, and leaves the bound as it was', () => {
        const document = withNewLimit({}, chip, 'junction', '105 degC');
        const changed = withEntry(document, 'limits', 'limit-chip', (entry) => withWhat(entry, chip, 'case'));
        expect(changed.limits).toMatchObject([{ name: 'Chip, case', of: { node: 'case' }, atMost: '105 degC' }]);
        expect(withEntry(changed, 'limits', 'limit-chip', () => null).limits).toEqual([]);
    });

    it('stays as it is where the ledger changes another one of the part', () => {
        const document = withNewLimit(withNewLimit({}, lid, 'max', '80 degC'), lid, 'touch z+', '60 degC');
        expect(withLimit(document, lid, '70 degC').limits?.map((limit) => limit.atMost)).toEqual(['70 degC', '60 degC']);
        expect(withLimit(document, lid, '').limits?.map((limit) => limit.atMost)).toEqual(['60 degC']);
    });

    it('may be heat, for a watch', () => {
        const document: ModelDocument = withNewWatch({}, lid, 'heat z-');
        expect(watchesOfPart(document, 'lid')).toMatchObject([{ quantity: 'heat', reduce: 'total', of: { face: 'z-' } }]);
        expect(whatOf(watchesOfPart(document, 'lid')[0]!, 'block')).toBe('heat z-');
    });
});
