import { useEffect, useMemo } from 'react';
import { create } from 'zustand';
import type { FieldName } from '../fields/catalogue';
import type { Scale } from '../fields/scale';

type Scales = ReadonlyMap<FieldName, Scale>;

/** The scales that the views beside one another would have by themselves. */
const useReported = create<{ of: ReadonlyMap<string, Scales> }>(() => ({ of: new Map() }));

/** Scales that hold for all: from the least to the greatest of each field. A range that was typed is the same in all of them already. */
export function unionOf(all: Iterable<Scales>): Map<FieldName, Scale> {
    const union = new Map<FieldName, Scale>();
    for (const scales of all) {
        for (const [name, scale] of scales) {
            const known = union.get(name);
            union.set(
                name,
                known
                    ? {
                          ...scale,
                          min: Math.min(known.min, scale.min),
                          max: Math.max(known.max, scale.max),
                          logarithmic: known.logarithmic && scale.logarithmic,
                      }
                    : scale,
            );
        }
    }
    return union;
}

/** The scales of a view: its own where it is alone, else the same in all views beside one another. */
export function useSharedScales(column: string | null, own: Scales): Scales {
    const reported = useReported((s) => s.of);
    useEffect(() => {
        if (column === null) return;
        useReported.setState(({ of }) => ({ of: new Map(of).set(column, own) }));
        return () =>
            useReported.setState(({ of }) => {
                const rest = new Map(of);
                rest.delete(column);
                return { of: rest };
            });
    }, [column, own]);
    return useMemo(() => {
        if (column === null) return own;
        const union = unionOf([...reported.values(), own]);
        return new Map([...own.keys()].map((name) => [name, union.get(name)!]));
    }, [column, own, reported]);
}
