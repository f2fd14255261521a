import type { Material } from '../api/types';
import { parametersOf } from './parameters';
import type { ModelDocument } from './document';
import { textOf } from './text';

/** A material that the model brings along; numbers in SI units, or texts with a unit. */
export interface OwnMaterial {
    title?: string;
    fluid?: boolean;
    conductivity: unknown;
    [property: string]: unknown;
}

const CATEGORY = 'of this project';

export const ownMaterials = (document: ModelDocument): Record<string, OwnMaterial> => (document.materials as Record<string, OwnMaterial> | undefined) ?? {};

/** A number of an own material, where it is one; what a formula gives only the core knows. */
const plain = (value: unknown): number | null =>
    typeof value === 'number'
        ? value
        : typeof value === 'string' && Number.isFinite(Number.parseFloat(value)) && !/[*+]|[a-z]\w*_/i.test(value)
          ? Number.parseFloat(value)
          : null;

/** A temperature of an own material: a plain number in K, or a text in K or °C. */
const kelvin = (value: unknown): number | null => {
    const number = plain(value);
    return number === null ? null : typeof value === 'string' && /(degC|°C|C)\s*$/.test(value) ? number + 273.15 : number;
};

/** Pairs of kelvin and value of a property given as a table of plain numbers; null for anything else. */
function tableOf(given: unknown): number[][] | null {
    const rows = (given as { table?: unknown } | null)?.table;
    return Array.isArray(rows) && rows.length > 0 && rows.every((row) => Array.isArray(row) && row.length === 2 && row.every((v) => typeof v === 'number'))
        ? (rows as number[][])
        : null;
}

/** By straight lines between the rows of a table, constant beyond its ends. */
function at(table: readonly number[][], kelvin: number): number {
    const after = table.findIndex(([t]) => t! >= kelvin);
    if (after <= 0) return (after === 0 ? table[0]! : table.at(-1)!)[1]!;
    const [[t0, v0], [t1, v1]] = [table[after - 1]!, table[after]!] as [[number, number], [number, number]];
    return v0 + ((v1 - v0) * (kelvin - t0)) / (t1 - t0);
}

/** At 300 K, ohm m; null where no current flows in it. */
export const resistivityOf = (material: Pick<Material, 'resistivity'>): number | null =>
    material.resistivity && material.resistivity.length > 0 ? at(material.resistivity, 300) : null;

/** Own materials first, then the library; an own one replaces a library one of its id. */
export function allMaterials(document: ModelDocument, library: readonly Material[]): Material[] {
    const own = Object.entries(ownMaterials(document)).map(([id, given]): Material => {
        const table = tableOf(given.conductivity);
        const conductivity = table
            ? [0, 1, 2].map(() => at(table, 300))
            : (Array.isArray(given.conductivity) ? given.conductivity : [given.conductivity, given.conductivity, given.conductivity]).map(plain);
        return {
            id,
            title: given.title ?? id,
            category: CATEGORY,
            fluid: given.fluid === true,
            conductivity: conductivity.some((k) => k === null) ? [] : (conductivity as number[]),
            conductivityByTemperature: table,
            density: plain(given.density),
            specificHeat: plain(given.specificHeat),
            emissivity: plain(given.emissivity),
            viscosity: plain(given.viscosity),
            expansion: plain(given.expansion),
            melting: kelvin(given.melting),
            resistivity: tableOf(given.resistivity) ?? (plain(given.resistivity) === null ? null : [[293.15, plain(given.resistivity)!]]),
            source: typeof given.source === 'string' ? given.source : 'given in this project',
        };
    });
    return [...own, ...library.filter((m) => !own.some((o) => o.id === m.id))];
}

/** A copy of a material in the project, to be edited there. */
export function withOwnCopy(document: ModelDocument, material: Material): { document: ModelDocument; id: string } {
    const own = ownMaterials(document);
    const taken = (id: string) => id in own || id in parametersOf(document);
    let id = `${material.id}-own`;
    for (let n = 2; taken(id); n++) id = `${material.id}-own-${n}`;
    const numbers = Object.entries({
        density: material.density,
        specificHeat: material.specificHeat,
        emissivity: material.emissivity,
        viscosity: material.viscosity,
        expansion: material.expansion,
        melting: material.melting,
    }).filter(([, value]) => value !== null);
    const [x, y, z] = material.conductivity;
    const copied: OwnMaterial = own[material.id] ?? {
        ...(material.fluid ? { fluid: true } : {}),
        conductivity: material.conductivityByTemperature
            ? { table: material.conductivityByTemperature }
            : x === y && y === z
              ? (x ?? 1)
              : material.conductivity,
        ...Object.fromEntries(numbers),
        ...(material.resistivity ? { resistivity: material.resistivity.length > 1 ? { table: material.resistivity } : material.resistivity[0]![1] } : {}),
        source: `copied from ${material.title}`,
    };
    return { document: { ...document, materials: { ...own, [id]: { ...copied, title: `${material.title}, own` } } }, id };
}

/** Sets or, with undefined, removes a property of an own material. */
export function withMaterialProperty(document: ModelDocument, id: string, property: string, value: unknown): ModelDocument {
    const { [property]: _old, ...rest } = ownMaterials(document)[id] ?? { conductivity: 1 };
    const changed = (value === undefined ? rest : { ...rest, [property]: value }) as OwnMaterial;
    return { ...document, materials: { ...ownMaterials(document), [id]: changed } };
}

export function withoutMaterial(document: ModelDocument, id: string): ModelDocument {
    const { [id]: _gone, ...rest } = ownMaterials(document);
    return { ...document, materials: rest };
}

/** A file of materials that is not one, in words for the user. */
export class MaterialsError extends Error {}

/** The materials of a file as this module writes it: JSON, or CSV with a heading of id, title and properties in SI units. */
export function materialsFrom(text: string): Record<string, OwnMaterial> {
    const given = text.trim().startsWith('{') ? fromJson(text) : fromCsv(text);
    const wrong = Object.entries(given).find(([, m]) => typeof m !== 'object' || m === null || Array.isArray(m) || m.conductivity === undefined);
    if (wrong) throw new MaterialsError(`"${wrong[0]}" has no conductivity; every material needs at least that.`);
    if (Object.keys(given).length === 0) throw new MaterialsError('The file holds no material.');
    return given;
}

function fromJson(text: string): Record<string, OwnMaterial> {
    try {
        const document = JSON.parse(text) as Record<string, OwnMaterial> & { materials?: Record<string, OwnMaterial> };
        return document.materials ?? document;
    } catch {
        throw new MaterialsError('This is not a JSON document.');
    }
}

function fromCsv(text: string): Record<string, OwnMaterial> {
    const [head, ...rows] = text
        .trim()
        .split(/\r?\n/)
        .map((line) => line.split(/[;\t]|,(?!\d)/).map((cell) => cell.trim().replace(/^"|"$/g, '')));
    if (!head?.includes('id') || !head.includes('conductivity'))
        throw new MaterialsError('A first line with "id" and "conductivity", and further properties between semicolons, is expected.');
    return Object.fromEntries(
        rows.map((cells) => {
            const fields = head.map((name, n) => [name, cells[n] ?? ''] as const).filter(([name, cell]) => name !== 'id' && cell !== '');
            return [
                cells[head.indexOf('id')]!,
                Object.fromEntries(
                    fields.map(([name, cell]) => [name, Number.isFinite(Number(cell)) ? Number(cell) : cell === 'true' ? true : cell]),
                ) as OwnMaterial,
            ];
        }),
    );
}

export const materialsText = (document: ModelDocument): string => JSON.stringify({ materials: ownMaterials(document) }, null, 2);

/** With the materials of a file; one of the same id takes the place of the old one. */
export const withMaterials = (document: ModelDocument, given: Record<string, OwnMaterial>): ModelDocument => ({
    ...document,
    materials: { ...ownMaterials(document), ...given },
});

/** How many parts are of a material; the space counts where it is filled with it, and a layer of a board where it names it. */
export function materialUses(document: ModelDocument, id: string): number {
    const layers = (part: { shape: { kind: string } }) => (part.shape as { layers?: { material?: string }[] }).layers ?? [];
    const parts = document.parts?.filter((part) => part.material === id || layers(part).some((layer) => layer.material === id)).length ?? 0;
    return parts + ((document.space as { fluid?: string } | undefined)?.fluid === id ? 1 : 0);
}

/** "180", "180 W/m/K", or three values for x, y and z between commas, as the model writes a conductivity. */
export function conductivityFrom(text: string): unknown {
    const values = text
        .split(',')
        .map((t) => t.trim())
        .map((t) => (t !== '' && Number.isFinite(Number(t)) ? Number(t) : t));
    return values.length === 3 ? values : values.length === 1 ? values[0] : text;
}

export const conductivityText = (given: unknown): string | null => (Array.isArray(given) ? given.join(', ') : typeof given === 'object' ? null : textOf(given));
