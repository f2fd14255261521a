import { describe, expect, it } from 'vitest';
import { withLimit, type ModelDocument } from './document';
import { samplePart } from './samples';
import { limitsOn, partSubject, spaceSubjects, watchesOn, whatOf, whatsOf, withEntry, withNewLimit, withNewWatch, withoutOpening, withWhat } from './targets';

const lidPart = samplePart({ id: 'lid', name: 'Lid' });
const lid = partSubject(lidPart);
const chip = partSubject(samplePart({ id: 'chip', name: 'Chip', kind: 'package' }));

describe('what limits and watches look at', () => {
    it('is a node of a package, an extreme or a face of anything else', () => {
        expect(Object.keys(whatsOf({ kind: 'package' }, false))[0]).toBe('junction');
        expect(whatsOf({ kind: 'cylinder' }, true)).toHaveProperty(['heat side']);
        const document = withNewLimit(withNewLimit({}, lid, 'touch z+', '60 degC'), lid, 'max', '80 degC');
        expect(limitsOn(document, lid)).toMatchObject([
            { id: 'limit-lid', name: 'Lid, hottest of face z+', of: { part: 'lid', face: 'z+' }, reduce: 'max', atMost: '60 degC' },
            { id: 'limit-lid-2', name: 'Lid', of: { part: 'lid' }, atMost: '80 degC' },
        ]);
        expect(limitsOn(document, lid).map((limit) => whatOf(limit, 'block'))).toEqual(['touch z+', 'max']);
        const module = partSubject(lidPart, undefined, undefined, true);
        const [limit] = limitsOn(withNewLimit({}, module, 'junction', '125 degC'), module);
        expect(limit).toMatchObject({ of: { part: 'lid', node: 'junction' }, reduce: 'max', name: 'Lid, junction, by its network' });
        expect(limit && whatOf(limit, 'block')).toBe('junction');
    });

    it('changes, and leaves the bound as it was', () => {
        const document = withNewLimit({}, chip, 'junction', '105 degC');
        const changed = withEntry(document, 'limits', 'limit-chip', (entry) => withWhat(entry, chip, 'case'));
        expect(changed.limits).toMatchObject([{ name: 'Chip, case', of: { node: 'case' }, atMost: '105 degC' }]);
        expect(withEntry(changed, 'limits', 'limit-chip', () => null).limits).toEqual([]);
    });

    it('stays as it is where the ledger changes another one of the part', () => {
        const document = withNewLimit(withNewLimit({}, lid, 'max', '80 degC'), lid, 'touch z+', '60 degC');
        expect(withLimit(document, lidPart, '70 degC').limits?.map((limit) => limit.atMost)).toEqual(['70 degC', '60 degC']);
        expect(withLimit(document, lidPart, '').limits?.map((limit) => limit.atMost)).toEqual(['60 degC']);
    });

    it('may be heat, for a watch', () => {
        const document: ModelDocument = withNewWatch({}, lid, 'heat z-');
        expect(watchesOn(document, lid)).toMatchObject([{ quantity: 'heat', reduce: 'total', of: { face: 'z-' } }]);
        expect(whatOf(watchesOn(document, lid)[0]!, 'block')).toBe('heat z-');
    });

    it('may be what leaves by an opening, or a wall of the space', () => {
        const document: ModelDocument = {
            space: { sides: { 'x-': { kind: 'wall', patches: [{ kind: 'wall' }, { kind: 'open' }] }, 'z+': { kind: 'outlet' } } },
        };
        const names = (moving: boolean) => spaceSubjects(document, moving).map((subject) => `${subject.kind} ${subject.name}`);
        expect(names(true).slice(0, 3)).toEqual(['opening Opening 2 in x-', 'opening Side z+', 'wall Side x-']);
        expect(names(false)).toHaveLength(6);
        const [vent, outlet] = spaceSubjects(document, true);
        const limited = withNewLimit(withNewLimit(document, vent!, 'leaving', '60 degC'), outlet!, 'flow', '2 l/s');
        expect(limited.limits).toMatchObject([
            { name: 'Opening 2 in x-, temperature leaving', of: { side: 'x-', patch: 1 }, quantity: 'outflowTemperature', atMost: '60 degC' },
            { of: { side: 'z+' }, quantity: 'volumeFlow', atLeast: '2 l/s' },
        ]);
        expect(limitsOn(limited, vent!).map((limit) => whatOf(limit, 'opening'))).toEqual(['leaving']);
        expect(limitsOn(limited, spaceSubjects(document, true)[2]!)).toEqual([]);
    });

    it('follows its opening when another one is removed, and goes with its own', () => {
        const document: ModelDocument = { space: { sides: { 'x-': { patches: [{ kind: 'open' }, { kind: 'open' }] } } } };
        const limited = withNewLimit(document, spaceSubjects(document, true)[1]!, 'leaving', '60 degC');
        const first = withoutOpening(limited, 'x-', 0);
        expect(first.limits).toMatchObject([{ of: { side: 'x-', patch: 0 } }]);
        expect(spaceSubjects(first, true).filter((subject) => subject.kind === 'opening')).toHaveLength(1);
        expect(withoutOpening(limited, 'x-', 1).limits).toEqual([]);
    });
});
