import { inletKindOf, inletKinds, isOpening, ofKind, openingKinds, withInletKind, type InletKind, type OpeningEntry } from '../model/space';
import { typed, typedMassFlowUnit, typedSpeedUnit, typedTemperatureUnit, typedVolumeFlowUnit, type UnitSet } from '../units/units';
import { ChoiceField } from './ChoiceField';
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
    const set = (field: string, label: string, unit: string) => (text: string) =>
        save(`${name}: ${label} ${typed(text, unit) || 'none'}`, (e) => {
            const changed: T = { ...e, [field]: typed(text, unit) };
            if (text === '') delete changed[field];
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
                <EditField
                    label={inletKinds[inlet][0]}
                    value={String(entry[inlet] ?? '')}
                    disabled={disabled}
                    save={set(inlet, inletKinds[inlet][0].toLowerCase(), inletUnits[inlet](units))}
                />
            )}
            {isOpening(kind) && (
                <EditField
                    label="Air enters at"
                    hint="ambient"
                    value={String(entry.temperature ?? '')}
                    disabled={disabled}
                    save={set('temperature', 'temperature', typedTemperatureUnit(units))}
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
                    value={String(entry.pressure ?? '')}
                    disabled={disabled}
                    save={set('pressure', 'pressure', 'Pa')}
                />
            )}
        </>
    );
}
