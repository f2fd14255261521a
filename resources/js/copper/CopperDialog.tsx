import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import CircularProgress from '@mui/material/CircularProgress';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useEffect, useMemo, useState } from 'react';
import { reasonsOf } from '../api/client';
import { useBoardCopper } from '../api/queries';
import type { BoardCopper, Revision } from '../api/types';
import { editPart, type ShapeProps } from '../inspector/ShapeField';
import { copperOf, isJoined, partsOn, pickedTerminal, pickedVias, withCopperTerminal, withCurrentsOn, withViaGroup } from '../model/copper';
import { partEntry, withPartFields } from '../model/document';
import { drawnOn } from '../model/drawn';
import { quietly } from '../model/partCommands';
import { TitledDialog } from '../theme/TitledDialog';
import { place, size } from '../units/units';
import { decoded } from './decode';
import { LayerPicture, wholeOf, type Sight } from './LayerPicture';
import { LayerSwitch } from './LayerSwitch';
import { holeMarks, pieceOutline, terminalMarks } from './marks';
import { NetsTable } from './NetsTable';
import { areaOf, netColour, pictureOf, pixelAt } from './raster';
import { CopperTerminals } from './CopperTerminals';
import { CornerCurrents } from './CornerCurrents';
import { DrawButtons } from './DrawButtons';
import { DrawnCopper } from './DrawnCopper';
import { obstacleOf } from './Readiness';
import { pathOf, useDrawing } from './useDrawing';
import { ViaGroups } from './ViaGroups';

interface Props {
    board: ShapeProps;
    revision: Revision;
    onClose: () => void;
}

/** Of what lies on other nets while one is looked at. */
const FADED = 0.3;
const VIA = 0.3e-3;

type Picking = 'terminal' | 'vias' | null;

/** The copper of a board: layers, nets, and where current enters and leaves. */
export default function CopperDialog({ board, revision, onClose }: Props) {
    const { data, error, isFetching } = useBoardCopper(revision.variant.id, board.entry.id, revision.number);
    return (
        <TitledDialog
            title={`Copper of ${board.name}`}
            maxWidth="xl"
            fullWidth
            onClose={onClose}
            tools={isFetching && <CircularProgress size={16} aria-label="Drawing the copper" />}
        >
            {error && <Alert severity="error">{reasonsOf(error).join(' ')}</Alert>}
            {!data && !error && <Typography sx={{ py: 8, textAlign: 'center' }}>Drawing the copper and finding its nets…</Typography>}
            {data && <Copper copper={data} board={board} revision={revision} />}
        </TitledDialog>
    );
}

function Copper({ copper, board, revision }: { copper: BoardCopper; board: ShapeProps; revision: Revision }) {
    const [layer, setLayer] = useState(copper.layers.length - 1);
    const [net, setNet] = useState<number | null>(null);
    const [lit, setLit] = useState<string | null>(null);
    const [picking, setPicking] = useState<Picking>(null);
    const [hover, setHover] = useState<readonly [number, number] | null>(null);
    const [sight, setSight] = useState<Sight>(() => wholeOf(copper));
    const pixels = useMemo(() => decoded(copper), [copper]);
    const picture = useMemo(
        () =>
            pictureOf(
                copper,
                (at) => {
                    const own = pixels.net[at]!;
                    if (own === 0) return null;
                    const colour = netColour(own - 1);
                    const share = net === null || net === own - 1 ? 1 : FADED;
                    return [colour[0] * share + 200 * (1 - share), colour[1] * share + 198 * (1 - share), colour[2] * share + 190 * (1 - share)];
                },
                layer,
            ),
        [copper, pixels, layer, net],
    );
    useEffect(() => {
        const stop = (event: KeyboardEvent) => {
            if (event.key === 'Escape') setPicking(null);
        };
        window.addEventListener('keydown', stop);
        return () => window.removeEventListener('keydown', stop);
    }, []);
    const area = areaOf(copper);
    const netAt = (x: number, y: number): number | null => {
        const pixel = pixelAt(copper, x, y);
        const own = pixel === null ? 0 : pixels.net[pixel + area * layer]!;
        return own === 0 ? null : own - 1;
    };
    const entry = copperOf(board.entry);
    const name = copper.layers[layer]!.name;
    const [piece, setPiece] = useState<number | null>(null);
    const drawing = useDrawing(board, name, setPiece);
    const add = ([x, y]: readonly [number, number]) => {
        if (picking === 'terminal') {
            const terminal = pickedTerminal(board.entry, name, [x, y]);
            setLit(terminal.name);
            quietly(
                board.editor.edit(`${board.name}: terminal ${terminal.name}`, (d) => {
                    const present = partEntry(d, board.entry.id);
                    return present ? withCurrentsOn(withPartFields(d, [present.id], withCopperTerminal(present, Infinity, terminal))) : d;
                }),
            );
        } else {
            const joins = copper.layers
                .filter((_one, n) => n === layer || pixels.net[pixelAt(copper, x, y)! + area * n] === (netAt(x, y) ?? -1) + 1)
                .map((one) => one.name);
            quietly(
                editPart(board, 'vias', (present) =>
                    withViaGroup(present, Infinity, pickedVias([x, y], VIA, joins.length > 1 ? joins : copper.layers.map((one) => one.name))),
                ),
            );
        }
        setPicking(null);
    };
    const under = hover === null ? null : netAt(...hover);
    const button = (what: Exclude<Picking, null>, label: string) => (
        <Button
            size="small"
            variant={picking === what ? 'contained' : 'outlined'}
            disabled={board.disabled}
            onClick={() => {
                drawing.begin(null);
                setPicking(picking === what ? null : what);
            }}
        >
            {picking === what ? 'Click a place on the copper' : label}
        </Button>
    );
    return (
        <Stack direction="row" sx={{ gap: 2, height: 'calc(100vh - 190px)', minHeight: 420 }}>
            <Stack sx={{ flex: 1, minWidth: 0, gap: 1 }}>
                <Stack direction="row" sx={{ justifyContent: 'space-between', flexWrap: 'wrap', gap: 1 }}>
                    <LayerSwitch
                        names={copper.layers.map((one) => one.name)}
                        layer={layer}
                        onLayer={(next) => {
                            setLayer(next);
                            setPiece(null);
                            drawing.begin(null);
                        }}
                    />
                    <Stack direction="row" sx={{ gap: 1 }}>
                        {button('terminal', 'Add a terminal')}
                        {button('vias', 'Add vias')}
                        <DrawButtons drawing={drawing} disabled={board.disabled || picking !== null} />
                        <Button size="small" color="inherit" disabled={sight.zoom === 1} onClick={() => setSight(wholeOf(copper))}>
                            Whole board
                        </Button>
                    </Stack>
                </Stack>
                <Box sx={{ flex: 1, minHeight: 0, border: 1, borderColor: 'divider', borderRadius: 1, overflow: 'hidden' }}>
                    <LayerPicture
                        label={`Nets on layer ${name}`}
                        raster={copper}
                        picture={picture}
                        arrows={drawing.kind === null ? pieceOutline(drawnOn(board.entry, name)[piece ?? -1]) : pathOf(drawing.points, hover)}
                        marks={[...holeMarks(copper.holes), ...terminalMarks(entry.terminals ?? [], name, lit)]}
                        sight={sight}
                        onSight={setSight}
                        onHover={setHover}
                        isPicking={picking !== null || drawing.kind !== null}
                        onPick={(at) => {
                            if (drawing.kind !== null) drawing.add(at);
                            else if (picking) add(at);
                            else setNet(netAt(...at));
                        }}
                    />
                </Box>
                <Typography variant="body2" color="text.secondary" sx={{ minHeight: 20 }}>
                    {hover
                        ? `${place(hover, board.units)} · ${under === null ? 'laminate' : copper.nets[under]!.name}`
                        : `${name}: ${Math.round(100 * copper.layers[layer]!.share)} % copper, ${copper.holes.length} plated holes, pixels of ${size([copper.size[0]!], board.units)}. Click copper to see its net.`}
                </Typography>
            </Stack>
            <Box sx={{ width: 380, overflowY: 'auto', pr: 0.5 }}>
                {copper.loose.length > 0 && (
                    <Alert severity="error" sx={{ mb: 1 }}>
                        On no copper: {copper.loose.join(', ')}. Move them onto a pad or a track.
                    </Alert>
                )}
                {copper.joined.map(([one, other]) => (
                    <Alert key={`${one} ${other}`} severity="warning" sx={{ mb: 1 }}>
                        {one} and {other} are one piece of copper: a short, or a gap narrower than a pixel.
                    </Alert>
                ))}
                <NetsTable nets={copper.nets} chosen={net} onChoose={setNet} />
                {obstacleOf(copper) === null && !isJoined(board.entry) && copper.nets.some(({ ready }) => ready) && (
                    <CornerCurrents key={revision.number} revision={revision} part={board.entry.id} />
                )}
                <CopperTerminals
                    board={board}
                    layers={copper.layers.map((one) => one.name)}
                    parts={partsOn(revision.outline.parts, board.entry)}
                    lit={lit}
                    onLit={setLit}
                />
                <DrawnCopper board={board} layer={name} lit={piece} onLit={setPiece} />
                <ViaGroups board={board} layers={copper.layers.map((one) => one.name)} />
            </Box>
        </Stack>
    );
}
