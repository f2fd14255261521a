import { heatKinds, heatOfKind, heatValues, type HeatEntry, type HeatKind } from '../model/heat';
import { typedTemperatureUnit, type UnitSet } from '../units/units';
import { ChoiceField } from './ChoiceField';
import { TimedField } from '../time/TimedField';

interface Props {
    label: string;
    entry: HeatEntry | undefined;
    /** Whether a contact resistance is meant here: between parts, not at a side of the space. */
    contact?: boolean;
    units: UnitSet;
    disabled: boolean;
    /** Of what stands there when the edit is made: another one may still be under way. */
    save: (label: string, change: (heat: HeatEntry | undefined) => HeatEntry | undefined) => Promise<unknown>;
}

/** What a wall or a face is to heat, with its values. */
export function HeatFields({ label, entry, contact = false, units, disabled, save }: Props) {
    const kind = entry?.kind ?? 'adiabatic';
    const choices = Object.fromEntries(
        (Object.keys(heatKinds) as HeatKind[]).filter((k) => contact || k !== 'contact').map((k) => [k, heatKinds[k]]),
    ) as Record<HeatKind, string>;
    return (
        <>
            <ChoiceField
                label={label}
                value={kind}
                choices={choices}
                disabled={disabled}
                save={(chosen) => save(heatKinds[chosen].toLowerCase(), () => heatOfKind(chosen))}
            />
            {heatValues[kind].map(([field, title, unit, start]) => {
                const inUnit = unit || typedTemperatureUnit(units);
                return (
                    <TimedField
                        key={field}
                        label={title}
                        name={label}
                        hint={start === '' ? 'ambient' : undefined}
                        value={entry?.[field]}
                        unit={inUnit}
                        disabled={disabled}
                        save={(text, load) =>
                            save(`${title.toLowerCase()} ${text}`, (present) => {
                                const changed: HeatEntry = { ...(present ?? heatOfKind(kind)!), [field]: load };
                                if (load === undefined) delete changed[field];
                                return changed;
                            })
                        }
                    />
                );
            })}
        </>
    );
}
