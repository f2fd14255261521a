import type { Outline, WhatIf } from '../api/types';
import { differenceNumber, differenceUnit, number, temperatureWithUnit, type UnitSet } from '../units/units';

export type Help = WhatIf['helps'][number];

/** The name of a part or a material, as the screen has it. */
function nameOf(of: string, outline: Outline): string {
    const part = outline.parts.find((one) => one.id === of);
    if (part) return part.name;
    // Boards and the like have a material that follows from their layers.
    const own = outline.parts.find((one) => of.includes(':') && one.id === of.split(':')[1]);
    if (own) return `${own.name} (layers)`;
    return outline.parts.find((one) => one.material === of)?.materialTitle ?? of;
}

/** What is changed, in words. */
export function whatHelps({ kind, of, face, value }: Help, outline: Outline, units: UnitSet): string {
    const name = of === null ? '' : nameOf(of, outline);
    const place = outline.parts.some((part) => part.id === of)
        ? `${name}${face === null ? '' : face === 'bare' ? ', bare faces' : `, face ${face}`}`
        : `side ${of}`;
    switch (kind) {
        case 'power':
            return `Watts of ${name}`;
        case 'ambient':
            return 'Ambient temperature';
        case 'givenTemperature':
            return `Temperature given as ${value === null ? '?' : temperatureWithUnit(value, units)}`;
        case 'conductivity':
            return `Conductivity of ${name}`;
        case 'emissivity':
            return `Emissivity of ${place}`;
        case 'absorptivity':
            return `Absorptivity of sunlight of ${place}`;
        case 'contactResistance':
            return `Contact resistance of ${place}`;
        case 'convectionCoefficient':
            return `Convection coefficient of ${place}`;
        case 'junctionToCase':
            return `Junction-to-case resistance of ${name}`;
        default:
            return `Junction-to-board resistance of ${name}`;
    }
}

/** By how much. */
export const stepOf = ({ unit, step }: Help, units: UnitSet): string =>
    unit === 'K'
        ? `${step < 0 ? '−' : '+'}${number(differenceNumber(Math.abs(step), units), 0)} ${differenceUnit(units)}`
        : `${step < 0 ? '−' : '+'}${number(100 * Math.abs(step), 0)} %`;
