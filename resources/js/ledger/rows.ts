import type { GridReport, Outline, OutlineLimit, OutlinePart, Result, ResultLimit, ResultPart } from '../api/types';
import { limitEntry, partEntry, type ModelDocument } from '../model/document';

/** One line of the ledger: a part with everything the stages show of it, or the heading of an assembly. */
export interface LedgerRow {
    id: string;
    heading: string | null;
    name: string;
    part: OutlinePart | null;
    material: string;
    /** As typed in the model. */
    powerText: string;
    limitText: string;
    limit: OutlineLimit | null;
    result: ResultPart | null;
    judged: ResultLimit | null;
    temperature: number | null;
    margin: number | null;
    thinnest: { feature: string; width: number; cells: number } | null;
}

const asText = (value: unknown): string => (value === undefined || value === null ? '' : String(value));

export function partRows(document: ModelDocument, outline: Outline, result: Result | undefined, grid: GridReport | undefined): LedgerRow[] {
    const results = new Map(result?.parts.map((part) => [part.id, part]));
    const judgedByPart = new Map<string, ResultLimit>();
    for (const limit of result?.limits ?? []) if (limit.part && !judgedByPart.has(limit.part)) judgedByPart.set(limit.part, limit);
    return outline.parts.map((part) => {
        const partResult = results.get(part.id) ?? null;
        const judged = judgedByPart.get(part.id) ?? null;
        const features = (grid?.features ?? []).filter((f) => f.part === part.id).sort((a, b) => a.width - b.width);
        return {
            id: part.id,
            heading: null,
            name: part.name,
            part,
            material: part.material ?? '',
            powerText: asText(partEntry(document, part.id)?.power),
            limitText: asText(limitEntry(document, part.id)?.atMost),
            limit: outline.limits.find((limit) => limit.part === part.id) ?? null,
            result: partResult,
            judged,
            temperature: partResult?.nodes?.junction ?? partResult?.temperature?.max ?? null,
            margin: judged?.margin ?? null,
            thinnest: features[0] ?? null,
        };
    });
}

/** Rows under the headings of their assemblies, in the order in which these first appear. */
export function withHeadings(rows: LedgerRow[]): LedgerRow[] {
    const groups = new Map<string, LedgerRow[]>();
    for (const row of rows) {
        const group = row.part?.group ?? '';
        groups.set(group, [...(groups.get(group) ?? []), row]);
    }
    if (groups.size === 1 && groups.has('')) return rows;
    return [...groups].flatMap(([group, members]) => [heading(group), ...members]);
}

function heading(group: string): LedgerRow {
    const name = group || 'Not in an assembly';
    return {
        id: `heading:${group}`, heading: name, name, part: null, material: '', powerText: '', limitText: '', limit: null,
        result: null, judged: null, temperature: null, margin: null, thinnest: null,
    };
}
