import { useEffect, useMemo } from 'react';
import type { Plane } from 'three';
import { boxGeometry } from '../geometry';
import type { Box } from '../../model/box';
import type { SidesLayer } from '../shown/shown';
import type { Picture } from './picture';
import { useFieldMaterial } from './useFieldMaterial';

/** Of the space, so that its sides show the cells beside them. */
const INSIDE = 1e-4;

/** The far sides of the space, coloured by the cells beside them. */
export function Sides({ layer, box, picture, clips }: { layer: SidesLayer; box: Box; picture: Picture | null; clips: Plane[] }) {
    const geometry = useMemo(() => {
        const inset = box.max.map((m, n) => INSIDE * (m - box.min[n]!));
        return boxGeometry(
            box.min.map((m, n) => m + inset[n]!),
            box.max.map((m, n) => m - inset[n]!),
        );
    }, [box]);
    useEffect(() => () => geometry.dispose(), [geometry]);
    const material = useFieldMaterial(picture, layer.field, 'back', false, clips);
    if (!material) return null;
    return <mesh geometry={geometry} material={material} raycast={() => undefined} />;
}
