import type { SurfaceEntry } from '../model/finishes';
import { numberOrText } from '../model/text';
import { EditField } from './EditField';
import { FinishFields } from './FinishFields';

interface Cover {
    kind?: string;
    surface?: SurfaceEntry;
    transmittance?: string | number;
}

interface Props<T extends Cover> {
    name: string;
    entry: T;
    /** Whether the sun shines. */
    sunny: boolean;
    disabled: boolean;
    save: (label: string, change: (entry: T) => T) => Promise<unknown>;
}

const without = <T extends Cover>(entry: T, key: keyof Cover): T => {
    const { [key]: _before, ...rest } = entry;
    return rest as T;
};

/** What a side of the space, or an opening in it, is to radiation: the finish of a wall, and how much sunlight passes. */
export function CoverFields<T extends Cover>({ name, entry, sunny, disabled, save }: Props<T>) {
    const isWall = (entry.kind ?? 'wall') === 'wall';
    if (entry.kind === 'symmetry') return null;
    return (
        <>
            {isWall && (
                <FinishFields
                    label="Finish of this wall"
                    surface={entry.surface}
                    otherwise="Painted (ε 0.9, sun 0.9)"
                    disabled={disabled}
                    save={(what, surface) => save(`${name}: ${what}`, (e) => (surface ? { ...e, surface } : without(e, 'surface')))}
                />
            )}
            {sunny && (
                <EditField
                    label="Transmittance of sunlight"
                    value={String(entry.transmittance ?? '')}
                    hint={isWall ? '0: lets none pass' : '1: open'}
                    disabled={disabled}
                    save={(text) =>
                        save(`${name}: transmittance ${text}`, (e) =>
                            text.trim() === '' ? without(e, 'transmittance') : { ...e, transmittance: numberOrText(text) },
                        )
                    }
                />
            )}
        </>
    );
}
