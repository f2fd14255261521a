import { useEffect, useMemo } from 'react';
import { BufferAttribute, BufferGeometry, type Plane } from 'three';
import type { OutlinePart } from '../../api/types';
import { partGeometry } from '../geometry';
import { gridLinesOn } from './gridLines';

/** Of the diagonal of the space, that the lines stand off the surface. */
const OFF = 3e-4;

/** The lines of the grid on the surface of a part as it is drawn. */
export function PartGridLines({ part, lines, clips, dark }: { part: OutlinePart; lines: readonly (readonly number[])[]; clips: Plane[]; dark: boolean }) {
    const geometry = useMemo(() => {
        const diagonal = Math.hypot(...lines.map((line) => line.at(-1)! - line[0]!));
        const body = partGeometry(part);
        const facets = body.index ? body.toNonIndexed() : body;
        const drawn = new BufferGeometry().setAttribute(
            'position',
            new BufferAttribute(gridLinesOn(lines, facets.getAttribute('position').array, OFF * diagonal), 3),
        );
        body.dispose();
        if (facets !== body) facets.dispose();
        return drawn;
    }, [part, lines]);
    useEffect(() => () => geometry.dispose(), [geometry]);
    return (
        <lineSegments geometry={geometry} raycast={() => undefined} renderOrder={1}>
            <lineBasicMaterial color={dark ? '#e8e3d8' : '#20262a'} transparent opacity={0.4} clippingPlanes={clips} />
        </lineSegments>
    );
}
