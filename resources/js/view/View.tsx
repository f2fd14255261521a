import Box from '@mui/material/Box';
import Paper from '@mui/material/Paper';
import { useTheme } from '@mui/material/styles';
import { Canvas } from '@react-three/fiber';
import { memo, useMemo, useRef, type RefObject } from 'react';
import type { Vector3 } from 'three';
import { useGridReport, usePins } from '../api/queries';
import type { Outline, Result } from '../api/types';
import { useByValue, useLatest, useStateFor } from '../state/hooks';
import { usePreferences, useScreen } from '../state/screen';
import { temperatureWithUnit } from '../units/units';
import { BoxSelect } from './BoxSelect';
import { colouredByFinish } from './colours';
import { FinishLegend } from './FinishLegend';
import { Compass, CompassNeedles } from './camera/Compass';
import { ScaleBar, ScaleBarLength } from './camera/ScaleBar';
import { Sharpness } from './camera/Sharpness';
import { software } from './camera/software';
import { useDifference } from './fields/useDifference';
import { useFields, useTextures } from './fields/useFields';
import { extremeLabels, missedLabels, partLabels } from './layers/callouts';
import { Callouts, type Callout } from './layers/Callouts';
import type { Content, Picture } from './layers/picture';
import { useSurfaces } from './layers/useSurfaces';
import { useTouchLimits } from './layers/useTouchLimits';
import { rangeOver, scaleOver } from '../time/course';
import { scalesOf } from './layers/scales';
import { useSharedScales } from './layers/useSharedScales';
import { Picking, type Picker } from './Picking';
import { Readout, type ReadoutHandle } from './Readout';
import { distanceText, Scene, type Drags } from './Scene';
import { Legends } from './shown/Legends';
import { againstBase, fieldsUsed, layersOf, type Triple } from './shown/shown';
import { ShownList } from './shown/ShownList';
import { show, useShown } from './shown/store';
import { SectionTools } from './shown/SectionSettings';
import { useAddressedView } from './views/useSavedView';
import { ViewTools } from './ViewTools';
import { useTriedFields } from '../whatif/useTriedFields';
import type { Trial } from '../whatif/useWhatIf';

export type { Drags } from './Scene';

export interface Beside {
    /** A name of its own. */
    column: string;
    first: boolean;
    legends: boolean;
    /** The run whose temperatures are taken off; null: its own are shown. */
    base: number | null;
}

interface Props {
    project: number;
    outline: Outline;
    variant: number;
    revision: number;
    /** The run to show, which of its pictures, and the result. */
    run: number | undefined;
    picture: number;
    result: Result | undefined;
    /** Other watts that are tried on it. */
    trial: Trial | null;
    /** Whether a run needs the processor. */
    busy: boolean;
    stale: boolean;
    picker: RefObject<Picker | null>;
    /** Makes a watch of a place; null where the model may not be changed. */
    onWatch: ((at: Triple, name: string) => void) | null;
    /** Given where the model may be changed. */
    drags: Drags | undefined;
    /** Which of several views beside one another it is; null where it is alone. Only the first has tools. */
    beside?: Beside | null;
}

/**
 * The 3-D view: what a run has to show in Judge, the model elsewhere. Renders only when something changes, and not while the progress of
 * a run comes in: without a graphics card every picture takes time from the run.
 */
export default memo(function View({
    project,
    outline,
    variant,
    revision,
    run,
    picture: number,
    result: latest,
    trial,
    busy,
    stale,
    picker,
    onWatch,
    drags,
    beside = null,
}: Props) {
    const stage = useScreen((s) => s.stage);
    const tool = useScreen((s) => s.tool);
    const selection = useScreen((s) => s.selection);
    const hidden = useScreen((s) => s.hidden);
    const select = useScreen((s) => s.select);
    const setScreen = useScreen((s) => s.set);
    const pointed = useScreen((s) => s.pointed);
    const byFinish = useScreen((s) => s.byFinish);
    const grade = useScreen((s) => s.grade);
    const units = usePreferences((s) => s.units);
    const all = useShown((s) => s);
    const base = beside?.base ?? null;
    const shown = useMemo(() => (base === null ? all : againstBase(all)), [all, base]);
    const theme = useTheme();
    useAddressedView(project);
    const sheet = useRef<HTMLDivElement>(null);
    const arms = useRef<HTMLDivElement>(null);
    const bar = useRef<HTMLDivElement>(null);
    const readout = useRef<ReadoutHandle>(null);
    const judging = stage === 'Judge';
    // While a run goes on its picture grows in every stage.
    const judged = (judging || busy) && !stale ? run : undefined;
    const result = judged === undefined ? undefined : latest;
    // Outside Judge the picture of a run that goes on colours the parts, and nothing more.
    const layers = shown.layers.filter((layer) => layer.visible && (judging || layer.kind === 'parts'));
    const wanted = useByValue([...new Set([...layers.flatMap(fieldsUsed), 'temperature' as const])]);
    const fields = useDifference(judged, number, useTriedFields(judged, useFields(judged, number, result, wanted), trial), base);
    const textures = useTextures(fields);
    const touchLimits = useTouchLimits(outline);
    const surfaces = useSurfaces(judged, number, trial ? undefined : result, wanted, touchLimits);
    const { ranges } = shown;
    const scales = useSharedScales(
        beside?.column ?? null,
        useMemo(() => {
            const own = scalesOf(shown.layers, ranges, fields, surfaces);
            const temperatures = own.get('temperature');
            return temperatures && result?.time
                ? new Map(own).set('temperature', scaleOver(temperatures, ranges.temperature, rangeOver(result.time, result)))
                : own;
        }, [shown.layers, ranges, fields, surfaces, result]),
    );
    const content = useMemo<Content | null>(
        () => (judged !== undefined && result && fields.size > 0 ? { run: judged, number, result, fields, textures, surfaces } : null),
        [judged, result, number, fields, textures, surfaces],
    );
    const picture = useMemo<Picture | null>(() => content && { ...content, scales }, [content, scales]);
    const pictureNow = useLatest(picture);

    const sections = layersOf(shown, 'section').filter((section) => section.visible);
    const gridded = stage === 'Solve' && (sections.length > 0 || layersOf(shown, 'parts')[0]?.gridLines === true);
    const grid = useGridReport(variant, revision, grade, gridded);
    // A field belongs to the fins its grid had, which on a coarse one are fewer and thicker.
    const drawn = useMemo(() => {
        const finished = colouredByFinish(outline, stage === 'Load' && byFinish);
        const fins = new Map(picture ? (picture.result.flow?.fins ?? []).map((block) => [block.part, block.drawing]) : []);
        return fins.size === 0 ? finished : { ...finished, parts: finished.parts.map((part) => ({ ...part, drawing: fins.get(part.id) ?? part.drawing })) };
    }, [outline, picture, stage, byFinish]);

    const [measured, setMeasured] = useStateFor<boolean, Vector3[]>(tool === 'measure', []);
    const probes = layersOf(shown, 'probes')[0];
    const pins = useMemo(() => (judging && probes?.visible ? probes.pins : []), [judging, probes]);
    const values = usePins(
        judged,
        number,
        pins.map((pin) => pin.at),
    );
    const pin = (at: Triple, part: string | null) => {
        if (probes) show.change(probes, { visible: true, pins: [...probes.pins, { at, part }] });
        else show.add({ kind: 'probes', visible: true, pins: [{ at, part }] });
    };
    const callouts: Callout[] = [];
    if (measured.length > 0) callouts.push({ id: 'measured', at: measured.at(-1)!.toArray(), title: distanceText(measured, units) ?? '' });
    if (stage === 'Build' && pointed) callouts.push({ id: 'pointed', at: pointed.at, title: pointed.text });
    pins.forEach(({ at, part }, n) => {
        const value = values[n];
        const name = outline.parts.find((p) => p.id === part)?.name ?? 'Air';
        const text = value === undefined ? 'reading' : value === null ? 'nothing is computed here' : temperatureWithUnit(value, units, 2);
        callouts.push({ id: `pin ${n}`, at, title: `${n + 1} ${name}`, value: text });
    });
    if (picture && judging) {
        const labels = layersOf(shown, 'labels')[0];
        if (labels?.visible) callouts.push(...partLabels(labels, outline, picture.result, selection, hidden, units));
        if (layersOf(shown, 'missed')[0]?.visible) callouts.push(...missedLabels(picture.result, units));
        if (layersOf(shown, 'extremes')[0]?.visible) callouts.push(...extremeLabels(picture.fields.get('temperature'), units));
    }
    const moves = judging && layers.some((layer) => layer.kind === 'streamlines' && layer.particles);
    const parts = layersOf(shown, 'parts')[0];
    return (
        <Box
            sx={{
                position: 'absolute',
                inset: 0,
                background: theme.palette.mode === 'light' ? 'linear-gradient(#faf8f4, #eae5db)' : 'linear-gradient(#262b2f, #1a1d20)',
                cursor: tool === 'select' ? undefined : 'crosshair',
            }}
            data-coloured={picture ? (parts?.visible && parts.field ? parts.field : 'kind') : 'kind'}
            data-section={picture ? (sections[0]?.field ?? undefined) : undefined}
            data-run={picture ? picture.run : undefined}
            onPointerLeave={() => readout.current?.hide()}
        >
            <Canvas
                shadows
                frameloop="demand"
                dpr={software ? 1 : [1, 2]}
                gl={{ antialias: !software }}
                flat
                onCreated={({ gl }) => {
                    gl.localClippingEnabled = true;
                }}
                onPointerMissed={() => tool === 'select' && select(null)}
                aria-label={`Three-dimensional view of ${outline.name}`}
                role="img"
            >
                <Picking picker={picker} />
                <Scene
                    shown={shown}
                    outline={drawn}
                    picture={picture}
                    grid={gridded ? grid.data?.lines : undefined}
                    framed={stage === 'Build' || stage === 'Load'}
                    drags={stage === 'Build' ? drags : undefined}
                    onSun={stage === 'Load' && drags?.maySun() ? drags.sun : undefined}
                    callouts={callouts}
                    sheet={sheet}
                    readout={readout}
                    measured={measured}
                    onMeasure={setMeasured}
                    onPin={pin}
                />
                <Sharpness busy={moves || busy} />
                <CompassNeedles arms={arms} />
                <ScaleBarLength bar={bar} units={units} />
            </Canvas>
            <Callouts callouts={callouts} sheet={sheet} />
            {tool === 'box' && (
                <BoxSelect
                    onSelect={(box, adding) => {
                        const found =
                            picker.current?.partsIn(
                                box,
                                outline.parts.filter((part) => !hidden.includes(part.id)),
                            ) ?? [];
                        setScreen({ selection: adding ? [...new Set([...selection, ...found])] : found, tool: 'select' });
                    }}
                />
            )}
            {(!beside || beside.first) && <Compass arms={arms} />}
            <ScaleBar bar={bar} />
            <Box
                sx={{
                    position: 'absolute',
                    inset: 0,
                    p: 1.25,
                    display: 'flex',
                    flexDirection: 'column',
                    gap: 1,
                    pointerEvents: 'none',
                    '& > *': { pointerEvents: 'auto' },
                }}
            >
                {(!beside || beside.first) && (
                    <>
                        <ViewTools outline={outline} shows={picture !== null} picture={pictureNow} project={project} mayEdit={drags !== undefined} />
                        {judging ? (
                            <ShownList outline={outline} picture={content} values={values} onWatch={onWatch} foldedFirst={beside !== null} />
                        ) : (
                            <SectionTools box={outline.space} />
                        )}
                    </>
                )}
                <Box sx={{ flex: 1, pointerEvents: 'none !important' }} />
                {stage === 'Load' && byFinish && <FinishLegend />}
                {picture && (!beside || beside.legends) && <Legends layers={layers} picture={picture} project={project} />}
                {judging && stale && (
                    <Paper variant="outlined" sx={{ alignSelf: 'start', px: 1.5, py: 1 }}>
                        The model has changed; run again to colour it by temperature.
                    </Paper>
                )}
            </Box>
            <Readout handle={readout} />
        </Box>
    );
});
