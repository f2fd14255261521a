import { useEffect, useMemo } from 'react';
import type { Plane, ShaderMaterial } from 'three';
import { fieldKinds, type FieldName } from '../fields/catalogue';
import { applyScale, fieldMaterial, type Side } from '../fields/fieldMaterial';
import type { Picture } from './picture';

/** A material that shows a field of whatever lies at a place, with its scale as it is now; nothing while the field has not come. */
export function useFieldMaterial(picture: Picture | null, field: FieldName | null, side: Side, shaded: boolean, clips: Plane[]): ShaderMaterial | null {
    const textures = field ? picture?.textures.get(field) : undefined;
    const scale = field ? picture?.scales.get(field) : undefined;
    const material = useMemo(() => (textures ? fieldMaterial(textures, { side, shaded, clips }) : null), [textures, side, shaded, clips]);
    useEffect(() => () => material?.dispose(), [material]);
    // While rendering, so that no frame is drawn with the scale of before.
    if (material && field && scale) applyScale(material, fieldKinds[field].palette, scale);
    return material;
}
