import { useEffect, useMemo } from 'react';
import { BufferAttribute, BufferGeometry, DoubleSide } from 'three';
import { useFieldBytes } from '../../api/queries';
import type { Outline } from '../../api/types';
import { facesOfBand, type Band } from './litFaces';
import type { Content } from './picture';

const SURFACES: readonly string[] = ['surfaces'];

/** The faces that a band of the heat routes stands for, seen through what lies before them. */
export function LitFaces({ band, picture, outline }: { band: Band; picture: Content; outline: Outline }) {
    const [rows] = useFieldBytes(picture.run, picture.number, SURFACES);
    const geometry = useMemo(() => {
        if (!rows) return null;
        const faces = facesOfBand(band, { lines: picture.result.grid.lines, rows: new Uint32Array(rows) }, picture.result, outline);
        return faces.length === 0 ? null : new BufferGeometry().setAttribute('position', new BufferAttribute(faces, 3));
    }, [rows, band, picture.result, outline]);
    useEffect(() => () => geometry?.dispose(), [geometry]);
    return (
        geometry && (
            <mesh geometry={geometry} renderOrder={12} raycast={() => undefined} userData={{ lit: `${band.from} ${band.to}` }}>
                <meshBasicMaterial color="#f0a03c" transparent opacity={0.7} side={DoubleSide} depthTest={false} depthWrite={false} />
            </mesh>
        )
    );
}
