import { describe, expect, it } from 'vitest';
import { samplePart } from './samples';
import { readTable, withLimits, withPowers } from './table';

const part = (id: string, name: string, kind = 'block') => samplePart({ id, name, kind });
const parts = [part('u1', 'U1', 'package'), part('m1', 'Memory 1'), part('m2', 'Memory 2'), part('lid', 'Lid')];
const document = {
    parts: parts.map(({ id, name }) => ({ id, name, shape: { kind: 'block' }, power: '9 W' })),
    limits: [{ id: 'touch', of: { part: 'lid', face: 'z+' }, atMost: '60 degC' }],
};

describe('a pasted table', () => {
    it.each(['Part\tWatts\nU1\t2,5\nMemory*\t750 mW', 'U1;2,5\nMemory*;750 mW', 'U1, 2.5\nmemory *, 750 mW', '"U1",2.5\n"Memory*","750 mW"'])(
        'is read between tabs, semicolons and commas, with patterns and units',
        (text) => {
            expect(readTable(text, parts, 'W').map((l) => [l.parts.map((p) => p.id), l.value, l.problem])).toEqual([
                [['u1'], '2.5 W', null],
                [['m1', 'm2'], '750 mW', null],
            ]);
        },
    );

    it('names what it cannot use', () => {
        expect(readTable('U1\t2\nR7\t1\nLid\tmuch', parts, 'W').map((l) => l.problem)).toEqual([null, 'no part of that name', '"much" is no value']);
    });

    it('gives watts, a later line before an earlier one, and leaves the rest', () => {
        const after = withPowers(document, readTable('Memory*\t1\nMemory 2\t3', parts, 'W'));
        expect(after.parts?.map((p) => p.power)).toEqual(['9 W', '1 W', '3 W', '9 W']);
    });

    it('states limits of junctions and parts, and does not touch those of faces', () => {
        const after = withLimits(document, readTable('U1\t105\nLid\t70', parts, 'degC'));
        expect(after.limits?.map((l) => [l.of, l.atMost])).toEqual([
            [{ part: 'lid', face: 'z+' }, '60 degC'],
            [{ part: 'u1', node: 'junction' }, '105 degC'],
            [{ part: 'lid' }, '70 degC'],
        ]);
        expect(withLimits(after, readTable('Lid\t75', parts, 'degC')).limits?.map((l) => l.atMost)).toEqual(['60 degC', '105 degC', '75 degC']);
    });

    it('holds for linked copies, and says so where it names only one', () => {
        const linked = [samplePart({ id: 'q', name: 'Q' }), samplePart({ id: 'q#2', name: 'Q 2', copyOf: 'q' })];
        const [line] = readTable('Q 2\t90', linked, 'degC');
        expect(line).toMatchObject({ forCopies: true, problem: null });
        expect(readTable('Q*\t90', linked, 'degC')[0]).toMatchObject({ forCopies: false });
        const limited = withLimits({ parts: [{ id: 'q', shape: { kind: 'block' } }], limits: [{ id: 'l', of: { part: 'q' }, atMost: '70 degC' }] }, [line!]);
        expect(limited.limits).toEqual([{ id: 'l', of: { part: 'q' }, atMost: '90 degC' }]);
    });
});
