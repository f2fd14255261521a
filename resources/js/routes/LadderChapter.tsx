import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import Typography from '@mui/material/Typography';
import type { Outline, Result } from '../api/types';
import { useScreen } from '../state/screen';
import { difference, differenceUnit, temperatureWithUnit, type UnitSet } from '../units/units';
import { bypassPercent, type Sink } from './bypass';
import { ladder, type Rung } from './ladder';

interface Props {
    part: string;
    outline: Outline;
    result: Result;
    ambient: number;
    units: UnitSet;
}

/** What lowers a rung. */
const remedies: Record<Rung['kind'], string> = {
    air: 'more air flow, or air that has not been warmed before',
    convection: 'more surface, faster air at it, less bypass',
    radiation: 'a finish of higher emissivity, more surface that sees the surroundings',
    conduction: 'a better conductor, more cross-section, a shorter way',
    contact: 'a thinner or better interface, more contact area',
    junction: 'a package with a smaller junction-to-case resistance, fewer watts',
};

const sinkOf = (id: string | null, result: Result) => result.flow?.sinks?.find((sink) => sink.part === id);

/** What goes past a heat sink, in brackets; nothing where that is not told. */
const bypassOf = (sink: Sink | undefined): string => (sink && sink.through > 0 ? ` (bypass ${bypassPercent(sink)} %)` : '');

function nameOf(rung: Rung, outline: Outline, result: Result): string {
    const name = (id: string | null) => outline.parts.find((part) => part.id === id)?.name ?? '';
    switch (rung.kind) {
        case 'air':
            return sinkOf(rung.to, result) ? `air before ${name(rung.to)}` : `air beside ${name(rung.to)}`;
        case 'convection':
            return `convection, ${name(rung.part)}${bypassOf(sinkOf(rung.part, result))}`;
        case 'radiation':
            return `radiation, ${name(rung.part)}`;
        case 'contact':
            return `contact ${name(rung.part)} – ${name(rung.to)}`;
        case 'junction':
            return 'case to junction';
        default:
            return name(rung.part);
    }
}

const partsOf = (rung: Rung): string[] => [rung.part, rung.to].filter((id) => id !== null);

/** The steps from the ambient to a part along the main route of its heat, drawn and in one sentence. */
export function LadderChapter({ part, outline, result, ambient, units }: Props) {
    const set = useScreen((s) => s.set);
    const steps = ladder(result, part, ambient);
    if (!steps) return null;
    const kelvin = (rise: number) => `${difference(rise, units)}`;
    const largest = steps.rungs.reduce((most, rung) => (rung.rise > most.rise ? rung : most));
    const span = Math.max(...steps.rungs.map((rung) => Math.abs(rung.rise)), 1e-9);
    return (
        <Box component="section" aria-label="Where the kelvins go" sx={{ pt: 1.5 }}>
            <Typography component="h3" sx={{ fontSize: 13, color: 'text.secondary', mb: 0.5 }}>
                Where the kelvins go
            </Typography>
            {steps.rungs.map((rung, n) => (
                <ButtonBase
                    key={n}
                    title={`What lowers it: ${remedies[rung.kind]}`}
                    onClick={() => set({ selection: [rung.part ?? rung.to ?? part] })}
                    onMouseEnter={() => set({ lit: partsOf(rung) })}
                    onMouseLeave={() => set({ lit: [] })}
                    onFocus={() => set({ lit: partsOf(rung) })}
                    onBlur={() => set({ lit: [] })}
                    sx={{
                        display: 'block',
                        width: '100%',
                        textAlign: 'left',
                        font: 'inherit',
                        fontSize: 12.5,
                        py: 0.25,
                        borderRadius: 0.5,
                        '&:hover': { bgcolor: 'action.hover' },
                    }}
                >
                    <Box sx={{ display: 'flex', justifyContent: 'space-between', gap: 1, fontWeight: rung === largest ? 600 : undefined }}>
                        <span>{nameOf(rung, outline, result)}</span>
                        <span style={{ whiteSpace: 'nowrap' }}>
                            {kelvin(rung.rise)} {differenceUnit(units)}
                        </span>
                    </Box>
                    <Box
                        sx={{
                            height: 4,
                            width: `${(100 * Math.abs(rung.rise)) / span}%`,
                            minWidth: 2,
                            bgcolor: rung === largest ? '#d98a1c' : '#b9b2a4',
                            borderRadius: 0.5,
                        }}
                    />
                </ButtonBase>
            ))}
            <Typography variant="body2" color="text.secondary" sx={{ pt: 0.75 }}>
                {steps.base} {temperatureWithUnit(steps.from, units)}
                {steps.rungs.map((rung) => `, ${nameOf(rung, outline, result)} ${kelvin(rung.rise)}`).join('')} = <b>{temperatureWithUnit(steps.to, units)}</b>.
                The largest step is {nameOf(largest, outline, result)}: {remedies[largest.kind]} would lower it.
            </Typography>
        </Box>
    );
}
