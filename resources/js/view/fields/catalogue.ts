import type { Result } from '../../api/types';
import {
    differenceNumber,
    differenceUnit,
    number,
    scientific,
    speedNumber,
    speedUnit,
    temperatureNumber,
    temperatureUnit,
    type UnitSet,
} from '../../units/units';
import type { PaletteName } from './palettes';

/** What the view can show: a field of the core, one of its components, or the length of a vector. */
export const fieldNames = [
    'temperature',
    'speed',
    'velocityX',
    'velocityY',
    'velocityZ',
    'pressure',
    'heatFlux',
    'conductivityX',
    'conductivityY',
    'conductivityZ',
    'potential',
    'currentDensity',
    'jouleHeat',
    'surfaceTemperature',
    'aboveTouchLimit',
    'surfaceHeatFlux',
    'netRadiation',
    'irradiation',
    'sunlight',
    'radiationPatch',
    'convectionCoefficient',
    'fluidTemperature',
    'cellsAcross',
    'heatResidual',
    'momentumResidual',
    'warmer',
] as const;
export type FieldName = (typeof fieldNames)[number];

/** What a picture takes of the components that the core has stored. */
export type Take = 'value' | 'length' | 0 | 1 | 2;

interface Measure {
    unit: (set: UnitSet) => string;
    /** From SI. */
    number: (value: number, set: UnitSet) => number;
}

export interface FieldKind extends Measure {
    title: string;
    /** Its name on the server. */
    file: string;
    take: Take;
    place: 'cells' | 'surfaces';
    /** Where it has values. */
    in: 'solid' | 'fluid' | 'all';
    palette: PaletteName;
}

const plain = (unit: string, factor = 1): Measure => ({ unit: () => unit, number: (value) => value * factor });
const degrees: Measure = { unit: temperatureUnit, number: temperatureNumber };
const kelvins: Measure = { unit: differenceUnit, number: differenceNumber };
const speeds: Measure = { unit: speedUnit, number: speedNumber };
const cell = (title: string, file: string, take: Take, where: FieldKind['in'], palette: PaletteName, measure: Measure): FieldKind => ({
    title,
    file,
    take,
    place: 'cells',
    in: where,
    palette,
    ...measure,
});
const surface = (title: string, file: string, palette: PaletteName, measure: Measure): FieldKind => ({
    title,
    file,
    take: 'value',
    place: 'surfaces',
    in: 'solid',
    palette,
    ...measure,
});

export const fieldKinds: Readonly<Record<FieldName, FieldKind>> = {
    temperature: cell('Temperature', 'temperature', 'value', 'all', 'heat', degrees),
    speed: cell('Speed', 'velocity', 'length', 'fluid', 'air', speeds),
    velocityX: cell('Velocity along x', 'velocity', 0, 'fluid', 'diverging', speeds),
    velocityY: cell('Velocity along y', 'velocity', 1, 'fluid', 'diverging', speeds),
    velocityZ: cell('Velocity along z', 'velocity', 2, 'fluid', 'diverging', speeds),
    pressure: cell('Pressure', 'pressure', 'value', 'fluid', 'diverging', plain('Pa')),
    heatFlux: cell('Heat flux', 'heatFlux', 'length', 'solid', 'heat', plain('W/m²')),
    conductivityX: cell('Conductivity along x', 'conductivity', 0, 'all', 'air', plain('W/m/K')),
    conductivityY: cell('Conductivity along y', 'conductivity', 1, 'all', 'air', plain('W/m/K')),
    conductivityZ: cell('Conductivity along z', 'conductivity', 2, 'all', 'air', plain('W/m/K')),
    potential: cell('Potential', 'potential', 'value', 'solid', 'air', plain('mV', 1e3)),
    currentDensity: cell('Current density', 'currentDensity', 'length', 'solid', 'heat', plain('A/mm²', 1e-6)),
    jouleHeat: cell('Joule heat', 'jouleHeat', 'value', 'solid', 'heat', plain('W/cm³', 1e-6)),
    surfaceTemperature: surface('Surface temperature', 'surfaceTemperature', 'heat', degrees),
    aboveTouchLimit: surface('Above touch limit', 'surfaceTemperature', 'diverging', kelvins),
    surfaceHeatFlux: surface('Surface heat flux', 'surfaceHeatFlux', 'diverging', plain('W/m²')),
    netRadiation: surface('Net radiation', 'netRadiation', 'diverging', plain('W/m²')),
    irradiation: surface('Irradiation', 'irradiation', 'heat', plain('W/m²')),
    sunlight: surface('Sunlight', 'sunlight', 'heat', plain('W/m²')),
    radiationPatch: surface('Patches of radiation', 'radiationPatch', 'diverging', plain('of 12')),
    convectionCoefficient: surface('Convection coefficient', 'convectionCoefficient', 'air', plain('W/m²/K')),
    fluidTemperature: surface('Fluid temperature at the surface', 'fluidTemperature', 'heat', degrees),
    cellsAcross: cell('Cells across', 'cellsAcross', 'value', 'all', 'air', plain('cells')),
    heatResidual: cell('Heat residual', 'heatResidual', 'value', 'all', 'diverging', plain('mW', 1e3)),
    momentumResidual: cell('Momentum residual', 'momentumResidual', 'length', 'fluid', 'air', plain('N/m³')),
    // Against another run, in a comparison only: no run has it by itself.
    warmer: cell('Warmer than the base', 'difference', 'value', 'all', 'diverging', kelvins),
};

/** The fields that a result has, in the order of the list. */
export const fieldsOf = (result: Pick<Result, 'fields'>): FieldName[] => fieldNames.filter((name) => result.fields.includes(fieldKinds[name].file));

/** Below this span of a field, as of a residual, its numbers are powers of ten. */
const FEWEST = 1e-3;

/** Digits behind the point that tell numbers of a range apart. */
const digitsFor = (span: number): number => Math.min(6, Math.max(0, 2 - Math.floor(Math.log10(Math.max(Math.abs(span), 1e-9)))));

/** A number of a field without its unit, as exactly as a range of this span needs. */
export const fieldNumber = (name: FieldName, value: number, span: number, set: UnitSet): string => {
    const { number: shown } = fieldKinds[name];
    const spread = shown(value + span, set) - shown(value, set);
    return spread !== 0 && Math.abs(spread) < FEWEST ? scientific(shown(value, set)) : number(shown(value, set), digitsFor(spread));
};

export const fieldValue = (name: FieldName, value: number, span: number, set: UnitSet): string =>
    `${fieldNumber(name, value, span, set)} ${fieldKinds[name].unit(set)}`;

/** What was typed in the unit of the user, in SI; null where it is no number. All measures are straight lines. */
export function typedValue(name: FieldName, text: string, set: UnitSet): number | null {
    const typed = Number(text.trim().replace('−', '-').replace(',', '.'));
    const { number: shown } = fieldKinds[name];
    const zero = shown(0, set);
    return text.trim() === '' || !Number.isFinite(typed) ? null : (typed - zero) / (shown(1, set) - zero);
}
