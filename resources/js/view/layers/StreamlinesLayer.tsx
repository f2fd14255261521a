import { useQuery } from '@tanstack/react-query';
import { useFrame, useThree } from '@react-three/fiber';
import { useEffect, useMemo, useRef } from 'react';
import { BufferAttribute, BufferGeometry, LineBasicMaterial, LineSegments, type Material, type Plane } from 'three';
import { LineMaterial } from 'three/examples/jsm/lines/LineMaterial.js';
import { LineSegments2 } from 'three/examples/jsm/lines/LineSegments2.js';
import { LineSegmentsGeometry } from 'three/examples/jsm/lines/LineSegmentsGeometry.js';
import { streamlinesQuery } from '../../api/queries';
import type { Outline } from '../../api/types';
import { useAim } from '../camera/aim';
import { software } from '../camera/software';
import { fieldKinds } from '../fields/catalogue';
import { sample } from '../fields/field';
import { colourAt } from '../fields/palettes';
import { shareOf } from '../fields/scale';
import type { SectionLayer, StreamlinesLayer } from '../shown/shown';
import type { Picture } from './picture';
import { seeds } from './seeds';
import { placeAt, readStreams, slowdown, thinned, type Stream } from './streams';

/** Points of a line are drawn at least this share of the diagonal of the space apart. */
const APART = 0.002;

/** Seconds that a particle takes along a line of middle length. */
const TRAVEL = 6;

const PARTICLES = 600;

/** The streamlines of a layer, as far as they have come. */
function useStreams(layer: StreamlinesLayer, outline: Outline, sections: readonly SectionLayer[], picture: Picture | null): Stream[] {
    const from = useMemo(() => seeds(layer.from, outline, sections, layer.count), [layer.from, layer.count, outline, sections]);
    const bytes = useQuery(streamlinesQuery(picture?.run, picture?.number ?? 0, from, layer.back)).data;
    return useMemo(() => {
        const apart = APART * Math.hypot(...outline.space.max.map((m, n) => m - outline.space.min[n]!));
        return bytes ? readStreams(bytes).map((stream) => thinned(stream, apart)) : [];
    }, [bytes, outline.space]);
}

interface Props {
    layer: StreamlinesLayer;
    outline: Outline;
    sections: readonly SectionLayer[];
    picture: Picture | null;
    clips: Plane[];
    dark: boolean;
}

/** Lines that particles of the air follow, coloured by a field, and the particles themselves. */
export function Streamlines({ layer, outline, sections, picture, clips, dark }: Props) {
    const streams = useStreams(layer, outline, sections, picture);
    const field = picture?.fields.get(layer.field);
    const scale = picture?.scales.get(layer.field);
    const { palette } = fieldKinds[layer.field];
    const drawn = useMemo(() => {
        const positions: number[] = [];
        for (const { points } of streams) {
            for (let i = 3; i < points.length; i += 3) positions.push(...points.subarray(i - 3, i + 3));
        }
        if (positions.length === 0) return null;
        const thin = new BufferGeometry().setAttribute('position', new BufferAttribute(new Float32Array(positions), 3));
        return {
            thick: new LineSegments2(new LineSegmentsGeometry().setPositions(positions), new LineMaterial({ vertexColors: true, linewidth: 2 })),
            thin: new LineSegments(thin, new LineBasicMaterial({ vertexColors: true })),
        };
    }, [streams]);
    useEffect(
        () => () => {
            for (const lines of drawn ? [drawn.thick, drawn.thin] : []) {
                lines.geometry.dispose();
                (lines.material as Material).dispose();
            }
        },
        [drawn],
    );
    const invalidate = useThree((s) => s.invalidate);
    useEffect(() => {
        if (!drawn) return;
        const colours: number[] = [];
        for (const { points } of streams) {
            const of = (i: number) => {
                const value = field ? sample(field, [points[i]!, points[i + 1]!, points[i + 2]!], 0) : null;
                return value === null || !scale ? [0.55, 0.58, 0.6] : colourAt(palette, shareOf(value, scale)).map((c) => (c / 255) ** 2.2);
            };
            for (let i = 3; i < points.length; i += 3) colours.push(...of(i - 3), ...of(i));
        }
        drawn.thick.geometry.setColors(colours);
        drawn.thin.geometry.setAttribute('color', new BufferAttribute(new Float32Array(colours), 3));
        for (const material of [drawn.thick.material, drawn.thin.material]) {
            material.clippingPlanes = clips;
            material.opacity = layer.particles ? 0.45 : 1;
            material.transparent = layer.particles;
        }
        invalidate();
    }, [drawn, streams, field, scale, palette, clips, layer.particles, invalidate]);
    // Thick lines are polygons, which take their time without a graphics card.
    const light = useAim((s) => s.moving) && software;
    if (!drawn) return null;
    return (
        <>
            <primitive key={light ? 'thin' : 'thick'} object={light ? drawn.thin : drawn.thick} raycast={() => undefined} />
            {layer.particles && <Particles streams={streams} dark={dark} />}
        </>
    );
}

/** Particles that move with the flow, so many times slower. */
function Particles({ streams, dark }: { streams: Stream[]; dark: boolean }) {
    const invalidate = useThree((s) => s.invalidate);
    const slower = slowdown(streams, TRAVEL);
    const each = Math.max(1, Math.floor(PARTICLES / Math.max(1, streams.length)));
    const geometry = useMemo(
        () => new BufferGeometry().setAttribute('position', new BufferAttribute(new Float32Array(3 * each * streams.length), 3)),
        [each, streams.length],
    );
    useEffect(() => () => geometry.dispose(), [geometry]);
    const segments = useRef<number[]>([]);
    useFrame(({ clock }) => {
        const places = geometry.getAttribute('position') as BufferAttribute;
        const now = clock.getElapsedTime() / slower;
        streams.forEach((stream, n) => {
            const duration = stream.times.at(-1)! - stream.times[0]!;
            for (let k = 0; k < each; k++) {
                const index = n * each + k;
                const time = stream.times[0]! + ((now + (k / each + 0.618 * n) * duration) % duration);
                const { at, segment } = placeAt(stream, time, segments.current[index] ?? 0);
                segments.current[index] = segment;
                places.setXYZ(index, ...at);
            }
        });
        places.needsUpdate = true;
        geometry.boundingSphere = null;
        invalidate();
    });
    return (
        <points geometry={geometry} frustumCulled={false} raycast={() => undefined}>
            <pointsMaterial size={5} sizeAttenuation={false} color={dark ? '#f4efe4' : '#12303f'} />
        </points>
    );
}
