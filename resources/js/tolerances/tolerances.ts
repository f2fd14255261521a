import { originOf, type ModelDocument } from '../model/document';
import { parametersOf } from '../model/parameters';
import { variablesOf } from '../studies/vary';
import type { WhatIf } from '../api/types';

export type Distribution = NonNullable<WhatIf['tolerances']>['rows'][number]['distribution'];

/** How far something of the design may lie from what is given: of a parameter, or of a field of the document by its path. */
export interface ToleranceEntry {
    of: string;
    by: string;
    distribution?: Distribution;
}

export const distributions: Record<Distribution, string> = {
    uniform: 'uniform',
    normal: 'normal, ± is 3σ',
    worst: 'worst case',
};

export const tolerancesOf = (document: ModelDocument): ToleranceEntry[] => (document.tolerances as ToleranceEntry[] | undefined) ?? [];

const put = (document: ModelDocument, tolerances: ToleranceEntry[]): ModelDocument => {
    const { tolerances: _before, ...rest } = document;
    return tolerances.length > 0 ? { ...rest, tolerances } : rest;
};

export const withTolerance = (document: ModelDocument, entry: ToleranceEntry): ModelDocument =>
    put(document, [...tolerancesOf(document).filter(({ of }) => of !== entry.of), entry]);

export const changedTolerance = (document: ModelDocument, of: string, change: Partial<ToleranceEntry>): ModelDocument =>
    put(
        document,
        tolerancesOf(document).map((entry) => (entry.of === of ? { ...entry, ...change } : entry)),
    );

export const withoutTolerance = (document: ModelDocument, of: string): ModelDocument =>
    put(
        document,
        tolerancesOf(document).filter((entry) => entry.of !== of),
    );

/** The document without what was to be tolerated of parts that are gone. */
export const withoutTolerancesOf = (document: ModelDocument, parts: readonly string[]): ModelDocument =>
    document.tolerances === undefined
        ? document
        : put(
              document,
              tolerancesOf(document).filter(({ of }) => !parts.some((part) => of.startsWith(`parts/${part}/`))),
          );

/** Something that can be given a tolerance. */
export interface Candidate {
    of: string;
    title: string;
    formula: string;
    group: string;
}

const AMBIENT = 'surroundings/temperature';

/** Parameters, the ambient temperature, and every number that is written into a part. */
export function candidates(document: ModelDocument): Candidate[] {
    const ambient = (document.surroundings as { temperature?: string | number } | undefined)?.temperature;
    return [
        ...Object.entries(parametersOf(document)).map(([name, formula]) => ({ of: name, title: name, formula, group: 'Parameters' })),
        ...(ambient === undefined ? [] : [{ of: AMBIENT, title: 'Ambient temperature', formula: String(ambient), group: 'Surroundings' }]),
        ...(document.parts ?? []).flatMap((part) =>
            variablesOf(part).map(({ path, title, formula }) => ({ of: `parts/${part.id}/${path.join('/')}`, title, formula, group: part.name ?? part.id })),
        ),
    ];
}

/** What a tolerance is of, in words. */
export function nameOfTolerance(of: string, known: readonly Candidate[]): string {
    const candidate = known.find((one) => one.of === of);
    if (!candidate) return originOf(of.replace(/^parts\//, '').replaceAll('/', ' '));
    return candidate.of.startsWith('parts/') ? `${candidate.group}: ${candidate.title.toLowerCase()}` : candidate.title;
}

/** A first tolerance: a tenth, of temperatures some kelvin. */
export const suggestedTolerance = ({ formula }: Candidate): string => (/deg|°|\bK$/.test(formula) && !/\//.test(formula) ? '5 K' : '10 %');

/** Whether a result was found for the tolerances that stand in the model. */
export const isCurrent = (document: ModelDocument, found: WhatIf['tolerances']): boolean => {
    const plain = (rows: readonly ToleranceEntry[]) => JSON.stringify(rows.map(({ of, by, distribution }) => [of, by, distribution ?? 'uniform']));
    return plain(tolerancesOf(document)) === plain(found?.rows ?? []);
};

/** Tolerances that are known from a run, the one that moves a limit most first. */
export const ranked = (found: NonNullable<WhatIf['tolerances']>, limit: string) =>
    found.rows.filter(({ changes }) => changes !== null).sort((a, b) => Math.abs(b.changes![limit] ?? 0) - Math.abs(a.changes![limit] ?? 0));

/** A share of builds as people say it; never all or none of them where that was not found. */
export function shareOf(share: number): string {
    const percent = 100 * share;
    if (percent > 99.9 && percent < 100) return 'more than 99.9\u00a0%';
    return percent > 0 && percent < 0.1 ? 'less than 0.1\u00a0%' : `${Number(percent.toFixed(1))}\u00a0%`;
}

/** Where the share of all builds lies with 95 % confidence, of those that were computed (Wilson, J. Am. Stat. Assoc. 22 (1927) 209). */
export function confidence(met: number, of: number): [number, number] {
    const z = 1.96;
    const share = met / of;
    const middle = (share + (z * z) / (2 * of)) / (1 + (z * z) / of);
    const half = (z / (1 + (z * z) / of)) * Math.sqrt((share * (1 - share)) / of + (z * z) / (4 * of * of));
    return [Math.max(0, middle - half), Math.min(1, middle + half)];
}
