import { originOf, upperLimit, withPartFields, type ModelDocument } from './document';
import type { OutlinePart } from '../api/types';

/** A line of a pasted table, and the parts it means. */
export interface TableLine {
    /** As it was given. */
    pattern: string;
    value: string;
    parts: OutlinePart[];
    /** Whether it holds for linked copies that it does not name as well. */
    forCopies: boolean;
    problem: string | null;
}

const escaped = (text: string): string => text.replace(/[.+^${}()|[\]\\]/g, '\\$&');

/** Lines of two columns, between tabs, semicolons or commas; a first line without a number in its second column is a heading. */
function rowsOf(text: string): [string, string][] {
    const rows = text
        .split(/\r?\n/)
        .map((line) => line.trim())
        .filter(Boolean)
        .map((line): [string, string] => {
            const separator = ['\t', ';', ','].find((s) => line.includes(s));
            const cells = separator ? line.split(separator) : line.split(/\s+(?=[-\d.,]+(\s*[A-Za-z°/]+)?$)/).filter((c) => c !== undefined);
            return [(cells[0] ?? '').trim().replace(/^"|"$/g, ''), (cells[1] ?? '').trim().replace(/^"|"$/g, '')];
        });
    return rows[0] && !/\d/.test(rows[0][1]) ? rows.slice(1) : rows;
}

/**
 * What a table of names and values means for the parts. A name may be a pattern with * for any letters; later lines count
 * before earlier ones. A value without a unit is in the unit given; a comma in it is a decimal comma.
 */
export function readTable(text: string, parts: readonly OutlinePart[], unit: string): TableLine[] {
    return rowsOf(text).map(([pattern, value]) => {
        const test = new RegExp(`^${escaped(pattern).replace(/\*/g, '.*')}$`, 'i');
        const found = parts.filter((part) => test.test(part.name) || test.test(part.id));
        const decimal = value.replace(/(\d),(\d)/, '$1.$2');
        return {
            pattern,
            value: /^[-+\d.eE]+$/.test(decimal) ? `${decimal} ${unit}` : decimal,
            parts: found,
            forCopies: parts.some((part) => !found.includes(part) && found.some((other) => originOf(other.id) === originOf(part.id))),
            problem: pattern === '' ? 'no name' : !/\d/.test(value) ? `"${value}" is no value` : found.length === 0 ? 'no part of that name' : null,
        };
    });
}

/** Parts by the id of their entry with the value that counts for each: that of the last line that means it or a linked copy. */
function values(lines: readonly TableLine[]): Map<string, { part: OutlinePart; value: string }> {
    return new Map(
        lines.filter((line) => line.problem === null).flatMap((line) => line.parts.map((part) => [originOf(part.id), { part, value: line.value }] as const)),
    );
}

export function withPowers(document: ModelDocument, lines: readonly TableLine[]): ModelDocument {
    return [...values(lines).values()].reduce((d, { part, value }) => withPartFields(d, [part.id], { power: value }), document);
}

export function withLimits(document: ModelDocument, lines: readonly TableLine[]): ModelDocument {
    const wanted = values(lines);
    const kept = (document.limits ?? []).map((limit) => {
        const value = wanted.get(limit.of.part ?? '');
        if (!value || limit.of.face !== undefined || limit.atMost === undefined) return limit;
        wanted.delete(limit.of.part!);
        return { ...limit, atMost: value.value };
    });
    return { ...document, limits: [...kept, ...[...wanted.values()].map(({ part, value }) => upperLimit(part, value))] };
}
