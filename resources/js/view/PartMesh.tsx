import { useEffect, useMemo } from 'react';
import { BackSide, FrontSide, type Plane } from 'three';
import type { ThreeEvent } from '@react-three/fiber';
import type { OutlinePart } from '../api/types';
import { colourOf } from './colours';
import { fieldMaterial, type FieldTextures } from './fieldMaterial';
import { edgeGeometry, partGeometry } from './geometry';

/** Walls of a box are seen through, so that a cold, dark housing does not drown what it holds. */
const HOUSING_OPACITY = 0.35;

interface Props {
    part: OutlinePart;
    /** How far it is dragged, m. */
    shift: [number, number, number] | undefined;
    textures: FieldTextures | null;
    selected: boolean;
    clip: Plane | null;
    dark: boolean;
    onPick: (event: ThreeEvent<MouseEvent>) => void;
    onHover: ((event: ThreeEvent<PointerEvent>) => void) | undefined;
    onLeave: (() => void) | undefined;
}

/** A part, coloured by the field where there is one, else by what it is. */
export function PartMesh({ part, shift, textures, selected, clip, dark, onPick, onHover, onLeave }: Props) {
    const geometry = useMemo(() => partGeometry(part), [part]);
    const edges = useMemo(() => edgeGeometry(geometry), [geometry]);
    const hollow = part.kind === 'shell';
    const material = useMemo(
        () => (textures ? fieldMaterial(textures, { side: hollow ? 'back' : 'front', selected, clip, shade: hollow ? 0.25 : 0.5, opacity: hollow ? HOUSING_OPACITY : 1 }) : null),
        [textures, hollow, selected, clip],
    );
    useEffect(() => () => geometry.dispose(), [geometry]);
    useEffect(() => () => edges.dispose(), [edges]);
    useEffect(() => () => material?.dispose(), [material]);
    const planes = clip ? [clip] : [];
    return (
        <group position={shift ?? [0, 0, 0]}>
            {material ? (
                <mesh key="field" userData={{ part: part.id }} geometry={geometry} material={material} onClick={onPick} onPointerMove={onHover} onPointerOut={onLeave} />
            ) : (
                <mesh key="plain" userData={{ part: part.id }} geometry={geometry} onClick={onPick} onPointerMove={onHover} onPointerOut={onLeave}>
                    <meshLambertMaterial color={selected ? '#f0a03c' : colourOf(part)} side={hollow ? BackSide : FrontSide} clippingPlanes={planes} />
                </mesh>
            )}
            <lineSegments geometry={edges} renderOrder={selected ? 2 : 0}>
                <lineBasicMaterial color={selected ? (dark ? '#ffc46b' : '#8a4b00') : dark ? '#9aa5ab' : '#3b4146'} transparent={!selected} opacity={selected ? 1 : 0.45} clippingPlanes={planes} />
            </lineSegments>
        </group>
    );
}
