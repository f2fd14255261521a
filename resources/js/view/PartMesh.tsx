import { memo, useEffect, useMemo } from 'react';
import { BackSide, FrontSide, type Plane, type ShaderMaterial } from 'three';
import type { ThreeEvent } from '@react-three/fiber';
import type { OutlinePart } from '../api/types';
import { colourOf } from './colours';
import { fieldMaterial, ofPart, type FieldTextures } from './fieldMaterial';
import { edgeGeometry, partGeometry } from './geometry';

/** Walls of a box are seen through, so that a cold, dark housing does not drown what it holds. */
const HOUSING_OPACITY = 0.35;

/** The two materials that all parts of a picture share: solid ones, and hollow ones, which are seen from inside. */
export interface PartMaterials {
    solid: ShaderMaterial;
    hollow: ShaderMaterial;
}

export function usePartMaterials(textures: FieldTextures | null, clip: Plane | null): PartMaterials | null {
    const materials = useMemo(
        () =>
            textures
                ? {
                      solid: fieldMaterial(textures, { side: 'front', clip }),
                      hollow: fieldMaterial(textures, { side: 'back', clip, shade: 0.25, opacity: HOUSING_OPACITY }),
                  }
                : null,
        [textures, clip],
    );
    useEffect(
        () => () => {
            materials?.solid.dispose();
            materials?.hollow.dispose();
        },
        [materials],
    );
    return materials;
}

interface Props {
    part: OutlinePart;
    /** Whether its walls are seen through, since it holds others. */
    hollow: boolean;
    /** How far it is dragged, m. */
    shift: [number, number, number] | undefined;
    materials: PartMaterials | null;
    /** Its number among the owners of the cells. */
    owner: number;
    selected: boolean;
    clip: Plane | null;
    dark: boolean;
    onPick: (part: OutlinePart, event: ThreeEvent<MouseEvent>) => void;
    onHover: ((part: OutlinePart, event: ThreeEvent<PointerEvent>) => void) | undefined;
    onLeave: (() => void) | undefined;
}

/** A part, coloured by the field where there is one, else by what it is. */
export const PartMesh = memo(function PartMesh({ part, hollow, shift, materials, owner, selected, clip, dark, onPick, onHover, onLeave }: Props) {
    const geometry = useMemo(() => partGeometry(part), [part]);
    const edges = useMemo(() => edgeGeometry(geometry), [geometry]);
    useEffect(() => () => geometry.dispose(), [geometry]);
    useEffect(() => () => edges.dispose(), [edges]);
    const planes = clip ? [clip] : [];
    const handlers = {
        onClick: (event: ThreeEvent<MouseEvent>) => onPick(part, event),
        onPointerMove: onHover && ((event: ThreeEvent<PointerEvent>) => onHover(part, event)),
        onPointerOut: onLeave,
    };
    const material = materials && (hollow ? materials.hollow : materials.solid);
    return (
        <group position={shift ?? [0, 0, 0]}>
            {material ? (
                <mesh
                    key="field"
                    userData={{ part: part.id }}
                    geometry={geometry}
                    material={material}
                    onBeforeRender={() => ofPart(material, owner, selected)}
                    {...handlers}
                />
            ) : (
                <mesh key="plain" userData={{ part: part.id }} geometry={geometry} {...handlers}>
                    <meshLambertMaterial color={selected ? '#f0a03c' : colourOf(part)} side={hollow ? BackSide : FrontSide} clippingPlanes={planes} />
                </mesh>
            )}
            <lineSegments geometry={edges} renderOrder={selected ? 2 : 0}>
                <lineBasicMaterial
                    color={selected ? (dark ? '#ffc46b' : '#8a4b00') : dark ? '#9aa5ab' : '#3b4146'}
                    transparent={!selected}
                    opacity={selected ? 1 : 0.45}
                    clippingPlanes={planes}
                />
            </lineSegments>
        </group>
    );
});
