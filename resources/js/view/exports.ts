import { Group, Mesh, MeshStandardMaterial } from 'three';
import { GLTFExporter } from 'three/examples/jsm/exporters/GLTFExporter.js';
import { STLExporter } from 'three/examples/jsm/exporters/STLExporter.js';
import { saveFile } from '../api/saveFile';
import type { Outline } from '../api/types';
import { isDevice } from '../model/partKinds';
import { colourOf } from './colours';
import { wholeGeometry } from './geometry';

/** In millimetres for STL, which has no unit, in metres for glTF, whose unit that is; carve-outs, fans and screens are no bodies. */
function bodies(outline: Outline, scale: number): Group {
    const group = new Group();
    group.name = outline.name;
    for (const part of outline.parts) {
        if (part.material === 'fluid' || isDevice(part.kind)) continue;
        const mesh = new Mesh(wholeGeometry(part).scale(scale, scale, scale), new MeshStandardMaterial({ color: colourOf(part) }));
        mesh.name = part.name;
        group.add(mesh);
    }
    group.updateMatrixWorld(true);
    return group;
}

const fileName = (outline: Outline, ending: string): string =>
    `${
        outline.name
            .toLowerCase()
            .replace(/[^a-z0-9]+/g, '-')
            .replace(/^-|-$/g, '') || 'geometry'
    }.${ending}`;

export function exportStl(outline: Outline): void {
    const data = new STLExporter().parse(bodies(outline, 1e3), { binary: true });
    saveFile(new Blob([data], { type: 'model/stl' }), fileName(outline, 'stl'));
}

export async function exportGltf(outline: Outline): Promise<void> {
    const group = bodies(outline, 1);
    // glTF stands upright along y.
    group.rotateX(-Math.PI / 2);
    const data = await new GLTFExporter().parseAsync(group, { binary: true });
    saveFile(new Blob([data as ArrayBuffer], { type: 'model/gltf-binary' }), fileName(outline, 'glb'));
}
