import { Line } from '@react-three/drei';
import type { ThreeEvent } from '@react-three/fiber';
import { useCallback, useMemo, useState, type RefObject } from 'react';
import type { Plane, Vector3 } from 'three';
import { useShallow } from 'zustand/react/shallow';
import type { Outline, OutlinePart, Result } from '../api/types';
import { isOfTemperature, originOf, originsOf } from '../model/document';
import { isDevice } from '../model/partKinds';
import { everyFace, type Face } from '../model/resize';
import { useByValue, useLatest, useStateFor } from '../state/hooks';
import { usePreferences, useScreen } from '../state/screen';
import { size as lengths, type UnitSet } from '../units/units';
import { CameraRig } from './camera/CameraRig';
import { FaceHandles } from './FaceHandles';
import { FaceMark, faceUnder } from './FaceMark';
import { fieldValue, fieldKinds, type FieldName } from './fields/catalogue';
import { ownerAt, sample, sampleUnder } from './fields/field';
import { housings } from './housings';
import { CalloutPlaces, type Callout } from './layers/Callouts';
import { LitFaces } from './layers/LitFaces';
import { Isosurface } from './layers/IsosurfaceLayer';
import { PartEdges } from './layers/PartEdges';
import { PartGridLines } from './layers/PartGridLines';
import { PartMesh, usePartMaterials } from './layers/PartMesh';
import type { Picture } from './layers/picture';
import { Section, useClips } from './layers/SectionLayers';
import { Sides } from './layers/SidesLayer';
import { Streamlines } from './layers/StreamlinesLayer';
import { surfaceValue } from './layers/surfaces';
import { MoveHandles } from './MoveHandles';
import type { ReadoutHandle } from './Readout';
import { layersOf, type Shown, type Triple } from './shown/shown';
import { SpaceFrame } from './SpaceFrame';
import { SunLight } from './SunLight';

/** Saves what is dragged in the view; each rejects where the model refuses it. */
export interface Drags {
    move: (ids: readonly string[], by: readonly number[]) => Promise<unknown>;
    faces: (part: OutlinePart) => readonly Face[];
    face: (part: OutlinePart, face: Face, by: number) => Promise<unknown>;
    side: (side: Face, by: number) => Promise<unknown>;
    gravity: (gravity: readonly number[]) => Promise<unknown>;
    mayMove: (part: OutlinePart) => boolean;
    /** Saves where the sun stands. */
    sun: (direction: readonly number[]) => Promise<unknown>;
    /** Whether it stands where a direction says. */
    maySun: () => boolean;
}

interface Props {
    /** What is shown of the picture. */
    shown: Shown;
    outline: Outline;
    /** What a run has to show; null outside Judge and without one. */
    picture: Picture | null;
    /** Lines along x, y and z that sections show, m. */
    grid: readonly (readonly number[])[] | undefined;
    /** Whether the space, its openings and gravity are drawn. */
    framed: boolean;
    drags: Drags | undefined;
    /** Saves where the sun stands; given where it may be turned. */
    onSun: Drags['sun'] | undefined;
    callouts: readonly Callout[];
    /** Takes the labels. */
    sheet: RefObject<HTMLDivElement | null>;
    readout: RefObject<ReadoutHandle | null>;
    onMeasure: (points: Vector3[]) => void;
    measured: readonly Vector3[];
    onPin: (at: Triple, part: string | null) => void;
}

/** Metres below a surface that a probe of a part looks. */
const UNDER = 1e-5;

/** The distance between two points that were clicked, and its parts along the axes. */
export function distanceText(points: readonly Vector3[], units: UnitSet): string | null {
    const [from, to] = points;
    if (!from) return null;
    if (!to) return 'click the other end';
    return `${lengths([from.distanceTo(to)], units)} (x ${lengths([Math.abs(to.x - from.x)], units)}, y ${lengths([Math.abs(to.y - from.y)], units)}, z ${lengths([Math.abs(to.z - from.z)], units)})`;
}

/** K above which a part is over its limit; not a number where it has none, and below everything where its junction is over. */
function limitsOf(result: Result | undefined): ReadonlyMap<string, number> {
    const limits = new Map<string, number>();
    for (const limit of result?.limits ?? []) {
        if (limit.part === null || limit.atMost === null || !isOfTemperature(limit)) continue;
        const junction = result?.parts.find((part) => part.id === limit.part)?.nodes != null;
        const above = junction ? ((limit.margin ?? 0) < 0 ? -Infinity : NaN) : limit.atMost - limit.derating;
        limits.set(limit.part, Math.min(limits.get(limit.part) ?? Infinity, above));
    }
    return limits;
}

export function Scene({ shown, outline, picture, grid, framed, drags, onSun, callouts, sheet, readout, onMeasure, measured, onPin }: Props) {
    const {
        stage,
        selection,
        hidden,
        lit,
        band,
        marked: differing,
        tool,
        perspective,
        face,
        pointed,
        byFinish,
        set,
        select,
    } = useScreen(
        useShallow(({ stage, selection, hidden, lit, band, marked, tool, perspective, face, pointed, byFinish, set, select }) => ({
            stage,
            selection,
            hidden,
            lit,
            band,
            marked,
            tool,
            perspective,
            face,
            pointed,
            byFinish,
            set,
            select,
        })),
    );
    const { units, scheme, shaded } = usePreferences();
    const dark = scheme === 'dark';
    const picksFaces = stage === 'Load';
    const judging = stage === 'Judge';
    const sunny = stage === 'Load' && outline.sun !== null && outline.sun.flux > 0;
    const sunlit = sunny && !byFinish;
    const [hovered, setHovered] = useState<{ part: string; name: string } | null>(null);
    // By value: an edit of a part brings a new outline, but must not move the camera.
    const space = useByValue(outline.space);
    const sections = layersOf(shown, 'section').filter((section) => section.visible);
    const cuts = useClips(sections);
    const clips = useMemo(() => [...cuts.values()], [cuts]);
    const partsLayer = layersOf(shown, 'parts')[0];
    const partsField = picture && partsLayer?.visible !== false ? (partsLayer?.field ?? null) : null;
    const materials = usePartMaterials(picture, partsField, clips, shaded);
    const linesOnParts = partsLayer?.gridLines && partsLayer.visible ? (stage === 'Solve' ? grid : picture?.result.grid.lines) : undefined;
    const surface = partsField ? picture?.surfaces.get(partsField) : undefined;
    const owners = useMemo(() => new Map(picture?.result.parts.map((part, index) => [part.id, index + 1])), [picture?.result]);
    // Fans, screens and openings have no cells, and keep their own colour.
    const bodies = useMemo(() => new Set(picture?.result.parts.filter((part) => part.cells > 0).map((part) => part.id)), [picture?.result]);
    const limits = useMemo(() => limitsOf(picture?.result), [picture?.result]);
    const aboveOnly = partsLayer?.aboveLimit === true && materials !== null;
    // What is dragged is shown where it is until the model that has it there arrives.
    const [shift, setShift] = useStateFor<Outline, [number, number, number]>(outline, [0, 0, 0]);
    const moving = outline.parts.filter((part) => selection.includes(part.id) && !hidden.includes(part.id) && drags?.mayMove(part));
    // Linked copies go along.
    const carried = originsOf(moving.map((part) => part.id));
    const drop = () => {
        if (shift.some((by) => by !== 0)) void drags?.move(selection, shift).catch(() => setShift([0, 0, 0]));
    };
    const hollow = useMemo(() => housings(outline.parts), [outline.parts]);
    const drawn = useMemo(
        () => (judging && partsLayer?.visible === false ? [] : outline.parts.filter((part) => !hidden.includes(part.id))),
        [judging, partsLayer?.visible, outline.parts, hidden],
    );
    const marks = useMemo(
        () => new Set(outline.parts.filter(({ id }) => selection.includes(id) || lit.includes(id) || differing.includes(originOf(id))).map(({ id }) => id)),
        [outline.parts, selection, lit, differing],
    );
    /** What is marked, seen through or dragged has edges of its own. */
    const isEdged = (part: OutlinePart) => aboveOnly || marks.has(part.id) || (judging && shown.faint.includes(part.id)) || carried.includes(originOf(part.id));
    const plainIds = drawn.filter((part) => !isEdged(part)).map((part) => part.id);
    const sameIds = useByValue(plainIds);
    const plain = useMemo(() => {
        const wanted = new Set(sameIds);
        return outline.parts.filter((part) => wanted.has(part.id));
    }, [outline.parts, sameIds]);
    const diagonal = Math.hypot(...space.max.map((m, n) => m - space.min[n]!));
    const reach = 0.12 * diagonal;
    const sized = moving.length === 1 ? moving[0] : undefined;

    /** A drag of the camera ends in a click too; a half that is cut away does not count. */
    const counts = (event: ThreeEvent<MouseEvent>) => event.delta <= 4 && isLeft(event.point, clips);
    const inside = (event: ThreeEvent<MouseEvent | PointerEvent>): Triple => event.point.clone().addScaledVector(event.face!.normal, -UNDER).toArray();

    const pick = (part: OutlinePart) => (event: ThreeEvent<MouseEvent>) => {
        if (!counts(event)) return;
        event.stopPropagation();
        if (tool === 'measure') onMeasure(measured.length === 1 ? [measured[0]!, event.point.clone()] : [event.point.clone()]);
        else if (tool === 'probe' && picture && event.face) onPin(inside(event), part.id);
        else {
            const found = picksFaces && event.face ? faceUnder(part, event.face.normal) : null;
            set({ face: found === null ? null : { part: part.id, name: found } });
            select(part.id, event.nativeEvent.ctrlKey || event.nativeEvent.shiftKey);
        }
    };
    const tell = (name: FieldName, value: number | null, event: ThreeEvent<PointerEvent>, what: string) => {
        const scale = picture?.scales.get(name);
        const text = value === null || !scale ? `${what}: no value here` : `${what} ${fieldValue(name, value, (scale.max - scale.min) / 10, units)}`;
        readout.current?.show(text.trim(), event.nativeEvent);
    };
    /** In Load the face under the pointer is shown, because a click takes it; in Judge the value there. */
    const hover = (part: OutlinePart) => (event: ThreeEvent<PointerEvent>) => {
        if (!isLeft(event.point, clips)) return;
        event.stopPropagation();
        if (picksFaces) {
            const name = event.face ? faceUnder(part, event.face.normal) : null;
            setHovered((old) => (name === null ? null : old?.part === part.id && old.name === name ? old : { part: part.id, name }));
        } else if (partsField && picture && event.face) {
            const owner = owners.get(part.id) ?? 0;
            const field = picture.fields.get(partsField);
            const normal = event.face.normal.toArray();
            const atSurface = surface && surfaceValue(surface, inside(event), normal, owner);
            tell(partsField, atSurface ?? (field ? sampleUnder(field, event.point.toArray(), normal, owner) : null), event, part.name);
        }
    };
    const overSection = (name: FieldName, event: ThreeEvent<PointerEvent>) => {
        if (!isLeft(event.point, clips)) return;
        event.stopPropagation();
        const field = picture?.fields.get(name);
        const at = event.point.toArray();
        if (field) tell(name, sample(field, at, ownerAt(field, at)), event, fieldKinds[name].title);
    };
    const pinSection = (event: ThreeEvent<MouseEvent>) => {
        if (tool !== 'probe' || !counts(event) || !picture) return;
        event.stopPropagation();
        const field = picture.fields.get('temperature');
        const at = event.point.toArray();
        const owner = field ? ownerAt(field, at) : 0;
        onPin(at, owner > 0 ? (picture.result.parts[owner - 1]?.id ?? null) : null);
    };
    const marked = (at: { part: string; name: string } | null, strong: boolean) => {
        const part = at && outline.parts.find((p) => p.id === at.part);
        return picksFaces && part ? <FaceMark part={part} face={at.name} strong={strong} /> : null;
    };

    // Parts stay as they are while what a click means changes.
    const acts = useLatest({ pick, hover });
    const onPick = useCallback((part: OutlinePart, event: ThreeEvent<MouseEvent>) => acts().pick(part)(event), [acts]);
    const onHover = useCallback((part: OutlinePart, event: ThreeEvent<PointerEvent>) => acts().hover(part)(event), [acts]);
    const onLeave = useCallback(() => {
        setHovered(null);
        readout.current?.hide();
    }, [readout]);

    return (
        <>
            <CameraRig box={space} perspective={perspective} />
            <hemisphereLight args={['#ffffff', '#b9b2a4', sunlit ? 1.45 : 1.7]} />
            {!sunlit && <directionalLight position={[-1, -2, 4]} intensity={1.5} />}
            {sunny && <SunLight outline={outline} lights={sunlit} onTurn={onSun} />}
            {drawn.length > 0 && <PartEdges parts={plain} clips={clips} dark={dark} />}
            {drawn.map((part) => (
                <PartMesh
                    key={part.id}
                    part={part}
                    hollow={hollow.has(part.id)}
                    faint={judging && shown.faint.includes(part.id)}
                    shift={carried.includes(originOf(part.id)) ? shift : undefined}
                    materials={bodies.has(part.id) ? materials : null}
                    surface={surface?.parts.get(owners.get(part.id) ?? 0)}
                    owner={owners.get(part.id) ?? 0}
                    selected={marks.has(part.id)}
                    edged={isEdged(part)}
                    above={aboveOnly ? (limits.get(part.id) ?? NaN) : null}
                    clips={clips}
                    dark={dark}
                    onPick={onPick}
                    onHover={picksFaces || materials ? onHover : undefined}
                    onLeave={picksFaces || materials ? onLeave : undefined}
                />
            ))}
            {linesOnParts &&
                drawn
                    .filter((part) => !hollow.has(part.id) && !isDevice(part.kind) && part.material !== 'fluid')
                    .map((part) => <PartGridLines key={part.id} part={part} lines={linesOnParts} clips={clips} dark={dark} />)}
            {marked(hovered, false)}
            {marked(face && selection.includes(face.part) ? face : null, true)}
            {drags && moving.length > 0 && tool === 'select' && <MoveHandles parts={moving} shift={shift} reach={reach} onShift={setShift} onDrop={drop} />}
            {drags && sized && tool === 'select' && shift.every((by) => by === 0) && (
                <FaceHandles min={sized.min} max={sized.max} faces={drags.faces(sized)} size={0.1 * reach} onDrop={(face, by) => drags.face(sized, face, by)} />
            )}
            {drags && selection.length === 0 && tool === 'select' && (
                <FaceHandles min={outline.space.min} max={outline.space.max} faces={everyFace} size={0.13 * reach} onDrop={drags.side} />
            )}
            {measured.length === 2 && <Line points={[...measured]} color={dark ? '#ffc46b' : '#8a4b00'} lineWidth={2} depthTest={false} />}
            {framed && <SpaceFrame outline={outline} dark={dark} onGravity={drags?.gravity} />}
            {sections.map((section) => (
                <Section
                    key={section.id}
                    section={section}
                    box={space}
                    picture={picture}
                    cuts={cuts}
                    grid={stage === 'Solve' || section.gridLines ? (grid ?? picture?.result.grid.lines) : undefined}
                    dark={dark}
                    onHover={picture ? overSection : undefined}
                    onLeave={onLeave}
                    onPick={tool === 'probe' ? pinSection : undefined}
                />
            ))}
            {judging &&
                picture &&
                shown.layers
                    .filter((layer) => layer.visible)
                    .map((layer) => {
                        if (layer.kind === 'sides') return <Sides key={layer.id} layer={layer} box={space} picture={picture} clips={clips} />;
                        if (layer.kind === 'streamlines')
                            return (
                                <Streamlines key={layer.id} layer={layer} outline={outline} sections={sections} picture={picture} clips={clips} dark={dark} />
                            );
                        if (layer.kind === 'isosurface')
                            return <Isosurface key={layer.id} layer={layer} picture={picture} clips={clips} onHover={overSection} onLeave={onLeave} />;
                        return null;
                    })}
            {stage === 'Build' && pointed && (
                <mesh position={pointed.at} renderOrder={14} raycast={() => undefined}>
                    <sphereGeometry args={[0.06 * reach, 16, 12]} />
                    <meshBasicMaterial color="#b3261e" depthTest={false} transparent />
                </mesh>
            )}
            {judging && picture && band && <LitFaces band={band} picture={picture} outline={outline} />}
            <CalloutPlaces callouts={callouts} sheet={sheet} />
        </>
    );
}

/** Whether a point is on the side that every section leaves. */
const isLeft = (point: Vector3, clips: readonly Plane[]): boolean => clips.every((clip) => clip.distanceToPoint(point) >= -1e-6);
