import ContentCopy from '@mui/icons-material/ContentCopy';
import DeleteOutlined from '@mui/icons-material/DeleteOutlined';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { Material } from '../api/types';
import { Chapter, Line } from '../inspector/Chapter';
import { EditField } from '../inspector/EditField';
import { conductivityFrom, conductivityText, resistivityOf, withMaterialProperty, withOwnCopy, withoutMaterial, type OwnMaterial } from '../model/materials';
import type { ModelEditor } from '../model/useModelEditor';
import { Lines, plain } from '../charts/Lines';
import { textOf } from '../model/text';

interface Props {
    material: Material;
    /** As the project has it; undefined for one of the library. */
    own: OwnMaterial | undefined;
    uses: number;
    editor: ModelEditor;
    mayEdit: boolean;
    onCopied: (id: string) => void;
    onRemoved: () => void;
}

/** Values with their source, the conductivity over temperature, and for own materials the fields to change them. */
export function MaterialDetail({ material, own, uses, editor, mayEdit, onCopied, onRemoved }: Props) {
    const values: [string, number | null, string][] = [
        ['Density', material.density, 'kg/m³'],
        ['Specific heat', material.specificHeat, 'J/kg/K'],
        ['Emissivity', material.emissivity, ''],
        ['Viscosity', material.viscosity, 'Pa s'],
        ['Expansion', material.expansion === null ? null : material.expansion * 1e6, 'µm/m/K'],
        ['Resistivity', resistivityOf(material), 'ohm m'],
        ['Melts at', material.melting === null ? null : material.melting - 273.15, '°C'],
    ];
    const copy = () => {
        let id = '';
        editor
            .edit(`Own material from ${material.title}`, (d) => {
                const copied = withOwnCopy(d, material);
                id = copied.id;
                return copied.document;
            })
            .then(
                () => onCopied(id),
                () => undefined,
            );
    };
    const curve = material.conductivityByTemperature;
    return (
        <>
            <Typography component="h3" sx={{ fontWeight: 650, fontSize: 15 }}>
                {material.title}
            </Typography>
            <Typography variant="body2" color="text.secondary">
                {material.source}
                {uses > 0 && ` · used ${uses === 1 ? 'once' : `${uses} times`}`}
            </Typography>
            {own ? (
                <OwnFields id={material.id} own={own} editor={editor} mayEdit={mayEdit} />
            ) : (
                <Chapter title="At 300 K">
                    <Line label="Conductivity">
                        {[...new Set(material.conductivity)].length === 1
                            ? Number(material.conductivity[0]!.toPrecision(4))
                            : material.conductivity.map((k) => Number(k.toPrecision(4))).join(', ')}{' '}
                        W/m/K
                    </Line>
                    {values
                        .filter(([, value]) => value !== null)
                        .map(([label, value, unit]) => (
                            <Line key={label} label={label}>
                                {Number(value!.toPrecision(4))} {unit}
                            </Line>
                        ))}
                </Chapter>
            )}
            {curve && (
                <Lines
                    label={`Conductivity of ${material.title}`}
                    height={170}
                    x={{ title: 'K', format: plain, min: curve[0]![0]!, max: curve.at(-1)![0]! }}
                    y={{ title: 'W/m/K', format: plain }}
                    series={[{ name: 'conductivity', points: curve.map(([t, k]) => ({ x: t!, y: k! })) }]}
                />
            )}
            <Button size="small" color="inherit" startIcon={<ContentCopy fontSize="small" />} disabled={!mayEdit} onClick={copy} sx={{ mt: 1 }}>
                Copy to edit
            </Button>
            {own && (
                <Button
                    size="small"
                    color="inherit"
                    startIcon={<DeleteOutlined fontSize="small" />}
                    disabled={!mayEdit || uses > 0}
                    title={uses > 0 ? 'In use: it cannot be removed' : undefined}
                    onClick={() =>
                        void editor.edit(`Remove material ${material.title}`, (d) => withoutMaterial(d, material.id)).then(onRemoved, () => undefined)
                    }
                    sx={{ mt: 1 }}
                >
                    Remove
                </Button>
            )}
        </>
    );
}

function OwnFields({ id, own, editor, mayEdit }: { id: string; own: OwnMaterial; editor: ModelEditor; mayEdit: boolean }) {
    const field = (property: string, label: string, unit = '') => (
        <EditField
            label={unit ? `${label}, ${unit}` : label}
            value={textOf(own[property])}
            disabled={!mayEdit}
            save={(text) =>
                editor.edit(`${own.title ?? id}: ${label.toLowerCase()} ${text || 'not given'}`, (d) =>
                    withMaterialProperty(
                        d,
                        id,
                        property,
                        text === '' ? undefined : Number.isFinite(Number(text)) && property !== 'title' ? Number(text) : text,
                    ),
                )
            }
        />
    );
    const conductivity = conductivityText(own.conductivity);
    return (
        <Chapter title="Of this project" fields>
            {field('title', 'Title')}
            {conductivity === null ? (
                <Typography variant="body2" sx={{ mb: 1.25 }}>
                    Its conductivity is a table over temperature.
                </Typography>
            ) : (
                <EditField
                    label="Conductivity, W/m/K, or three for x, y, z"
                    value={conductivity}
                    disabled={!mayEdit}
                    save={(text) =>
                        editor.edit(`${own.title ?? id}: conductivity ${text}`, (d) => withMaterialProperty(d, id, 'conductivity', conductivityFrom(text)))
                    }
                />
            )}
            {field('density', 'Density', 'kg/m³')}
            {field('specificHeat', 'Specific heat', 'J/kg/K')}
            {own.fluid ? (
                <>
                    {own.consistency === undefined && field('viscosity', 'Viscosity', 'Pa s')}
                    {own.viscosity === undefined && (
                        <>
                            {field('consistency', 'Power law: consistency', 'Pa sⁿ')}
                            {field('index', 'Power law: index')}
                        </>
                    )}
                </>
            ) : (
                field('emissivity', 'Emissivity')
            )}
            {field('expansion', 'Expansion', '1/K')}
            {field('melting', 'Melts at', 'degC')}
            {!own.fluid &&
                (typeof own.resistivity === 'object' ? (
                    <Typography variant="body2" sx={{ mb: 1.25 }}>
                        Its resistivity follows the temperature.
                    </Typography>
                ) : (
                    field('resistivity', 'Resistivity', 'ohm m')
                ))}
            {field('source', 'Source')}
        </Chapter>
    );
}
