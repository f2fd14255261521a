import { upperLimit, type LimitEntry, type ModelDocument, type PartEntry } from '../model/document';
import { boardLayers } from '../model/parts';
import { withGravity, type Gravity, type RadiationChoice } from '../model/space';
import type { Question } from '../model/question';
import { standardAir } from '../model/typical';

/** Four answers that make a first model. */
export interface Answers {
    name: string;
    question: Question;
    start: Start;
    /** °C */
    ambient: string;
    /** m */
    altitude: string;
    gravity: Gravity;
}

export const starts = {
    ventilated: ['Ventilated box', 'A fan draws air past a board'],
    sealed: ['Sealed box', 'Heat leaves through the walls'],
    sink: ['Heat sink in open air', 'Warm air rises between fins'],
    duct: ['Board in a duct', 'A given stream of air'],
    plate: ['Power module on a cold plate', 'Conduction into a coolant'],
    bars: ['Copper bars', 'Current, and convection to still air'],
    empty: ['Empty', 'A space and nothing in it'],
} as const;
export type Start = keyof typeof starts;

type Part = { shape: Record<string, unknown>; at: string[]; [field: string]: unknown };

const part = (id: string, name: string, entry: Part): PartEntry => ({ id, name, ...entry }) as unknown as PartEntry;

const limit = (of: PartEntry, atMost: string): LimitEntry => upperLimit({ id: of.id, name: of.name ?? of.id, kind: of.shape.kind }, atMost);

const film = (coefficient: string) => ({ kind: 'wall', heat: { kind: 'film', coefficient } });

const all = (side: object) => Object.fromEntries(['x-', 'x+', 'y-', 'y+', 'z-', 'z+'].map((name) => [name, side]));

const board = (at: string[], size: [string, string]) => part('board', 'Board', { shape: { kind: 'board', size, layers: boardLayers(4) }, at });

const processor = (at: string[], watts: string) =>
    part('processor', 'Processor', {
        shape: { kind: 'package', size: ['20 mm', '20 mm', '2 mm'], junctionToCase: '0.8 K/W', junctionToBoard: '4 K/W' },
        surface: { finish: 'moulded' },
        at,
        power: watts,
    });

const regulator = (at: string[], watts: string) =>
    part('regulator', 'Regulator', {
        shape: { kind: 'package', size: ['8 mm', '8 mm', '1.5 mm'], junctionToCase: '6 K/W', junctionToBoard: '9 K/W' },
        surface: { finish: 'moulded' },
        at,
        power: watts,
    });

interface Design {
    flow: 'none' | 'auto';
    buoyancy: boolean;
    radiation: RadiationChoice;
    space: Record<string, unknown>;
    parts: PartEntry[];
    limits: LimitEntry[];
}

const boxed = (parts: PartEntry[]): LimitEntry[] => parts.filter((p) => p.power !== undefined).map((p) => limit(p, '95 degC'));

const designs: Record<Start, () => Design> = {
    ventilated: () => {
        const parts = [
            board(['15 mm', '10 mm', '8 mm'], ['120 mm', '100 mm']),
            processor(['60 mm', '50 mm', '9.6 mm'], '8 W'),
            regulator(['100 mm', '40 mm', '9.6 mm'], '1.5 W'),
            part('fan', 'Fan', {
                shape: {
                    kind: 'fan',
                    direction: 'x+',
                    diameter: '40 mm',
                    hub: 0.4,
                    curve: [
                        ['0 l/s', '45 Pa'],
                        ['2 l/s', '28 Pa'],
                        ['4 l/s', '0 Pa'],
                    ],
                    curveDensity: standardAir,
                },
                at: ['150 mm', '40 mm', '5 mm'],
            }),
        ];
        return {
            flow: 'auto',
            buoyancy: true,
            radiation: 'none',
            parts,
            limits: boxed(parts),
            space: {
                box: { min: [0, 0, 0], max: ['160 mm', '120 mm', '50 mm'] },
                fluid: 'air',
                sides: {
                    ...all(film('8 W/m^2/K')),
                    'x-': { ...film('8 W/m^2/K'), patches: [{ min: ['20 mm', '10 mm'], max: ['100 mm', '40 mm'], kind: 'open' }] },
                    'x+': { ...film('8 W/m^2/K'), patches: [{ min: ['40 mm', '5 mm'], max: ['80 mm', '45 mm'], kind: 'open' }] },
                },
            },
        };
    },
    sealed: () => {
        const parts = [
            board(['15 mm', '10 mm', '8 mm'], ['120 mm', '100 mm']),
            processor(['60 mm', '50 mm', '9.6 mm'], '4 W'),
            regulator(['100 mm', '40 mm', '9.6 mm'], '1 W'),
        ];
        return {
            flow: 'auto',
            buoyancy: true,
            radiation: 'surfaces',
            parts,
            limits: boxed(parts),
            space: { box: { min: [0, 0, 0], max: ['160 mm', '120 mm', '50 mm'] }, fluid: 'air', sides: all(film('5 W/m^2/K')) },
        };
    },
    sink: () => {
        const source = part('source', 'Heat source', {
            shape: { kind: 'block', size: ['20 mm', '20 mm', '2 mm'] },
            at: ['70 mm', '60 mm', '40 mm'],
            material: 'copper',
            power: '10 W',
        });
        const parts = [
            source,
            part('sink', 'Heat sink', {
                shape: { kind: 'plateFins', size: ['60 mm', '60 mm'], base: '4 mm', height: '30 mm', count: 8, thickness: '1.5 mm', along: 'x' },
                at: ['50 mm', '40 mm', '42 mm'],
                material: 'aluminium-6063',
                surface: { finish: 'anodised-black' },
            }),
        ];
        return {
            flow: 'auto',
            buoyancy: true,
            radiation: 'surfaces',
            parts,
            limits: [limit(source, '85 degC')],
            space: { box: { min: [0, 0, 0], max: ['160 mm', '140 mm', '200 mm'] }, fluid: 'air', sides: all({ kind: 'open' }) },
        };
    },
    duct: () => {
        const parts = [
            board(['40 mm', '10 mm', '0 mm'], ['120 mm', '80 mm']),
            processor(['90 mm', '40 mm', '1.6 mm'], '6 W'),
            regulator(['130 mm', '30 mm', '1.6 mm'], '1.5 W'),
        ];
        return {
            flow: 'auto',
            buoyancy: false,
            radiation: 'none',
            parts,
            limits: boxed(parts),
            space: {
                box: { min: [0, 0, 0], max: ['240 mm', '100 mm', '30 mm'] },
                fluid: 'air',
                sides: { ...all({ kind: 'wall' }), 'x-': { kind: 'inlet', speed: '2 m/s' }, 'x+': { kind: 'outlet' } },
            },
        };
    },
    plate: () => {
        const dies = [0, 1].map((n) =>
            part(`die-${n + 1}`, `Die ${n + 1}`, {
                shape: { kind: 'block', size: ['10 mm', '10 mm', '0.4 mm'] },
                at: [`${12 + 16 * n} mm`, '15 mm', '4.6 mm'],
                material: 'silicon',
                power: '60 W',
            }),
        );
        const parts = [
            part('baseplate', 'Baseplate', { shape: { kind: 'block', size: ['50 mm', '40 mm', '3 mm'] }, at: ['0 mm', '0 mm', '0 mm'], material: 'copper' }),
            part('solder', 'Solder', { shape: { kind: 'block', size: ['40 mm', '30 mm', '0.2 mm'] }, at: ['5 mm', '5 mm', '3 mm'], material: 'solder-sac305' }),
            part('substrate', 'Substrate', {
                shape: { kind: 'block', size: ['40 mm', '30 mm', '1.4 mm'] },
                at: ['5 mm', '5 mm', '3.2 mm'],
                material: 'alumina',
            }),
            ...dies,
        ];
        return {
            flow: 'none',
            buoyancy: false,
            radiation: 'none',
            parts,
            limits: dies.map((die) => limit(die, '125 degC')),
            space: {
                box: { min: [0, 0, 0], max: ['50 mm', '40 mm', '6 mm'] },
                fluid: null,
                sides: { 'z-': { kind: 'wall', heat: { kind: 'film', coefficient: '6000 W/m^2/K' } } },
            },
        };
    },
    bars: () => {
        const bar = (id: string, name: string, size: [string, string, string], at: string[], faces: object) =>
            part(id, name, {
                shape: { kind: 'block', size },
                at,
                material: 'copper',
                surface: { finish: 'copper-oxidised' },
                faces: { bare: { heat: { kind: 'film', coefficient: '5 W/m^2/K' } }, ...faces },
            });
        const parts = [
            bar('bar-in', 'Bar to the source', ['120 mm', '20 mm', '3 mm'], ['20 mm', '20 mm', '20 mm'], {
                'x-': { electric: { kind: 'current', current: '200 A' } },
            }),
            bar('neck', 'Neck', ['60 mm', '10 mm', '3 mm'], ['140 mm', '25 mm', '20 mm'], {}),
            bar('bar-out', 'Bar to the load', ['40 mm', '20 mm', '3 mm'], ['200 mm', '20 mm', '20 mm'], { 'x+': { electric: { kind: 'ground' } } }),
        ];
        return {
            flow: 'none',
            buoyancy: false,
            radiation: 'surroundings',
            parts,
            limits: parts.map((p) => limit(p, '105 degC')),
            space: { box: { min: [0, 0, 0], max: ['260 mm', '60 mm', '43 mm'] }, fluid: null },
        };
    },
    empty: () => ({
        flow: 'auto',
        buoyancy: true,
        radiation: 'surfaces',
        parts: [],
        limits: [],
        space: { box: { min: [0, 0, 0], max: ['200 mm', '150 mm', '60 mm'] }, fluid: 'air', sides: all({ kind: 'wall' }) },
    }),
};

/** The model document to start from. */
export function firstModel(answers: Answers): ModelDocument {
    const { flow, buoyancy, radiation, space, parts, limits } = designs[answers.start]();
    const heat = answers.question !== 'air';
    const electric = answers.question === 'current' || answers.start === 'bars';
    const document: ModelDocument = {
        format: 'foehn-model',
        version: 1,
        name: answers.name,
        surroundings: { temperature: `${answers.ambient} degC`, altitude: `${answers.altitude} m` },
        physics: { heat, flow: heat ? flow : 'auto', buoyancy: heat && buoyancy, radiation: heat ? radiation : 'none', ...(electric ? { electric } : {}) },
        space,
        parts,
        limits: heat ? limits : [],
        analysis: { time: { kind: 'steady' }, grid: { grade: 'scout' } },
    };
    return withGravity(document, answers.gravity);
}
