import { withPartFields, type ModelDocument, type PartEntry } from './document';

/** Usual finishes with their emissivity near room temperature (Incropera & DeWitt 2002, table A.11, rounded). */
export const finishes = {
    material: ['As its material', null],
    polished: ['Polished metal', 0.05],
    rolled: ['Metal as rolled', 0.15],
    oxidised: ['Oxidised metal', 0.6],
    anodised: ['Anodised', 0.82],
    painted: ['Painted, any colour', 0.92],
    own: ['Own emissivity', 0.81],
} as const;
export type Finish = keyof typeof finishes;

const surfaceOf = (part: PartEntry): { emissivity?: string | number } => (part.surface as { emissivity?: string | number } | undefined) ?? {};

export const emissivityOf = (part: PartEntry): string => String(surfaceOf(part).emissivity ?? '');

/** Which finish the emissivity of a part is; its own where none has it. */
export function finishOf(part: PartEntry): Finish {
    const text = emissivityOf(part);
    if (text === '') return 'material';
    return (Object.keys(finishes) as Finish[]).find((finish) => finish !== 'own' && finishes[finish][1] === Number(text)) ?? 'own';
}

/** Gives parts an emissivity of their own; an empty one is that of the material again. */
export const withEmissivity = (document: ModelDocument, ids: readonly string[], emissivity: string): ModelDocument =>
    withPartFields(document, ids, {
        surface: emissivity === '' ? undefined : { emissivity: Number.isNaN(Number(emissivity)) ? emissivity : Number(emissivity) },
    });

/** ... or that of a finish. Own starts a little off every other one, so that it is told apart. */
export const withFinish = (document: ModelDocument, ids: readonly string[], finish: Finish): ModelDocument =>
    withEmissivity(document, ids, String(finishes[finish][1] ?? ''));
