import { useThree, type ThreeEvent } from '@react-three/fiber';
import { useEffect, useLayoutEffect, useMemo } from 'react';
import { BufferAttribute, BufferGeometry, DoubleSide, Plane, Vector3 } from 'three';
import { useByValue } from '../../state/hooks';
import { fieldKinds, type FieldName } from '../fields/catalogue';
import { valueAround, type Around } from '../fields/field';
import { inkOn } from '../fields/palettes';
import { shareOf } from '../fields/scale';
import type { Box } from '../../model/box';
import { dropSection, moveSection, onMoving, positionOf, usePosition } from '../shown/moving';
import { extentAlong, middleOf, polygonOf } from '../shown/planes';
import type { SectionLayer, Triple } from '../shown/shown';
import { useLineDrag } from '../useLineDrag';
import { gridLines } from './gridLines';
import type { Picture } from './picture';
import { useFieldMaterial } from './useFieldMaterial';
import { vectors } from './vectors';

/** Of a metre, so that a cut does not hide the section that it is. */
const BEYOND = 1e-6;

/** What every section cuts away, by its number. The planes stay the same objects while they move, so that parts are not drawn up anew. */
export function useClips(sections: readonly SectionLayer[]): ReadonlyMap<number, Plane> {
    const cutting = sections.filter((section) => section.visible && section.clips);
    const invalidate = useThree((s) => s.invalidate);
    const ids = useByValue(cutting.map((section) => section.id));
    const planes = useMemo(() => new Map(ids.map((id) => [id, new Plane()])), [ids]);
    useLayoutEffect(() => {
        const place = () => {
            for (const section of cutting) {
                const side = section.flipped ? 1 : -1;
                const plane = planes.get(section.id);
                plane?.normal.set(...section.normal).multiplyScalar(side);
                if (plane) plane.constant = -side * positionOf(section) + BEYOND;
            }
            invalidate();
        };
        place();
        return onMoving(place);
    });
    return planes;
}

interface Props {
    section: SectionLayer;
    box: Box;
    picture: Picture | null;
    /** What every section cuts away. */
    cuts: ReadonlyMap<number, Plane>;
    /** Lines of the grid along x, y and z, m, where they are shown. */
    grid: readonly (readonly number[])[] | undefined;
    dark: boolean;
    onHover: ((field: FieldName, event: ThreeEvent<PointerEvent>) => void) | undefined;
    onLeave: (() => void) | undefined;
    onPick: ((event: ThreeEvent<MouseEvent>) => void) | undefined;
}

function flat(polygon: readonly Vector3[]): BufferGeometry {
    const corners = polygon.slice(2).flatMap((corner, n) => [polygon[0]!, polygon[n + 1]!, corner]);
    const geometry = new BufferGeometry().setAttribute('position', new BufferAttribute(new Float32Array(corners.flatMap((corner) => corner.toArray())), 3));
    geometry.computeVertexNormals();
    return geometry;
}

const strokes = (places: Float32Array): BufferGeometry => new BufferGeometry().setAttribute('position', new BufferAttribute(places, 3));

/** A geometry that is freed when another takes its place. */
function useGeometry(geometry: BufferGeometry | null): BufferGeometry | null {
    useEffect(() => () => geometry?.dispose(), [geometry]);
    return geometry;
}

/** A plane through the space, coloured by a field, with vectors and grid lines, and a handle that is dragged along its normal. */
export function Section({ section, box, picture, cuts, grid, dark, onHover, onLeave, onPick }: Props) {
    const { field, normal } = section;
    const position = usePosition(section);
    const polygon = useMemo(() => polygonOf({ normal, position }, box), [normal, position, box]);
    const plane = useGeometry(useMemo(() => flat(polygon), [polygon]));
    const scale = field ? picture?.scales.get(field) : undefined;
    // Its own cut lies in the plane. The same list while the section moves, so that the material stays.
    const clips = useMemo(() => [...cuts].filter(([id]) => id !== section.id).map(([, cut]) => cut), [cuts, section.id]);
    const material = useFieldMaterial(picture, field, 'both', false, clips);

    const { density, projected, vectors: kind, flipped } = section;
    const arrows = useGeometry(
        useMemo(() => {
            const [x, y, z, speed] = (['velocityX', 'velocityY', 'velocityZ', 'speed'] as const).map((name) => picture?.fields.get(name));
            if (kind === 'none' || !x || !y || !z || !speed) return null;
            const behind = field ? picture?.fields.get(field) : undefined;
            const ink = (around: Around): Triple => {
                const value = behind ? valueAround(behind, around, 0) : null;
                if (value === null || !field || !scale) return dark ? [0.92, 0.9, 0.85] : [0.15, 0.18, 0.2];
                return inkOn(fieldKinds[field].palette, shareOf(value, scale));
            };
            const { places, colours } = vectors({ x, y, z, speed }, { normal, density, projected, flipped, vectors: kind }, polygon, ink);
            return strokes(places).setAttribute('color', new BufferAttribute(colours, 3));
        }, [picture, kind, normal, density, projected, flipped, polygon, field, scale, dark]),
    );
    const lines = useGeometry(useMemo(() => (grid ? strokes(gridLines(grid, polygon)) : null), [grid, polygon]));

    const direction = useMemo(() => new Vector3(...normal), [normal]);
    const middle = middleOf(polygon);
    const edge = polygon
        .reduce((far, corner) => (corner.x + corner.y > far.x + far.y ? corner : far), middle)
        .clone()
        .lerp(middle, 0.5);
    const [low, high] = extentAlong(normal, box);
    const radius = 0.014 * new Vector3(...box.min).distanceTo(new Vector3(...box.max));
    const drag = useLineDrag({
        direction,
        from: edge,
        onMove: (to) => moveSection(section, Math.min(Math.max(to, low), high)),
        onEnd: () => dropSection(section),
    });
    if (polygon.length < 3 || !plane) return null;
    return (
        <group>
            {material ? (
                <mesh
                    key="field"
                    geometry={plane}
                    material={material}
                    onPointerMove={onHover && field ? (event) => onHover(field, event) : undefined}
                    onPointerOut={onLeave}
                    onClick={onPick}
                />
            ) : (
                <mesh key="plain" geometry={plane} raycast={() => undefined}>
                    <meshBasicMaterial color="#d98a1c" transparent opacity={0.12} side={DoubleSide} depthWrite={false} />
                </mesh>
            )}
            {arrows && (
                <lineSegments geometry={arrows} raycast={() => undefined}>
                    <lineBasicMaterial vertexColors clippingPlanes={clips} />
                </lineSegments>
            )}
            {lines && (
                <lineSegments geometry={lines} raycast={() => undefined}>
                    <lineBasicMaterial color={dark ? '#c9c3b5' : '#4a5358'} transparent opacity={0.55} clippingPlanes={clips} />
                </lineSegments>
            )}
            <mesh position={edge} renderOrder={10} {...drag}>
                <sphereGeometry args={[radius, 20, 14]} />
                <meshBasicMaterial color="#d98a1c" depthTest={false} transparent />
            </mesh>
        </group>
    );
}
