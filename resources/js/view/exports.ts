import { BufferAttribute, Color, Group, Mesh, MeshStandardMaterial } from 'three';
import { GLTFExporter } from 'three/examples/jsm/exporters/GLTFExporter.js';
import { STLExporter } from 'three/examples/jsm/exporters/STLExporter.js';
import { saveFile } from '../api/saveFile';
import type { Outline } from '../api/types';
import { isDevice } from '../model/partKinds';
import { colourOf } from './colours';
import { fieldKinds, type FieldName } from './fields/catalogue';
import { colourAt } from './fields/palettes';
import { shareOf } from './fields/scale';
import { wholeGeometry } from './geometry';
import type { Picture } from './layers/picture';
import { surfaceField } from './layers/surfaces';

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

async function saveGltf(group: Group, name: string): Promise<void> {
    // glTF stands upright along y.
    group.rotateX(-Math.PI / 2);
    const data = await new GLTFExporter().parseAsync(group, { binary: true });
    saveFile(new Blob([data as ArrayBuffer], { type: 'model/gltf-binary' }), name);
}

export const exportGltf = (outline: Outline): Promise<void> => saveGltf(bodies(outline, 1), fileName(outline, 'glb'));

/** Where a field has no value. */
const NONE = [141, 149, 154] as const;

/** Colours of glTF are linear. */
const linear = ([red, green, blue]: readonly [number, number, number]): number[] =>
    new Color(red / 255, green / 255, blue / 255).convertSRGBToLinear().toArray();

/** The open surfaces of parts on the grid, every element in the colour that a field has there. */
export function colouredSurfaces(picture: Picture, rows: Uint32Array, name: FieldName, titles: readonly string[]): Group {
    const scale = picture.scales.get(name)!;
    const { palette } = fieldKinds[name];
    const stored = picture.surfaces.get(name);
    const inCells = picture.fields.get(name)?.values;
    const elements = { lines: picture.result.grid.lines, rows };
    const { parts } =
        stored ??
        surfaceField(
            elements,
            Float32Array.from({ length: rows.length / 4 }, (_, element) => inCells?.[rows[4 * element]!] ?? NaN),
        );
    const group = new Group();
    group.name = fieldKinds[name].title;
    for (const [number, geometry] of parts) {
        const own = geometry.clone();
        const values = own.getAttribute('value').array;
        const colours = Array.from(values, (value) => linear(Number.isNaN(value) ? NONE : colourAt(palette, shareOf(value, scale)))).flat();
        own.deleteAttribute('value');
        own.setAttribute('color', new BufferAttribute(new Float32Array(colours), 3));
        const mesh = new Mesh(own, new MeshStandardMaterial({ vertexColors: true }));
        mesh.name = titles[number - 1] ?? `Part ${number}`;
        group.add(mesh);
    }
    return group;
}

export const exportColoured = (picture: Picture, rows: Uint32Array, name: FieldName): Promise<void> =>
    saveGltf(
        colouredSurfaces(
            picture,
            rows,
            name,
            picture.result.parts.map((part) => part.name),
        ),
        `run-${picture.run}.glb`,
    );
