import { useMemo } from 'react';
import { useInfluenceBytes } from '../api/queries';
import { useByValue } from '../state/hooks';
import type { FieldName } from '../view/fields/catalogue';
import { makeField, type Field } from '../view/fields/field';
import type { Trial } from './useWhatIf';

/** What other watts leave as it is. */
const KEPT: readonly FieldName[] = [
    'speed',
    'velocityX',
    'velocityY',
    'velocityZ',
    'pressure',
    'conductivityX',
    'conductivityY',
    'conductivityZ',
    'potential',
    'currentDensity',
    'jouleHeat',
    'cellsAcross',
];

/** The fields of a run at the watts that are tried: the temperature with what the changes add, the flow as it is, and nothing that is not known. */
export function useTriedFields(run: number | undefined, fields: ReadonlyMap<FieldName, Field>, trial: Trial | null): ReadonlyMap<FieldName, Field> {
    const sources = useByValue(trial?.changes.flatMap((change, source) => (change === 0 ? [] : [source])) ?? []);
    const bytes = useInfluenceBytes(run, trial?.influence ?? null, sources);
    return useMemo(() => {
        if (!trial) return fields;
        const tried = new Map([...fields].filter(([name]) => KEPT.includes(name)));
        const temperature = fields.get('temperature');
        if (!temperature || bytes.some((stored) => stored?.byteLength !== 4 * temperature.values.length)) return tried;
        const values = temperature.values.slice();
        sources.forEach((source, n) => {
            const perWatt = new Float32Array(bytes[n]!);
            const change = trial.changes[source]!;
            for (let c = 0; c < values.length; c++) values[c]! += change * perWatt[c]!;
        });
        return tried.set('temperature', makeField(temperature.lines, values, temperature.owners));
    }, [fields, trial, sources, bytes]);
}
