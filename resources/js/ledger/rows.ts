import type { GridReport, Outline, OutlineLimit, OutlinePart, Result, ResultLimit, ResultPart } from '../api/types';
import { isOfTemperature, originOf, type ModelDocument } from '../model/document';
import { loadText } from '../model/loads';
import { textOf } from '../model/text';

/** One line of the ledger: a part with everything the stages show of it, or the heading of an assembly. */
export interface LedgerRow {
    id: string;
    heading: string | null;
    /** Parts under a heading. */
    members: number;
    name: string;
    part: OutlinePart | null;
    material: string;
    /** As typed in the model. */
    powerText: string;
    limitText: string;
    limit: OutlineLimit | null;
    result: ResultPart | null;
    judged: ResultLimit | null;
    /** When over time the temperature was so, s; null of a steady result. */
    at: number | null;
    temperature: number | null;
    margin: number | null;
    /** K that the grid may still change. */
    plusMinus: number | null;
    thinnest: { feature: string; width: number; cells: number } | null;
}

export function partRows(document: ModelDocument, outline: Outline, result: Result | undefined, grid: GridReport | undefined): LedgerRow[] {
    const results = new Map(result?.parts.map((part) => [part.id, part]));
    const judgedByPart = new Map<string, ResultLimit>();
    // Of several limits of a part the one with the least margin speaks for it.
    for (const limit of result?.limits ?? []) {
        if (!isOfTemperature(limit)) continue;
        const known = limit.part ? judgedByPart.get(limit.part) : undefined;
        if (limit.part && (!known || (limit.margin ?? Infinity) < (known.margin ?? Infinity))) judgedByPart.set(limit.part, limit);
    }
    // Found by id, so that thousands of rows are made as fast as a few.
    const firstOf = <T>(list: readonly T[], key: (entry: T) => string | null | undefined): Map<string, T> => {
        const found = new Map<string, T>();
        for (const entry of list) {
            const name = key(entry);
            if (name != null && !found.has(name)) found.set(name, entry);
        }
        return found;
    };
    const entries = firstOf(document.parts ?? [], (part) => part.id);
    const typedLimits = firstOf(
        (document.limits ?? []).filter((limit) => limit.atLeast === undefined && isOfTemperature(limit)),
        (limit) => limit.of.part,
    );
    const limits = outline.limits.filter(isOfTemperature);
    const [limitById, limitByPart] = [firstOf(limits, (limit) => limit.id), firstOf(limits, (limit) => limit.part)];
    const thinnest = firstOf(
        [...(grid?.features ?? [])].sort((one, other) => one.width - other.width),
        (feature) => feature.part,
    );
    return outline.parts.map((part) => {
        const partResult = results.get(part.id) ?? null;
        const judged = judgedByPart.get(part.id) ?? null;
        const entry = entries.get(originOf(part.id));
        return {
            id: part.id,
            heading: null,
            members: 0,
            // As it is typed, also before the server has evaluated the model; copies have numbers of their own.
            name: (part.copyOf == null ? entry?.name : undefined) ?? part.name,
            part,
            material: part.material ?? '',
            powerText: loadText(entry?.power),
            limitText: textOf(typedLimits.get(originOf(part.id))?.atMost),
            limit: (judged ? limitById.get(judged.id) : undefined) ?? limitByPart.get(part.id) ?? null,
            result: partResult,
            judged,
            temperature: judged?.value ?? partResult?.nodes?.junction ?? partResult?.temperature?.max ?? null,
            at: atOf(judged, partResult),
            margin: judged?.margin ?? null,
            plusMinus: judged?.plusMinus ?? null,
            thinnest: thinnest.get(part.id) ?? null,
        };
    });
}

/** Rows under the headings of their assemblies, in the order in which these first appear; those of closed ones are left out. */
export function withHeadings(rows: LedgerRow[], closed: ReadonlySet<string> = new Set()): LedgerRow[] {
    const groups = new Map<string, LedgerRow[]>();
    for (const row of rows) {
        const group = row.part?.group ?? '';
        const members = groups.get(group);
        if (members) members.push(row);
        else groups.set(group, [row]);
    }
    if (groups.size === 1 && groups.has('')) return rows;
    return [...groups].flatMap(([group, members]) => {
        const head = heading(group, members.length);
        return closed.has(head.id) ? [head] : [head, ...members];
    });
}

/** Sorted by a column, rows without a value last in either direction. */
export function sorted(rows: LedgerRow[], field: string, sign: 1 | -1): LedgerRow[] {
    const known = rows.filter((row) => sortValue(row, field) !== null);
    const unknown = rows.filter((row) => sortValue(row, field) === null);
    return [
        ...known.sort((a, b) => {
            const [p, q] = [sortValue(a, field)!, sortValue(b, field)!];
            return sign * (typeof p === 'number' && typeof q === 'number' ? p - q : String(p).localeCompare(String(q), undefined, { numeric: true }));
        }),
        ...unknown,
    ];
}

function sortValue(row: LedgerRow, field: string): number | string | null {
    switch (field) {
        case 'powerText':
            return row.part?.power ?? null;
        case 'limitText':
            return row.limit?.atMost ?? null;
        case 'temperature':
            return row.temperature;
        case 'margin':
            return row.margin;
        case 'width':
            return row.thinnest?.width ?? null;
        case 'cells':
            return row.thinnest?.cells ?? null;
        case 'shape':
        case 'model':
            return row.part?.kind ?? null;
        case 'material':
            return row.part?.materialTitle ?? null;
        default:
            return row.name;
    }
}

function heading(group: string, members: number): LedgerRow {
    const name = group || 'Not in an assembly';
    return {
        id: `heading:${group}`,
        heading: name,
        members,
        name,
        part: null,
        material: '',
        powerText: '',
        limitText: '',
        limit: null,
        result: null,
        judged: null,
        at: null,
        temperature: null,
        margin: null,
        plusMinus: null,
        thinnest: null,
    };
}

/** When a part was nearest to its limit, or hottest. */
function atOf(judged: ResultLimit | null, result: ResultPart | null): number | null {
    if (judged?.overTime) return judged.atMost === null ? judged.overTime.minAt : judged.overTime.maxAt;
    return result?.peak?.at ?? null;
}
