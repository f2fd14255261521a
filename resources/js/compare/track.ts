import type { RunReadings, Variant } from '../api/types';
import type { Series } from '../charts/Lines';

type Reading = RunReadings['readings'][number];

/** Everything that any of the runs has read, by its name in the newest. */
export function tracked(runs: readonly RunReadings[]): Reading[] {
    const found = new Map<string, Reading>();
    for (const { readings } of runs) for (const reading of readings) if (reading.value !== null) found.set(reading.id, reading);
    return [...found.values()];
}

/** What one of them read: a curve for each variant over the number of the run in the project, counted from 1. */
export function trackOf(runs: readonly RunReadings[], id: string, variants: readonly Pick<Variant, 'id' | 'name'>[]): Series[] {
    return variants.flatMap((variant) => {
        const points = runs.flatMap(({ variant: of, readings }, n) => {
            const value = of === variant.id ? readings.find((reading) => reading.id === id)?.value : null;
            return value == null ? [] : [{ x: n + 1, y: value }];
        });
        return points.length === 0 ? [] : [{ name: variant.name, points }];
    });
}
