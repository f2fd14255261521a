import { useQuery } from '@tanstack/react-query';
import type { ThreeEvent } from '@react-three/fiber';
import { useEffect, useMemo } from 'react';
import { BufferAttribute, BufferGeometry, DoubleSide, type Plane } from 'three';
import { mergeVertices } from 'three/examples/jsm/utils/BufferGeometryUtils.js';
import { isosurfaceQuery } from '../../api/queries';
import { fieldKinds, type FieldName } from '../fields/catalogue';
import { cssAt } from '../fields/palettes';
import { shareOf } from '../fields/scale';
import type { IsosurfaceLayer } from '../shown/shown';
import type { Picture } from './picture';
import { useFieldMaterial } from './useFieldMaterial';

interface Props {
    layer: IsosurfaceLayer;
    picture: Picture | null;
    clips: Plane[];
    onHover: ((field: FieldName, event: ThreeEvent<PointerEvent>) => void) | undefined;
    onLeave: (() => void) | undefined;
}

/** Where a field has a value, in the colour of that value or of another field. */
export function Isosurface({ layer, picture, clips, onHover, onLeave }: Props) {
    const { file } = fieldKinds[layer.field];
    const bytes = useQuery(isosurfaceQuery(picture?.run, picture?.number ?? 0, file, layer.value, layer.in)).data;
    const geometry = useMemo(() => {
        if (!bytes || bytes.byteLength === 0) return null;
        const triangles = new BufferGeometry().setAttribute('position', new BufferAttribute(new Float32Array(bytes), 3));
        const merged = mergeVertices(triangles, 1e-7);
        merged.computeVertexNormals();
        triangles.dispose();
        return merged;
    }, [bytes]);
    useEffect(() => () => geometry?.dispose(), [geometry]);
    const shown = layer.colour ?? layer.field;
    const scale = picture?.scales.get(shown);
    const material = useFieldMaterial(picture, layer.colour, 'both', true, clips);
    if (!geometry || !scale) return null;
    const handlers = { onPointerMove: onHover && ((event: ThreeEvent<PointerEvent>) => onHover(shown, event)), onPointerOut: onLeave };
    return material ? (
        <mesh key="field" geometry={geometry} material={material} {...handlers} />
    ) : (
        <mesh key="plain" geometry={geometry} {...handlers}>
            <meshLambertMaterial color={cssAt(fieldKinds[shown].palette, shareOf(layer.value, scale))} side={DoubleSide} clippingPlanes={clips} />
        </mesh>
    );
}
