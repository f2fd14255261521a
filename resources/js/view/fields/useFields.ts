import { useEffect, useMemo, useState } from 'react';
import { useFieldBytes } from '../../api/queries';
import type { Result } from '../../api/types';
import { useByValue } from '../../state/hooks';
import { keptFields } from '../../time/course';
import { fieldKinds, type FieldName } from './catalogue';
import { makeField, taken, type Field } from './field';
import { makeTextures, type FieldTextures } from './fieldMaterial';

/** The file of a field, at the moment of a course that is looked at. */
const fileOf = (name: FieldName, result: Result | undefined): string => {
    const { file } = fieldKinds[name];
    return result?.frame !== undefined && keptFields(result).includes(file) ? `${file}At${result.frame}` : file;
};

/** Fields that were made of bytes, for as long as these are kept. */
const made = new WeakMap<ArrayBuffer, Map<string, Field>>();

function fieldOf(bytes: ArrayBuffer, name: FieldName, result: Result, owners: ArrayBuffer): Field {
    const known = made.get(bytes) ?? new Map<string, Field>();
    made.set(bytes, known);
    const field = known.get(name) ?? makeField(result.grid.lines, taken(new Float32Array(bytes), fieldKinds[name].take), new Uint16Array(owners));
    known.set(name, field);
    return field;
}

/**
 * The fields in cells that are asked for, as far as they have come. A result and the fields of two pictures may arrive apart; only what
 * fits together is given.
 */
export function useFields(run: number | undefined, picture: number, result: Result | undefined, names: readonly FieldName[]): ReadonlyMap<FieldName, Field> {
    const wanted = useByValue(names.filter((name) => fieldKinds[name].place === 'cells' && result?.fields.includes(fieldKinds[name].file)));
    const files = useByValue([...new Set(['parts', ...wanted.map((name) => fileOf(name, result))])]);
    const bytes = useFieldBytes(run, picture, files);
    return useMemo(() => {
        const fields = new Map<FieldName, Field>();
        const cells = result ? result.grid.lines.reduce((n, line) => n * (line.length - 1), 1) : 0;
        const owners = bytes[0];
        if (!result || owners?.byteLength !== 2 * cells) return fields;
        for (const name of wanted) {
            const { take } = fieldKinds[name];
            const stored = bytes[files.indexOf(fileOf(name, result))];
            if (stored?.byteLength === (take === 'value' ? 4 : 12) * cells) fields.set(name, fieldOf(stored, name, result, owners));
        }
        return fields;
    }, [result, wanted, files, bytes]);
}

/** Textures of fields on the graphics card, made once for each and freed when it is shown no more. */
export function useTextures(fields: ReadonlyMap<FieldName, Field>): ReadonlyMap<FieldName, FieldTextures> {
    const [held] = useState(() => new Map<Field, FieldTextures>());
    const textures = useMemo(() => {
        const all = new Map<FieldName, FieldTextures>();
        for (const [name, field] of fields) {
            const texture = held.get(field) ?? makeTextures(field);
            held.set(field, texture);
            all.set(name, texture);
        }
        return all;
    }, [fields, held]);
    useEffect(() => {
        const shown = new Set(fields.values());
        for (const [field, texture] of held) {
            if (shown.has(field)) continue;
            texture.dispose();
            held.delete(field);
        }
    }, [fields, held]);
    useEffect(
        () => () => {
            held.forEach((texture) => texture.dispose());
            held.clear();
        },
        [held],
    );
    return textures;
}
