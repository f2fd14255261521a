import { useThree } from '@react-three/fiber';
import { useEffect, useLayoutEffect, useMemo } from 'react';
import { BufferAttribute, BufferGeometry, DoubleSide, Euler, Plane, Vector3 } from 'three';
import { useScreen, type Section } from '../project/screenState';
import { fieldMaterial, type FieldTextures } from './fieldMaterial';
import { arrows, type Flow } from './flow';
import { gridLines } from './gridLines';
import { directions, useAxisDrag } from './useAxisDrag';

const turns = [new Euler(0, Math.PI / 2, 0), new Euler(-Math.PI / 2, 0, 0), new Euler(0, 0, 0)];

/** Keeps what lies below the section. */
export const clipPlane = (section: Section): Plane => new Plane(directions[section.axis]!.clone().negate(), section.position + 1e-6);

/** Moves the clipping plane of all materials to where the section is. */
export function MovingClip({ clip }: { clip: Plane }) {
    const position = useScreen((s) => s.section?.position ?? 0);
    const invalidate = useThree((s) => s.invalidate);
    useLayoutEffect(() => {
        clip.constant = position + 1e-6;
        invalidate();
    }, [clip, position, invalidate]);
    return null;
}

function strokesOf(flow: Flow, section: Section): BufferGeometry {
    const { places, colours } = arrows(flow, section);
    return new BufferGeometry().setAttribute('position', new BufferAttribute(places, 3)).setAttribute('color', new BufferAttribute(colours, 3));
}

interface Props {
    low: Vector3;
    high: Vector3;
    textures: FieldTextures | null;
    /** Shown as arrows. */
    flow: Flow | null;
    /** Lines of the grid along x, y and z, m. */
    grid: number[][] | undefined;
    ink: string;
}

/** The cut itself, coloured by the field, with a handle that is dragged along the axis. */
export function SectionPlane(props: Props) {
    const section = useScreen((s) => s.section);
    return section && <Cut section={section} {...props} />;
}

function Cut({ section, low, high, textures, flow, grid, ink }: Props & { section: Section }) {
    const set = useScreen((s) => s.set);
    const axis = section.axis;
    const size = high.clone().sub(low);
    const middle = low.clone().add(high).multiplyScalar(0.5).setComponent(axis, section.position);
    const extent: [number, number] = axis === 0 ? [size.z, size.y] : axis === 1 ? [size.x, size.z] : [size.x, size.y];
    const material = useMemo(() => (textures ? fieldMaterial(textures, { side: 'both', shade: 0 }) : null), [textures]);
    useEffect(() => () => material?.dispose(), [material]);

    const strokes = useMemo(() => (flow ? strokesOf(flow, section) : null), [flow, section]);
    useEffect(() => () => strokes?.dispose(), [strokes]);

    const mesh = useMemo(
        () => (grid ? new BufferGeometry().setAttribute('position', new BufferAttribute(gridLines(grid, section), 3)) : null),
        [grid, section],
    );
    useEffect(() => () => mesh?.dispose(), [mesh]);

    const handle = middle.clone();
    const across = axis === 0 ? 1 : 0;
    handle.setComponent(across, high.getComponent(across));
    const radius = 0.014 * size.length();

    const drag = useAxisDrag({
        axis,
        from: handle,
        onMove: (position) => set({ section: { axis, position: Math.min(Math.max(position, low.getComponent(axis)), high.getComponent(axis)) } }),
    });

    return (
        <group>
            {material ? (
                <mesh key="field" position={middle} rotation={turns[axis]} material={material}>
                    <planeGeometry args={extent} />
                </mesh>
            ) : (
                <mesh key="plain" position={middle} rotation={turns[axis]} raycast={() => undefined}>
                    <planeGeometry args={extent} />
                    <meshBasicMaterial color="#d98a1c" transparent opacity={0.12} side={DoubleSide} depthWrite={false} />
                </mesh>
            )}
            {strokes && (
                <lineSegments geometry={strokes} raycast={() => undefined}>
                    <lineBasicMaterial vertexColors />
                </lineSegments>
            )}
            {mesh && (
                <lineSegments geometry={mesh} raycast={() => undefined}>
                    <lineBasicMaterial color={ink} transparent opacity={0.55} />
                </lineSegments>
            )}
            <mesh position={handle} renderOrder={10} {...drag}>
                <sphereGeometry args={[radius, 20, 14]} />
                <meshBasicMaterial color="#d98a1c" depthTest={false} transparent />
            </mesh>
        </group>
    );
}
