import { useEffect, useMemo } from 'react';
import { BufferAttribute, BufferGeometry, type Plane } from 'three';
import type { OutlinePart } from '../../api/types';
import { edgeGeometry, partGeometry } from '../geometry';

/** Ends of the edges of parts that have been drawn, m. */
const known = new WeakMap<OutlinePart, Float32Array>();

function edgesOf(part: OutlinePart): Float32Array {
    const found = known.get(part);
    if (found) return found;
    const body = partGeometry(part);
    const edges = edgeGeometry(body);
    const ends = edges.getAttribute('position').array as Float32Array;
    body.dispose();
    edges.dispose();
    known.set(part, ends);
    return ends;
}

/** Colour of the edges of a part that nothing marks. */
export const edgeInk = (dark: boolean): string => (dark ? '#9aa5ab' : '#3b4146');
export const EDGE = 0.45;

/** The edges of all parts that nothing marks, in one go: of many parts every picture takes half the calls. */
export function PartEdges({ parts, clips, dark }: { parts: readonly OutlinePart[]; clips: Plane[]; dark: boolean }) {
    const geometry = useMemo(() => {
        const each = parts.map(edgesOf);
        const all = new Float32Array(each.reduce((sum, ends) => sum + ends.length, 0));
        let at = 0;
        for (const ends of each) {
            all.set(ends, at);
            at += ends.length;
        }
        return new BufferGeometry().setAttribute('position', new BufferAttribute(all, 3));
    }, [parts]);
    useEffect(() => () => geometry.dispose(), [geometry]);
    return (
        <lineSegments geometry={geometry} raycast={() => undefined}>
            <lineBasicMaterial color={edgeInk(dark)} transparent opacity={EDGE} clippingPlanes={clips} />
        </lineSegments>
    );
}
