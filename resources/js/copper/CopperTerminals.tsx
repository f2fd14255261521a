import Box from '@mui/material/Box';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { Chapter } from '../inspector/Chapter';
import { ChoiceField } from '../inspector/ChoiceField';
import { EditField } from '../inspector/EditField';
import { Removable } from '../inspector/Removable';
import { editPart, type ShapeProps } from '../inspector/ShapeField';
import {
    copperOf,
    copperTerminalKinds,
    copperTerminalOfKind,
    copperTerminalValues,
    padsFrom,
    padsText,
    withCopperTerminal,
    type CopperTerminal,
} from '../model/copper';
import { quietly } from '../model/partCommands';
import { textOf } from '../model/text';
import { lengthUnit, typed } from '../units/units';
import { PairFields } from './PairFields';

interface Props {
    board: ShapeProps;
    /** From below. */
    layers: readonly string[];
    /** Parts that lie on it, by id. */
    parts: Readonly<Record<string, string>>;
    lit: string | null;
    onLit: (name: string | null) => void;
}

/** What a terminal states, in a line. */
const told = ({ electric }: CopperTerminal, parts: Props['parts']): string => {
    const kind = electric.kind ?? 'ground';
    if (kind === 'joint') return `Joint with ${parts[String(electric.part)] ?? String(electric.part)}`;
    return [copperTerminalKinds[kind], ...copperTerminalValues[kind].map(([field]) => textOf(electric[field]))].join(', ').replace(/, (?=[^,]*$)/, ' ');
};

/** Terminals on the copper of a board; the one that is lit is open to be changed. */
export function CopperTerminals({ board, layers, parts, lit, onLit }: Props) {
    const terminals = copperOf(board.entry).terminals ?? [];
    return (
        <Chapter title="Terminals" fields>
            {terminals.length === 0 && (
                <Typography variant="body2" color="text.secondary">
                    None yet: add a voltage at the source, ground at its return, and the loads.
                </Typography>
            )}
            {terminals.map((terminal, n) =>
                terminal.name === lit ? (
                    <OpenTerminal key={n} board={board} terminal={terminal} n={n} layers={layers} parts={parts} onLit={onLit} />
                ) : (
                    <Stack
                        key={n}
                        direction="row"
                        component="button"
                        onClick={() => onLit(terminal.name)}
                        sx={{
                            width: '100%',
                            justifyContent: 'space-between',
                            gap: 1,
                            border: 0,
                            borderBottom: 1,
                            borderColor: 'divider',
                            bgcolor: 'transparent',
                            color: 'inherit',
                            font: 'inherit',
                            textAlign: 'left',
                            py: 0.6,
                            cursor: 'pointer',
                            '&:hover': { bgcolor: 'action.hover' },
                        }}
                    >
                        <Box component="span" sx={{ fontWeight: 550 }}>
                            {terminal.name}
                        </Box>
                        <Box component="span" sx={{ color: 'text.secondary' }}>
                            {told(terminal, parts)} · {terminal.layer}
                        </Box>
                    </Stack>
                ),
            )}
        </Chapter>
    );
}

function OpenTerminal({ board, terminal, n, layers, parts, onLit }: Omit<Props, 'lit'> & { terminal: CopperTerminal; n: number }) {
    const unit = lengthUnit(board.units);
    const set = (label: string, change: Partial<CopperTerminal> | undefined) =>
        editPart(board, `terminal ${terminal.name}: ${label}`, (entry) => withCopperTerminal(entry, n, change && { ...terminal, ...change }));
    const kind = terminal.electric.kind ?? 'ground';
    const { joint: _joint, ...atFaces } = copperTerminalKinds;
    const kinds = (kind === 'joint' || Object.keys(parts).length > 0 ? copperTerminalKinds : atFaces) as typeof copperTerminalKinds;
    const pair = (field: 'at' | 'size', labels: readonly [string, string]) => (
        <PairFields labels={labels} pair={terminal[field]} unit={unit} disabled={board.disabled} save={(label, next) => set(label, { [field]: next })} />
    );
    return (
        <Box sx={{ pt: 1 }}>
            <Removable label={`Terminal ${terminal.name}`} disabled={board.disabled} remove={() => quietly(set('removed', undefined).then(() => onLit(null)))}>
                <EditField
                    label="Terminal"
                    value={terminal.name}
                    disabled={board.disabled}
                    save={(name) => set(`called ${name}`, { name }).then(() => onLit(name))}
                />
                <Stack direction="row" sx={{ gap: 1 }}>
                    <ChoiceField
                        label="Kind"
                        value={kind}
                        choices={kinds}
                        disabled={board.disabled}
                        save={(chosen) => set(copperTerminalKinds[chosen].toLowerCase(), { electric: copperTerminalOfKind(chosen, parts) })}
                    />
                    <ChoiceField
                        label="Layer"
                        value={terminal.layer}
                        choices={Object.fromEntries(layers.map((layer) => [layer, layer]))}
                        disabled={board.disabled}
                        save={(layer) => set(`on ${layer}`, { layer })}
                    />
                </Stack>
                {kind === 'joint' && (
                    <ChoiceField
                        label="Part"
                        value={String(terminal.electric.part)}
                        choices={{ [String(terminal.electric.part)]: String(terminal.electric.part), ...parts }}
                        disabled={board.disabled}
                        save={(part) => set(`joint with ${parts[part] ?? part}`, { electric: { ...terminal.electric, part } })}
                    />
                )}
                {copperTerminalValues[kind].map(([field, label, of]) => (
                    <EditField
                        key={field}
                        label={field === 'current' ? 'Current in (negative: out)' : label}
                        value={textOf(terminal.electric[field])}
                        disabled={board.disabled}
                        save={(text) => set(`${label.toLowerCase()} ${typed(text, of)}`, { electric: { ...terminal.electric, [field]: typed(text, of) } })}
                    />
                ))}
                {pair('at', ['Middle x', 'Middle y'])}
                <EditField
                    label="Further pads, x, y; x, y"
                    hint="none; pins of a component share the current"
                    value={padsText(terminal.pads)}
                    disabled={board.disabled}
                    save={(text) => {
                        const pads = padsFrom(text, unit);
                        return pads === null
                            ? Promise.reject(new Error('places are pairs such as "12 mm, 5 mm; 14 mm, 5 mm"'))
                            : set(pads.length === 0 ? 'one pad' : `${pads.length + 1} pads`, { pads });
                    }}
                />
                {terminal.diameter === undefined ? (
                    pair('size', ['Width', 'Height'])
                ) : (
                    <EditField
                        label="Diameter"
                        value={String(terminal.diameter)}
                        disabled={board.disabled}
                        save={(text) => set(`diameter ${typed(text, unit)}`, { diameter: typed(text, unit) })}
                    />
                )}
            </Removable>
        </Box>
    );
}
