import { useMemo } from 'react';
import { useDifferenceBytes } from '../../api/queries';
import { makeField, type Field } from './field';
import type { FieldName } from './catalogue';

/** The fields of a picture with how much warmer it is than another run instead of its temperature, as soon as that has come. */
export function useDifference(
    run: number | undefined,
    picture: number,
    fields: ReadonlyMap<FieldName, Field>,
    base: number | null,
): ReadonlyMap<FieldName, Field> {
    const bytes = useDifferenceBytes(run, picture, base);
    return useMemo(() => {
        const temperature = fields.get('temperature');
        if (base === null || !temperature || bytes?.byteLength !== 4 * temperature.values.length) return fields;
        return new Map(fields).set('warmer', makeField(temperature.lines, new Float32Array(bytes), temperature.owners));
    }, [fields, base, bytes]);
}
