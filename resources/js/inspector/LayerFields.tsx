import Add from '@mui/icons-material/Add';
import DeleteOutlined from '@mui/icons-material/DeleteOutlined';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import Stack from '@mui/material/Stack';
import { boardLayers, type Length } from '../model/parts';
import { lengthUnit, typed } from '../units/units';
import { Chapter } from './Chapter';
import { ChoiceField } from './ChoiceField';
import { EditField } from './EditField';
import { editShape, replaced, shapeFields, type ShapeProps } from './ShapeField';

interface Layer {
    thickness: Length;
    copper?: Length;
    name?: string;
    artwork?: string;
    [field: string]: unknown;
}

const presets = {
    own: 'As below',
    '1': '1 copper layer',
    '2': '2 copper layers',
    '4': '4 copper layers',
    '6': '6 copper layers',
    '8': '8 copper layers',
} as const;

/** "40 %" or 0.4 as the share that the model has. */
const asShare = (text: string): Length => {
    const percent = /^(\d*\.?\d+)\s*%$/.exec(text.trim());
    return percent ? Number((Number(percent[1]) / 100).toPrecision(6)) : /^\d*\.?\d+$/.test(text.trim()) ? Number(text) : text;
};

/** The layers of a board from its lower face up: thickness and the share of copper in each. */
export function LayerFields({ shape }: { shape: ShapeProps }) {
    const layers = (shapeFields(shape.entry).layers as Layer[] | undefined) ?? [];
    const set = (label: string, to: (layers: Layer[]) => Layer[]) =>
        editShape(shape, label, (present) => ({ layers: to((present.layers as Layer[] | undefined) ?? []) }));
    const setLayer = (n: number, label: string, fields: Partial<Layer>) =>
        set(`layer ${n + 1} ${label}`, (present) => replaced(present, n, { ...present[n]!, ...fields }));
    const unit = lengthUnit(shape.units);
    return (
        <Chapter title="Layers, from below" fields>
            <ChoiceField
                label="Common stack"
                value="own"
                choices={presets}
                disabled={shape.disabled}
                save={(choice) => (choice === 'own' ? Promise.resolve() : set(presets[choice], () => boardLayers(Number(choice))))}
            />
            {layers.map((layer, n) => (
                <Stack key={n} direction="row" sx={{ gap: 0.75, alignItems: 'start' }}>
                    <EditField
                        label={layer.artwork === undefined ? 'Thickness' : `${layer.name ?? `Layer ${n + 1}`}, artwork`}
                        value={String(layer.thickness)}
                        disabled={shape.disabled}
                        save={(text) => setLayer(n, `thickness ${typed(text, unit)}`, { thickness: typed(text, unit) })}
                    />
                    <Box sx={{ flex: '0 0 84px' }}>
                        <EditField
                            label="Copper"
                            value={typeof layer.copper === 'string' ? layer.copper : `${Number((100 * (layer.copper ?? 0)).toPrecision(6))} %`}
                            disabled={shape.disabled}
                            save={(text) => setLayer(n, `copper ${text}`, { copper: asShare(text) })}
                        />
                    </Box>
                    <IconButton
                        size="small"
                        aria-label={`Remove layer ${n + 1}`}
                        disabled={shape.disabled || layers.length <= 1}
                        onClick={() => void set(`without layer ${n + 1}`, (present) => present.filter((_l, i) => i !== n)).catch(() => undefined)}
                    >
                        <DeleteOutlined fontSize="small" />
                    </IconButton>
                </Stack>
            ))}
            <Button
                size="small"
                color="inherit"
                startIcon={<Add fontSize="small" />}
                disabled={shape.disabled}
                onClick={() => void set('another layer', (present) => [...present, { thickness: '0.035 mm', copper: 0.5 }]).catch(() => undefined)}
            >
                Layer
            </Button>
        </Chapter>
    );
}
