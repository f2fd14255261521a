import type { Load } from '../model/loads';
import type { Revision, Study } from '../api/types';
import type { PartEntry } from '../model/document';

/** A change that acts through the flow, so that only another run tells what it does. */
export interface AirTrial {
    label: string;
    /** The field of the part, as studies name it. */
    place: string;
    value: string;
}

/** By so much is tried, as a share. */
const SHARE = 0.2;

const shapeOf = ({ shape }: PartEntry) => shape as { kind: string; speedFactor?: Load; freeArea?: string | number };

/** A plain number a share greater; a formula is put into brackets, so that it means the same. */
function greater(value: string | number | undefined, present: number): string {
    const given = value ?? present;
    const number = Number(given);
    return Number.isFinite(number) ? String(Number(((1 + SHARE) * number).toPrecision(6))) : `${1 + SHARE} * (${given})`;
}

/** Faster fans, unless their speed follows the time or a sensor, and more free area where air passes screens. */
export function airTrials({ document }: Pick<Revision, 'document'>): AirTrial[] {
    const parts = (document.parts ?? []) as PartEntry[];
    return parts.flatMap((part): AirTrial[] => {
        const name = part.name ?? part.id;
        const shape = shapeOf(part);
        const speed = shape.speedFactor;
        if (shape.kind === 'fan' && typeof speed !== 'object')
            return [{ label: `Speed of ${name} +${100 * SHARE} %`, place: `parts/${part.id}/shape/speedFactor`, value: greater(speed, 1) }];
        // No more than all of it is free.
        if (shape.kind === 'screen' && shape.freeArea !== undefined && !(Number(shape.freeArea) * (1 + SHARE) > 1))
            return [{ label: `Free area of ${name} +${100 * SHARE} %`, place: `parts/${part.id}/shape/freeArea`, value: greater(shape.freeArea, 1) }];
        return [];
    });
}

/** The study in which a change was tried on this revision at this grade, the newest. */
export const studyOf = (studies: readonly Study[], trial: AirTrial, variant: number, revision: number, grade: string): Study | undefined =>
    studies.find(
        (study) =>
            study.variant === variant &&
            study.revision === revision &&
            study.grade === grade &&
            study.names.length === 1 &&
            study.plan.variations?.[trial.place] === trial.value,
    );
