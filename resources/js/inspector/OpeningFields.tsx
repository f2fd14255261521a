import { inletKindOf, inletKinds, isOpening, ofKind, openingKinds, withInletKind, type InletKind, type OpeningEntry } from '../model/space';
import { typed, typedMassFlowUnit, typedSpeedUnit, typedTemperatureUnit, typedVolumeFlowUnit, type UnitSet } from '../units/units';
import { ChoiceField } from './ChoiceField';
import type { Load } from '../model/loads';
import { textOf } from '../model/text';
import { TimedField } from '../time/TimedField';
import { EditField } from './EditField';
import { SwitchField } from './SwitchField';

interface Props<T extends OpeningEntry> {
    name: string;
    entry: T;
    units: UnitSet;
    disabled: boolean;
    save: (label: string, change: (entry: T) => T) => Promise<unknown>;
}

/** An outlet lets out what comes, or draws off a given flow. */
const outletChoices = { pressure: 'Pressure outside', speed: 'Speed', volumeFlow: 'Volume flow', massFlow: 'Mass flow' } as const;

const inletChoices = Object.fromEntries(Object.entries(inletKinds).map(([kind, [title]]) => [kind, title])) as Record<InletKind, string>;

/** What a bare number of each kind means. */
const inletUnits: Record<InletKind, (units: UnitSet) => string> = { speed: typedSpeedUnit, volumeFlow: typedVolumeFlowUnit, massFlow: typedMassFlowUnit };

/** What passes a side or a patch of it. */
export function OpeningFields<T extends OpeningEntry>({ name, entry, units, disabled, save }: Props<T>) {
    const kind = entry.kind ?? 'wall';
    const inlet = inletKindOf(entry);
    const set = (field: string, label: string) => (text: string, load: Load | undefined) =>
        save(`${name}: ${label} ${text}`, (e) => {
            const changed: T = { ...e, [field]: load };
            if (load === undefined) delete changed[field];
            return changed;
        });
    return (
        <>
            <ChoiceField
                label={name}
                value={kind}
                choices={openingKinds}
                disabled={disabled}
                save={(chosen) => save(`${name}: ${openingKinds[chosen].toLowerCase()}`, (e) => ofKind(e, chosen))}
            />
            {kind === 'inlet' && inlet && (
                <ChoiceField
                    label="Given by"
                    value={inlet}
                    choices={inletChoices}
                    disabled={disabled}
                    save={(chosen) => save(`${name}: by ${inletChoices[chosen].toLowerCase()}`, (e) => withInletKind(e, chosen))}
                />
            )}
            {kind === 'outlet' && (
                <ChoiceField
                    label="Given by"
                    value={inlet ?? 'pressure'}
                    choices={outletChoices}
                    disabled={disabled}
                    save={(chosen) =>
                        save(`${name}: by ${outletChoices[chosen].toLowerCase()}`, (e) => withInletKind(e, chosen === 'pressure' ? null : chosen))
                    }
                />
            )}
            {inlet && (kind === 'inlet' || kind === 'outlet') && (
                <TimedField
                    label={inletKinds[inlet][0]}
                    name={name}
                    value={entry[inlet]}
                    unit={inletUnits[inlet](units)}
                    disabled={disabled}
                    save={set(inlet, inletKinds[inlet][0].toLowerCase())}
                />
            )}
            {isOpening(kind) && (
                <TimedField
                    label="Air enters at"
                    name={name}
                    hint="ambient"
                    value={entry.temperature}
                    unit={typedTemperatureUnit(units)}
                    disabled={disabled}
                    save={set('temperature', 'temperature')}
                />
            )}
            {kind === 'inlet' && (
                <SwitchField
                    label="Heat is conducted through it too"
                    on={entry.conducts === true}
                    disabled={disabled}
                    save={(on) =>
                        save(
                            `${name}: ${on ? 'conducts heat too' : 'conducts no heat'}`,
                            ({ conducts: _before, ...e }) => (on ? { ...e, conducts: true } : e) as T,
                        )
                    }
                />
            )}
            {((kind === 'outlet' && !inlet) || kind === 'open') && (
                <EditField
                    label="Pressure outside"
                    hint="0 Pa"
                    value={textOf(entry.pressure)}
                    disabled={disabled}
                    save={(text) => set('pressure', 'pressure')(typed(text, 'Pa') || 'none', text === '' ? undefined : typed(text, 'Pa'))}
                />
            )}
        </>
    );
}
