/** Outlines of packages as the trade knows them by size, with resistances of the usual order; the data sheet of the part decides. */
export const typicalPackages = {
    'QFN 3 × 3': { size: ['3 mm', '3 mm', '0.9 mm'], junctionToCase: '25 K/W', junctionToBoard: '12 K/W' },
    'QFN 5 × 5': { size: ['5 mm', '5 mm', '0.9 mm'], junctionToCase: '15 K/W', junctionToBoard: '6 K/W' },
    'QFN 7 × 7': { size: ['7 mm', '7 mm', '0.9 mm'], junctionToCase: '11 K/W', junctionToBoard: '4 K/W' },
    'SO 8': { size: ['4.9 mm', '3.9 mm', '1.5 mm'], junctionToCase: '40 K/W', junctionToBoard: '35 K/W' },
    'LQFP 10 × 10': { size: ['10 mm', '10 mm', '1.4 mm'], junctionToCase: '15 K/W', junctionToBoard: '25 K/W' },
    'LQFP 20 × 20': { size: ['20 mm', '20 mm', '1.4 mm'], junctionToCase: '9 K/W', junctionToBoard: '18 K/W' },
    'BGA 10 × 10': { size: ['10 mm', '10 mm', '1.2 mm'], junctionToCase: '8 K/W', junctionToBoard: '12 K/W' },
    'BGA 17 × 17': { size: ['17 mm', '17 mm', '1.7 mm'], junctionToCase: '6 K/W', junctionToBoard: '9 K/W' },
    'BGA 27 × 27, lidded': { size: ['27 mm', '27 mm', '2.4 mm'], junctionToCase: '0.8 K/W', junctionToBoard: '5 K/W' },
    'BGA 35 × 35, lidded': { size: ['35 mm', '35 mm', '3.2 mm'], junctionToCase: '0.3 K/W', junctionToBoard: '3 K/W' },
} as const;
export type TypicalPackage = keyof typeof typicalPackages;

/** Free flow in l/s and pressure at no flow in Pa of made-up fans, by size in mm. */
const fans = { 25: [1, 30], 30: [1.8, 38], 40: [4, 60], 50: [6.5, 55], 60: [10, 60], 80: [18, 50], 92: [25, 48], 120: [45, 60] } as const;

/** A curve that dips where the blades stall. */
const curveOf = ([flow, rise]: readonly [number, number]): [string, string][] =>
    (
        [
            [0, 1],
            [0.35, 0.62],
            [0.55, 0.55],
            [0.8, 0.3],
            [1, 0],
        ] as const
    ).map(([q, p]) => [`${Number((q * flow).toPrecision(3))} l/s`, `${Number((p * rise).toPrecision(3))} Pa`]);

/** Air at 20 °C and sea level, in which fan curves are measured. */
export const standardAir = '1.2 kg/m^3';

export const typicalFans: Record<string, { diameter: string; hub: number; curve: [string, string][]; curveDensity: string }> = Object.fromEntries(
    Object.entries(fans).map(([size, reach]) => [
        `${size} mm, ${reach[0]} l/s, ${reach[1]} Pa`,
        { diameter: `${size} mm`, hub: 0.4, curve: curveOf(reach), curveDensity: standardAir },
    ]),
);

/** Which of them a shape is; null when its fields are its own. */
export function typicalOf<T extends string>(typical: Readonly<Record<T, object>>, shape: Record<string, unknown>): T | null {
    const same = (of: object) => Object.entries(of).every(([key, value]) => JSON.stringify(value) === JSON.stringify(shape[key]));
    return (Object.keys(typical) as T[]).find((name) => same(typical[name])) ?? null;
}
