import type { Outline, SearchAim } from '../api/types';

/** Id of the mass of all parts among what runs read. */
export const MASS = ':mass';

/** What a search can aim at, by a key of its own. */
export interface AimChoice {
    key: string;
    title: string;
    kind: SearchAim['kind'];
    of: string;
    /** Whether more of it is usually wanted. */
    most: boolean;
}

export const FORMULA = 'formula';

/** Everything that a model's runs read, then a formula of its parameters. */
export function aimChoices(outline: Pick<Outline, 'limits' | 'watches'>): AimChoice[] {
    const reading = ({ id, name }: { id: string; name: string }): AimChoice => ({ key: `reading ${id}`, title: name, kind: 'reading', of: id, most: false });
    return [
        ...(outline.limits.length > 0 ? [{ key: 'margin', title: 'Worst margin', kind: 'margin' as const, of: '', most: true }] : []),
        reading({ id: MASS, name: 'Mass' }),
        ...outline.limits.map(reading),
        ...outline.watches.map(reading),
        { key: FORMULA, title: 'Formula of parameters', kind: 'formula', of: '', most: false },
    ];
}

/** An aim as it is being put together. */
export interface AimDraft {
    key: string;
    most: boolean;
    formula: string;
}

export const aimOf = ({ key, most, formula }: AimDraft, choices: readonly AimChoice[]): SearchAim => {
    const choice = choices.find((one) => one.key === key) ?? choices[0]!;
    return { kind: choice.kind, of: choice.kind === 'formula' ? formula : choice.of, most };
};
