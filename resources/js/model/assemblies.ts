import type { Outline } from '../api/types';
import { membersOf, type AssemblyEntry } from './axes';
import { boxAround } from './box';
import { originOf, withPartFields, type ModelDocument } from './document';
import { millimetres, placeOf, shifted, withCopies } from './parts';

/** Groups of parts with axes of their own: given, taken away, renamed and taken apart. */

export const assemblyOf = (document: ModelDocument, name: string): AssemblyEntry | undefined => document.assemblies?.[name];

/** Sets or, with undefined, removes fields of an assembly. */
export function withAssembly(
    document: ModelDocument,
    name: string,
    fields: { [field in keyof AssemblyEntry]: AssemblyEntry[field] | undefined },
): ModelDocument {
    const changed = Object.fromEntries(Object.entries({ ...document.assemblies?.[name], ...fields }).filter(([, value]) => value !== undefined));
    return { ...document, assemblies: { ...document.assemblies, [name]: changed } };
}

/** Gives a group axes of its own, with the origin in the middle of all its parts, so that it turns where it stands; nothing moves by that. */
export function withAxes(document: ModelDocument, outline: Outline, name: string): ModelDocument {
    const parts = outline.parts.filter((part) => part.group === name);
    const around = boxAround(parts);
    const middle = around.min.map((low, n) => (low + around.max[n]!) / 2);
    const inside = membersOf(document, name).reduce(
        (d, part) => withPartFields(d, [part.id], { at: placeOf(part).map((place, n) => shifted(place, -middle[n]!)) }),
        document,
    );
    return withAssembly(inside, name, { at: middle.map(millimetres) });
}

/**
 * Puts parts into an assembly, or with null into none, where they stand.
 *
 * @throws Error where the axes of one of the assemblies are turned
 */
export function withGroup(document: ModelDocument, outline: Outline, ids: readonly string[], name: string | null): ModelDocument {
    const origin = (group: string | null | undefined) => outline.assemblies[group ?? '']?.at ?? [0, 0, 0];
    return (document.parts ?? [])
        .filter((part) => ids.map(originOf).includes(part.id))
        .reduce((d, part) => {
            const from = part.group as string | undefined;
            const turned = [from, name].find((group) => group && assemblyOf(document, group)?.turn !== undefined);
            if (turned)
                throw new Error(
                    `The assembly ${turned} is turned, so ${part.name ?? part.id} would not stay where it is. Set its turn to 0 deg, change the assembly of the part, and turn it again.`,
                );
            const at = placeOf(part).map((place, n) => shifted(place, origin(from)[n]! - origin(name)[n]!));
            return withPartFields(d, [part.id], { group: name ?? undefined, at });
        }, document);
}

/** Whether its axes can be taken away and its parts stay where they are. */
export const standsStraight = (assembly: AssemblyEntry): boolean => assembly.turn === undefined && assembly.repeat === undefined;

/** Takes the axes of a straight assembly away; nothing moves by that. */
export function withoutAxes(document: ModelDocument, outline: Outline, name: string): ModelDocument {
    const origin = outline.assemblies[name]?.at;
    if (!origin) return document;
    const { [name]: gone, ...others } = document.assemblies ?? {};
    const outside = membersOf(document, name).reduce(
        (d, part) => withPartFields(d, [part.id], { at: placeOf(part).map((place, n) => shifted(place, origin[n]!)) }),
        document,
    );
    return { ...outside, assemblies: others };
}

/** Another name for a group, for its parts and its axes. */
export function withAssemblyName(document: ModelDocument, name: string, to: string): ModelDocument {
    const { [name]: axes, ...others } = document.assemblies ?? {};
    const renamed = withPartFields(
        document,
        membersOf(document, name).map((part) => part.id),
        { group: to },
    );
    return axes ? { ...renamed, assemblies: { ...others, [to]: axes } } : renamed;
}

/** The copies of an assembly become assemblies of their own, where they stand, with parts of their own. */
export function withIndependentAssemblies(document: ModelDocument, outline: Outline, name: string): ModelDocument {
    const present = assemblyOf(document, name);
    const copies = outline.assemblies[name]?.copies ?? [];
    if (!present) return document;
    const ids = membersOf(document, name).map((part) => ({ id: part.id }));
    return copies.slice(1).reduce(
        (d, offset, n) => {
            let free = `${name} ${n + 2}`;
            while (membersOf(d, free).length > 0) free = `${free}'`;
            const { document: copied, ids: added } = withCopies(d, ids, [[0, 0, 0]]);
            return withAssembly(withPartFields(copied, added, { group: free }), free, {
                ...present,
                at: (present.at ?? [0, 0, 0]).map((place, axis) => shifted(place, offset[axis]!)),
                repeat: undefined,
            });
        },
        withAssembly(document, name, { repeat: undefined }),
    );
}
