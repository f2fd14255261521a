import Add from '@mui/icons-material/Add';
import DeleteOutlined from '@mui/icons-material/DeleteOutlined';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { typicalFans } from '../model/typical';
import { Typical } from './ShapeFields';
import { lengthUnit, plainNumber, typed } from '../units/units';
import { FanCurve } from './FanCurve';
import { TimedField } from '../time/TimedField';
import { Chapter } from './Chapter';
import { ChoiceField } from './ChoiceField';
import { EditField } from './EditField';
import { editShape, PlaceFields, replaced, ShapeField, shapeFields, SizeFields, type ShapeProps } from './ShapeField';

const directions = {
    'x+': 'Direction +x',
    'x-': 'Direction −x',
    'y+': 'Direction +y',
    'y-': 'Direction −y',
    'z+': 'Direction +z',
    'z-': 'Direction −z',
} as const;
const normals = { x: 'Across x', y: 'Across y', z: 'Across z' } as const;

const holes = {
    thin: 'Sharp edges, thin plate',
    round: 'Round, in a thick plate',
    square: 'Square, in a thick plate',
    slot: 'Slots in a thick plate',
    wire: 'Net of wires',
} as const;

const isThick = (kind: unknown): boolean => kind === 'round' || kind === 'square' || kind === 'slot';

/** What a kind of holes needs besides the free area. */
const holesOf = (kind: keyof typeof holes, shape: Record<string, unknown>): Record<string, unknown> => ({
    holes: kind,
    holeSize: isThick(kind) ? (shape.holeSize ?? '3 mm') : undefined,
    thickness: isThick(kind) ? (shape.thickness ?? '1 mm') : undefined,
});

type Pair = [string | number, string | number];

const flowUnits = { 'l/s': 1e-3, 'm^3/s': 1, 'm^3/h': 1 / 3600, 'l/min': 1e-3 / 60 };

interface Props extends ShapeProps {
    /** Whether its curve is shown elsewhere, with the operating point on it. */
    works?: boolean;
}

/** Size, place, direction and curve of a fan; size, place and loss of a screen. */
export function DeviceFields({ works = false, ...props }: Props) {
    const { units, disabled } = props;
    const shape = shapeFields(props.entry);
    const setShape = (label: string, fields: Record<string, unknown>) => editShape(props, label, fields);
    const field = (key: string, label: string, unit: string, hint?: string) => (
        <ShapeField key={key} shape={props} field={key} label={label} unit={unit} hint={hint} />
    );
    const curve = (shape.curve as Pair[] | undefined) ?? [];
    const points = curve.map(([flow, rise]) => [plainNumber(flow, flowUnits), plainNumber(rise, { Pa: 1, kPa: 1e3 })]);
    const drawn = points.every((point): point is [number, number] => !point.includes(null)) ? points : null;
    const setCurve = (label: string, to: (curve: Pair[]) => Pair[]) =>
        editShape(props, label, (present) => ({ curve: to((present.curve as Pair[] | undefined) ?? []) }));
    return (
        <>
            {shape.kind === 'fan' ? (
                <ChoiceField
                    label="Direction"
                    value={shape.direction as keyof typeof directions}
                    choices={directions}
                    disabled={disabled}
                    save={(direction) => setShape(directions[direction].toLowerCase(), { direction })}
                />
            ) : (
                <ChoiceField
                    label="Plane"
                    value={(shape.normal as keyof typeof normals | undefined) ?? 'x'}
                    choices={normals}
                    disabled={disabled}
                    save={(normal) => setShape(normals[normal].toLowerCase(), { normal })}
                />
            )}
            {shape.kind === 'fan' && shape.diameter !== undefined && <Typical shape={props} label="Typical fan" typical={typicalFans} />}
            {shape.diameter !== undefined && field('diameter', 'Diameter', lengthUnit(units))}
            {shape.size !== undefined && <SizeFields shape={props} labels={['Width', 'Height']} />}
            <PlaceFields shape={props} />
            {shape.kind === 'screen' && shape.freeArea === undefined && field('lossCoefficient', 'Loss coefficient', '')}
            {shape.kind === 'screen' && shape.freeArea !== undefined && (
                <>
                    {field('freeArea', 'Free area, share', '')}
                    <ChoiceField
                        label="Holes"
                        value={(shape.holes as keyof typeof holes | undefined) ?? 'thin'}
                        choices={holes}
                        disabled={disabled}
                        save={(choice) => setShape(`holes: ${holes[choice].toLowerCase()}`, holesOf(choice, shape))}
                    />
                    {isThick(shape.holes) && (
                        <Stack direction="row" sx={{ gap: 1 }}>
                            {field('holeSize', shape.holes === 'slot' ? 'Slot width' : 'Hole size', lengthUnit(units))}
                            {field('thickness', 'Thickness', lengthUnit(units))}
                        </Stack>
                    )}
                </>
            )}
            {shape.kind === 'fan' && (
                <>
                    <TimedField
                        label="Speed"
                        name={props.name}
                        hint="1"
                        value={shape.speedFactor}
                        unit=""
                        sensed
                        disabled={disabled}
                        save={(text, load) => setShape(`speed ${text}`, { speedFactor: load })}
                    />
                    <Stack direction="row" sx={{ gap: 1 }}>
                        {field('hub', 'Hub', '', '0')}
                        {field('swirl', 'Swirl', '', '0')}
                    </Stack>
                    <Typography variant="body2" color="text.secondary" sx={{ mt: -0.5 }}>
                        As shares of full speed, of the diameter, and of the speed through it.
                    </Typography>
                    <Chapter title="Curve: flow and pressure rise" fields>
                        {field('curveDensity', 'Measured in air of', 'kg/m^3', 'as it is here')}
                        {drawn && drawn.length > 1 && !works && <FanCurve curve={drawn} />}
                        {curve.map((row, n) => (
                            <Stack key={n} direction="row" sx={{ gap: 0.75, alignItems: 'start' }}>
                                {[0, 1].map((column) => (
                                    <EditField
                                        key={column}
                                        label={column === 0 ? 'Flow' : 'Rise'}
                                        value={String(row[column as 0 | 1])}
                                        disabled={disabled}
                                        save={(text) =>
                                            setCurve(`curve point ${n + 1}`, (present) =>
                                                replaced(present, n, replaced(present[n]!, column, typed(text, column === 0 ? 'l/s' : 'Pa')) as Pair),
                                            )
                                        }
                                    />
                                ))}
                                <IconButton
                                    size="small"
                                    aria-label={`Remove curve point ${n + 1}`}
                                    disabled={disabled || curve.length <= 2}
                                    onClick={() =>
                                        void setCurve(`without curve point ${n + 1}`, (present) => present.filter((_r, i) => i !== n)).catch(() => undefined)
                                    }
                                >
                                    <DeleteOutlined fontSize="small" />
                                </IconButton>
                            </Stack>
                        ))}
                        <Box>
                            <Button
                                size="small"
                                color="inherit"
                                startIcon={<Add fontSize="small" />}
                                disabled={disabled}
                                onClick={() =>
                                    void setCurve('another curve point', (present) => [
                                        ...present,
                                        [`1.25 * (${String(present.at(-1)?.[0] ?? '1 l/s')})`, '0 Pa'],
                                    ]).catch(() => undefined)
                                }
                            >
                                Point
                            </Button>
                        </Box>
                    </Chapter>
                </>
            )}
        </>
    );
}
