import { useEffect, useMemo } from 'react';
import type { Plane } from 'three';
import { fieldKinds } from '../fields/catalogue';
import { applyScale, fieldMaterial } from '../fields/fieldMaterial';
import { boxGeometry } from '../geometry';
import type { Bounds } from '../shown/planes';
import type { SidesLayer } from '../shown/shown';
import type { Picture } from './picture';

/** Of the space, so that its sides show the cells beside them. */
const INSIDE = 1e-4;

/** The far sides of the space, coloured by the cells beside them. */
export function Sides({ layer, box, picture, clips }: { layer: SidesLayer; box: Bounds; picture: Picture | null; clips: Plane[] }) {
    const textures = layer.field ? picture?.textures.get(layer.field) : undefined;
    const scale = layer.field ? picture?.scales.get(layer.field) : undefined;
    const geometry = useMemo(() => {
        const inset = box.max.map((m, n) => INSIDE * (m - box.min[n]!));
        return boxGeometry(
            box.min.map((m, n) => m + inset[n]!),
            box.max.map((m, n) => m - inset[n]!),
        );
    }, [box]);
    useEffect(() => () => geometry.dispose(), [geometry]);
    const material = useMemo(() => (textures ? fieldMaterial(textures, { side: 'back', shaded: false, clips }) : null), [textures, clips]);
    useEffect(() => () => material?.dispose(), [material]);
    if (!material || !layer.field || !scale) return null;
    applyScale(material, fieldKinds[layer.field].palette, scale);
    return <mesh geometry={geometry} material={material} raycast={() => undefined} />;
}
