import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMemo, useState } from 'react';
import { useFieldBytes } from '../api/queries';
import type { BoardCurrents } from '../api/types';
import { editPart, type ShapeProps } from '../inspector/ShapeField';
import { pickedVias, withViaGroup } from '../model/copper';
import { quietly } from '../model/partCommands';
import { usePreferences } from '../state/screen';
import { TitledDialog } from '../theme/TitledDialog';
import { number, place, temperatureNumber, temperatureUnit, watts } from '../units/units';
import { gradientOf } from '../view/fields/palettes';
import { scaleOf, valueAt, type Scale } from '../view/fields/scale';
import { LayerPicture, wholeOf, type Sight } from './LayerPicture';
import { LayerSwitch } from './LayerSwitch';
import { NetResults } from './NetResults';
import { areaOf, coloursOf, extremes, pictureOf, pixelAt, type Raster } from './raster';
import { arrowsOf, pathOf } from './arrows';
import { joinedLayers } from './joinedLayers';
import { ViaResults } from './ViaResults';

const quantities = {
    CurrentDensity: { title: 'Current density', unit: 'A/mm²', of: (value: number) => 1e-6 * value },
    Potential: { title: 'Potential', unit: 'V', of: (value: number) => value },
    JouleHeat: { title: 'Joule heat', unit: 'W/cm²', of: (value: number) => value },
    Temperature: { title: 'Temperature', unit: '', of: (value: number) => value },
} as const;
type Quantity = keyof typeof quantities;

/** Decades of a logarithmic scale below the greatest value. */
const DECADES = 3;

interface Props {
    /** Which of the boards of the result. */
    number: number;
    currents: BoardCurrents;
    run: number;
    picture: number;
    board: ShapeProps;
    onClose: () => void;
}

/** Currents in the copper of a board, layer by layer, with the temperature beside them; its nets and vias, the worst first. */
export default function CurrentsDialog({ number: which, currents, run, picture, board, onClose }: Props) {
    const bytes = useFieldBytes(
        run,
        picture,
        [...Object.keys(quantities), 'Net'].map((name) => `board${which}${name}`),
    );
    const fields = useMemo(() => {
        const found = bytes.map((one) => one && new Float32Array(one));
        return found.every((one) => one !== undefined) ? found : null;
    }, [bytes]);
    return (
        <TitledDialog title={`Currents in ${currents.name}`} maxWidth="xl" fullWidth onClose={onClose}>
            {fields ? (
                <Currents
                    currents={currents}
                    fields={{ CurrentDensity: fields[0]!, Potential: fields[1]!, JouleHeat: fields[2]!, Temperature: fields[3]! }}
                    nets={fields[4]!}
                    board={board}
                    onClose={onClose}
                />
            ) : (
                <Typography sx={{ py: 8, textAlign: 'center' }}>Fetching the currents…</Typography>
            )}
        </TitledDialog>
    );
}

type Fields = Record<Quantity, Float32Array>;

function Currents({
    currents,
    fields,
    nets,
    board,
    onClose,
}: {
    currents: BoardCurrents;
    fields: Fields;
    nets: Float32Array;
    board: ShapeProps;
    onClose: () => void;
}) {
    const units = usePreferences((s) => s.units);
    const [layer, setLayer] = useState(currents.layers.length - 1);
    const [quantity, setQuantity] = useState<Exclude<Quantity, 'Temperature'>>('CurrentDensity');
    const [isLogarithmic, setLogarithmic] = useState(true);
    const [hasArrows, setArrows] = useState(true);
    const [sight, setSight] = useState<Sight>(() => wholeOf(currents));
    const [hover, setHover] = useState<readonly [number, number] | null>(null);
    const [lit, setLit] = useState<number | null>(null);
    const pixel = hover === null ? null : pixelAt(currents, ...hover);
    const via = lit === null ? undefined : currents.vias[lit];
    const marks = via ? [{ key: 'via', at: via.at, size: [via.hole, via.hole], isRound: true, title: '', isLit: true }] : [];
    const arrows = useMemo(
        () => (hasArrows ? pathOf(arrowsOf(currents, fields.Potential, fields.CurrentDensity, layer, sight)) : undefined),
        [hasArrows, currents, fields, layer, sight],
    );
    const shared = { raster: currents, layer, sight, setSight, setHover, marks };
    const show = (n: number | null) => {
        setLit(n);
        const chosen = n === null ? undefined : currents.vias[n];
        if (chosen) setSight({ x: chosen.at[0]!, y: chosen.at[1]!, zoom: Math.max(sight.zoom, 4) });
    };
    const moreVias = (n: number) => {
        const { at, hole } = currents.vias[n]!;
        const joins = joinedLayers(currents, nets, currents.vias[n]!);
        quietly(
            editPart(board, `vias beside ${place(at, units)}`, (entry) =>
                withViaGroup(entry, Infinity, pickedVias([at[0]! + 4 * hole, at[1]!], hole, joins)),
            ).then(onClose),
        );
    };
    return (
        <Stack sx={{ gap: 1, height: 'calc(100vh - 190px)', minHeight: 460 }}>
            <Stack direction="row" sx={{ gap: 2, alignItems: 'center', flexWrap: 'wrap', pt: 1 }}>
                <LayerSwitch names={currents.layers.map(({ name }) => name)} layer={layer} onLayer={setLayer} />
                <TextField
                    select
                    size="small"
                    label="Left picture"
                    value={quantity}
                    onChange={(event) => setQuantity(event.target.value as typeof quantity)}
                    sx={{ width: 170 }}
                >
                    {(['CurrentDensity', 'Potential', 'JouleHeat'] as const).map((one) => (
                        <MenuItem key={one} value={one}>
                            {quantities[one].title}
                        </MenuItem>
                    ))}
                </TextField>
                {quantity !== 'Potential' && (
                    <Button
                        size="small"
                        color="inherit"
                        variant={isLogarithmic ? 'outlined' : 'text'}
                        aria-pressed={isLogarithmic}
                        onClick={() => setLogarithmic(!isLogarithmic)}
                    >
                        Logarithmic
                    </Button>
                )}
                <Button size="small" color="inherit" variant={hasArrows ? 'outlined' : 'text'} aria-pressed={hasArrows} onClick={() => setArrows(!hasArrows)}>
                    Arrows
                </Button>
                <Button size="small" color="inherit" disabled={sight.zoom === 1} onClick={() => setSight(wholeOf(currents))}>
                    Whole board
                </Button>
                <Typography variant="body2" color="text.secondary" sx={{ ml: 'auto' }}>
                    {watts(currents.power)} W in the copper
                </Typography>
            </Stack>
            <Stack direction="row" sx={{ gap: 1.5, flex: 1.2, minHeight: 0 }}>
                <Seen
                    {...shared}
                    arrows={arrows}
                    quantity={quantity}
                    values={fields[quantity]}
                    isLogarithmic={isLogarithmic && quantity !== 'Potential'}
                    pixel={pixel}
                />
                <Seen {...shared} quantity="Temperature" values={fields.Temperature} isLogarithmic={false} pixel={pixel} />
            </Stack>
            <Stack direction="row" sx={{ gap: 2, flex: 1, minHeight: 0 }}>
                <Box role="region" aria-label="Nets, layers and terminals" tabIndex={0} sx={{ flex: 1, overflowY: 'auto' }}>
                    <NetResults currents={currents} />
                </Box>
                <Box role="region" aria-label="Vias" tabIndex={0} sx={{ flex: 1.15, overflowY: 'auto' }}>
                    <ViaResults vias={currents.vias} lit={lit} onLit={show} onMore={board.disabled ? undefined : moreVias} />
                </Box>
            </Stack>
        </Stack>
    );
}

interface SeenProps {
    raster: Raster;
    layer: number;
    sight: Sight;
    setSight: (sight: Sight) => void;
    setHover: (place: readonly [number, number] | null) => void;
    marks: Parameters<typeof LayerPicture>[0]['marks'];
    /** A path of arrows. */
    arrows?: string | undefined;
    quantity: Quantity;
    values: Float32Array;
    isLogarithmic: boolean;
    /** Under the pointer in any of the pictures. */
    pixel: number | null;
}

/** One quantity on a layer, with its scale; all layers have one scale. */
function Seen({ raster, layer, sight, setSight, setHover, marks, arrows, quantity, values, isLogarithmic, pixel }: SeenProps) {
    const units = usePreferences((s) => s.units);
    const { title, unit, of } = quantities[quantity];
    const area = areaOf(raster);
    const scale = useMemo((): Scale => {
        const shown = extremes(values, 0, values.length, isLogarithmic);
        const min = isLogarithmic && shown ? Math.max(shown.min, shown.max / 10 ** DECADES) : (shown?.min ?? 0);
        return scaleOf({ min, max: shown?.max ?? null, bands: 0, logarithmic: isLogarithmic }, shown);
    }, [values, isLogarithmic]);
    const picture = useMemo(() => {
        const colour = coloursOf('heat', scale);
        return pictureOf(raster, (at) => colour(values[at]!), layer);
    }, [raster, values, layer, scale]);
    // Heat of a pixel over its area, W/cm2.
    const perArea = 1e-4 / (raster.size[0]! * raster.size[1]!);
    const shownUnit = quantity === 'Temperature' ? temperatureUnit(units) : unit;
    const told = (value: number): string => {
        const shown = quantity === 'Temperature' ? temperatureNumber(value, units) : quantity === 'JouleHeat' ? value * perArea : of(value);
        return Math.abs(shown) >= 10 ? number(shown, 1) : Number(shown.toPrecision(3)).toString();
    };
    const value = pixel === null ? NaN : values[pixel + area * layer]!;
    return (
        <Stack sx={{ flex: 1, minWidth: 0, border: 1, borderColor: 'divider', borderRadius: 1, overflow: 'hidden' }}>
            <Box sx={{ flex: 1, minHeight: 0 }}>
                <LayerPicture
                    label={`${title} on a layer`}
                    raster={raster}
                    picture={picture}
                    marks={marks}
                    arrows={arrows}
                    sight={sight}
                    onSight={setSight}
                    onHover={setHover}
                />
            </Box>
            <Stack direction="row" sx={{ alignItems: 'center', gap: 1, px: 1, py: 0.5, borderTop: 1, borderColor: 'divider', fontSize: 12.5 }}>
                <Box component="span" sx={{ fontWeight: 600 }}>
                    {title}
                </Box>
                <Box component="span" sx={{ minWidth: 96, color: 'text.secondary' }}>
                    {Number.isNaN(value) ? '' : `here ${told(value)} ${shownUnit}`}
                </Box>
                <Box component="span" sx={{ ml: 'auto' }}>
                    {told(valueAt(0, scale))}
                </Box>
                <Box sx={{ width: 120, height: 10, borderRadius: 0.5, background: gradientOf('heat') }} />
                <Box component="span">
                    {told(valueAt(1, scale))} {shownUnit}
                </Box>
            </Stack>
        </Stack>
    );
}
