import Box from '@mui/material/Box';
import Paper from '@mui/material/Paper';
import { useTheme } from '@mui/material/styles';
import { Html, Line, OrbitControls, OrthographicCamera, PerspectiveCamera } from '@react-three/drei';
import { Canvas, useThree, type ThreeEvent } from '@react-three/fiber';
import { memo, useCallback, useEffect, useMemo, useRef, useState, type RefObject } from 'react';
import { Vector2, Vector3, type OrthographicCamera as ParallelCamera, type PerspectiveCamera as CentralCamera } from 'three';
import type { OrbitControls as Controls } from 'three-stdlib';
import { useShallow } from 'zustand/react/shallow';
import { api } from '../api/client';
import { useField, useGridReport } from '../api/queries';
import type { Outline, OutlinePart, ProbeValue, Result } from '../api/types';
import { originOf, originsOf } from '../model/document';
import { everyFace, type Face } from '../model/resize';
import { usePreferences, useScreen } from '../project/screenState';
import { size as lengths, temperatureWithUnit, type UnitSet } from '../units/units';
import { FaceHandles } from './FaceHandles';
import { FaceMark, faceUnder } from './FaceMark';
import { makeField, type Field } from './field';
import { makeTextures, type FieldTextures } from './fieldMaterial';
import { makeFlow, type Flow } from './flow';
import { Legend } from './Legend';
import { MoveHandles } from './MoveHandles';
import { PartMesh, usePartMaterials } from './PartMesh';
import { clipPlane, MovingClip, SectionPlane } from './SectionPlane';
import { SpaceFrame } from './SpaceFrame';
import { housings } from './housings';
import { ViewTools, type Facing } from './ViewTools';
import { useByValue, useLatest, useStateFor } from '../state/hooks';

const directionOf: Record<Facing, [number, number, number]> = { home: [-0.9, -1.25, 1.05], x: [-1, 0, 0], y: [0, -1, 0], z: [0, -1e-4, 1] };

const isCentral = (camera: object): camera is CentralCamera => 'isPerspectiveCamera' in camera;

/** Finds the part under a place of the page, for what is dropped there. */
export type PartUnder = (place: { clientX: number; clientY: number }) => string | null;

function Finder({ found }: { found: RefObject<PartUnder | null> }) {
    const { camera, scene, raycaster, gl } = useThree();
    useEffect(() => {
        found.current = ({ clientX, clientY }) => {
            const box = gl.domElement.getBoundingClientRect();
            raycaster.setFromCamera(new Vector2((2 * (clientX - box.left)) / box.width - 1, 1 - (2 * (clientY - box.top)) / box.height), camera);
            return (
                raycaster
                    .intersectObjects(scene.children)
                    .map((hit) => hit.object.userData.part as string | undefined)
                    .find((part) => part !== undefined) ?? null
            );
        };
    }, [camera, scene, raycaster, gl, found]);
    return null;
}

/** Puts the camera so that the whole space is seen from a direction. */
function Aim({ low, high, facing }: { low: Vector3; high: Vector3; facing: { to: Facing; count: number } }) {
    const { camera, controls, size, invalidate } = useThree();
    const sized = size.width > 0;
    const latest = useLatest(size);
    useEffect(() => {
        const orbit = controls as Controls | null;
        const middle = low.clone().add(high).multiplyScalar(0.5);
        const radius = 0.5 * low.distanceTo(high);
        camera.up.set(0, 0, 1);
        const { width, height } = latest();
        const wanted = Math.min(width, height * 1.25) / (2.5 * radius);
        // A central projection shows at its target as many pixels per metre as the parallel one.
        const distance = isCentral(camera) ? height / (2 * wanted * Math.tan((camera.fov * Math.PI) / 360)) : radius * 6;
        camera.position.copy(middle).addScaledVector(new Vector3(...directionOf[facing.to]).normalize(), distance);
        if (!isCentral(camera)) (camera as ParallelCamera).zoom = wanted;
        camera.near = 0.01 * radius;
        camera.far = 20 * radius;
        camera.lookAt(middle);
        camera.updateProjectionMatrix();
        orbit?.target.copy(middle);
        orbit?.update();
        invalidate();
        // Only when asked: a resize must not undo the user's own view.
    }, [low, high, facing, controls, camera, sized, latest, invalidate]);
    const width = useRef(size.width);
    useEffect(() => {
        // A panel that opens or closes scales the picture instead of cutting it.
        if (width.current > 0 && size.width > 0) camera.zoom *= size.width / width.current;
        width.current = size.width;
        camera.updateProjectionMatrix();
        invalidate();
    }, [camera, size.width, invalidate]);
    return null;
}

/**
 * A label in space, hidden without a text. It is outside the theme's reach, so it takes its colours by scheme; and it stays in
 * the page, because labels that leave while pictures of a run come in are removed twice. The sheet it is written on is given:
 * left to itself it changes from one to another while it starts, and comes out empty.
 */
function Marker({ at, text, dark, sheet }: { at: [number, number, number] | undefined; text: string | null; dark: boolean; sheet: RefObject<HTMLDivElement> }) {
    const [ground, ink] = dark ? ['#23282c', '#eceae4'] : ['#fdfcfa', '#232a2e'];
    return (
        <Html portal={sheet} position={at ?? [0, 0, 0]} zIndexRange={[5, 0]} style={{ pointerEvents: 'none', transform: 'translate(-50%, -34px)' }}>
            <div
                style={{
                    background: ground,
                    color: ink,
                    border: '1px solid #8a9196',
                    borderRadius: 4,
                    padding: '0 6px',
                    fontSize: 12,
                    whiteSpace: 'nowrap',
                    display: text === null ? 'none' : 'block',
                }}
            >
                {text}
            </div>
        </Html>
    );
}

interface SceneProps {
    outline: Outline;
    field: Field | null;
    textures: FieldTextures | null;
    flow: Flow | null;
    /** Lines along x, y and z that a section shows, m. */
    grid: number[][] | undefined;
    run: number | undefined;
    /** Numbers of the parts among the owners of the cells, by id. */
    owners: ReadonlyMap<string, number>;
    /** Whether the space, its openings and gravity are drawn. */
    framed: boolean;
    facing: { to: Facing; count: number };
    drags: Drags | undefined;
    /** Lies over the picture and takes its labels. */
    sheet: RefObject<HTMLDivElement>;
}

/** Saves what is dragged in the view; each rejects where the model refuses it. */
export interface Drags {
    move: (ids: readonly string[], by: readonly number[]) => Promise<unknown>;
    faces: (part: OutlinePart) => readonly Face[];
    face: (part: OutlinePart, face: Face, by: number) => Promise<unknown>;
    side: (side: Face, by: number) => Promise<unknown>;
    gravity: (gravity: readonly number[]) => Promise<unknown>;
    mayMove: (part: OutlinePart) => boolean;
}

/** The distance between two points that were clicked, and its parts along the axes. */
function distanceText(points: readonly Vector3[], units: UnitSet): string | null {
    const [from, to] = points;
    if (!from) return null;
    if (!to) return 'click the other end';
    return `${lengths([from.distanceTo(to)], units)} (x ${lengths([Math.abs(to.x - from.x)], units)}, y ${lengths([Math.abs(to.y - from.y)], units)}, z ${lengths([Math.abs(to.z - from.z)], units)})`;
}

function Scene({ outline, field, textures, flow, grid, run, owners, framed, facing, drags, sheet }: SceneProps) {
    const { stage, selection, hidden, probing, measuring, perspective, face, pointed, set, select } = useScreen(
        useShallow(({ stage, selection, hidden, probing, measuring, perspective, face, pointed, set, select }) => ({
            stage,
            selection,
            hidden,
            probing,
            measuring,
            perspective,
            face,
            pointed,
            set,
            select,
        })),
    );
    const axis = useScreen((s) => s.section?.axis ?? null);
    const cut = axis !== null;
    const picksFaces = stage === 'Load';
    const [hovered, setHovered] = useState<{ part: string; name: string } | null>(null);
    const units = usePreferences((s) => s.units);
    const scheme = usePreferences((s) => s.scheme);
    const [probe, setProbe] = useStateFor<string, { at: [number, number, number]; text: string } | null>(`${run} ${probing}`, null);
    // By value: an edit of a part brings a new outline, but must not move the camera.
    const space = useByValue(outline.space);
    const low = useMemo(() => new Vector3(...space.min), [space]);
    const high = useMemo(() => new Vector3(...space.max), [space]);
    // The plane moves with the slider without the parts being drawn up anew (see MovingClip).
    const clip = useMemo(() => (axis === null ? null : clipPlane({ axis, position: useScreen.getState().section?.position ?? 0 })), [axis]);
    const materials = usePartMaterials(flow ? null : textures, clip);
    const [measured, setMeasured] = useStateFor<boolean, Vector3[]>(measuring, []);
    // What is dragged is shown where it is until the model that has it there arrives.
    const [shift, setShift] = useStateFor<Outline, [number, number, number]>(outline, [0, 0, 0]);
    const moving = outline.parts.filter((part) => selection.includes(part.id) && !hidden.includes(part.id) && drags?.mayMove(part));
    // Linked copies go along.
    const carried = originsOf(moving.map((part) => part.id));
    const drop = () => {
        if (shift.some((by) => by !== 0)) void drags?.move(selection, shift).catch(() => setShift([0, 0, 0]));
    };

    const hollow = useMemo(() => housings(outline.parts), [outline.parts]);

    const reach = 0.12 * low.distanceTo(high);
    const sized = moving.length === 1 ? moving[0] : undefined;

    const pick = (part: OutlinePart) => (event: ThreeEvent<MouseEvent>) => {
        // A drag of the camera ends in a click too; a hidden half does not count.
        if (event.delta > 4 || (clip && clip.distanceToPoint(event.point) < 0)) return;
        event.stopPropagation();
        if (measuring) setMeasured((points) => (points.length === 1 ? [points[0]!, event.point.clone()] : [event.point.clone()]));
        else if (probing && run !== undefined && event.face) {
            const inside = event.point.clone().addScaledVector(event.face.normal, part.kind === 'shell' ? 0 : -1e-5);
            const at: [number, number, number] = [inside.x, inside.y, inside.z];
            setProbe({ at, text: 'reading' });
            api.get<ProbeValue>(`/api/runs/${run}/probe?x=${at[0]}&y=${at[1]}&z=${at[2]}`)
                .then((value) =>
                    setProbe({
                        at,
                        text: value.temperature === null ? 'nothing is computed here' : `${part.name} ${temperatureWithUnit(value.temperature, units, 2)}`,
                    }),
                )
                .catch((e: Error) => setProbe({ at, text: e.message }));
        } else {
            const face = picksFaces && event.face ? faceUnder(part, event.face.normal) : null;
            set({ face: face === null ? null : { part: part.id, name: face } });
            select(part.id, event.nativeEvent.ctrlKey || event.nativeEvent.shiftKey);
        }
    };
    /** In Load the face under the pointer is shown, because a click takes it. */
    const hover = (part: OutlinePart) => (event: ThreeEvent<PointerEvent>) => {
        event.stopPropagation();
        const name = event.face ? faceUnder(part, event.face.normal) : null;
        setHovered((old) => (name === null ? null : old?.part === part.id && old.name === name ? old : { part: part.id, name }));
    };
    const marked = (at: { part: string; name: string } | null, strong: boolean) => {
        const part = at && outline.parts.find((p) => p.id === at.part);
        return picksFaces && part ? <FaceMark part={part} face={at.name} strong={strong} /> : null;
    };

    // Parts stay as they are while what a click means changes.
    const acts = useLatest({ pick, hover });
    const onPick = useCallback((part: OutlinePart, event: ThreeEvent<MouseEvent>) => acts().pick(part)(event), [acts]);
    const onHover = useCallback((part: OutlinePart, event: ThreeEvent<PointerEvent>) => acts().hover(part)(event), [acts]);
    const onLeave = useCallback(() => setHovered(null), []);

    return (
        <>
            {clip && <MovingClip clip={clip} />}
            {perspective ? <PerspectiveCamera key="central" makeDefault fov={30} /> : <OrthographicCamera key="parallel" makeDefault />}
            <OrbitControls makeDefault enableDamping={false} />
            <Aim low={low} high={high} facing={facing} />
            <ambientLight intensity={1.9} />
            <directionalLight position={[-1, -2, 4]} intensity={1.6} />
            {outline.parts
                .filter((part) => !hidden.includes(part.id))
                .map((part) => (
                    <PartMesh
                        key={part.id}
                        part={part}
                        hollow={hollow.has(part.id)}
                        shift={carried.includes(originOf(part.id)) ? shift : undefined}
                        materials={materials}
                        owner={owners.get(part.id) ?? 0}
                        selected={selection.includes(part.id)}
                        clip={clip}
                        dark={scheme === 'dark'}
                        onPick={onPick}
                        onHover={picksFaces ? onHover : undefined}
                        onLeave={picksFaces ? onLeave : undefined}
                    />
                ))}
            {marked(hovered, false)}
            {marked(face && selection.includes(face.part) ? face : null, true)}
            {drags && moving.length > 0 && !measuring && <MoveHandles parts={moving} shift={shift} reach={reach} onShift={setShift} onDrop={drop} />}
            {drags && sized && !measuring && shift.every((by) => by === 0) && (
                <FaceHandles min={sized.min} max={sized.max} faces={drags.faces(sized)} size={0.1 * reach} onDrop={(face, by) => drags.face(sized, face, by)} />
            )}
            {drags && selection.length === 0 && !measuring && (
                <FaceHandles min={outline.space.min} max={outline.space.max} faces={everyFace} size={0.13 * reach} onDrop={drags.side} />
            )}
            {measured.length === 2 && <Line points={measured} color={scheme === 'dark' ? '#ffc46b' : '#8a4b00'} lineWidth={2} depthTest={false} />}
            <Marker sheet={sheet} dark={scheme === 'dark'} at={measured.at(-1)?.toArray()} text={distanceText(measured, units)} />
            {framed && <SpaceFrame outline={outline} dark={scheme === 'dark'} onGravity={drags?.gravity} />}
            {cut && <SectionPlane low={low} high={high} textures={textures} flow={flow} grid={grid} ink={scheme === 'dark' ? '#c9c3b5' : '#4a5358'} />}
            <Marker
                sheet={sheet}
                dark={scheme === 'dark'}
                at={field?.solid?.max.at}
                text={field?.solid && !cut ? `hottest solid ${temperatureWithUnit(field.solid.max.value, units)}` : null}
            />
            <Marker
                sheet={sheet}
                dark={scheme === 'dark'}
                at={field?.solid?.min.at}
                text={field?.solid && !cut ? `coldest solid ${temperatureWithUnit(field.solid.min.value, units)}` : null}
            />
            {stage === 'Build' && pointed && (
                <mesh position={pointed.at} renderOrder={14} raycast={() => undefined}>
                    <sphereGeometry args={[0.06 * reach, 16, 12]} />
                    <meshBasicMaterial color="#b3261e" depthTest={false} transparent />
                </mesh>
            )}
            <Marker sheet={sheet} dark={scheme === 'dark'} at={pointed?.at} text={stage === 'Build' ? (pointed?.text ?? null) : null} />
            <Marker sheet={sheet} dark={scheme === 'dark'} at={probe?.at} text={probe?.text ?? null} />
        </>
    );
}

interface Props {
    outline: Outline;
    variant: number;
    revision: number;
    /** The run to show, which of its pictures, and the result. */
    run: number | undefined;
    picture: number;
    result: Result | undefined;
    stale: boolean;
    partUnder: RefObject<PartUnder | null>;
    /** Given where the model may be changed. */
    drags: Drags | undefined;
}

/** Without a graphics card every pixel takes time from the run: then edges stay as they are. */
const software = isSoftware();

function isSoftware(): boolean {
    const context = document.createElement('canvas').getContext('webgl2');
    const names = context?.getExtension('WEBGL_debug_renderer_info');
    const renderer = String(context?.getParameter(names ? names.UNMASKED_RENDERER_WEBGL : context.RENDERER) ?? '');
    context?.getExtension('WEBGL_lose_context')?.loseContext();
    return /swiftshader|llvmpipe|software|basic render/i.test(renderer);
}

/**
 * The 3-D view: parts coloured by temperature in Judge, by what they are elsewhere. Renders only when something changes, and
 * not while the progress of a run comes in: without a graphics card every picture takes time from the run.
 */
export default memo(function View({ outline, variant, revision, run, picture, result: latest, stale, partUnder, drags }: Props) {
    const stage = useScreen((s) => s.stage);
    const pointing = useScreen((s) => s.probing || s.measuring);
    const select = useScreen((s) => s.select);
    const units = usePreferences((s) => s.units);
    const theme = useTheme();
    const sheet = useRef<HTMLDivElement>(null!);
    const [facing, setFacing] = useState<{ to: Facing; count: number }>({ to: 'home', count: 0 });
    const judged = stage === 'Judge' && !stale ? run : undefined;
    const section = useScreen((s) => s.section);
    const sectionOf = useScreen((s) => s.sectionOf);
    const grade = useScreen((s) => s.grade);
    const gridded = stage === 'Solve' && section !== null;
    const grid = useGridReport(variant, revision, grade, gridded);
    const bytes = useField(judged, picture, 'temperature');
    const parts = useField(judged, picture, 'parts');
    const result = judged === undefined ? undefined : latest;
    const bySpeed = section !== null && sectionOf === 'speed' && !!result?.flow;
    const velocities = useField(bySpeed ? judged : undefined, picture, 'velocity');
    // Result and fields of two pictures may arrive apart; only what fits together is drawn.
    const cells = result ? result.grid.lines.reduce((n, line) => n * (line.length - 1), 1) : 0;
    const field = useMemo(
        () =>
            result && bytes.data?.byteLength === 4 * cells && parts.data?.byteLength === 2 * cells
                ? makeField(result.grid.lines, bytes.data, parts.data)
                : null,
        [result, bytes.data, parts.data, cells],
    );
    const owners = useMemo(() => new Map(result?.parts.map((part, index) => [part.id, index + 1])), [result]);
    const flow = useMemo(
        () => (bySpeed && result && velocities.data?.byteLength === 12 * cells ? makeFlow(result.grid.lines, velocities.data) : null),
        [bySpeed, result, velocities.data, cells],
    );
    const coloured = flow?.speed ?? field;
    // A field belongs to the fins its grid had, which on a coarse one are fewer and thicker.
    const drawn = useMemo(() => {
        const fins = new Map(field ? (result?.flow?.fins ?? []).map((block) => [block.part, block.drawing]) : []);
        return fins.size === 0 ? outline : { ...outline, parts: outline.parts.map((part) => ({ ...part, drawing: fins.get(part.id) ?? part.drawing })) };
    }, [outline, field, result]);
    const textures = useMemo(() => (coloured ? makeTextures(coloured) : null), [coloured]);
    useEffect(() => () => textures?.dispose(), [textures]);
    return (
        <Box
            sx={{
                position: 'absolute',
                inset: 0,
                background: theme.palette.mode === 'light' ? 'linear-gradient(#faf8f4, #eae5db)' : 'linear-gradient(#262b2f, #1a1d20)',
                cursor: pointing ? 'crosshair' : undefined,
            }}
            data-coloured={flow ? 'speed' : textures ? 'temperature' : 'kind'}
            data-run={field ? judged : undefined}
        >
            <Canvas
                frameloop="demand"
                dpr={software ? 1 : [1, 2]}
                gl={{ antialias: !software }}
                flat
                onCreated={({ gl }) => {
                    gl.localClippingEnabled = true;
                }}
                onPointerMissed={() => select(null)}
                aria-label={`Three-dimensional view of ${outline.name}`}
                role="img"
            >
                <Finder found={partUnder} />
                <Scene
                    outline={drawn}
                    field={field}
                    textures={textures}
                    flow={flow}
                    grid={gridded ? grid.data?.lines : undefined}
                    run={judged}
                    owners={owners}
                    framed={stage === 'Build' || stage === 'Load'}
                    facing={facing}
                    drags={stage === 'Build' ? drags : undefined}
                    sheet={sheet}
                />
            </Canvas>
            <Box ref={sheet} sx={{ position: 'absolute', inset: 0, overflow: 'hidden', pointerEvents: 'none' }} />
            <ViewTools outline={outline} mayProbe={field !== null} hasFlow={!!result?.flow} face={(to) => setFacing((f) => ({ to, count: f.count + 1 }))} />
            {coloured && <Legend of={flow ? 'speed' : 'temperature'} min={flow ? 0 : coloured.min.value} max={coloured.max.value} units={units} />}
            {stage === 'Judge' && stale && (
                <Paper variant="outlined" sx={{ position: 'absolute', left: 14, bottom: 14, px: 1.5, py: 1 }}>
                    The model has changed; run again to colour it by temperature.
                </Paper>
            )}
        </Box>
    );
});
