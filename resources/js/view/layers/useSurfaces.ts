import { useEffect, useMemo } from 'react';
import { useFieldBytes } from '../../api/queries';
import type { Result } from '../../api/types';
import { useByValue } from '../../state/hooks';
import { fieldKinds, type FieldName } from '../fields/catalogue';
import { aboveLimits, surfaceField, type SurfaceField } from './surfaces';

/**
 * The fields at surfaces that are asked for, as far as they have come.
 *
 * @param touchLimits K, of each part of the result
 */
export function useSurfaces(
    run: number | undefined,
    picture: number,
    result: Result | undefined,
    names: readonly FieldName[],
    touchLimits: readonly number[],
): ReadonlyMap<FieldName, SurfaceField> {
    const wanted = useByValue(names.filter((name) => fieldKinds[name].place === 'surfaces' && result?.fields.includes(fieldKinds[name].file)));
    const files = useByValue(wanted.length > 0 ? ['surfaces', ...wanted.map((name) => fieldKinds[name].file)] : []);
    const bytes = useFieldBytes(run, picture, files);
    const fields = useMemo(() => {
        const made = new Map<FieldName, SurfaceField>();
        const [rows, ...values] = bytes;
        wanted.forEach((name, n) => {
            const stored = values[n];
            // Of two pictures only what fits together is drawn.
            if (result && rows && stored && rows.byteLength === 4 * stored.byteLength) {
                const elements = { lines: result.grid.lines, rows: new Uint32Array(rows) };
                const read = new Float32Array(stored);
                made.set(name, surfaceField(elements, name === 'aboveTouchLimit' ? aboveLimits(elements, read, touchLimits) : read));
            }
        });
        return made;
    }, [result, wanted, bytes, touchLimits]);
    useEffect(() => () => fields.forEach((field) => field.parts.forEach((geometry) => geometry.dispose())), [fields]);
    return fields;
}
