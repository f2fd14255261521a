import type { ThreeEvent } from '@react-three/fiber';
import { memo, useEffect, useMemo } from 'react';
import { BackSide, FrontSide, type BufferGeometry, type Plane, type ShaderMaterial } from 'three';
import type { OutlinePart } from '../../api/types';
import { colourOf } from '../colours';
import { fieldKinds, type FieldName } from '../fields/catalogue';
import { applyScale, fieldMaterial, ofPart } from '../fields/fieldMaterial';
import { edgeGeometry, partGeometry } from '../geometry';
import { EDGE, edgeInk } from './PartEdges';
import type { Picture } from './picture';
import { surfaceMaterial } from './surfaceMaterial';

/** Walls of a box are seen through, so that a cold, dark housing does not drown what it holds. */
const FAINT = 0.35;

/** What is not above its limit, where only that keeps its colour. */
const GHOST = 0.12;

/** The materials that all parts of a picture share: solid ones, hollow ones that are seen from inside, and those that are seen through. */
export interface PartMaterials {
    solid: ShaderMaterial;
    hollow: ShaderMaterial;
    faint: ShaderMaterial;
}

/** Materials for parts coloured by a field; nothing while it has not come. */
export function usePartMaterials(picture: Picture | null, field: FieldName | null, clips: Plane[], shaded: boolean): PartMaterials | null {
    const textures = field ? picture?.textures.get(field) : undefined;
    const atSurface = field !== null && picture?.surfaces.has(field);
    const materials = useMemo((): PartMaterials | null => {
        if (atSurface) return { solid: surfaceMaterial(clips, 1), hollow: surfaceMaterial(clips, FAINT), faint: surfaceMaterial(clips, FAINT) };
        if (!textures) return null;
        return {
            solid: fieldMaterial(textures, { side: 'front', shaded, clips }),
            hollow: fieldMaterial(textures, { side: 'back', shaded, clips, opacity: FAINT }),
            faint: fieldMaterial(textures, { side: 'front', shaded, clips, opacity: FAINT }),
        };
    }, [textures, atSurface, clips, shaded]);
    useEffect(() => () => Object.values(materials ?? {}).forEach((material: ShaderMaterial) => material.dispose()), [materials]);
    const scale = field ? picture?.scales.get(field) : undefined;
    // While rendering, so that no frame is drawn with the scale of before.
    if (materials && field && scale) Object.values(materials).forEach((material: ShaderMaterial) => applyScale(material, fieldKinds[field].palette, scale));
    return materials;
}

interface Props {
    part: OutlinePart;
    /** Whether its walls are seen through from inside, since it holds others. */
    hollow: boolean;
    /** Whether it is seen through because it was asked for. */
    faint: boolean;
    /** How far it is dragged, m. */
    shift: [number, number, number] | undefined;
    materials: PartMaterials | null;
    /** Its surface elements where a field at surfaces is shown. */
    surface: BufferGeometry | undefined;
    /** Its number among the owners of the cells. */
    owner: number;
    selected: boolean;
    /** Whether it draws its own edges; else they are among those of all parts. */
    edged: boolean;
    /** K; where given, only what is above keeps its colour. Not a number: nothing is. */
    above: number | null;
    clips: Plane[];
    dark: boolean;
    onPick: (part: OutlinePart, event: ThreeEvent<MouseEvent>) => void;
    onHover: ((part: OutlinePart, event: ThreeEvent<PointerEvent>) => void) | undefined;
    onLeave: (() => void) | undefined;
}

/** A part, coloured by the field where there is one, else by what it is. */
export const PartMesh = memo(function PartMesh({
    part,
    hollow,
    faint,
    shift,
    materials,
    surface,
    owner,
    selected,
    edged,
    above,
    clips,
    dark,
    onPick,
    onHover,
    onLeave,
}: Props) {
    const geometry = useMemo(() => partGeometry(part), [part]);
    const edges = useMemo(() => (edged ? edgeGeometry(geometry) : null), [geometry, edged]);
    useEffect(() => () => geometry.dispose(), [geometry]);
    useEffect(() => () => edges?.dispose(), [edges]);
    const handlers = {
        onClick: (event: ThreeEvent<MouseEvent>) => onPick(part, event),
        onPointerMove: onHover && ((event: ThreeEvent<PointerEvent>) => onHover(part, event)),
        onPointerOut: onLeave,
    };
    const material = materials && (hollow ? materials.hollow : faint ? materials.faint : materials.solid);
    const lit = above === null || !Number.isNaN(above);
    return (
        <group position={shift ?? [0, 0, 0]}>
            {material && lit && (
                <mesh
                    key={surface ? 'surface' : 'field'}
                    userData={{ part: part.id }}
                    geometry={surface ?? geometry}
                    material={material}
                    // Walls that are seen through come after what they hold.
                    renderOrder={hollow || faint ? 1 : 0}
                    onBeforeRender={surface ? undefined : () => ofPart(material, owner, selected, above)}
                    {...handlers}
                />
            )}
            {(!material || above !== null) && (
                <mesh key="plain" userData={{ part: part.id }} geometry={geometry} renderOrder={above === null ? 0 : 2} castShadow receiveShadow {...handlers}>
                    <meshLambertMaterial
                        color={above !== null ? '#8d959a' : selected ? '#f0a03c' : colourOf(part)}
                        side={hollow ? BackSide : FrontSide}
                        transparent={above !== null || faint}
                        opacity={above !== null ? GHOST : faint ? FAINT : 1}
                        depthWrite={above === null && !faint}
                        clippingPlanes={clips}
                    />
                </mesh>
            )}
            {edges && (
                <lineSegments geometry={edges} renderOrder={selected ? 2 : 0}>
                    <lineBasicMaterial
                        color={selected ? (dark ? '#ffc46b' : '#8a4b00') : edgeInk(dark)}
                        transparent={!selected}
                        opacity={selected ? 1 : faint || above !== null ? 0.25 : EDGE}
                        clippingPlanes={clips}
                    />
                </lineSegments>
            )}
        </group>
    );
});
