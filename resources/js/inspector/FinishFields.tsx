import Typography from '@mui/material/Typography';
import { useFinishes } from '../api/queries';
import { chosen, finishOf, MATERIAL, OFF, OWN, titleOf, withValue, type SurfaceEntry } from '../model/finishes';
import { ChoiceField } from './ChoiceField';
import { EditField } from './EditField';

interface Props {
    label: string;
    surface: SurfaceEntry | undefined;
    /** What an empty surface is, such as "As its material". */
    otherwise: string;
    disabled: boolean;
    save: (what: string, surface: SurfaceEntry | undefined) => Promise<unknown>;
}

/** A finish of the library, or an emissivity and an absorptivity of its own. */
export function FinishFields({ label, surface, otherwise, disabled, save }: Props) {
    const { data: library = [] } = useFinishes();
    const choice = finishOf(surface);
    const finish = library.find(({ id }) => id === choice);
    const choices: Record<string, string> = {
        [MATERIAL]: otherwise,
        ...Object.fromEntries(library.map((finish) => [finish.id, titleOf(finish)])),
        // One that the library does not have, of a document that was made elsewhere.
        ...(surface?.finish !== undefined && !library.some((finish) => finish.id === surface.finish) ? { [surface.finish]: surface.finish } : {}),
        [OWN]: 'Own values',
        [OFF]: 'Does not radiate',
    };
    const value = (key: 'emissivity' | 'absorptivity', title: string, hint: string) => (
        <EditField
            label={title}
            value={String(surface?.[key] ?? '')}
            hint={hint}
            disabled={disabled}
            save={(text) => save(`${title.toLowerCase()} ${text}`, withValue(surface, key, text))}
        />
    );
    return (
        <>
            <ChoiceField
                label={label}
                value={choice}
                choices={choices}
                disabled={disabled}
                save={(to) => save(choices[to]!.split(' (')[0]!.toLowerCase(), chosen(to, surface, library))}
            />
            {finish && (
                <Typography variant="body2" color="text.secondary" sx={{ mt: -0.5, mb: 1.25 }}>
                    Emissivity {finish.emissivity}, absorptivity of sunlight {finish.absorptivity}. {finish.source}.
                </Typography>
            )}
            {choice === OWN && value('emissivity', 'Emissivity', 'of its material')}
            {choice === OWN && value('absorptivity', 'Absorptivity of sunlight', 'as its emissivity')}
        </>
    );
}
